import { shortened } from '../base/storable';
import type { Acceptance } from '../brand/document/acceptance-shape';
import type { Command, Step } from '../brand/commands/commands';
import type { Brand } from '../brand/document/document';
import { LIMITS } from '../brand/document/fields';
import type { Finding } from './finding';

/** Tells a finding from all others, however its numbers change: its rule, and what it is about. */
export function findingKey({ rule, subject, message }: Finding): string {
  const { theme = '', palette = '', field = '', destination = '', tokens = [], swatches = [] } = subject;
  const about = [theme, palette, field, tokens.join(' '), swatches.join(' ')];
  // What is about nothing that has an id is known by its words.
  return shortened(`${rule}|${destination}|${about.every((part) => part === '') ? message : about.join('|')}`, LIMITS.findingKey);
}

/** How far a finding is from its limit, whichever side it is on; 0 where it has none. */
function shortfall({ data: { value, limit } }: Finding): number {
  return typeof value === 'number' && typeof limit === 'number' ? Math.abs(limit - value) : 0;
}

/** By the keys of what they are about. */
type Accepted = ReadonlyMap<string, Acceptance>;

const known = new WeakMap<Brand['acceptances'], Accepted>();

export function acceptancesByFinding({ acceptances }: Pick<Brand, 'acceptances'>): Accepted {
  let found = known.get(acceptances);
  if (!found) known.set(acceptances, (found = new Map(acceptances.map((each) => [each.finding, each]))));
  return found;
}

/** Whose word it is that a finding may stand; null where nobody gave it, or where it has become worse since. */
export function acceptanceOf(brand: Pick<Brand, 'acceptances'>, finding: Finding): Acceptance | null {
  const accepted = acceptancesByFinding(brand).get(findingKey(finding));
  return accepted && shortfall(finding) <= (accepted.value ?? 0) + 1e-9 ? accepted : null;
}

/** Those that nobody has accepted. */
export function openFindings(brand: Pick<Brand, 'acceptances'>, findings: readonly Finding[]): Finding[] {
  return findings.filter((finding) => !acceptanceOf(brand, finding));
}

/** Accepts a finding for a reason; an earlier acceptance of the same, which it has outgrown, goes. */
export function accept(brand: Brand, finding: Finding, reason: string, id: string): Command {
  const key = findingKey(finding);
  const earlier = acceptancesByFinding(brand).get(key);
  const value = shortfall(finding);
  const acceptance: Acceptance = {
    id,
    finding: key,
    said: shortened(finding.message, LIMITS.description),
    ...(value > 0 && { value }),
    reason: reason.trim(),
  };
  const steps: Step[] = [
    ...(earlier ? [{ do: 'finding.withdraw' as const, id: earlier.id }] : []),
    { do: 'finding.accept', acceptance, before: null },
  ];
  return { label: shortened(`Accept: ${finding.message}`, 200), steps };
}
