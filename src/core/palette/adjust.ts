import { unit } from '../base/clamp';
import { oklchHex, readColour } from '../colour/read';

/** What is done to all colours of a set at once; 0 everywhere leaves them as they are. */
export interface Adjustment {
  /** -1 all black to 1 all white: the share of the way there. */
  readonly lightness: number;
  /** -1 grey, 0 as it is, 1 twice the chroma. */
  readonly chroma: number;
  /** Degrees of hue, -180..180. */
  readonly hue: number;
  /** -1 colder to 1 warmer: towards blue or orange, as a light of that tint would. */
  readonly warmth: number;
  /** -1 all of one lightness, 0 as it is, 1 twice as far from the set's mean. */
  readonly contrast: number;
}

export const NO_ADJUSTMENT: Adjustment = { lightness: 0, chroma: 0, hue: 0, warmth: 0, contrast: 0 };

/** One key press brighter or dimmer: a share of the way to white or black. */
export const BRIGHTNESS_STEP = 0.06;

/** At full warmth OKLab moves this far, towards this hue (degrees): of a candle's light, and away from it of the sky's. */
const WARMEST = { distance: 0.09, hue: 65 } as const;

/**
 * The colours adjusted relative to where they are; sRGB can show them all, as chroma is reduced where it has less. One that
 * nothing is done to comes back as it was authored. @param colours CSS @returns CSS
 */
export function adjust(colours: readonly string[], { lightness, chroma, hue, warmth, contrast }: Adjustment): string[] {
  if ([lightness, chroma, hue, warmth, contrast].every((value) => value === 0)) return [...colours];
  const read = colours.map((css) => readColour(css)!);
  const mean = read.reduce((sum, { oklch }) => sum + oklch[0], 0) / (read.length || 1);
  const angle = (WARMEST.hue * Math.PI) / 180;
  return read.map(({ oklch: [l, c, h], alpha }) => {
    const spread = unit(mean + (l - mean) * (1 + contrast));
    const light = spread + ((lightness > 0 ? 1 : 0) - spread) * Math.abs(lightness);
    // Black and white have no tint to gain, and what is near them little.
    const tint = warmth * WARMEST.distance * Math.min(1, 5 * light * (1 - light));
    const turn = ((h + hue) * Math.PI) / 180;
    const a = c * (1 + chroma) * Math.cos(turn) + tint * Math.cos(angle);
    const b = c * (1 + chroma) * Math.sin(turn) + tint * Math.sin(angle);
    return oklchHex([light, Math.sqrt(a * a + b * b), ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360], alpha);
  });
}
