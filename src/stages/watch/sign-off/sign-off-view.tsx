import { Button } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { compareBrands } from '@/core/brand/history/compare';
import { may } from '@/core/brand/roles';
import { wantedBy } from '@/core/release/sign-off';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { useSay, useSignOffs, useVerdicts } from '@/ui/asked/sign-offs';
import { ViewHead } from '../view-head';
import { AskDialog } from './ask-dialog';
import { ChangeInReview } from './change-in-review';
import { ChangesToReview } from './changes-to-review';
import { EarlierSignOffs } from './earlier-sign-offs';
import { RulePanel } from './rule-panel';
import { VerdictButtons } from './verdict-buttons';
import { Verdicts } from './verdicts';
import css from './sign-off.module.css';

/** The changes since the last release, looked at by somebody else: as pictures, before and after, commented on and approved. */
export function SignOffView() {
  const { brand, release, role, person } = useBrand((state) => ({
    brand: state.replica.brand,
    release: state.release,
    role: state.role,
    person: state.person,
  }));
  const mayEdit = useMayEdit();
  const say = useSay();
  const { open, rule, signOffs, isError, isKnown } = useSignOffs();
  const { verdicts, approvals } = useVerdicts(open);
  const [asking, setAsking] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const before = release?.document ?? null;
  const differences = useMemo(() => compareBrands(before, brand), [before, brand]);
  const current = differences.find(({ id }) => id === chosen) ?? differences[0];
  if (isError && !isKnown) return <p>The sign-off cannot be reached just now; try again in a moment.</p>;
  const since = release ? `since release ${release.number}` : 'before the first release';
  const count = `${differences.length} ${differences.length === 1 ? 'change' : 'changes'} ${since}`;
  const wanted = wantedBy(rule, role, open, approvals);
  return (
    <div className={css.view}>
      <ViewHead
        title={open ? open.title : differences.length === 0 ? 'There is nothing to sign off' : 'Nobody was asked to look yet'}
        about={open ? `${open.by} asked; ${count}` : count}
      >
        {open && open.person !== person.id && may(role, 'review') && <VerdictButtons signOff={open} />}
        {open && (open.person === person.id || role === 'owner') && (
          <Button size="xs" variant="outline" onClick={() => void say(`sign-offs/${open.id}`, 'DELETE')}>
            Withdraw
          </Button>
        )}
        {!open && mayEdit && (
          <Button size="xs" disabled={differences.length === 0} onClick={() => setAsking(true)}>
            Ask for a sign-off…
          </Button>
        )}
      </ViewHead>
      {open?.note && <p className={css.note}>{open.note}</p>}
      {open && <Verdicts verdicts={verdicts} makers={open.makers} />}
      {wanted && <p className={css.wanted}>{wanted}</p>}
      {current && (
        <div className={css.columns}>
          <ChangesToReview
            before={before}
            after={brand}
            differences={differences}
            open={open}
            verdicts={verdicts}
            chosen={current.id}
            onChoose={setChosen}
          />
          <ChangeInReview key={current.id} before={before} after={brand} difference={current} open={open} />
        </div>
      )}
      <RulePanel rule={rule} />
      <EarlierSignOffs signOffs={signOffs} />
      {asking && <AskDialog count={count} onClose={() => setAsking(false)} />}
    </div>
  );
}
