import type { Brand } from '@/core/brand/document';
import { resolveTheme } from '@/core/brand/resolve';
import { matchOf, shownColours, themeCalled, type MatchCell, type Stray, type ThemeMatch } from '@/core/screens/match';
import type { Reading, Screen } from '@/core/screens/screen';
import { slug } from '@/core/base/words';

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
  return fetched.themes.map((theme) => ({
    theme: slug(theme.name),
    release,
    seen: [...shownColours(fetched, theme.id)].map(([token, colour]) => ({
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
 * @param themes ids of those that are looked at
 * @param shown id of the theme of the page
 */
export function matchTable(
  brand: Brand,
  release: number,
  documents: ReadonlyMap<number, Brand>,
  read: readonly ReadScreen[],
  themes: ReadonlySet<string>,
  shown: string,
): MatchTable {
  const matches = read.map(({ screen, readings }) =>
    readings
      .filter(({ theme }) => themes.has(themeCalled(brand, theme)?.id ?? ''))
      .flatMap((reading): ThemeMatch[] => {
        const runs = reading.release < release ? (documents.get(reading.release) ?? null) : null;
        const match = matchOf(brand, reading, { runs, isEdited: screen.edited.length > 0 });
        return match ? [match] : [];
      }),
  );
  const names = new Map(brand.themes.map(({ id, name }) => [id, name]));
  const wanted = shownColours(brand, shown);
  const rows = [...resolveTheme(brand, shown).values()].map(({ token: { path } }): MatchRow => ({
    path,
    wanted: wanted.get(path) ?? 'transparent',
    cells: matches.map((themed) =>
      themed.flatMap(({ theme, cells }) => {
        const cell = cells.get(path);
        return cell ? [{ ...cell, theme: names.get(theme)! }] : [];
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
      themed.flatMap(({ theme, strays }) =>
        strays.map((stray) => ({ ...stray, screen: read[at]!.screen, theme: names.get(theme)! })),
      ),
    ),
  };
}
