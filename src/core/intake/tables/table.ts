import type { ReadColour } from '../../colour/read';
import type { Span } from '../../source/source-text';

/** A cell of a table: its text, and the colour it is filled with. */
export interface TableCell {
  readonly text: string;
  readonly fill?: ReadColour;
  /** Where it stands in the source, where that is a text. */
  readonly span?: Span;
}

/** A row of cells with gaps, and its number in the source from 1. */
export interface TableRow {
  readonly line: number;
  readonly cells: readonly (TableCell | undefined)[];
}

/** Rows that have something in them, in their order. */
export type Table = readonly TableRow[];

/** What a cell says, without white space around it; nothing for a gap. */
export function textAt(row: TableRow, column: number): string {
  return row.cells[column]?.text.trim() ?? '';
}
