import { showOklch } from '../colour/gamut';
import { hexOf, oklchHex, readColour } from '../colour/read';
import { linearToOklab, decode } from '../colour/oklab';
import { xorshift } from './random';

/** What a generated set should feel like. */
export interface Mood {
  /** Where lightness lies, OKLCH 0..1: the middle of it. */
  readonly lightness: number;
  /** How much of the chroma that sRGB has at each lightness and hue, 0..1. */
  readonly chroma: number;
  /** How far hues spread about the first, 0..1 of the whole circle. */
  readonly spread: number;
}

export interface Roll {
  /** A whole number; the same seed, mood and locks give the same colours. */
  readonly seed: number;
  readonly mood: Mood;
  /** What stands at each place: a CSS colour that is kept, or null to be rolled. 2..16 places. */
  readonly places: readonly (string | null)[];
}

/** For each place so many colours are tried, and the one farthest from all others is taken. */
const TRIES = 24;
/** Lightness varies by this much on each side of its middle, but stays clear of black and white. */
const LIGHTNESS = { around: 0.24, least: 0.16, most: 0.96 };
/** More chroma than any sRGB colour has, OKLCH: the gamut mapping leaves the most there is. */
const BEYOND = 0.4;

/**
 * A set of colours that can be told apart, from a seed and a mood. Each free place takes the best of a few candidates,
 * the one whose nearest neighbour is farthest (best-candidate sampling, Mitchell 1991), in OKLab.
 * @returns a CSS colour for each place, kept ones as they were given
 */
export function generate({ seed, mood, places }: Roll): string[] {
  const random = xorshift(seed);
  const first = random() * 360;
  const chosen: (string | null)[] = [...places];
  const labs = places.flatMap((css) => (css === null ? [] : [oklabOf(readColour(css)!.rgb)]));
  places.forEach((kept, at) => {
    if (kept !== null) return;
    let best = '';
    let bestLab: readonly number[] = [];
    let farthest = -1;
    for (let n = 0; n < TRIES; n++) {
      const hue = first + (random() - 0.5) * mood.spread * 360;
      const spread = mood.lightness + (random() * 2 - 1) * LIGHTNESS.around;
      const lightness = Math.min(LIGHTNESS.most, Math.max(LIGHTNESS.least, spread));
      const most = readColour(oklchHex([lightness, BEYOND, hue]))!.oklch[1];
      const { rgb } = showOklch(lightness, most * mood.chroma * (0.75 + random() * 0.25), hue);
      const lab = oklabOf(rgb);
      const distance = Math.min(
        Infinity,
        ...labs.map((other) => Math.hypot(lab[0] - other[0], lab[1] - other[1], lab[2] - other[2])),
      );
      if (distance <= farthest) continue;
      farthest = distance;
      best = hexOf(rgb);
      bestLab = lab;
      // The first colour has nothing to be far from.
      if (labs.length === 0) break;
    }
    chosen[at] = best;
    labs.push(bestLab as [number, number, number]);
  });
  return chosen as string[];
}

/** The colour half-way between two in OKLab, as a screen shows it. */
export function midway(one: string, two: string): string {
  const [a, b] = [oklabOf(readColour(one)!.rgb), oklabOf(readColour(two)!.rgb)];
  const [l, x, y] = [0, 1, 2].map((at) => (a[at]! + b[at]!) / 2) as [number, number, number];
  return oklchHex([l, Math.hypot(x, y), ((Math.atan2(y, x) * 180) / Math.PI + 360) % 360]);
}

function oklabOf(rgb: readonly [number, number, number]) {
  return linearToOklab([decode(rgb[0]), decode(rgb[1]), decode(rgb[2])]);
}
