import { create } from 'zustand';

/** The column of paths, beside those of the themes. */
export const PATH = 'path';

/** The table's element, for the keys to go back to. */
export const TABLE_ID = 'token-table';

/** A cell: a token or a group, by id or path, and a theme's id or `PATH`. */
export interface TokenCell {
  readonly row: string;
  readonly column: string;
}

interface TableState {
  readonly filter: string;
  readonly folded: ReadonlySet<string>;
  readonly active: TokenCell | null;
  /** Ids of the tokens that what is done is done to. */
  readonly chosen: ReadonlySet<string>;
  /** Where a range of chosen rows started. */
  readonly anchor: string | null;
  /** Whether the active cell is a field now. */
  readonly editing: boolean;
}

/** How the table of tokens stands; it stands so again when one comes back to it. */
export const useTable = create<TableState>()(() => ({
  filter: '',
  folded: new Set(),
  active: null,
  chosen: new Set(),
  anchor: null,
  editing: false,
}));

export function fold(path: string): void {
  useTable.setState(({ folded }) => {
    const next = new Set(folded);
    if (!next.delete(path)) next.add(path);
    return { folded: next };
  });
}
