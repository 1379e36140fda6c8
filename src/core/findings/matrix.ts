import type { Brand } from '../brand/document/document';
import type { Theme } from '../brand/document/theme-shape';
import type { Token } from '../brand/document/token-shape';
import { groundsOf } from '../brand/reading/grounds';
import { resolveTheme } from '../brand/reading/resolve';
import { contrastRatio } from '../colour/contrast';
import type { ReadColour } from '../colour/read';
import { ENHANCED_RATIO, GRAPHIC_RATIO, TEXT_RATIO } from './contrast';
import { groundsOfGraphic, isGraphic } from './contrast-graphic';

/** What a contrast is good for: any text, text of ordinary size, large text and graphics, or nothing that has to be seen. */
export type Good = 'enhanced' | 'text' | 'large' | 'nothing';

/** WCAG 2.2: 1.4.6, 1.4.3, and 1.4.3 for large text with 1.4.11 for graphics. */
export function goodFor(ratio: number): Good {
  return ratio >= ENHANCED_RATIO ? 'enhanced' : ratio >= TEXT_RATIO ? 'text' : ratio >= GRAPHIC_RATIO ? 'large' : 'nothing';
}

/** One thing to be seen on one ground. */
export interface MatrixCell {
  readonly ratio: number;
  readonly good: Good;
  /** Whether the one is meant for the other. */
  readonly meant: boolean;
  /** Whether it is meant for it and does not reach what it needs. */
  readonly fails: boolean;
}

export interface MatrixRow {
  readonly token: Token;
  readonly colour: ReadColour;
  readonly kind: 'text' | 'graphic';
  readonly cells: readonly MatrixCell[];
}

export interface Matrix {
  readonly grounds: readonly { readonly token: Token; readonly colour: ReadColour }[];
  readonly rows: readonly MatrixRow[];
  /** How many tokens are not in it: those that are neither seen nor seen on, and texts and graphics without a colour. */
  readonly left: { readonly neither: number; readonly colourless: number };
}

/** Every text and graphic of a theme against every surface and whatever else something is meant for; what has no colour is left out. */
export function contrastMatrix(brand: Brand, theme: Theme): Matrix {
  const resolved = resolveTheme(brand, theme.id);
  const seen = brand.tokens.flatMap((token) => {
    const kind = token.role === 'text' ? ('text' as const) : isGraphic(brand, token) ? ('graphic' as const) : null;
    const colour = resolved.get(token.id)?.colour;
    return kind && colour
      ? [{ token, kind, colour, on: new Set(kind === 'text' ? groundsOf(brand, token) : groundsOfGraphic(brand, token)) }]
      : [];
  });
  const isSeen = brand.tokens.filter((token) => token.role === 'text' || isGraphic(brand, token)).length;
  const used = new Set(seen.flatMap(({ on }) => [...on]));
  const grounds = brand.tokens.flatMap((token) => {
    const colour = token.role === 'surface' || used.has(token) ? resolved.get(token.id)?.colour : null;
    return colour ? [{ token, colour }] : [];
  });
  const rows = seen.map(({ token, kind, colour, on }): MatrixRow => {
    const needed = kind === 'text' ? TEXT_RATIO : GRAPHIC_RATIO;
    const cells = grounds.map((ground): MatrixCell => {
      const ratio = contrastRatio(colour, ground.colour);
      const meant = on.has(ground.token);
      return { ratio, good: goodFor(ratio), meant, fails: meant && ratio < needed };
    });
    return { token, kind, colour, cells };
  });
  const all = new Set([...grounds.map(({ token }) => token), ...rows.map(({ token }) => token)]).size;
  const colourless = isSeen - rows.length;
  return { grounds, rows, left: { neither: brand.tokens.length - all - colourless, colourless } };
}
