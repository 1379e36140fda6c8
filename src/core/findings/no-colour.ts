import { brokenTrail, resolveTheme } from '../brand/reading/resolve';
import { finding, type Rule } from './finding';

/** Tokens that come to no colour in a theme: no file can be written whole with them. */
export const noColour: Rule = {
  id: 'no-colour',
  title: 'Without a colour',
  looksAt: ['palettes', 'tokens', 'themes'],
  find: (brand) =>
    brand.themes.flatMap((theme) =>
      [...resolveTheme(brand, theme.id).values()]
        .filter(({ colour }) => !colour)
        .map((resolved) => {
          const { id, path } = resolved.token;
          const way = brokenTrail(resolved, theme.id);
          const message = `${path} has no colour in ${theme.name}${way && `: ${way}`}.`;
          return finding('no-colour', 'error', message, { theme: theme.id, tokens: [id] });
        }),
    ),
};
