import type { Brand } from '../brand/document/document';
import { matchOf, themesShown, type MatchCell, type Stray, type ThemeColours, type ThemeMatch } from './match';
import type { Reading, Screen } from './screen';

/** A screen with what it was found to show. */
export interface ReadScreen {
  readonly screen: Screen;
  readonly readings: readonly Reading[];
}

/** A token with what each screen shows of it, in the themes that are looked at; empty where it shows it not. */
export interface MatchRow {
  readonly path: string;
  /** The colour that is wanted, in the theme of the page. */
  readonly wanted: string;
  readonly cells: readonly (readonly (MatchCell & { readonly theme: string })[])[];
}

export interface MatchTable {
  /** Those with a difference first, each in the brand's order. */
  readonly differing: readonly MatchRow[];
  readonly same: readonly MatchRow[];
  /** Paths of the tokens that are on no screen. */
  readonly unused: readonly string[];
  readonly strays: readonly (Stray & { readonly screen: Screen; readonly theme: string })[];
}

/** What a build has: all colours of the release that it fetched last. */
export function builtReadings(fetched: Brand, release: number): Reading[] {
  return themesShown(fetched).map(({ identifier: theme, colours }) => ({
    theme,
    release,
    seen: [...colours].map(([token, colour]) => ({
      colour,
      token,
      share: 0,
      where: 'the files of its release',
      state: 'rest' as const,
    })),
  }));
}

/**
 * Holds all screens against a release.
 * @param documents of earlier releases that screens run, by their numbers
 * @param looked identifiers of the themes that are looked at
 * @param shown identifier of the theme of the page
 */
export function matchTable(
  brand: Brand,
  release: number,
  documents: ReadonlyMap<number, Brand>,
  read: readonly ReadScreen[],
  looked: ReadonlySet<string>,
  shown: string,
): MatchTable {
  const themes = themesShown(brand);
  const earlier = new Map([...documents].map(([number, document]) => [number, themesShown(document)]));
  const matches = read.map(({ screen, readings }) =>
    readings.flatMap((reading): (ThemeMatch & { theme: string })[] => {
      const called = ({ identifier }: ThemeColours) => identifier === reading.theme;
      const wanted = looked.has(reading.theme) && themes.find(called);
      if (!wanted) return [];
      const document = earlier.get(reading.release);
      // Until the earlier release has been fetched, nothing is said of it.
      const runs = reading.release < release && document ? (document.find(called)?.colours ?? new Map<string, string>()) : null;
      return [{ theme: wanted.name, ...matchOf(wanted, reading.seen, { runs, isEdited: screen.edited.length > 0 }) }];
    }),
  );
  const wanted = themes.find(({ identifier }) => identifier === shown)!.colours;
  const rows = brand.tokens.map(({ path }): MatchRow => ({
    path,
    wanted: wanted.get(path) ?? 'transparent',
    cells: matches.map((themed) =>
      themed.flatMap(({ theme, cells }) => {
        const cell = cells.get(path);
        return cell ? [{ ...cell, theme }] : [];
      }),
    ),
  }));
  const isBuild = read.map(({ screen }) => screen.kind.is === 'build');
  const isUsed = ({ cells }: MatchRow) => cells.some((themed, at) => themed.length > 0 && !isBuild[at]);
  const differs = ({ cells }: MatchRow) => cells.some((themed) => themed.some(({ same }) => !same));
  return {
    differing: rows.filter(differs),
    same: rows.filter((row) => isUsed(row) && !differs(row)),
    unused: rows.filter((row) => !isUsed(row) && !differs(row)).map(({ path }) => path),
    strays: matches.flatMap((themed, at) =>
      themed.flatMap(({ theme, strays }) => strays.map((stray) => ({ ...stray, screen: read[at]!.screen, theme }))),
    ),
  };
}
