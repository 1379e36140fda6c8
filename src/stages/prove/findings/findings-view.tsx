import { NativeSelect } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import type { Acceptance } from '@/core/brand/document/acceptance-shape';
import { acceptanceOf, findingKey } from '@/core/findings/accept';
import type { Finding, Severity } from '@/core/findings/finding';
import { ruleById } from '@/core/findings/rules';
import { useBrand } from '@/ui/store/brand-context';
import { useDestinationFindings, useFindings } from '@/ui/asked/findings';
import { Accepted } from './accepted';
import { FindingGroup } from './finding-group';
import { KINDS, MARKS, type Kind } from './marks';
import css from './findings.module.css';

/** Everything that the rules find, the worst first, by kind; and what somebody said may stand. */
export function FindingsView() {
  const { brand, theme } = useBrand((state) => ({ brand: state.replica.brand, theme: state.theme }));
  const { found, ofDestinations } = useFindings();
  useDestinationFindings();
  const [shown, setShown] = useState<ReadonlySet<Kind>>(new Set(['error', 'warning', 'note']));
  const [where, setWhere] = useState<'all' | 'theme'>('all');
  const { open, accepted } = useMemo(() => {
    const all = [...(found ?? []), ...ofDestinations];
    const said = all.map((finding) => ({ finding, accepted: acceptanceOf(brand, finding) }));
    return {
      open: said.flatMap((each) => (each.accepted ? [] : each.finding)),
      accepted: new Map(said.flatMap((each) => (each.accepted ? [[each.accepted.id, each.finding] as const] : []))),
    };
  }, [brand, found, ofDestinations]);
  const here = open.filter(({ subject }) => where === 'all' || subject.theme === undefined || subject.theme === theme);
  const counts: Record<Kind, number> = {
    error: here.filter(({ severity }) => severity === 'error').length,
    warning: here.filter(({ severity }) => severity === 'warning').length,
    note: here.filter(({ severity }) => severity === 'note').length,
    accepted: brand.acceptances.length,
  };
  const groups = grouped(here.filter(({ severity }) => shown.has(severity)));
  const themeName = brand.themes.find(({ id }) => id === theme)?.name ?? '';
  return (
    <div className={css.findings}>
      <div className={css.choices}>
        <div role="group" aria-label="Which findings are shown">
          {KINDS.map((kind) => (
            <button
              key={kind}
              aria-pressed={shown.has(kind)}
              onClick={() =>
                setShown((was) => new Set(was.has(kind) ? [...was].filter((each) => each !== kind) : [...was, kind]))
              }
            >
              <i aria-hidden>{MARKS[kind].sign}</i> {counts[kind].toLocaleString('en')} {MARKS[kind].words(counts[kind])}
            </button>
          ))}
        </div>
        <NativeSelect.Root size="xs" width="170px">
          <NativeSelect.Field
            aria-label="Of which themes"
            value={where}
            onChange={({ target }) => setWhere(target.value as typeof where)}
          >
            <option value="all">of all themes</option>
            <option value="theme">of {themeName} only</option>
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
      </div>
      {found && groups.length === 0 && !shown.has('accepted') && (
        <p className={css.fine}>
          {open.length === 0 ? 'No rule finds anything in this brand.' : 'Nothing of what is chosen above is found.'}
        </p>
      )}
      {groups.map(({ key, severity, title, list }) => (
        <FindingGroup key={key} severity={severity} title={title} list={list} />
      ))}
      {shown.has('accepted') && <Accepted found={accepted as ReadonlyMap<Acceptance['id'], Finding>} />}
    </div>
  );
}

interface Group {
  readonly key: string;
  readonly severity: Severity;
  readonly title: string;
  readonly list: readonly Finding[];
}

/** Findings of one rule and severity together, in the order in which the first of each comes. */
function grouped(findings: readonly Finding[]): Group[] {
  const groups = new Map<string, Finding[]>();
  for (const finding of [...findings].sort(bySeverity)) {
    const key = `${finding.severity} ${finding.subject.destination === undefined ? finding.rule : 'destination'}`;
    const list = groups.get(key);
    if (list) list.push(finding);
    else groups.set(key, [finding]);
  }
  return Array.from(groups, ([key, list]) => ({
    key,
    severity: list[0]!.severity,
    title: list[0]!.subject.destination === undefined ? (ruleById(list[0]!.rule)?.title ?? '') : 'In the files of a destination',
    list: [...new Map(list.map((finding) => [findingKey(finding), finding])).values()],
  }));
}

const ORDER: readonly Severity[] = ['error', 'warning', 'note'];

function bySeverity(one: Finding, two: Finding): number {
  return ORDER.indexOf(one.severity) - ORDER.indexOf(two.severity);
}
