import { expose } from 'comlink';
import { guessColumns, readData, type ChartColumns, type DataColumn, type DataTable } from '@/core/data/read-data';
import { sumUp, type Sums } from '@/core/data/sums';

let table: DataTable | null = null;

/** Data as a page needs to know it. */
export interface ShownData {
  readonly columns: readonly Pick<DataColumn, 'name' | 'kind'>[];
  readonly rows: number;
  readonly notes: readonly string[];
  /** What is probably to be drawn. */
  readonly guess: ChartColumns;
}

const api = {
  /** Reads a table and keeps it. @param known the brand's fields and what they hold @returns one sentence when there is nothing to draw */
  open(name: string, bytes: Uint8Array, known: Parameters<typeof guessColumns>[1]): ShownData | string {
    const read = readData(name, bytes);
    if (typeof read === 'string') return read;
    table = read;
    const { columns, rows, notes } = read;
    return {
      columns: columns.map(({ name: title, kind }) => ({ name: title, kind })),
      rows,
      notes,
      guess: guessColumns(read, known),
    };
  },
  sum(columns: ChartColumns): Sums {
    return sumUp(table!, columns);
  },
};

export type DataWorker = typeof api;

expose(api);
