import { hexDigits } from '../base/hex';
import { unit } from '../base/clamp';
import { bytesToOklab, oklabToBytes, type Oklab } from '../colour/oklab';

/** How values become colours of a sequential or diverging palette. */
export interface ByValue {
  /** By how much a value is, or by its place among all of them. */
  readonly by: 'value' | 'rank';
  /** So many classes; null for a continuous scale. */
  readonly classes: number | null;
  /** The value that the palette's middle stands for; null where it stands for that of the range. */
  readonly middle: number | null;
}

/** Gives each value its place along a palette, 0..1. A middle divides the range into halves of their own length. */
export function placesAlong(values: readonly number[], { by, classes, middle }: ByValue): number[] {
  const known = values.filter((value) => !Number.isNaN(value));
  const sorted = Float64Array.from(known).sort();
  const share = by === 'rank' ? rankIn(sorted) : shareOf(sorted[0] ?? 0, sorted.at(-1) ?? 0);
  const at = middle === null ? null : share(middle);
  return values.map((value) => {
    if (Number.isNaN(value)) return NaN;
    const plain = share(value);
    const bent =
      at === null
        ? plain
        : plain <= at
          ? at === 0
            ? 0.5
            : (plain / at) * 0.5
          : at === 1
            ? 1
            : 0.5 + ((plain - at) / (1 - at)) * 0.5;
    if (classes === null) return unit(bent);
    const place = Math.min(classes - 1, Math.floor(unit(bent) * classes));
    return classes === 1 ? 0.5 : place / (classes - 1);
  });
}

function shareOf(low: number, high: number): (value: number) => number {
  return (value) => (high === low ? 0.5 : unit((value - low) / (high - low)));
}

/** The share of values below one, and half of those equal to it. */
function rankIn(sorted: Float64Array): (value: number) => number {
  const below = (value: number, orEqual: boolean) => {
    let [low, high] = [0, sorted.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (sorted[middle]! < value || (orEqual && sorted[middle]! === value)) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  const { length } = sorted;
  return (value) => {
    const [from, to] = [below(value, false), below(value, true)];
    if (length <= 1) return 0.5;
    // The least is 0 and the greatest is 1, as on a scale of values.
    return unit((from + Math.max(0, to - from - 1) / 2) / (length - 1));
  };
}

/** The colour at a place of a palette, 0..1, between its own on straight ways through OKLab: `#rrggbb`. */
export function colourAlong(hexes: readonly string[], place: number): string {
  const exact = unit(place) * (hexes.length - 1);
  const first = Math.min(Math.max(0, hexes.length - 2), Math.floor(exact));
  const [one, two] = [oklab(hexes[first]!), oklab(hexes[Math.min(hexes.length - 1, first + 1)]!)];
  const share = exact - first;
  const mixed = one.map((value, at) => value + (two[at]! - value) * share) as unknown as Oklab;
  return `#${hexDigits(oklabToBytes(mixed))}`;
}

function oklab(hex: string): Oklab {
  const rgb = parseInt(hex.slice(1), 16);
  return bytesToOklab(rgb >> 16, (rgb >> 8) & 255, rgb & 255);
}
