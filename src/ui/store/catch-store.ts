import { uniqueNames } from '@/core/base/unique-names';
import type { Problem } from '@/core/source/problem';
import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import type { Route } from '@/core/intake/bring-in';
import type { PaletteOrigin } from '@/core/brand/document/palette-shape';
import type { Earlier, IntakeLine } from '@/core/intake/catch';
import { tell } from '../notices';

/** A line with the source it came from. Its index names it for good; its place is that in the list. */
export interface CatchLine extends IntakeLine {
  readonly source: string;
}

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
  /** Where the person sends each group, by its name; other groups become new palettes. */
  readonly routes: Readonly<Record<string, Route>>;
  /** What is known of new palettes besides their colours, by group. */
  readonly origins: Readonly<Record<string, PaletteOrigin>>;
  /** Ids of what other pages sent, which has been taken up once. */
  readonly arrived: readonly string[];
  readonly arrive: (id: string) => void;
  /** The picture whose colours these are, for as long as the page is open. */
  readonly picture: File | null;
  readonly setText: (text: string) => void;
  /** A new catch in place of the last one. */
  readonly replace: (source: string, found: Found) => void;
  /** More lines below those that are there. */
  readonly append: (source: string, found: Found) => void;
  readonly tick: (indices: readonly number[], on: boolean) => void;
  readonly rename: (index: number, name: string) => void;
  /** Puts a line where another stands, into the other's group. */
  readonly move: (index: number, to: number) => void;
  readonly send: (group: string, route: Route) => void;
  /** Takes the other meaning of an ambiguous code instead. */
  readonly readOtherwise: (index: number) => void;
  readonly clear: () => void;
}

interface Found {
  readonly lines: readonly IntakeLine[];
  readonly problems: readonly Problem[];
  /** By the group's name in the lines. */
  readonly origins?: Readonly<Record<string, PaletteOrigin>>;
  readonly picture?: File;
}

const NOTHING = { sources: [], lines: [], problems: [], ticked: [], names: {}, routes: {}, origins: {}, picture: null };
const EMPTY = { text: '', ...NOTHING };

/** Larger catches are kept only while the page is open: writing them down at every tick would be felt. */
const KEPT = { lines: 2_000, characters: 200_000 };

/** So many of what arrived are remembered; it waits on the server for a day. */
const MOST_ARRIVED = 100;

export const useCatch = create<CatchState>()(
  persist(
    (set) => ({
      ...EMPTY,
      arrived: [],
      arrive: (id) => set(({ arrived }) => ({ arrived: [...arrived.slice(1 - MOST_ARRIVED), id] })),
      setText: (text) => set({ text }),
      replace: (source, found) =>
        set((state) => {
          const next = added(NOTHING, source, found);
          return { ...next, routes: carriedOver(state, source, next.lines!) };
        }),
      append: (source, found) => set((state) => added(state, source, found)),
      tick: (indices, on) =>
        set(({ ticked }) => {
          const changed = new Set(indices);
          const others = ticked.filter((index) => !changed.has(index));
          return { ticked: on ? [...others, ...indices] : others };
        }),
      rename: (index, name) => set(({ names }) => ({ names: { ...names, [index]: name } })),
      move: (index, to) =>
        set(({ lines }) => {
          const [from, at] = [index, to].map((wanted) => lines.findIndex((line) => line.index === wanted)) as [number, number];
          const line = { ...lines[from]!, palette: lines[at]!.palette };
          const others = lines.filter((line) => line.index !== index);
          return { lines: [...others.slice(0, at), line, ...others.slice(at)] };
        }),
      send: (group, route) => set(({ routes }) => ({ routes: { ...routes, [group]: route } })),
      readOtherwise: (index) =>
        set(({ lines }) => ({
          lines: lines.map((line) =>
            line.index === index && line.other && line.colour
              ? {
                  ...line,
                  colour: line.other,
                  other: line.colour,
                  doubts: line.doubts.filter(({ kind }) => kind === 'ambiguous'),
                }
              : line,
          ),
        })),
      clear: () => set(EMPTY),
    }),
    {
      name: 'breakwater-catch',
      version: 5,
      // What an older version of this page kept has another shape: a catch is soon made again.
      migrate: () => ({ ...EMPTY, arrived: [] }),
      // The server draws the page without this browser's disk; the gather stage takes the catch up once it is shown.
      skipHydration: true,
      partialize: ({ text, sources, lines, problems, ticked, names, routes, origins, arrived }) =>
        lines.length > KEPT.lines || text.length > KEPT.characters
          ? { ...EMPTY, arrived }
          : { text, sources, lines, problems, ticked, names, routes, origins, arrived },
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

/** What is in the catch, for a further source to be compared with. */
export function earlierIn(lines: readonly CatchLine[]): Earlier[] {
  return lines.flatMap(({ colour, line, source }) =>
    colour ? [{ hex: colour.hex, alpha: colour.alpha, place: `line ${line} of ${source}` }] : [],
  );
}

/**
 * Where a catch goes that takes another's place. A slider moved or a palette of the shelf tried instead of the last must
 * not forget it: one group goes where the one before it went, and the groups of the same source keep their names.
 */
function carriedOver({ routes, lines, sources }: CatchState, source: string, next: readonly CatchLine[]): Record<string, Route> {
  const [before, after] = [groupsOf(lines), groupsOf(next)];
  const single = before.length === 1 && after.length === 1 ? routes[before[0]!] : undefined;
  const same = sources.length === 1 && sources[0] === source;
  return {
    ...(same && Object.fromEntries(after.flatMap((group) => (routes[group] ? [[group, routes[group]]] : [])))),
    ...(single && single.to !== 'new' && { [after[0]!]: single }),
  };
}

/** Groups in which something can be taken as a swatch. */
function groupsOf(lines: readonly CatchLine[]): string[] {
  return [...new Set(lines.filter(({ colour, token }) => colour && !token?.alias).map(({ palette }) => palette))];
}

type Content = Pick<CatchState, keyof typeof NOTHING>;

function added({ sources, lines, problems, ...rest }: Content, source: string, found: Found): Partial<CatchState> {
  const first = lines.length;
  // Two files may name their palettes alike; they stay two.
  const unique = uniqueNames(lines.filter((line) => line.source !== source).map(({ palette }) => palette));
  const groups = new Map([['', '']]);
  const group = (palette: string) => {
    if (!groups.has(palette)) groups.set(palette, unique(palette));
    return groups.get(palette)!;
  };
  const fresh = found.lines.map((line) => ({ ...line, index: line.index + first, source, palette: group(line.palette) }));
  return {
    ...rest,
    sources: sources.includes(source) ? sources : [...sources, source],
    lines: [...lines, ...fresh],
    problems: [...problems, ...found.problems.map((problem) => ({ ...problem, source }))],
    ...(found.picture && { picture: found.picture }),
    origins: {
      ...rest.origins,
      ...Object.fromEntries(Object.entries(found.origins ?? {}).map(([palette, origin]) => [group(palette), origin])),
    },
    ticked: [...rest.ticked, ...fresh.filter(({ take }) => take).map(({ index }) => index)],
  };
}
