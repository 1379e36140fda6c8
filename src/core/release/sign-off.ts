import { z } from 'zod';
import { isStorable, UNSTORABLE } from '../base/storable';
import { compareBrands } from '../brand/history/compare';
import type { Brand } from '../brand/document/document';
import { EntityId, name } from '../brand/document/fields';
import type { PersonRole } from '../brand/roles';

/** Bounds of what is said in a review. */
export const SIGN_OFF_LIMITS = { remark: 2_000, remarks: 500, approvals: 5 } as const;

/** What has to be true of a brand before a release is made of it. Its owners decide. */
export const ReleaseRule = z.strictObject({
  /** How many people have to approve it. */
  approvals: z.int().min(0).max(SIGN_OFF_LIMITS.approvals),
  releasers: z.enum(['owners', 'owners and editors']),
  /** Whether an error that the last release did not have stops it. */
  newErrors: z.enum(['told', 'stop']),
  /** Whether an approval counts of somebody who made some of the changes: everybody's, that of owners, or nobody's. */
  byMakers: z.enum(['count', 'owners', 'none']).default('owners'),
});
export type ReleaseRule = z.output<typeof ReleaseRule>;

/** The rule of a brand for which nobody has made one. */
export const OPEN_RULE: ReleaseRule = { approvals: 0, releasers: 'owners and editors', newErrors: 'told', byMakers: 'owners' };

const remarkText = z
  .string()
  .trim()
  .max(SIGN_OFF_LIMITS.remark, `A remark has at most ${SIGN_OFF_LIMITS.remark.toLocaleString('en')} characters.`)
  .refine(isStorable, UNSTORABLE);

/** What a person says in a review: a comment, or a verdict on all of it. */
export const NewRemark = z
  .strictObject({
    id: EntityId,
    kind: z.enum(['comment', 'approve', 'ask']),
    /** Id of the swatch or token that it is about; null for the whole. */
    about: EntityId.nullable(),
    /** Number of the last change that the person saw. */
    seq: z.int().min(0),
    text: remarkText,
  })
  .refine(({ kind, text }) => kind === 'approve' || text !== '', 'Say in a few words what it is.');
export type NewRemark = z.output<typeof NewRemark>;

export const NewSignOff = z.strictObject({ id: EntityId, title: name, note: remarkText });

export interface Remark extends NewRemark {
  readonly person: string;
  readonly by: string;
  /** ISO 8601, in UTC. */
  readonly at: string;
  /** Who said that it is dealt with; null while it is open. */
  readonly closedBy: string | null;
  /** Whether Breakwater was updated since, so that the same document may give other files. */
  readonly outdated: boolean;
}

/** A review of the changes since a release, asked for by one person and answered by others. */
export interface SignOff {
  readonly id: string;
  readonly title: string;
  readonly note: string;
  /** Number of the release that its changes follow; 0 before the first. */
  readonly since: number;
  readonly person: string;
  readonly by: string;
  readonly at: string;
  /** How it ended; null while it is under way. */
  readonly outcome: 'released' | 'withdrawn' | null;
  /** Number of the release that ended it. */
  readonly release: number | null;
  /** The oldest first. */
  readonly remarks: readonly Remark[];
  /** Ids of those who made some of its changes, and whose approval therefore does not count by the rule. */
  readonly makers: readonly string[];
}

/** The last verdict of each person: a later one replaces what they said before. */
export function verdictsOf(remarks: readonly Remark[]): Remark[] {
  const last = new Map<string, Remark>();
  for (const remark of remarks) if (remark.kind !== 'comment') last.set(remark.person, remark);
  return [...last.values()];
}

/**
 * Ids of what has changed since a person approved: their approval does not count for it. Something changed and changed back has not.
 * @param then the brand as the person saw it
 */
export function unseenSince(then: Brand, now: Brand): Set<string> {
  return new Set(compareBrands(then, now).map(({ id }) => id));
}

/**
 * The approvals that count for the brand as it is now: by people who saw just that, as the same program writes it, and who made none of it where the rule asks for somebody else.
 * @param seen the brand after the change with a number
 */
export function countingApprovals(
  { remarks, makers }: Pick<SignOff, 'remarks' | 'makers'>,
  seen: (seq: number) => Brand | undefined,
  now: Brand,
): Remark[] {
  return verdictsOf(remarks).filter(({ kind, seq, person, outdated }) => {
    if (kind !== 'approve' || outdated || makers.includes(person)) return false;
    const then = seen(seq);
    return then !== undefined && unseenSince(then, now).size === 0;
  });
}

/**
 * What a brand's rule still wants before somebody may release it, in one sentence; null when nothing does.
 * @param approvals those that count for what is to be released
 */
export function wantedBy(rule: ReleaseRule, role: PersonRole, open: SignOff | null, approvals: readonly Remark[]): string | null {
  if (rule.releasers === 'owners' && role !== 'owner') return 'Releases of this brand are made by its owners.';
  if (rule.approvals === 0) return null;
  if (!open) return `A release of this brand wants ${people(rule.approvals)} to approve it; ask for a sign-off in Watch.`;
  const asking = verdictsOf(open.remarks).filter(({ kind }) => kind === 'ask');
  if (asking.length > 0) return `${asking.map(({ by }) => by).join(' and ')} asked for changes; a release wants their approval.`;
  const missing = rule.approvals - approvals.length;
  if (missing <= 0) return null;
  const others = verdictsOf(open.remarks).filter((remark) => !approvals.includes(remark));
  const makers = others.filter(({ person }) => open.makers.includes(person)).map(({ by }) => by);
  const outdated = others.filter((remark) => remark.outdated && !open.makers.includes(remark.person));
  const why = [
    ...(outdated.length > 0 ? ['Breakwater was updated since earlier approvals'] : []),
    ...(others.length > makers.length + outdated.length ? ['earlier approvals did not see the latest changes'] : []),
    ...(makers.length > 0 ? [`${makers.join(' and ')} made some of the changes`] : []),
  ];
  const because = why.length > 0 ? `, for ${why.join(', and ')}` : '';
  return `${people(missing, approvals.length > 0)} ${missing === 1 ? 'has' : 'have'} to approve it${because}.`;
}

function people(count: number, more = false): string {
  return `${count} ${more ? 'more ' : ''}${count === 1 ? 'person' : 'people'}`;
}
