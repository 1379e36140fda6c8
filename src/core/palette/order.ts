import { readColour, type ReadColour } from '../colour/read';
import { xorshift } from './random';

export const ORDERS = ['hue', 'lightness', 'chroma', 'path'] as const;
export type Order = (typeof ORDERS)[number];

/** Chroma (OKLCH) below which a colour is sorted with the greys. */
const NEUTRAL = 0.03;
/** Longer lists keep the path of nearest neighbours as it is: untangling takes the square of their number. */
const UNTANGLED = 300;

interface Coloured {
  /** CSS. */
  readonly value: string;
}

/**
 * The same things in another order: by hue (greys first, from black to white), by lightness from dark, by chroma from
 * grey, or on a path on which each is near the one before, so that the steps together are small. Equal ones keep theirs.
 */
export function ordered<T extends Coloured>(things: readonly T[], by: Order): T[] {
  const read = things.map((thing) => ({ thing, oklch: readColour(thing.value)!.oklch }));
  if (by === 'path') return path(read).map(({ thing }) => thing);
  const key = ({ oklch: [l, c, h] }: { oklch: ReadColour['oklch'] }): [number, number] =>
    by === 'hue' ? (c < NEUTRAL ? [-1, l] : [h, l]) : by === 'lightness' ? [l, h] : [c, l];
  return read
    .sort((one, two) => {
      const [a, b] = [key(one), key(two)];
      return a[0] - b[0] || a[1] - b[1];
    })
    .map(({ thing }) => thing);
}

/** The same things shuffled, the same way for the same seed. Fisher and Yates, after Durstenfeld 1964. */
export function shuffled<T>(things: readonly T[], seed: number): T[] {
  const random = xorshift(seed);
  const list = [...things];
  for (let at = list.length - 1; at > 0; at--) {
    const other = Math.floor(random() * (at + 1));
    [list[at], list[other]] = [list[other]!, list[at]!];
  }
  return list;
}

type Place = { readonly oklch: ReadColour['oklch'] };

/**
 * The shorter of two ways from the darkest, both untangled: always to the nearest left (ΔE-OK), and by lightness. So it is
 * never longer than the order by lightness.
 */
function path<T extends Place>(places: readonly T[]): T[] {
  const byLightness = [...places].sort((one, two) => one.oklch[0] - two.oklch[0] || one.oklch[2] - two.oklch[2]);
  const [one, two] = [untangled(nearestFirst(byLightness)), untangled(byLightness)];
  return lengthOf(one) <= lengthOf(two) ? one : two;
}

function lengthOf(walk: readonly Place[]): number {
  return walk.slice(1).reduce((sum, place, at) => sum + distance(walk[at]!, place), 0);
}

function nearestFirst<T extends Place>(places: readonly T[]): T[] {
  const left = [...places];
  const walk = left.splice(0, 1);
  while (left.length > 0) {
    const from = walk.at(-1)!;
    let nearest = 0;
    for (let at = 1; at < left.length; at++) {
      if (distance(left[at]!, from) < distance(left[nearest]!, from)) nearest = at;
    }
    walk.push(...left.splice(nearest, 1));
  }
  return walk;
}

/** Stretches turned round for as long as that makes the way shorter (2-opt, Croes 1958). */
function untangled<T extends Place>(places: readonly T[]): T[] {
  const walk = [...places];
  for (let better = walk.length <= UNTANGLED; better;) {
    better = false;
    for (let from = 1; from < walk.length - 1; from++) {
      for (let to = from + 1; to < walk.length; to++) {
        const [before, first, last, after] = [walk[from - 1]!, walk[from]!, walk[to]!, walk[to + 1]];
        const now = distance(before, first) + (after ? distance(last, after) : 0);
        const then = distance(before, last) + (after ? distance(first, after) : 0);
        if (!(then < now - 1e-12)) continue;
        walk.splice(from, to - from + 1, ...walk.slice(from, to + 1).reverse());
        better = true;
      }
    }
  }
  return walk;
}

function distance({ oklch: [l1, c1, h1] }: Place, { oklch: [l2, c2, h2] }: Place): number {
  const turn = ((h1 - h2) * Math.PI) / 180;
  // Rounding may make the square of no distance a little less than nothing.
  return Math.sqrt(Math.max(0, (l1 - l2) ** 2 + c1 * c1 + c2 * c2 - 2 * c1 * c2 * Math.cos(turn)));
}
