import { colourAlong, placesAlong, type ByValue } from './by-value';
import type { Sums } from './sums';

/** What a category comes to at one place along. */
export interface Cell {
  /** Place of the category. */
  readonly row: number;
  readonly column: number;
  readonly value: number;
}

/** The sums as a grid: a row for each category, a column for each place along, or a single one where there are none. */
export function cellsOf({ categories, places }: Sums): Cell[] {
  return places.length > 0
    ? categories.flatMap(({ along }, row) => Array.from(along, (value, column) => ({ row, column, value })))
    : categories.map(({ sum }, row) => ({ row, column: 0, value: sum }));
}

export interface ColouredCell extends Cell {
  readonly name: string;
  readonly hex: string;
}

/** The grid with colours along a palette, `#rrggbb` each. */
export function colouredCells(sums: Sums, hexes: readonly string[], how: ByValue): ColouredCell[] {
  const cells = cellsOf(sums);
  const along = placesAlong(
    cells.map(({ value }) => value),
    how,
  );
  return cells.map((cell, at) => ({ ...cell, hex: colourAlong(hexes, along[at]!), name: sums.categories[cell.row]!.name }));
}
