import { generate, midway, type Mood } from './generate';

/** One set of a sheet, named by the seed it was rolled from. */
export interface Strip {
  readonly seed: number;
  /** A CSS colour for each place. */
  readonly colours: readonly string[];
}

/** Several sets rolled at once, to be compared: what is kept stands at its place in every one of them. */
export interface RollSheet {
  readonly mood: Mood;
  /** For each place the CSS colour that all strips keep, or null. */
  readonly kept: readonly (string | null)[];
  readonly strips: readonly Strip[];
}

/** How many places a strip may have. */
export const PLACES = { least: 2, most: 16 };
/** So many strips can be taken in with one look. */
const STRIPS = 6;

/** A sheet of strips with the seeds from `seed` on. */
export function rollSheet(seed: number, mood: Mood, kept: RollSheet['kept']): RollSheet {
  return {
    mood,
    kept,
    strips: Array.from({ length: STRIPS }, (_, n) => ({
      seed: seed + n,
      colours: generate({ seed: seed + n, mood, places: kept }),
    })),
  };
}

/** The next sheet: other seeds, and what is kept stays. */
export function rollAgain({ mood, kept, strips }: RollSheet): RollSheet {
  return rollSheet(strips.at(-1)!.seed + 1, mood, kept);
}

/** The same seeds in another mood; what is kept stays. */
export function inMood(sheet: RollSheet, mood: Mood): RollSheet {
  return rollSheet(sheet.strips[0]!.seed, mood, sheet.kept);
}

/** Keeps a strip's colour at its place in all strips, or lets the place go again, which changes no colour. */
export function keepAt(sheet: RollSheet, place: number, colour: string | null): RollSheet {
  const at = <T>(list: readonly T[], item: T) => list.map((known, n) => (n === place ? item : known));
  return {
    ...sheet,
    kept: at(sheet.kept, colour),
    strips: sheet.strips.map((strip) => (colour === null ? strip : { ...strip, colours: at(strip.colours, colour) })),
  };
}

/** A further place before another: each strip gets the colour half-way between its neighbours there. */
export function insertAt(sheet: RollSheet, place: number): RollSheet {
  const put = <T>(list: readonly T[], item: T) => [...list.slice(0, place), item, ...list.slice(place)];
  return {
    ...sheet,
    kept: put<string | null>(sheet.kept, null),
    strips: sheet.strips.map(({ seed, colours }) => ({
      seed,
      colours: put(colours, midway(colours[place - 1]!, colours[place]!)),
    })),
  };
}

/** The same strips with another number of places: the last ones go, or new ones are rolled behind those that are there. */
export function resize(sheet: RollSheet, count: number): RollSheet {
  const sized = (list: readonly (string | null)[]) => Array.from({ length: count }, (_, place) => list[place] ?? null);
  return {
    ...sheet,
    kept: sized(sheet.kept),
    strips: sheet.strips.map(({ seed, colours }) => ({
      seed,
      colours: generate({ seed, mood: sheet.mood, places: sized(colours) }),
    })),
  };
}
