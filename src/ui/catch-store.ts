import { create } from 'zustand';
import type { CatchLine } from '@/core/formats/text';

/** The catch: what an intake found, kept while the person goes to other stages and comes back. */
interface CatchState {
  readonly text: string;
  readonly lines: readonly CatchLine[];
  /** Indices of the lines to take. */
  readonly ticked: ReadonlySet<number>;
  /** Names the person gave, by index; other lines keep the name that was read. */
  readonly names: ReadonlyMap<number, string>;
  readonly setText: (text: string) => void;
  /** A new catch: what is plain is ticked, duplicates and lines without a colour are not. */
  readonly setLines: (lines: readonly CatchLine[]) => void;
  readonly tick: (indices: readonly number[], on: boolean) => void;
  readonly rename: (index: number, name: string) => void;
  readonly clear: () => void;
}

const EMPTY = { text: '', lines: [], ticked: new Set<number>(), names: new Map<number, string>() };

export const useCatch = create<CatchState>()((set) => ({
  ...EMPTY,
  setText: (text) => set({ text }),
  setLines: (lines) =>
    set({
      lines,
      names: new Map(),
      ticked: new Set(lines.filter((line) => line.colour && line.doubt !== 'duplicate').map((line) => line.index)),
    }),
  tick: (indices, on) =>
    set(({ ticked }) => {
      const next = new Set(ticked);
      for (const index of indices) {
        if (on) next.add(index);
        else next.delete(index);
      }
      return { ticked: next };
    }),
  rename: (index, name) => set(({ names }) => ({ names: new Map(names).set(index, name) })),
  clear: () => set(EMPTY),
}));
