import { relativeLuminance } from '../colour/contrast';
import { maxChroma, showOklch } from '../colour/gamut';
import { oklchHex, readColour, type ReadColour } from '../colour/read';
import { interpolate } from './even-steps';

/** The steps of a shade ladder (common practice: 50, then 100 to 900 in hundreds; 950 for dark grounds). */
export const SHADE_LABELS = ['50', '100', '200', '300', '400', '500', '600', '700', '800', '900', '950'] as const;
export const SHADE_COUNT = { least: 2, most: 24 } as const;

/**
 * CIE lightness L* of those steps, 0..100. It stands for luminance and so for contrast: from 600 on white text can be
 * read on the shade, and the shade on white, at 4.5:1.
 */
const LIGHTNESS = [97, 93.5, 87.5, 79, 69, 58.5, 48.5, 39.5, 31, 22, 14] as const;

/** One step of a ladder. */
export interface Shade {
  readonly label: string;
  /** CSS; `#rrggbb` but for the base, which is as it was authored. */
  readonly value: string;
  /** Whether this is the colour the ladder was made from. */
  readonly base: boolean;
}

/** L* of each step of a ladder with so many steps, light to dark; with eleven the ones above. */
export function ladderLightness(count: number): number[] {
  const places = LIGHTNESS.map((_, at) => at / (LIGHTNESS.length - 1));
  return Array.from({ length: count }, (_, at) => interpolate(places, LIGHTNESS, count === 1 ? 0 : at / (count - 1)));
}

/**
 * A ladder of shades from one base colour. The base stands where it belongs by lightness, untouched; every other step has
 * the luminance of its label, whatever the hue, so that 600 of each family has the same contrast on paper. Chroma is bowed:
 * the base's own, fading towards white and, less, towards black, and never more than sRGB has at that lightness and hue.
 * @param labels light to dark, SHADE_COUNT of them
 */
export function shades(base: string, labels: readonly string[] = SHADE_LABELS): Shade[] {
  const colour = readColour(base)!;
  const [l, c, h] = colour.oklch;
  const steps = ladderLightness(labels.length);
  const baseLightness = 116 * cubeRoot(relativeLuminance(colour.rgb)) - 16;
  const away = steps.map((step) => Math.abs(step - baseLightness));
  const place = away.indexOf(Math.min(...away));
  const chroma = (lightness: number) => (c === 0 ? 0 : Math.min(c * bow(lightness, l), maxChroma(lightness, h)));
  return steps.map((step, at) => ({
    label: labels[at]!,
    base: at === place,
    value: at === place ? base : oklchHex(atLightness(step, h, chroma), colour.alpha),
  }));
}

/** The share of the base's chroma at another lightness: much at white would look like a lamp, at black nobody sees it. */
function bow(lightness: number, base: number): number {
  if (lightness <= base) return Math.sqrt(lightness / base);
  return 1 - 0.88 * ((lightness - base) / (1 - base)) ** 1.4;
}

/** The OKLCH colour of a hue with this L* (0..100), whose chroma depends on its OKLCH lightness. */
export function atLightness(wanted: number, hue: number, chroma: (lightness: number) => number): ReadColour['oklch'] {
  const luminance = wanted > 8 ? ((wanted + 16) / 116) ** 3 : (wanted * 27) / 24389;
  let [low, high] = [0, 1];
  // Luminance grows with lightness, also while chroma changes with it; 2^-20 is far finer than 8 bits.
  for (let step = 0; step < 20; step++) {
    const middle = (low + high) / 2;
    if (relativeLuminance(showOklch(middle, chroma(middle), hue).rgb) < luminance) low = middle;
    else high = middle;
  }
  const lightness = (low + high) / 2;
  return [lightness, chroma(lightness), hue];
}

/** CIE 15:2018's curve from luminance (0..1) to L*, before it is scaled. */
function cubeRoot(luminance: number): number {
  return luminance > 216 / 24389 ? Math.cbrt(luminance) : ((24389 / 27) * luminance + 16) / 116;
}
