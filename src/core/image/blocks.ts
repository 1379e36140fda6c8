import { words, type Pixels } from './pixels';

/** A block of one flat colour, and the pixel in its middle. */
export interface Block {
  readonly x: number;
  readonly y: number;
}

const MOST_BLOCKS = 4_096;
/** Blocks of a grid measure at least this many pixels a side; smaller ones are a picture, unless they are all colours. */
const SMALLEST = 4;
/** A picture of up to so many pixels or small blocks may be a palette, when few of them are alike. */
const MOST_PIXELS = 1_024;
/** So few pixels are a palette whatever they are. */
const FEW_PIXELS = 16;

/**
 * The colours of a palette that is a picture, in reading order: a strip or grid as `flatBlocks` finds it, or, where no
 * pixel was changed by compressing, a small picture of which each pixel is a colour.
 * @returns null when the picture is not such a palette
 */
export function paletteBlocks(picture: Pixels, lossless: boolean): Block[] | null {
  return flatBlocks(picture) ?? (lossless ? (flatBlocks(picture, 2) ?? eachPixel(picture)) : null);
}

/** Every pixel that is not wholly transparent, row by row; null when most have the colour of another. */
function eachPixel(picture: Pixels): Block[] | null {
  const { width, height } = picture;
  if (width * height > MOST_PIXELS) return null;
  const places = Array.from({ length: width * height }, (_, at) => ({ x: at % width, y: Math.floor(at / width) }));
  const seen = places.filter(({ x, y }) => picture.data[(y * width + x) * 4 + 3]! > 0);
  return seen.length > 1 && areColours(picture, seen) ? seen : null;
}

/** Whether at least half of the places are a colour of their own. */
function areColours(picture: Pixels, places: readonly Block[]): boolean {
  const pixels = words(picture);
  const distinct = new Set(places.map(({ x, y }) => pixels[y * picture.width + x]!));
  return places.length <= FEW_PIXELS || distinct.size * 2 >= places.length;
}

interface Band {
  readonly start: number;
  readonly size: number;
}

/**
 * The colours of a palette drawn as a picture, in reading order: a strip one pixel high or wide, or a grid of equal flat
 * blocks with or without a gap between them. Neighbours of the same colour stay two where the grid says so.
 * @param smallest side of a block in pixels; below the usual one only where at least half of the blocks differ
 * @returns null when the picture is not such a palette
 */
export function flatBlocks(picture: Pixels, smallest = SMALLEST): Block[] | null {
  const { width, height } = picture;
  if (width === 0 || height === 0) return null;
  if (height === 1 || width === 1) {
    const count = width * height;
    return count <= MOST_BLOCKS
      ? Array.from({ length: count }, (_, at) => (height === 1 ? { x: at, y: 0 } : { x: 0, y: at }))
      : null;
  }
  const pixels = words(picture);
  const columns = bands(width, (x) => differs(height, (y) => pixels[y * width + x] === pixels[y * width + x - 1]));
  if (!columns) return null;
  const rows = bands(height, (y) => differs(width, (x) => pixels[y * width + x] === pixels[(y - 1) * width + x]));
  if (!rows) return null;
  const pixelAt = (column: Band, row: Band) => pixels[row.start * width + column.start]!;
  const gap = gapColour(columns, rows, pixelAt);
  const across = steps(
    gap === null ? columns : columns.filter((column) => !rows.every((row) => pixelAt(column, row) === gap)),
    smallest,
  );
  const down = steps(
    gap === null ? rows : rows.filter((row) => !columns.every((column) => pixelAt(column, row) === gap)),
    smallest,
  );
  if (!across || !down || across.length * down.length > MOST_BLOCKS || across.length * down.length < 2) return null;
  const blocks = down.flatMap((y) => across.map((x) => ({ x, y })));
  const isEmpty = ({ x, y }: Block) => pixels[y * width + x]! === gap || picture.data[(y * width + x) * 4 + 3] === 0;
  // The last row of a grid is often not full.
  while (blocks.length > 0 && isEmpty(blocks.at(-1)!)) blocks.pop();
  if (smallest < SMALLEST && (blocks.length > MOST_PIXELS || !areColours(picture, blocks))) return null;
  return blocks.length > 1 ? blocks : null;
}

function differs(length: number, same: (at: number) => boolean): boolean {
  for (let at = 0; at < length; at++) if (!same(at)) return true;
  return false;
}

/** Stretches of equal columns or rows; null when there are too many for a palette. */
function bands(length: number, begins: (at: number) => boolean): Band[] | null {
  const starts = [0];
  for (let at = 1; at < length; at++) {
    if (!begins(at)) continue;
    starts.push(at);
    if (starts.length > 520) return null;
  }
  return starts.map((start, at) => ({ start, size: (starts[at + 1] ?? length) - start }));
}

/** The colour of the gaps between blocks, which fills whole bands; null without gaps. */
function gapColour(columns: readonly Band[], rows: readonly Band[], pixelAt: (column: Band, row: Band) => number): number | null {
  const candidates = new Set([
    ...columns.map((column) => pixelAt(column, rows[0]!)),
    ...rows.map((row) => pixelAt(columns[0]!, row)),
  ]);
  for (const colour of candidates) {
    const apart =
      isParted(columns, (column) => rows.every((row) => pixelAt(column, row) === colour)) ||
      isParted(rows, (row) => columns.every((column) => pixelAt(column, row) === colour));
    if (apart) return colour;
  }
  return null;
}

/** Whether gaps lie between the other bands, each narrower than any of those: a block may be flat from edge to edge as well. */
function isParted(all: readonly Band[], isGap: (band: Band) => boolean): boolean {
  const gaps = all.filter(isGap);
  const others = all.filter((band) => !gaps.includes(band));
  if (others.length < 2) return false;
  const between = gaps.some(({ start }) => start > others[0]!.start && start < others.at(-1)!.start);
  return between && Math.max(...gaps.map(({ size }) => size)) < Math.min(...others.map(({ size }) => size));
}

/** The middles of equal steps that make up the bands; null when they have no common measure. */
function steps(found: readonly Band[], smallest: number): number[] | null {
  const size = found.map((band) => band.size).reduce(greatestCommonDivisor, 0);
  if (size < smallest) return null;
  return found.flatMap(({ start, size: whole }) =>
    Array.from({ length: whole / size }, (_, n) => start + n * size + (size >> 1)),
  );
}

function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestCommonDivisor(b, a % b);
}
