import { contrastRatio, hexLuminance, nearestPassing } from '../colour/contrast';
import type { ReadColour } from '../colour/read';
import type { Brand } from '../brand/document/document';
import type { Theme } from '../brand/document/theme-shape';
import type { Token } from '../brand/document/token-shape';
import { groundsOf } from '../brand/reading/grounds';
import { resolveTheme } from '../brand/reading/resolve';
import type { Known } from './finding';
import { mostOf } from './worst';

/** WCAG 2.2, success criterion 1.4.3 (AA): text of ordinary size. */
export const TEXT_RATIO = 4.5;
/** WCAG 2.2, success criterion 1.4.6 (AAA): text of ordinary size. */
export const ENHANCED_RATIO = 7;
/** WCAG 2.2, success criterion 1.4.11 (AA): what is needed to understand a graphic or a control. */
export const GRAPHIC_RATIO = 3;

/** A token set on another in one theme. */
export interface Pair {
  readonly theme: Theme;
  /** What is to be seen: a text, a border, a state, a colour of data. */
  readonly text: Token;
  readonly surface: Token;
  readonly textColour: ReadColour;
  readonly surfaceColour: ReadColour;
  /** WCAG 2.2 contrast ratio, 1..21. */
  readonly ratio: number;
}

/** A text token set on a surface token in one theme. */
export interface TextPair extends Pair {
  readonly passes: boolean;
}

/** Every text token on every surface it is meant for, in each theme: failing ones first, the worst of them on top. */
export function textPairs(brand: Brand, themes: readonly Theme[] = brand.themes): TextPair[] {
  return pairsBelow(brand, textsOf(brand), (text) => groundsOf(brand, text), Infinity, themes)
    .map((pair) => ({ ...pair, passes: pair.ratio >= TEXT_RATIO }))
    .sort((one, two) => Number(one.passes) - Number(two.passes) || one.ratio - two.ratio);
}

export function textsOf({ tokens }: Brand): Token[] {
  return tokens.filter(({ role }) => role === 'text');
}

/** A ground of a pair as its luminance, so that thousands of pairs cost little more than a division each. */
interface Lit {
  readonly surface: Token;
  readonly colour: ReadColour;
  readonly luminance: number;
}

/**
 * Tokens on their grounds, theme by theme, where the contrast is below a limit. A token or ground without a colour is left out.
 * @param grounds of a token; tokens of one list of grounds are measured fastest
 */
export function pairsBelow(
  brand: Brand,
  tokens: readonly Token[],
  grounds: (token: Token) => readonly Token[],
  limit: number,
  themes: readonly Theme[] = brand.themes,
): Pair[] {
  const pairs: Pair[] = [];
  eachRatio(brand, tokens, grounds, themes, (ratio, theme, text, textColour, { surface, colour }) => {
    if (ratio < limit) pairs.push({ theme, text, surface, textColour, surfaceColour: colour, ratio });
  });
  return pairs;
}

/** In so many shares of the limit pairs are counted. */
const SHARES = 4_096;

/**
 * The worst of those pairs, the worst first, and how many more there are. Of hundreds of thousands only these are ever made.
 * @param least what is below it is not counted
 */
export function worstBelow(
  brand: Brand,
  tokens: readonly Token[],
  grounds: (token: Token) => readonly Token[],
  limit: number,
  known: Known,
  { themes = brand.themes, least = 0 }: { readonly themes?: readonly Theme[]; readonly least?: number } = {},
): { readonly pairs: Pair[]; readonly more: number } {
  // Counted first, by how bad they are, to know how bad a pair must be to be among the worst.
  const counts = new Uint32Array(SHARES + 1);
  let all = 0;
  eachRatio(brand, tokens, grounds, themes, (ratio) => {
    if (ratio >= limit || ratio < least) return;
    all++;
    counts[((ratio / limit) * SHARES) | 0]!++;
  });
  let last = 0;
  for (let sum = counts[0]!; sum < Math.min(all, mostOf(known)); sum += counts[++last]!);
  const pairs: Pair[] = [];
  if (all > 0)
    eachRatio(brand, tokens, grounds, themes, (ratio, theme, text, textColour, { surface, colour }) => {
      if (ratio < limit && ratio >= least && (((ratio / limit) * SHARES) | 0) <= last)
        pairs.push({ theme, text, surface, textColour, surfaceColour: colour, ratio });
    });
  pairs.sort((one, two) => one.ratio - two.ratio);
  const told = pairs.slice(0, mostOf(known));
  return { pairs: told, more: all - told.length };
}

function eachRatio(
  brand: Brand,
  tokens: readonly Token[],
  grounds: (token: Token) => readonly Token[],
  themes: readonly Theme[],
  visit: (ratio: number, theme: Theme, token: Token, colour: ReadColour, ground: Lit) => void,
): void {
  const on = tokens.map(grounds);
  for (const theme of themes) {
    const resolved = resolveTheme(brand, theme.id);
    const known = new Map<readonly Token[], readonly Lit[]>();
    const litOf = (list: readonly Token[]) => {
      let lit = known.get(list);
      if (!lit) {
        lit = list.flatMap((surface): Lit[] => {
          const colour = resolved.get(surface.id)?.colour;
          return colour ? [{ surface, colour, luminance: hexLuminance(colour.hex) + 0.05 }] : [];
        });
        known.set(list, lit);
      }
      return lit;
    };
    for (const [at, token] of tokens.entries()) {
      const colour = resolved.get(token.id)?.colour;
      if (!colour) continue;
      const own = hexLuminance(colour.hex) + 0.05;
      for (const ground of litOf(on[at]!)) {
        const { luminance } = ground;
        const ratio =
          colour.alpha < 1 ? contrastRatio(colour, ground.colour) : own > luminance ? own / luminance : luminance / own;
        visit(ratio, theme, token, colour, ground);
      }
    }
  }
}

/**
 * The nearest text colour that passes on all surfaces the pair's text is set on in its theme, so that mending one pair
 * does not break the next. @returns null when no lightness of the text's hue does.
 */
export function proposeText(brand: Brand, { text, theme }: Pick<Pair, 'text' | 'theme'>, limit = TEXT_RATIO): ReadColour | null {
  return proposeOn(brand, text, groundsOf(brand, text), theme.id, limit);
}

/** The nearest colour of a token's hue that reaches a ratio on all grounds, in a theme; null when no lightness does. */
export function proposeOn(
  brand: Brand,
  token: Token,
  grounds: readonly Token[],
  theme: string,
  limit: number,
): ReadColour | null {
  const resolved = resolveTheme(brand, theme);
  const colour = resolved.get(token.id)?.colour;
  return colour
    ? nearestPassing(
        colour,
        grounds.flatMap((ground) => resolved.get(ground.id)?.colour ?? []),
        limit,
      )
    : null;
}
