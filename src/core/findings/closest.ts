import type { Swatch } from '../brand/document/palette-shape';
import { closePairs } from '../colour/close-pairs';
import { labOf } from '../colour/lab';
import { readColour } from '../colour/read';

export interface ClosePair {
  readonly one: Swatch;
  readonly two: Swatch;
  /** ΔE2000 between what a screen shows of the two. */
  readonly distance: number;
}

/** No two colours of a screen are farther apart, ΔE2000. */
const FARTHEST = 200;

/** The pairs of swatches that are hardest to tell apart, the closest first. */
export function closestPairs(swatches: readonly Swatch[], count: number): ClosePair[] {
  const shown = swatches.map((swatch) => labOf(readColour(swatch.value)!.hex));
  return closePairs(shown, FARTHEST, count).map(({ one, two, distance }) => ({
    one: swatches[one]!,
    two: swatches[two]!,
    distance,
  }));
}
