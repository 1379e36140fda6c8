import type { ReadColour } from '../colour/read';
import type { Brand, Theme, Token } from '../brand/document';
import { resolveTheme, trailOf } from '../brand/resolve';
import { slug, type Written } from './format';

export interface ShippedToken {
  readonly token: Token;
  /** The token's path as one identifier: `route.mill-quay` becomes `route-mill-quay`. */
  readonly identifier: string;
  readonly colour: ReadColour;
}

export interface ShippedTheme {
  readonly theme: Theme;
  /** The theme's name as a word for file names and selectors. */
  readonly identifier: string;
  readonly tokens: readonly ShippedToken[];
}

/**
 * What every writer writes from: the tokens with their colours, theme by theme, in the brand's order.
 * A token without a colour, and two names that a consumer would take for one, are errors: nothing is shipped half.
 */
export function material(brand: Brand, themes: readonly Theme[]): { themes: ShippedTheme[]; problems: Written['problems'] } {
  const problems: { severity: 'error'; message: string }[] = [];
  const complain = (message: string) => problems.push({ severity: 'error', message });
  if (brand.tokens.length === 0) complain('There are no tokens to write yet; name some first.');
  const identifiers = brand.tokens.map((token) => identifier(token.path));
  sameTwice(
    brand.tokens.map((token) => token.path),
    identifiers,
    complain,
  );
  sameTwice(
    themes.map((theme) => theme.name),
    themes.map((theme) => slug(theme.name)),
    complain,
  );
  const shipped = themes.map((theme): ShippedTheme => {
    const resolved = resolveTheme(brand, theme.id);
    const tokens = brand.tokens.flatMap((token, at): ShippedToken[] => {
      const found = resolved.get(token.id)!;
      if (found.colour) return [{ token, identifier: identifiers[at]!, colour: found.colour }];
      const trail = trailOf(found, theme.id);
      complain(`${token.path} has no colour in ${theme.name}${trail.length > 1 ? ` (${trail.join(' → ')})` : ''}; give it one.`);
      return [];
    });
    return { theme, identifier: slug(theme.name), tokens };
  });
  return { themes: shipped, problems };
}

/** Letters of any script stay; dots become hyphens. */
function identifier(path: string): string {
  return path.toLowerCase().replace(/\./g, '-');
}

function sameTwice(names: readonly string[], written: readonly string[], complain: (message: string) => void): void {
  const first = new Map<string, string>();
  names.forEach((name, at) => {
    const other = first.get(written[at]!);
    if (other === undefined) first.set(written[at]!, name);
    else complain(`${other} and ${name} would both be written as ${written[at]}; rename one.`);
  });
}
