import { hueTurn } from '../colour/hue';
import { oklchHex } from '../colour/read';
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

function greys(hue: number, tint: number): string[] {
  // Near white and black even a little chroma is a colour, so it fades towards both.
  const chroma = (lightness: number) => tint * Math.min(1, 4.2 * lightness * (1 - lightness) + 0.18);
  return ladderLightness(SHADE_LABELS.length).map((step) => oklchHex(atLightness(step, hue, chroma)));
}

/** Half-way between two hues by the shorter way round. */
function between(one: number, two: number): number {
  return (one + hueTurn(one, two) / 2 + 360) % 360;
}
