import Papa from 'papaparse';
import type { Screen } from './screen';
import type { MatchTable } from './match-table';

/** Every token on every screen in every theme as a line, differences first, for a table or a build. */
export function csvOf({ differing, same, strays }: MatchTable, screens: readonly Screen[]): string {
  const lines = [...differing, ...same].flatMap(({ path, cells }) =>
    cells.flatMap((themed, at) =>
      themed.map(({ theme, wanted, found, distance, why, where, state }) => ({
        token: path,
        screen: screens[at]!.name,
        theme,
        wanted,
        found,
        ΔE2000: distance.toFixed(2),
        why: why ?? 'identical',
        where,
        state,
      })),
    ),
  );
  const others = strays.map(({ screen, theme, found, nearest, distance, where, state }) => ({
    token: '',
    screen: screen.name,
    theme,
    wanted: '',
    found,
    ΔE2000: distance.toFixed(2),
    why: `no token's; nearest is ${nearest}`,
    where,
    state,
  }));
  // A text that a table program would take for a formula begins with a quote, as is common practice.
  return Papa.unparse([...lines, ...others], { escapeFormulae: true, newline: '\n' });
}
