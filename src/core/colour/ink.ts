import { ciede2000 } from './difference';
import { labOf } from './lab';

/** A colour as a printing condition prints it, by its ICC profile, perceptual intent. */
export interface Inks {
  /** Cyan, magenta, yellow, black, 0..100 per cent of the area. */
  readonly cmyk: readonly [number, number, number, number];
  /** The four together, 0..400 per cent. */
  readonly total: number;
  /** `#rrggbb` of what comes out, on the paper's own white. */
  readonly hex: string;
  /** ΔE2000 between the colour on the screen and the one that is printed. */
  readonly distance: number;
}

/** More ink than this in all does not dry on most papers, in per cent (common practice; coated paper takes 300 to 330). */
export const MOST_INK = 300;
/** ΔE2000 beyond which a print no longer counts as the same colour (common practice: 5 is what contracts commonly allow). */
export const MOST_APART = 5;

/**
 * @param hex the colour on the screen
 * @param bytes its four inks, 0..255 each
 * @param printed `#rrggbb` of what those inks look like
 */
export function inksOf(hex: string, bytes: readonly [number, number, number, number], printed: string): Inks {
  const cmyk = bytes.map((value) => Math.round(value / 2.55)) as [number, number, number, number];
  const total = Math.round(bytes.reduce((sum, value) => sum + value, 0) / 2.55);
  return { cmyk, total, hex: printed, distance: ciede2000(labOf(hex), labOf(printed)) };
}

/** `cmyk(92% 43% 48% 17%)`, in whole per cent as printers set them. */
export function inkText({ cmyk }: Inks): string {
  return `cmyk(${cmyk.map((value) => `${value}%`).join(' ')})`;
}

/** What a printer has to know about it, a sentence each; none where it prints as it looks. */
export function inkWarnings({ total, hex, distance }: Inks): string[] {
  return [
    ...(distance > MOST_APART ? [`Prints as ${hex}, ΔE2000 ${distance.toFixed(1)} away: the inks reach no further.`] : []),
    ...(total > MOST_INK ? [`${total} % ink in all; above ${MOST_INK} % most papers do not dry.`] : []),
  ];
}
