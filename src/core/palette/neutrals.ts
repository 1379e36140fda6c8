import { hueTurn } from '../colour/hue';
import { oklchHex, type ReadColour } from '../colour/read';
import { atLightness, ladderLightness, SHADE_LABELS } from './shades';

/** Hues in degrees (OKLCH) that are called cold and warm (common practice): of a northern sky and of old paper. */
const COLD = 250;
const WARM = 75;

/** Most chroma (OKLCH) that still passes for a grey. */
export const MOST_TINT = 0.04;

/** Greys of one tint as a ladder, light to dark. */
export interface NeutralSet {
  readonly id: string;
  readonly label: string;
  /** Degrees. */
  readonly hue: number;
  readonly values: readonly string[];
}

/**
 * Five tints of grey from cold to warm by way of the brand's own hue: each a ladder with the lightness of the shades, so
 * that one can stand for another.
 * @param hue the brand's, in degrees @param tint chroma of the middle greys, 0..MOST_TINT; the ends have less
 */
export function neutrals(hue: number, tint: number): NeutralSet[] {
  return [
    { id: 'cold', label: 'Cold', hue: COLD },
    { id: 'cool', label: 'Cool', hue: between(COLD, hue) },
    { id: 'own', label: 'Of the brand', hue },
    { id: 'mild', label: 'Mild', hue: between(WARM, hue) },
    { id: 'warm', label: 'Warm', hue: WARM },
  ].map((set) => ({ ...set, values: greys(set.hue, tint) }));
}

/**
 * Colours with their greys in another tint, so that families of grey can be compared where they are used. What has more chroma than a grey stays.
 * @param hue in degrees @param tint as of `neutrals`; 0 takes all colour out
 */
export function retinted(colours: readonly ReadColour[], hue: number, tint: number): string[] {
  const chroma = fading(tint);
  return colours.map(({ css, oklch: [l, c], alpha }) => (c > MOST_TINT ? css : oklchHex([l, chroma(l), hue], alpha)));
}

function greys(hue: number, tint: number): string[] {
  return ladderLightness(SHADE_LABELS.length).map((step) => oklchHex(atLightness(step, hue, fading(tint))));
}

/** Near white and black even a little chroma is a colour, so it fades towards both. */
function fading(tint: number): (lightness: number) => number {
  return (lightness) => tint * Math.min(1, 4.2 * lightness * (1 - lightness) + 0.18);
}

/** Half-way between two hues by the shorter way round. */
function between(one: number, two: number): number {
  return (one + hueTurn(one, two) / 2 + 360) % 360;
}
