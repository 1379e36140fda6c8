import type { Brand } from '../brand/document/document';
import { ciede2000 } from '../colour/difference';
import { labOf, srgbToLabD65 } from '../colour/lab';
import { hexDigits } from '../base/hex';
import { Nearest } from '../image/nearest';
import { words, type Area, type Pixels } from '../image/pixels';
import { coloursOf, type Known } from './brand-colours';

/** ΔE2000 beyond which a colour is no colour of the brand. Ours: what edges of letters mix stays below it or is too small to be an area. */
export const OFF_BRAND = 5;
/** So many colours are told, the commonest first. */
const MOST_COLOURS = 64;
/** Areas are found in squares of so many pixels, of which most must be off-brand. */
const CELL = 12;
const MOST_AREAS = 24;

/** A colour of a picture and the brand's nearest to it. */
export interface PictureColour {
  /** `#rrggbb`. */
  readonly hex: string;
  /** Of all pixels that are not wholly transparent, 0..1. */
  readonly share: number;
  readonly nearest: Known;
  /** ΔE2000 to that. */
  readonly distance: number;
}

/** A part of a picture that has none of the brand's colours. */
export interface OffArea {
  readonly area: Area;
  /** Its off-brand pixels, as a share of the picture's. */
  readonly share: number;
  /** The commonest of its colours. */
  readonly colour: PictureColour;
}

export interface OffBrand {
  readonly colours: readonly PictureColour[];
  /** The largest first. */
  readonly areas: readonly OffArea[];
  /** The share of pixels that have a colour of the brand. */
  readonly onBrand: number;
}

/** Looks for what in a picture is none of the brand's colours. @returns one sentence when there is nothing to compare */
export function offBrand(brand: Brand, picture: Pixels): OffBrand | string {
  const known = [...coloursOf(brand).values()];
  if (known.length === 0) return 'The brand has no colours to compare a picture with yet.';
  const labs = known.map(({ hex }) => labOf(hex));
  const nearest = new Nearest(known.map(({ hex }) => parseInt(hex.slice(1), 16)));
  const pixels = words(picture);
  const counts = new Map<number, number>();
  for (const word of pixels) if (word >>> 24 !== 0) counts.set(word & 0xffffff, (counts.get(word & 0xffffff) ?? 0) + 1);
  const all = [...counts.values()].reduce((sum, count) => sum + count, 0);
  if (all === 0) return 'This picture is wholly transparent.';
  const found = new Map<number, PictureColour>();
  for (const [code, count] of counts) {
    const [r, g, b] = [code & 255, (code >> 8) & 255, (code >> 16) & 255];
    const place = nearest.of((r << 16) | (g << 8) | b);
    const hex = `#${hexDigits([r, g, b])}`;
    const distance = ciede2000(srgbToLabD65([r / 255, g / 255, b / 255]), labs[place]!);
    found.set(code, { hex, share: count / all, nearest: known[place]!, distance });
  }
  const sorted = [...found.values()].sort((one, two) => two.share - one.share);
  return {
    colours: sorted.slice(0, MOST_COLOURS),
    areas: areasOf(picture, pixels, found, all),
    onBrand: sorted.reduce((sum, { share, distance }) => sum + (distance <= OFF_BRAND ? share : 0), 0),
  };
}

function areasOf(
  { width, height }: Pixels,
  pixels: Uint32Array,
  found: ReadonlyMap<number, PictureColour>,
  all: number,
): OffArea[] {
  const [across, down] = [Math.ceil(width / CELL), Math.ceil(height / CELL)];
  const isOff = (word: number) => word >>> 24 !== 0 && found.get(word & 0xffffff)!.distance > OFF_BRAND;
  const off = Uint32Array.from({ length: across * down }, (_, cell) => {
    let count = 0;
    eachPixel(cell, (at) => void (count += Number(isOff(pixels[at]!))));
    return count;
  });
  function eachPixel(cell: number, visit: (at: number) => void): void {
    const [left, top] = [(cell % across) * CELL, Math.floor(cell / across) * CELL];
    for (let y = top; y < Math.min(height, top + CELL); y++)
      for (let x = left; x < Math.min(width, left + CELL); x++) visit(y * width + x);
  }
  const isFull = (cell: number) => {
    const [left, top] = [(cell % across) * CELL, Math.floor(cell / across) * CELL];
    return off[cell]! * 2 > Math.min(CELL, width - left) * Math.min(CELL, height - top);
  };
  const seen = new Uint8Array(across * down);
  const areas: OffArea[] = [];
  for (let start = 0; start < off.length; start++) {
    if (seen[start] || !isFull(start)) continue;
    const cells: number[] = [];
    const open = [start];
    seen[start] = 1;
    for (let cell = open.pop(); cell !== undefined; cell = open.pop()) {
      cells.push(cell);
      const [x, y] = [cell % across, Math.floor(cell / across)];
      for (const [nx, ny] of [
        [x - 1, y],
        [x + 1, y],
        [x, y - 1],
        [x, y + 1],
      ] as const) {
        const next = ny * across + nx;
        if (nx < 0 || ny < 0 || nx >= across || ny >= down || seen[next] || !isFull(next)) continue;
        seen[next] = 1;
        open.push(next);
      }
    }
    areas.push(areaOf(cells));
  }
  return areas.sort((one, two) => two.share - one.share).slice(0, MOST_AREAS);

  function areaOf(cells: readonly number[]): OffArea {
    const columns = cells.map((cell) => cell % across);
    const rows = cells.map((cell) => Math.floor(cell / across));
    const [left, top] = [least(columns) * CELL, least(rows) * CELL];
    const [right, bottom] = [Math.min(width, (most(columns) + 1) * CELL), Math.min(height, (most(rows) + 1) * CELL)];
    const counts = new Map<number, number>();
    for (const cell of cells)
      eachPixel(cell, (at) => {
        const word = pixels[at]!;
        if (isOff(word)) counts.set(word & 0xffffff, (counts.get(word & 0xffffff) ?? 0) + 1);
      });
    const [commonest] = [...counts].sort((one, two) => two[1] - one[1]);
    return {
      area: { x: left, y: top, width: right - left, height: bottom - top },
      share: [...counts.values()].reduce((sum, count) => sum + count, 0) / all,
      colour: found.get(commonest![0])!,
    };
  }
}

function least(values: readonly number[]): number {
  return values.reduce((low, value) => Math.min(low, value), Infinity);
}

function most(values: readonly number[]): number {
  return values.reduce((high, value) => Math.max(high, value), -Infinity);
}
