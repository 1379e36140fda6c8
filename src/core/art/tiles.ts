import type { Art } from '../brand/document/art-shape';
import type { Area } from '../image/pixels';
import { tileArea, tilesOf } from '../image/tile-grid';

/** The part of art that says how its sheets are divided. Tiles are numbered from 0 through all sheets, row by row. */
export type Tiled = Pick<Art, 'sheets' | 'grid'>;

/** The number of a sheet's first tile; of one behind the last, how many tiles there are. */
export function firstTile({ sheets, grid }: Tiled, sheet: number): number {
  return sheets.slice(0, sheet).reduce((sum, size) => {
    const { across, down } = tilesOf(size, grid);
    return sum + across * down;
  }, 0);
}

/** How many tiles all sheets have together. */
export function tileCount(art: Tiled): number {
  return firstTile(art, art.sheets.length);
}

/** Where a tile stands; null when there is none of that number. */
export function tilePlace(art: Tiled, tile: number): { readonly sheet: number; readonly area: Area } | null {
  let left = tile;
  for (const [sheet, size] of art.sheets.entries()) {
    const { across, down } = tilesOf(size, art.grid);
    if (left < across * down) return { sheet, area: tileArea(left, across, art.grid) };
    left -= across * down;
  }
  return null;
}

/** The tile that a pixel of a sheet belongs to; null between tiles and beside them. */
export function tileAt(art: Tiled, sheet: number, x: number, y: number): number | null {
  const { width, height, margin, spacing } = art.grid;
  const { across, down } = tilesOf(art.sheets[sheet]!, art.grid);
  const [column, row] = [Math.floor((x - margin) / (width + spacing)), Math.floor((y - margin) / (height + spacing))];
  const inside = x - margin - column * (width + spacing) < width && y - margin - row * (height + spacing) < height;
  if (!inside || column < 0 || row < 0 || column >= across || row >= down) return null;
  return firstTile(art, sheet) + row * across + column;
}

/** The tiles of the rectangle that two tiles of a sheet span, row by row; null when they are more than a number. */
export function tilesBetween(art: Tiled, sheet: number, one: number, two: number, most: number): number[] | null {
  const first = firstTile(art, sheet);
  const { across } = tilesOf(art.sheets[sheet]!, art.grid);
  const [a, b] = [one - first, two - first];
  const [left, right] = [Math.min(a % across, b % across), Math.max(a % across, b % across)];
  const [top, bottom] = [Math.min(a, b), Math.max(a, b)].map((tile) => Math.floor(tile / across)) as [number, number];
  const [columns, rows] = [right - left + 1, bottom - top + 1];
  if (columns * rows > most) return null;
  return Array.from(
    { length: columns * rows },
    (_, at) => first + (top + Math.floor(at / columns)) * across + left + (at % columns),
  );
}
