import { shortened } from '@/core/base/storable';
import { Button } from '@chakra-ui/react';
import type { Finding } from '@/core/findings/finding';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { MARKS } from './marks';
import css from './findings.module.css';

/** What somebody said may stand, with the reason; each can be withdrawn. @param found by the id of their acceptances */
export function Accepted({ found }: { found: ReadonlyMap<string, Finding> }) {
  const { acceptances, run } = useBrand((state) => ({
    acceptances: state.replica.brand.acceptances,
    run: state.run,
  }));
  const mayEdit = useMayEdit();
  return (
    <section className={css.group} aria-label="Accepted">
      <div className={css.head}>
        <h2>
          <i aria-hidden>{MARKS.accepted.sign}</i> Accepted <small>{acceptances.length}</small>
        </h2>
      </div>
      {acceptances.length === 0 && <p className={css.fine}>Nothing has been accepted.</p>}
      <ul>
        {acceptances.map(({ id, said, reason }) => (
          <li key={id} className={css.accepted}>
            <span>{found.get(id)?.message ?? said}</span>
            <q>{reason}</q>
            {!found.has(id) && <small>no longer found, or found again because it became worse</small>}
            <Button
              size="2xs"
              variant="outline"
              disabled={!mayEdit}
              onClick={() => run({ label: shortened(`Withdraw: ${said}`, 200), steps: [{ do: 'finding.withdraw', id }] })}
            >
              Withdraw
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
