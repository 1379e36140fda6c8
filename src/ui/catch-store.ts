import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import type { CatchLine } from '@/core/formats/catch';
import { readColour } from '@/core/colour/read';
import type { Problem } from '@/core/formats/format';
import { tell } from './notices';

/** The catch: what an intake found, kept while the person goes to other stages, and over a reload. */
interface CatchState {
  /** What stands in the text field. */
  readonly text: string;
  /** Where the lines came from, in words: file names, the text, the screen. */
  readonly sources: readonly string[];
  readonly lines: readonly CatchLine[];
  /** What was wrong with a source itself, each with its name. */
  readonly problems: readonly (Problem & { readonly source: string })[];
  /** Indices of the lines to take. */
  readonly ticked: readonly number[];
  /** Names the person gave, by index; other lines keep the name that was read. */
  readonly names: Readonly<Record<number, string>>;
  readonly setText: (text: string) => void;
  /** A new catch in place of the last one. */
  readonly replace: (source: string, found: Found) => void;
  /** More lines below those that are there. */
  readonly append: (source: string, found: Found) => void;
  readonly tick: (indices: readonly number[], on: boolean) => void;
  readonly rename: (index: number, name: string) => void;
  /** Takes the other meaning of an ambiguous code instead. */
  readonly readOtherwise: (index: number) => void;
  readonly clear: () => void;
}

interface Found {
  readonly lines: readonly CatchLine[];
  readonly problems: readonly Problem[];
}

const EMPTY = { text: '', sources: [], lines: [], problems: [], ticked: [], names: {} };

/** Larger catches are kept only while the page is open: writing them down at every tick would be felt. */
const KEPT = { lines: 2_000, characters: 200_000 };

export const useCatch = create<CatchState>()(
  persist(
    (set) => ({
      ...EMPTY,
      setText: (text) => set({ text }),
      replace: (source, found) => set(() => ({ ...added(EMPTY, source, found) })),
      append: (source, found) => set((state) => added(state, source, found)),
      tick: (indices, on) =>
        set(({ ticked }) => {
          const changed = new Set(indices);
          const others = ticked.filter((index) => !changed.has(index));
          return { ticked: on ? [...others, ...indices] : others };
        }),
      rename: (index, name) => set(({ names }) => ({ names: { ...names, [index]: name } })),
      readOtherwise: (index) =>
        set(({ lines }) => ({
          lines: lines.map((line) =>
            line.index === index && line.other !== undefined && line.css !== null
              ? {
                  ...line,
                  css: line.other,
                  other: line.css,
                  colour: readColour(line.other),
                  doubts: line.doubts.filter(({ kind }) => kind === 'ambiguous'),
                }
              : line,
          ),
        })),
      clear: () => set(EMPTY),
    }),
    {
      name: 'breakwater-catch',
      version: 1,
      // The server draws the page without this browser's disk; the gather stage takes the catch up once it is shown.
      skipHydration: true,
      partialize: ({ text, sources, lines, problems, ticked, names }) =>
        lines.length > KEPT.lines || text.length > KEPT.characters ? EMPTY : { text, sources, lines, problems, ticked, names },
      storage: createJSONStorage(() => ({
        getItem: (key) => localStorage.getItem(key),
        removeItem: (key) => localStorage.removeItem(key),
        setItem: (key, value) => {
          try {
            localStorage.setItem(key, value);
          } catch (error) {
            if (!(error instanceof DOMException)) throw error;
            tell('This browser’s disk is full: the catch is kept only while this page is open.');
          }
        },
      })),
    },
  ),
);

type Content = Pick<CatchState, 'sources' | 'lines' | 'problems' | 'ticked' | 'names'>;

function added({ sources, lines, problems, ticked, names }: Content, source: string, found: Found): Content {
  const first = lines.length;
  const fresh = found.lines.map((line) => ({ ...line, index: line.index + first }));
  return {
    sources: sources.includes(source) ? sources : [...sources, source],
    lines: [...lines, ...fresh],
    problems: [...problems, ...found.problems.map((one) => ({ ...one, source }))],
    ticked: [...ticked, ...fresh.filter(({ take }) => take).map(({ index }) => index)],
    names,
  };
}
