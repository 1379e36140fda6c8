import { words, type Area, type Pixels } from './pixels';

/** How a sheet is divided, in pixels. */
export interface Grid {
  readonly width: number;
  readonly height: number;
  /** Before the first tile, on the left and above. */
  readonly margin: number;
  /** Between two tiles. */
  readonly spacing: number;
}

/** Sides of a tile that are looked for, and the widest spacing, in pixels. */
const SMALLEST = 4;
const LARGEST = 256;
const WIDEST = 8;
const USUAL = [8, 16, 24, 32, 48, 64, 96, 128, 256] as const;

/** How many whole tiles a sheet has each way, and how many pixels are left over. */
export function tilesOf({ width, height }: Pick<Pixels, 'width' | 'height'>, grid: Grid) {
  const along = (side: number, tile: number) => {
    const count = Math.max(0, Math.floor((side - grid.margin + grid.spacing) / (tile + grid.spacing)));
    const used = count === 0 ? 0 : grid.margin + count * tile + (count - 1) * grid.spacing;
    // A margin may stand on the far side too.
    const rest = side - used;
    return { count, rest: rest === grid.margin ? 0 : rest };
  };
  const [across, down] = [along(width, grid.width), along(height, grid.height)];
  return { across: across.count, down: down.count, restRight: across.rest, restBelow: down.rest };
}

/** Where a tile stands, by its number from 0, row by row. */
export function tileArea(at: number, across: number, { width, height, margin, spacing }: Grid): Area {
  return {
    x: margin + (at % across) * (width + spacing),
    y: margin + Math.floor(at / across) * (height + spacing),
    width,
    height,
  };
}

/**
 * How a sheet is probably divided, told from its pixels. Where lines of nothing, or of one colour throughout, recur evenly,
 * they are its spacing. Otherwise it is the usual size that divides the sheet and at whose edges most changes.
 */
export function guessGrid(picture: Pixels): Grid {
  const [across, down] = [lineKinds(picture, true), lineKinds(picture, false)];
  const [wide, high] = [spaced(across), spaced(down)];
  let [best, most]: [Grid | null, number] = [null, 0];
  for (const x of wide) {
    for (const y of high) {
      if (x.margin !== y.margin || x.spacing !== y.spacing || x.tiles * y.tiles < 2) continue;
      // Square tiles of a usual size are likelier than any others.
      const likely = x.tiles * y.tiles * (x.tile === y.tile ? 2 : 1) * ((USUAL as readonly number[]).includes(x.tile) ? 1.5 : 1);
      if (likely > most) [best, most] = [{ width: x.tile, height: y.tile, margin: x.margin, spacing: x.spacing }, likely];
    }
  }
  if (best) return best;
  return { width: whole(picture, true), height: whole(picture, false), margin: 0, spacing: 0 };
}

/** For each column or row: whether all of it has one colour, which all such lines share, or is wholly transparent. */
function lineKinds(picture: Pixels, columns: boolean): boolean[] {
  const pixels = words(picture);
  const [lines, length] = columns ? [picture.width, picture.height] : [picture.height, picture.width];
  const at = (line: number, n: number) => pixels[columns ? n * picture.width + line : line * picture.width + n]!;
  const same = (one: number, two: number) => one === two || (one >>> 24 === 0 && two >>> 24 === 0);
  const ones = Array.from({ length: lines }, (_, line): number | null => {
    const first = at(line, 0);
    for (let n = 1; n < length; n++) if (!same(at(line, n), first)) return null;
    return first;
  });
  const counts = new Map<number, number>();
  for (const one of ones)
    if (one !== null) counts.set(one >>> 24 === 0 ? 0 : one, (counts.get(one >>> 24 === 0 ? 0 : one) ?? 0) + 1);
  const [ground] = [...counts].sort((one, two) => two[1] - one[1])[0] ?? [];
  return ones.map((one) => one !== null && same(one, ground ?? 0));
}

interface Spaced {
  readonly tile: number;
  readonly margin: number;
  readonly spacing: number;
  readonly tiles: number;
}

/** Every way in which empty lines recur evenly, with equal tiles between them. */
function spaced(empty: readonly boolean[]): Spaced[] {
  const count = empty.length;
  const found: Spaced[] = [];
  for (let spacing = 1; spacing <= WIDEST; spacing++) {
    for (const margin of new Set([0, spacing])) {
      for (let tile = SMALLEST; tile <= Math.min(LARGEST, count - 1); tile++) {
        const tiles = (count - 2 * margin + spacing) / (tile + spacing);
        if (Number.isInteger(tiles) && tiles > 0 && areParted(empty, tile, margin, spacing))
          found.push({ tile, margin, spacing, tiles });
      }
    }
  }
  return found;
}

/**
 * Whether every line of margin and spacing is empty. Where each gap is wider than the spacing, for sprites seldom fill their
 * tiles, the tile has to be of a usual size.
 */
function areParted(empty: readonly boolean[], tile: number, margin: number, spacing: number): boolean {
  const count = empty.length;
  for (let line = 0; line < margin; line++) if (!empty[line] || !empty[count - 1 - line]) return false;
  let isExact = (USUAL as readonly number[]).includes(tile);
  for (let gap = margin + tile; gap < count - margin; gap += tile + spacing) {
    for (let line = gap; line < gap + spacing; line++) if (!empty[line]) return false;
    isExact ||= !empty[gap - 1] && !empty[gap + spacing];
  }
  return isExact;
}

/** The side of a tile without spacing: the usual one at whose edges neighbours differ most often, against all other places. */
function whole(picture: Pixels, columns: boolean): number {
  const pixels = words(picture);
  const [side, length] = columns ? [picture.width, picture.height] : [picture.height, picture.width];
  const at = (line: number, n: number) => pixels[columns ? n * picture.width + line : line * picture.width + n]!;
  const changes = new Float64Array(side);
  for (let line = 1; line < side; line++) {
    for (let n = 0; n < length; n++) if (at(line, n) !== at(line - 1, n)) changes[line]! += 1;
  }
  let total = 0;
  for (let line = 1; line < side; line++) total += changes[line]!;
  const mean = total / Math.max(1, side - 1);
  let [best, score] = [side, -Infinity];
  for (const tile of USUAL) {
    if (tile >= side || side % tile !== 0) continue;
    let sum = 0;
    for (let line = tile; line < side; line += tile) sum += changes[line]!;
    const edges = side / tile - 1;
    // A larger tile wins only where its edges stand out more: few edges stand out by chance.
    const stands = (sum / edges - mean) * Math.sqrt(edges);
    if (stands > score) [best, score] = [tile, stands];
  }
  return best > LARGEST && side % 32 === 0 ? 32 : best;
}
