import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import { findingKey } from '@/core/findings/accept';
import type { Finding, Severity } from '@/core/findings/finding';
import { ruleById } from '@/core/findings/rules';
import { useBrandStore, useMayEdit } from '@/ui/store/brand-context';
import { mendFor } from '@/ui/asked/findings';
import { tell } from '@/ui/notices';
import { FindingRow } from './finding-row';
import { MARKS } from './marks';
import css from './findings.module.css';

/** So many stand under a head before somebody asks for the others: the first view shows every kind. */
const FEW = 4;

/** What one rule found, the worst first. */
export function FindingGroup({ severity, title, list }: { severity: Severity; title: string; list: readonly Finding[] }) {
  const store = useBrandStore();
  const mayEdit = useMayEdit();
  const [all, setAll] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const mend = list[0]!.subject.destination === undefined ? ruleById(list[0]!.rule)?.mend : undefined;
  const mendable = mend ? list.filter((finding) => mend.offer(finding) !== null) : [];
  const mendAll = async () => {
    const { replica, run } = store.getState();
    const command = await mendFor(replica.brand, mendable, mend!.all);
    if (command) run(command);
    else tell('Nothing can be done about these at once; look at each, and decide.');
  };
  const shown = all ? list : list.slice(0, FEW);
  return (
    <section className={css.group} aria-label={`${title}, ${MARKS[severity].words(list.length)}`}>
      <div className={css.head}>
        <h2>
          <i aria-hidden>{MARKS[severity].sign}</i> {title} <small>{list.length.toLocaleString('en')}</small>
        </h2>
        {mendable.length > 1 && !mend!.asks && (
          <Button size="2xs" variant="outline" disabled={!mayEdit} onClick={() => void mendAll()}>
            {mend!.all}
          </Button>
        )}
      </div>
      <ul>
        {shown.map((finding) => {
          const key = findingKey(finding);
          return <FindingRow key={key} finding={finding} open={open === key} onOpen={() => setOpen(open === key ? null : key)} />;
        })}
      </ul>
      {list.length > FEW && (
        <Button size="2xs" variant="ghost" onClick={() => setAll(!all)}>
          {all ? 'Show the worst only' : `Show all ${list.length.toLocaleString('en')}`}
        </Button>
      )}
    </section>
  );
}
