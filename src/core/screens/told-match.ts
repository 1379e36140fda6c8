import { slug } from '../base/words';
import type { Brand } from '../brand/document/document';
import { matchTable, type MatchTable, type ReadScreen } from './match-table';
import type { ToldMatch } from './screen';

/** A brand's screens, with all that is needed to hold them against its latest release. */
export interface WatchedRelease {
  /** As it was released. */
  readonly brand: Brand;
  readonly release: number;
  /** Documents of the earlier releases that screens run, by their numbers. */
  readonly documents: ReadonlyMap<number, Brand>;
  readonly read: readonly ReadScreen[];
}

/** All screens in all themes, held against the release. */
export function wholeTable({ brand, release, documents, read }: WatchedRelease): MatchTable {
  const themes = brand.themes.map(({ name }) => slug(name));
  return matchTable(brand, release, documents, read, new Set(themes), themes[0]!);
}

/** The match report for programs: what differs, cell by cell, and how much does not. */
export function toldMatch(watched: WatchedRelease): ToldMatch {
  const { brand, release, read } = watched;
  const { differing, same, strays } = wholeTable(watched);
  const cells = differing.flatMap((row) =>
    row.cells.flatMap((themed, at) =>
      themed
        .filter((cell) => !cell.same)
        .map(({ token, theme, wanted, found, distance, why, where, state }) => ({
          ...{ token, screen: read[at]!.screen.name, theme, wanted, found },
          ...{ distance, why: why!, where, state },
        })),
    ),
  );
  return {
    brand: brand.name,
    release,
    identical: cells.length + strays.length === 0,
    used: differing.length + same.length,
    same: same.length,
    screens: read.map(({ screen: { name, kind, readAt }, readings }) => ({
      ...{ name, kind: kind.is, readAt },
      release: readings[0]?.release ?? null,
    })),
    differing: cells,
    strays: strays.map(({ screen, theme, found, distance, where, state, nearest, share }) => ({
      ...{ screen: screen.name, theme, found, distance, where, state, nearest, share },
    })),
  };
}
