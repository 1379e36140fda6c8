import { resolveTheme, trailOf } from '../brand/resolve';
import { finding, type Rule } from './finding';

/** Tokens that come to no colour in a theme: no file can be written whole with them. */
export const noColour: Rule = {
  id: 'no-colour',
  title: 'Without a colour',
  find: (brand) =>
    brand.themes.flatMap((theme) =>
      [...resolveTheme(brand, theme.id).values()].flatMap((resolved) => {
        if (resolved.colour) return [];
        const { id, path } = resolved.token;
        const trail = trailOf(resolved, theme.id);
        const way = trail.length > 1 ? `: ${trail.join(' → ')} → nothing` : '';
        const subject = { theme: theme.id, tokens: [id] };
        return [finding('no-colour', 'error', `${path} has no colour in ${theme.name}${way}.`, subject)];
      }),
    ),
};
