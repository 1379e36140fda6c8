import { FORMATS } from '../registry';
import { optionKinds } from './option-kinds';

const options = FORMATS.flatMap((format) => optionKinds(format).map((kind) => [format.id, kind.name, kind] as const));

test.each(options)(
  '%s, option %s can be offered: it has a kind, a title, and says what it means to leave it',
  (_id, _name, kind) => {
    const { title, untouched, value, usual } = kind;
    // Without these an option was not described by `about`: see kit/options.ts.
    expect([title, untouched]).toEqual([expect.stringMatching(/\S/), expect.stringMatching(/\S/)]);
    expect(usual).toBeDefined();
    if (value.kind === 'one') expect(value.words.map(([word]) => word)).toContain(usual);
  },
);
