import { words, type Area, type Pixels } from './pixels';

/** How a tile equals an earlier one. */
export interface Repeat {
  readonly of: number;
  /** Turned over left to right, top to bottom, both, or not at all. */
  readonly flip: 'none' | 'x' | 'y' | 'both';
}

/** Tiles that may be equal by their sums are compared pixel by pixel, with so many earlier ones at most. */
const MOST_COMPARED = 64;

/** For each tile the first one that it repeats exactly, as it is or turned over; null for tiles of their own. */
export function repeats(picture: Pixels, areas: readonly Area[]): (Repeat | null)[] {
  const pixels = words(picture);
  const known = new Map<string, number[]>();
  const valueAt = ({ x, y, width, height }: Area, column: number, row: number, flip: Repeat['flip']) => {
    const across = flip === 'x' || flip === 'both' ? width - 1 - column : column;
    const down = flip === 'y' || flip === 'both' ? height - 1 - row : row;
    const word = pixels[(y + down) * picture.width + x + across]!;
    return word >>> 24 === 0 ? 0 : word;
  };
  /** The same however a tile is turned over. */
  const sumOf = (area: Area) => {
    let [sum, mixed] = [0, 0];
    for (let row = 0; row < area.height; row++) {
      for (let column = 0; column < area.width; column++) {
        const value = valueAt(area, column, row, 'none');
        sum = (sum + value) | 0;
        mixed ^= Math.imul(value, 0x9e3779b1);
      }
    }
    return `${area.width} ${area.height} ${sum} ${mixed}`;
  };
  const equal = (one: Area, two: Area, flip: Repeat['flip']) => {
    for (let row = 0; row < one.height; row++) {
      for (let column = 0; column < one.width; column++) {
        if (valueAt(one, column, row, 'none') !== valueAt(two, column, row, flip)) return false;
      }
    }
    return true;
  };
  return areas.map((area, at): Repeat | null => {
    const key = sumOf(area);
    const earlier = known.get(key) ?? [];
    for (const of of earlier) {
      for (const flip of ['none', 'x', 'y', 'both'] as const) if (equal(areas[of]!, area, flip)) return { of, flip };
    }
    if (earlier.length < MOST_COMPARED) known.set(key, [...earlier, at]);
    return null;
  });
}

/** Whether every pixel of an area is wholly transparent. */
export function isEmpty({ width, data }: Pixels, { x, y, width: across, height }: Area): boolean {
  for (let row = y; row < y + height; row++) {
    for (let at = (row * width + x) * 4 + 3, end = at + across * 4; at < end; at += 4) if (data[at]! > 0) return false;
  }
  return true;
}
