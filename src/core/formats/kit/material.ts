import { NameScope } from './name-scope';
import { finding, type Finding } from '../../findings/finding';
import { slug } from '../../base/words';
import { flatten } from '../../colour/contrast';
import { readColour, type ReadColour } from '../../colour/read';
import type { Brand } from '../../brand/document/document';
import type { Theme } from '../../brand/document/theme-shape';
import type { Token } from '../../brand/document/token-shape';
import { brokenTrail, resolveTheme } from '../../brand/reading/resolve';
import type { Choices } from './choices';
import { type Written } from './format';
import { identifier, type NameRules } from './identifiers';

export interface ShippedToken {
  readonly token: Token;
  readonly theme: Theme;
  /** The token's name in the file: `route.mill-quay` becomes `route-mill-quay`, or as the language wants it. */
  readonly identifier: string;
  readonly colour: ReadColour;
}

export interface ShippedTheme {
  readonly theme: Theme;
  /** The theme's name as a word for file names and selectors. */
  readonly identifier: string;
  readonly tokens: readonly ShippedToken[];
}

/** What the written file can hold. */
export interface Target extends NameRules {
  /** Colours outside sRGB as they are. Otherwise the nearest inside is written, and said so. */
  readonly wide?: boolean;
  /** No opacity: translucent colours are laid over the ground, and said so. */
  readonly opaque?: boolean;
}

export interface Material {
  readonly themes: readonly ShippedTheme[];
  readonly findings: Written['findings'];
}

/**
 * What every writer writes from: the chosen tokens with their colours, theme by theme, in the order asked for.
 * A token without a colour, and two names that a consumer would take for one, are errors: nothing is shipped half.
 */
export function material(brand: Brand, themes: readonly Theme[], choices: Choices = {}, target: Target = {}): Material {
  const findings: Finding[] = [];
  const complain = (...told: Parameters<typeof finding>) => void findings.push(finding(...told));
  const tokens = chosenTokens(brand.tokens, choices);
  if (brand.tokens.length === 0) complain('nothing-to-write', 'error', 'There are no tokens to write yet; name some first.');
  else if (tokens.length === 0) complain('nothing-to-write', 'error', nothingChosen(choices));
  const names = new Map(tokens.map(({ id, path }) => [id, identifier(path, choices.naming ?? 'kebab', choices.prefix, target)]));
  const tokenNames = new NameScope();
  for (const { id, path } of tokens) tokenNames.claim(names.get(id)!, path);
  const themeNames = new NameScope();
  for (const { name } of themes) themeNames.claim(slug(name), name);
  findings.push(...tokenNames.findings, ...themeNames.findings);
  const outside = new Set<string>();
  const laid = new Set<string>();
  const shipped = themes.map((theme): ShippedTheme => {
    const resolved = resolveTheme(brand, theme.id);
    const ground = surfaceColour(brand, theme);
    const list = tokens.flatMap((token): ShippedToken[] => {
      const found = resolved.get(token.id)!;
      if (!found.colour) {
        const way = brokenTrail(found, theme.id);
        const message = `${token.path} has no colour in ${theme.name}${way && ` (${way})`}; give it one.`;
        complain('no-colour', 'error', message, { theme: theme.id, tokens: [token.id] });
        return [];
      }
      const flat = found.colour.alpha < 1 && (target.opaque || choices.alpha === 'flat');
      if (found.colour.clipped > 0 && !target.wide) outside.add(token.path);
      if (flat && choices.alpha !== 'flat') laid.add(token.path);
      const colour = flat ? readColour(flatten(found.colour, ground))! : found.colour;
      return [{ token, theme, identifier: names.get(token.id)!, colour }];
    });
    return { theme, identifier: slug(theme.name), tokens: sortedTokens(list, choices.order) };
  });
  if (outside.size > 0)
    complain('gamut', 'warning', `Outside sRGB, and written as the nearest colour inside it: ${some(outside)}.`);
  if (laid.size > 0)
    complain('opacity', 'warning', `Translucent, and this file holds no opacity, so laid over the first surface: ${some(laid)}.`);
  return { themes: shipped, findings };
}

/** The tokens that the choices leave: those of one group, without others. */
export function chosenTokens(tokens: readonly Token[], { group = '', without = [] }: Choices): readonly Token[] {
  if (group === '' && without.length === 0) return tokens;
  return tokens.filter(({ path }) => isWithin(path, group) && !without.some((left) => left !== '' && isWithin(path, left)));
}

/** Whether a path is that of a group, which `''` always is, or lies below it. */
function isWithin(path: string, group: string): boolean {
  return group === '' || path === group || path.startsWith(`${group}.`);
}

function nothingChosen({ group = '' }: Choices): string {
  return group === ''
    ? 'Every group is left out, so there is nothing to write; take one in again.'
    : `There is no token below ${group}; choose another group in the options.`;
}

/** The first surface of a theme; white where there is none. */
function surfaceColour(brand: Brand, theme: Theme): ReadColour {
  const surface = brand.tokens.find(({ role }) => role === 'surface');
  return (surface && resolveTheme(brand, theme.id).get(surface.id)?.colour) ?? readColour('#ffffff')!;
}

function sortedTokens(tokens: ShippedToken[], order: Choices['order']): ShippedToken[] {
  if (order === 'name') return tokens.sort((one, two) => (one.identifier < two.identifier ? -1 : 1));
  return order === 'lightness' ? tokens.sort((one, two) => two.colour.oklch[0] - one.colour.oklch[0]) : tokens;
}

/** The first few of a list, and how many more there are. */
function some(paths: ReadonlySet<string>): string {
  const shown = [...paths].slice(0, 4).join(', ');
  return paths.size > 4 ? `${shown} and ${paths.size - 4} more` : shown;
}
