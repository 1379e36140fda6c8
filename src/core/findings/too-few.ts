import { assignments } from '../brand/reading/data-fields';
import { finding, type Rule } from './finding';

/** Values of the data that outnumber the colours of their group. */
export const tooFew: Rule = {
  id: 'too-few',
  title: 'Values without a colour',
  looksAt: ['tokens', 'fields'],
  find: (brand) =>
    brand.fields.flatMap((field) => {
      const given = assignments(brand, field);
      const bare = given.filter(({ token }) => !token);
      if (bare.length === 0) return [];
      const names = bare.slice(0, 3).map(({ text }) => text);
      const more = bare.length > names.length ? ` and ${bare.length - names.length} more` : '';
      const message = `${field.name}: no colour is left in ${field.group} for ${names.join(', ')}${more}.`;
      const data = { value: given.length - bare.length, limit: given.length };
      return [finding('too-few', 'warning', message, { field: field.id }, data)];
    }),
};
