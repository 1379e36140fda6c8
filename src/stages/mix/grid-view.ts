import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';

interface GridView {
  /** Width of a patch in pixels; null lets the number of swatches decide. */
  readonly zoom: number | null;
  /** Whether names and codes stand under the patches. */
  readonly names: boolean;
}

export const ZOOM = { least: 18, most: 110 } as const;

/** How this browser likes to see the grid. */
export const useGridView = create<GridView>()(
  persist((): GridView => ({ zoom: null, names: true }), {
    name: 'breakwater-grid',
    storage: createJSONStorage(() => localStorage),
    skipHydration: true,
  }),
);

/** Patch widths in pixels by the number of swatches: few stand large, many stand close. */
const WIDTHS = [
  { upTo: 18, width: 78 },
  { upTo: 48, width: 66 },
  { upTo: Infinity, width: 44 },
] as const;

/** Below this width words under a patch could not be read. */
const WORDS_FROM = 56;

/** Palettes of fewer swatches stand in one line. */
const ONE_LINE = 12;

export interface CellSize {
  readonly columns: number;
  /** Height of a patch, and of the words under it, in pixels. */
  readonly patch: number;
  readonly words: number;
}

export const GAP = 3;

/** How large the cells are: as wished, but a labelled row is kept in one line as long as its patches can be seen. */
export function cellSize(width: number, count: number, longestRow: number, { zoom, names }: GridView): CellSize {
  const wished = zoom ?? WIDTHS.find(({ upTo }) => count <= upTo)!.width;
  const usual = Math.max(1, Math.floor((width + GAP) / (wished + GAP)));
  // A few more than fit, with the place to add one, stand closer rather than leave some to a second line.
  const fitting = zoom === null && count < ONE_LINE && count >= usual ? count + 1 : usual;
  const most = Math.floor((width + GAP) / (ZOOM.least + GAP));
  const columns = zoom === null && longestRow > fitting ? Math.min(longestRow, most) : fitting;
  const cell = (width + GAP) / columns - GAP;
  const words = names && cell >= WORDS_FROM ? 38 : 0;
  const patch =
    zoom === null && count <= 18 && longestRow <= fitting ? 112 : Math.round(Math.min(112, Math.max(ZOOM.least, cell * 0.84)));
  return { columns, patch, words };
}
