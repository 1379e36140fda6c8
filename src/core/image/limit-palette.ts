import type { CountedColour } from './distinct-colours';
import { Nearest } from './nearest';

/**
 * The colours of a palette that serve a picture best when only so many may be used: one after the other the one is left
 * out whose pixels lose least, by squared distance in OKLab, by going to their next best.
 * @param keep places that stay whatever they serve
 * @returns places in the palette, in its order
 */
export function limitPalette(
  colours: readonly CountedColour[],
  palette: readonly number[],
  most: number,
  keep: ReadonlySet<number> = new Set(),
): number[] {
  const nearest = new Nearest(palette);
  const labs = palette.map((rgb) => nearest.labOf(rgb));
  const distances = colours.map(({ rgb }) => {
    const [l, a, b] = nearest.labOf(rgb);
    return Float64Array.from(labs, ([l2, a2, b2]) => (l - l2) ** 2 + (a - a2) ** 2 + (b - b2) ** 2);
  });
  const left = new Set(palette.map((_, at) => at));
  while (left.size > Math.max(1, most)) {
    const losses = new Map(Array.from(left, (at) => [at, 0]));
    for (const [n, { pixels }] of colours.entries()) {
      let [best, second] = [-1, -1];
      for (const at of left) {
        const distance = distances[n]![at]!;
        if (best < 0 || distance < distances[n]![best]!) [best, second] = [at, best];
        else if (second < 0 || distance < distances[n]![second]!) second = at;
      }
      losses.set(best, losses.get(best)! + pixels * (distances[n]![second]! - distances[n]![best]!));
    }
    const open = Array.from(losses).filter(([at]) => !keep.has(at));
    if (open.length === 0) break;
    // Of equals the last goes, so that a palette keeps its beginning.
    const [worst] = open.reduce((least, one) => (one[1] <= least[1] ? one : least));
    left.delete(worst);
  }
  return [...left].sort((one, two) => one - two);
}
