import { contrastRatio, hexLuminance, nearestPassing } from '../colour/contrast';
import type { ReadColour } from '../colour/read';
import type { Brand, Theme, Token } from '../brand/document';
import { groundsOf } from '../brand/grounds';
import { resolveTheme } from '../brand/resolve';

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
    for (const token of tokens) {
      const textColour = resolved.get(token.id)?.colour;
      if (!textColour) continue;
      const own = hexLuminance(textColour.hex) + 0.05;
      for (const { surface, colour, luminance } of litOf(grounds(token))) {
        const ratio =
          textColour.alpha < 1 ? contrastRatio(textColour, colour) : own > luminance ? own / luminance : luminance / own;
        if (ratio < limit) pairs.push({ theme, text: token, surface, textColour, surfaceColour: colour, ratio });
      }
    }
  }
  return pairs;
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
