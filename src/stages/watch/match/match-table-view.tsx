import type { MatchCell } from '@/core/screens/match';
import type { Screen } from '@/core/screens/screen';
import type { MatchRow, MatchTable } from '@/core/screens/match-table';
import css from './match.module.css';

/** Tokens down, screens across: what differs, then what is the same; what is on no screen is folded away. */
export function MatchTableView({ table, screens, only }: { table: MatchTable; screens: readonly Screen[]; only: boolean }) {
  const { differing, same, unused } = table;
  return (
    <>
      <table>
        <thead className={css.unseen}>
          <tr>
            <th>Token</th>
            {screens.map(({ id, name }) => (
              <th key={id}>{name}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...differing, ...(only ? [] : same)].map((row) => (
            <Row key={row.path} row={row} screens={screens} />
          ))}
        </tbody>
      </table>
      {only && differing.length === 0 && <p className={css.rest}>Nothing differs.</p>}
      {!only && unused.length > 0 && (
        <details className={css.rest}>
          <summary>
            {unused.length} {unused.length === 1 ? 'token is' : 'tokens are'} on none of these screens
          </summary>
          <p>
            {unused.map((path) => (
              <code key={path}>{path}</code>
            ))}
          </p>
        </details>
      )}
    </>
  );
}

function Row({ row: { path, wanted, cells }, screens }: { row: MatchRow; screens: readonly Screen[] }) {
  return (
    <tr data-token={path}>
      <th scope="row">
        <code>{path}</code>
        <i style={{ background: wanted }} />
      </th>
      {cells.map((themed, at) => {
        const others = themed.filter((cell) => !cell.same);
        const worst = others.reduce<MatchRow['cells'][number][number] | undefined>(
          (one, two) => (one && one.distance >= two.distance ? one : two),
          undefined,
        );
        const state = themed.length === 0 ? 'unused' : worst ? 'different' : 'same';
        return (
          <td key={screens[at]!.id} data-screen={screens[at]!.id} data-match={state}>
            {themed.length === 0 ? (
              <small aria-label="not on it" />
            ) : (
              <div title={worst ? `${worst.where}: wanted ${worst.wanted}` : themed[0]!.where}>
                <i style={{ background: worst ? wantedOverFound(worst) : themed[0]!.found }} />
                {worst ? (
                  <span>
                    <code>
                      <b>{worst.found}</b> {distanceWords(worst)}
                    </code>
                    <small>
                      {worst.why}
                      {themed.length > 1 &&
                        `, ${others.length === themed.length ? 'every theme' : others.map(({ theme }) => theme).join(', ')}`}
                    </small>
                  </span>
                ) : (
                  <code>same</code>
                )}
              </div>
            )}
          </td>
        );
      })}
    </tr>
  );
}

/** ΔE2000; one digit more where the difference is smaller than the eye's. */
function distanceWords({ distance }: MatchCell): string {
  return `ΔE ${distance.toFixed(distance < 1 ? 2 : 1)} off`;
}

/** The colour of the worst theme as it should be, above the one that is there. */
function wantedOverFound({ wanted, found }: MatchCell): string {
  return `linear-gradient(${wanted} 50%, ${found} 50%)`;
}
