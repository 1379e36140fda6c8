import { about } from './options';
import { z } from 'zod';
import { notations } from '../../colour/notations';
import { hexToOklch } from '../../colour/eight-bit';
import { shownHex, type ReadColour } from '../../colour/read';

/** Notations of CSS Color 4 in which a shown colour can be written and read back the same. */
export const CSS_NOTATIONS = ['hex', 'rgb', 'hsl', 'hwb', 'oklch', 'lab', 'lch'] as const;
export type CssNotation = (typeof CSS_NOTATIONS)[number];

export const cssNotation = z
  .enum(CSS_NOTATIONS)
  .default('hex')
  .meta(
    about({
      title: 'Notation',
      description: '#1f6f78',
      says: {
        hex: '#1f6f78',
        rgb: 'rgb(31 111 120)',
        hsl: 'hsl(186.07 58.94% 29.61%)',
        hwb: 'hwb(…)',
        oklch: 'oklch(…)',
        lab: 'lab(…)',
        lch: 'lch(…)',
      },
    }),
  );

export const cssPrecision = z
  .enum(['enough', 'more'])
  .default('enough')
  .meta(
    about({
      title: 'Digits',
      description: 'as many as 8 bits need',
      says: { enough: 'as many as 8 bits need', more: 'four more' },
    }),
  );

/** How a colour is written in CSS. */
export interface CssStyle {
  readonly notation?: CssNotation;
  readonly precision?: 'enough' | 'more';
}

/**
 * The shown colour as CSS: by default the shortest that every browser and preprocessor reads, `#rrggbb`, or `#rrggbbaa`
 * when translucent. In every notation it reads back as the same 8-bit colour.
 */
export function cssText(colour: ReadColour, { notation = 'hex', precision = 'enough' }: CssStyle = {}): string {
  if (notation === 'hex') return shownHex(colour);
  // What is outside sRGB is written as what is shown of it, in OKLCH too.
  const shown = colour.clipped > 0 ? { ...colour, oklch: hexToOklch(colour.hex) } : colour;
  return notations(shown, precision === 'more' ? 4 : 0).find(({ id }) => id === notation)!.text;
}
