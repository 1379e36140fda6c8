import type { Table } from './table';

/** A block of cells, both corners in it, rows and columns from 1; of one sheet when that is named. */
export interface CellRange {
  readonly sheet: string | null;
  readonly top: number;
  readonly left: number;
  readonly bottom: number;
  readonly right: number;
}

/** What ranges are written like, for sentences. */
export const RANGE_EXAMPLE = 'B2:I8 or Sheet!B2:I8';

/**
 * Reads a range as spreadsheets write it: `B2:I8`, one cell `B2`, with `$` or without, and the sheet before a `!`, in
 * apostrophes where it has spaces. ECMA-376 part 1, 18.17.2.3 (A1 reference style). @returns null when it is none
 */
export function readRange(text: string): CellRange | null {
  const parts =
    /^(?:(?:'((?:[^']|'')+)'|([^'!]+))!)?\$?([A-Z]{1,3})\$?([1-9]\d{0,6})(?::\$?([A-Z]{1,3})\$?([1-9]\d{0,6}))?$/i.exec(
      text.trim(),
    );
  if (!parts) return null;
  const [, quoted, plain, left, top, right = left, bottom = top] = parts;
  const columns = [columnOf(left!), columnOf(right!)];
  const rows = [Number(top), Number(bottom)];
  return {
    sheet: quoted?.replaceAll("''", "'") ?? plain ?? null,
    top: Math.min(...rows),
    left: Math.min(...columns),
    bottom: Math.max(...rows),
    right: Math.max(...columns),
  };
}

/** A range as spreadsheets write it. */
export function writeRange({ sheet, top, left, bottom, right }: CellRange): string {
  const corner = columnName(left) + top;
  const cells = top === bottom && left === right ? corner : `${corner}:${columnName(right)}${bottom}`;
  if (sheet === null) return cells;
  return `${/^[\p{L}_][\p{L}\p{N}_]*$/u.test(sheet) ? sheet : `'${sheet.replaceAll("'", "''")}'`}!${cells}`;
}

/** A column's letters: A to Z, then AA on. From 1. */
export function columnName(column: number): string {
  let name = '';
  for (let rest = column; rest > 0; rest = Math.floor((rest - 1) / 26)) name = String.fromCharCode(65 + ((rest - 1) % 26)) + name;
  return name;
}

/** The number of a column by its letters, from 1. */
export function columnOf(name: string): number {
  return [...name.toUpperCase()].reduce((column, letter) => column * 26 + letter.charCodeAt(0) - 64, 0);
}

/** The table with every cell outside the range left out, and rows that then have none; those inside keep their places. */
export function cellsWithin(table: Table, range: CellRange | undefined): Table {
  if (!range) return table;
  const { top, left, bottom, right } = range;
  return table
    .filter(({ line }) => line >= top && line <= bottom)
    .map(({ line, cells }) => ({ line, cells: cells.slice(0, right).map((cell, at) => (at + 1 >= left ? cell : undefined)) }));
}
