import { create } from 'zustand';
import { rollSheet, type RollSheet } from '@/core/palette/roll-sheet';

/** How many places a strip has at first. */
const FIRST_PLACES = 5;

interface RollSheets {
  readonly sheets: readonly RollSheet[];
  /** Which of them is shown. */
  readonly at: number;
  /** A further sheet; what had been gone back over is let go. */
  readonly go: (sheet: RollSheet) => void;
  /** Changes the sheet that is shown, so that going back does not stop at every step of a slider. */
  readonly turn: (sheet: RollSheet) => void;
  readonly step: (by: number) => void;
}

/** The sheets rolled so far, kept while the person looks at other stages. */
export const useRollSheets = create<RollSheets>()((set) => ({
  sheets: [rollSheet(1, { lightness: 0.62, chroma: 0.7, spread: 0.8 }, Array<null>(FIRST_PLACES).fill(null))],
  at: 0,
  go: (sheet) => set(({ sheets, at }) => ({ sheets: [...sheets.slice(0, at + 1), sheet], at: at + 1 })),
  turn: (sheet) => set(({ sheets, at }) => ({ sheets: sheets.map((known, n) => (n === at ? sheet : known)) })),
  step: (by) => set(({ sheets, at }) => ({ at: Math.min(sheets.length - 1, Math.max(0, at + by)) })),
}));
