import { contrastRatio, nearestPassing } from '../colour/contrast';
import type { ReadColour } from '../colour/read';
import type { Brand, Theme, Token } from '../brand/document';
import { groundsOf } from '../brand/grounds';
import { resolveTheme } from '../brand/resolve';

/** WCAG 2.2, success criterion 1.4.3 (AA): text of ordinary size. */
export const TEXT_RATIO = 4.5;

/** A text token set on a surface token in one theme. */
export interface TextPair {
  readonly theme: Theme;
  readonly text: Token;
  readonly surface: Token;
  readonly textColour: ReadColour;
  readonly surfaceColour: ReadColour;
  /** WCAG 2.2 contrast ratio, 1..21. */
  readonly ratio: number;
  readonly passes: boolean;
}

/** Every text token on every surface it is meant for, in each theme: failing ones first, the worst of them on top. */
export function textPairs(brand: Brand, themes: readonly Theme[] = brand.themes): TextPair[] {
  const texts = brand.tokens.filter((token) => token.role === 'text');
  const pairs: TextPair[] = [];
  for (const theme of themes) {
    const resolved = resolveTheme(brand, theme.id);
    for (const text of texts) {
      const textColour = resolved.get(text.id)?.colour;
      if (!textColour) continue;
      for (const surface of groundsOf(brand, text)) {
        const surfaceColour = resolved.get(surface.id)?.colour;
        if (!surfaceColour) continue;
        const ratio = contrastRatio(textColour, surfaceColour);
        pairs.push({ theme, text, surface, textColour, surfaceColour, ratio, passes: ratio >= TEXT_RATIO });
      }
    }
  }
  return pairs.sort((one, two) => Number(one.passes) - Number(two.passes) || one.ratio - two.ratio);
}

/**
 * The nearest text colour that passes on all surfaces the pair's text is set on in its theme, so that mending one pair
 * does not break the next. @returns null when no lightness of the text's hue does.
 */
export function proposeText(brand: Brand, pair: TextPair): ReadColour | null {
  const resolved = resolveTheme(brand, pair.theme.id);
  const grounds = groundsOf(brand, pair.text).flatMap((surface) => resolved.get(surface.id)?.colour ?? []);
  return nearestPassing(pair.textColour, grounds, TEXT_RATIO);
}
