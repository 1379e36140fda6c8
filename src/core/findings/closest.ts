import { ciede2000 } from '../colour/difference';
import { labOf } from '../colour/lab';
import { readColour } from '../colour/read';
import type { Swatch } from '../brand/document';

export interface ClosePair {
  readonly one: Swatch;
  readonly two: Swatch;
  /** ΔE2000 between what a screen shows of the two. */
  readonly distance: number;
}

/** The pairs of swatches that are hardest to tell apart, the closest first. Quadratic: meant for up to a few hundred. */
export function closestPairs(swatches: readonly Swatch[], count: number): ClosePair[] {
  const shown = swatches.map((swatch) => labOf(readColour(swatch.value)!.hex));
  const closest: ClosePair[] = [];
  for (let a = 0; a < swatches.length; a++) {
    for (let b = a + 1; b < swatches.length; b++) {
      const distance = ciede2000(shown[a]!, shown[b]!);
      if (closest.length === count && distance >= closest.at(-1)!.distance) continue;
      closest.push({ one: swatches[a]!, two: swatches[b]!, distance });
      closest.sort((first, second) => first.distance - second.distance);
      if (closest.length > count) closest.pop();
    }
  }
  return closest;
}
