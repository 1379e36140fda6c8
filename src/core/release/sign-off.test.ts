import { apply } from '../brand/commands/apply';
import { emptyBrand, type Brand } from '../brand/document/document';
import type { Step } from '../brand/commands/commands';
import {
  NewRemark,
  OPEN_RULE,
  ReleaseRule,
  countingApprovals,
  unseenSince,
  verdictsOf,
  wantedBy,
  type Remark,
  type SignOff,
} from './sign-off';

function after(brand: Brand, ...steps: Step[]): Brand {
  const applied = apply(brand, { label: 'Test', steps });
  if (!applied.ok) throw new Error(applied.refusal);
  return applied.brand;
}

const paint = (id: string, value: string): Step => ({ do: 'swatch.edit', id, set: { value } });
const swatch = (id: string, value: string) => ({ id, name: id, value, locked: false });
const first = after(emptyBrand('b', 'B'), {
  do: 'palette.add',
  palette: { id: 'p', name: 'P', kind: 'brand', swatches: [swatch('one', '#111111'), swatch('two', '#222222')] },
  before: null,
});
/** By their place in the log: a change, another, and the first taken back. */
const log = [
  first,
  after(first, paint('one', '#aa0000')),
  after(first, paint('one', '#aa0000'), paint('two', '#00aa00')),
  after(first, paint('two', '#00aa00')),
  after(first, paint('two', '#00aa00'), paint('one', '#aa0000')),
];
const seen = (seq: number) => log[seq];

let count = 0;
const said = (person: string, kind: Remark['kind'], seq: number): Remark => ({
  id: `r${count++}`,
  kind,
  about: null,
  seq,
  text: 'So.',
  person,
  by: person[0]!.toUpperCase() + person.slice(1),
  at: '2026-01-01T00:00:00.000Z',
  closedBy: null,
  outdated: false,
});
const signOff = (remarks: readonly Remark[]): SignOff => ({
  id: 's',
  title: 'Winter',
  note: '',
  since: 1,
  person: 'oren',
  by: 'Oren',
  at: '2026-01-01T00:00:00.000Z',
  outcome: null,
  release: null,
  remarks,
  makers: [],
});

test('an approval counts for the changes it saw, by what they come to and not by their number', () => {
  expect([...unseenSince(log[1]!, log[2]!)]).toEqual(['two']);
  const approvals = [said('petra', 'approve', 2)];
  expect(countingApprovals(signOff(approvals), seen, log[2]!)).toHaveLength(1);
  expect(countingApprovals(signOff(approvals), seen, log[3]!)).toHaveLength(0);
  // Changed, and changed back to what was approved.
  expect(countingApprovals(signOff(approvals), seen, log[4]!)).toHaveLength(1);
  // What cannot be looked at any more was approved by nobody.
  expect(countingApprovals(signOff([said('petra', 'approve', 99)]), seen, log[2]!)).toHaveLength(0);
});

test('whoever made some of the changes does not approve them, where the rule asks for somebody else', () => {
  const remarks = [said('petra', 'approve', 2), said('ida', 'approve', 2)];
  const open = { ...signOff(remarks), makers: ['ida'] };
  const counted = countingApprovals(open, seen, log[2]!);
  expect(counted.map(({ person }) => person)).toEqual(['petra']);
  expect(wantedBy({ ...OPEN_RULE, approvals: 2 }, 'owner', open, counted)).toBe(
    '1 more person has to approve it, for Ida made some of the changes.',
  );
  expect(ReleaseRule.parse({ approvals: 1, releasers: 'owners', newErrors: 'told' }).byMakers).toBe('owners');
});

test('an approval of files that another program would have written counts no more', () => {
  const open = signOff([{ ...said('petra', 'approve', 2), outdated: true }, said('ida', 'approve', 2)]);
  const counted = countingApprovals(open, seen, log[2]!);
  expect(counted.map(({ person }) => person)).toEqual(['ida']);
  expect(wantedBy({ ...OPEN_RULE, approvals: 2 }, 'owner', open, counted)).toBe(
    '1 more person has to approve it, for Breakwater was updated since earlier approvals.',
  );
});

test('what is signed is signed no more once themes, palettes or tokens stand in another order, or a field of the brand is another', () => {
  const two = after(first, { do: 'theme.add', theme: { id: 'dusk', name: 'Dusk' }, before: null, values: {} });
  const steps: Step[] = [
    { do: 'theme.move', id: 'dusk', before: 'day' },
    { do: 'swatch.move', ids: ['two'], palette: 'p', before: 'one' },
    { do: 'brand.edit', set: { print: { profile: 'a'.repeat(64), name: 'Coated' } } },
    { do: 'brand.edit', set: { logo: { picture: 'b'.repeat(64), name: 'logo.svg' } } },
    { do: 'brand.edit', set: { house: { number: 3 } } },
  ];
  for (const step of steps)
    expect(countingApprovals(signOff([said('petra', 'approve', 0)]), () => two, after(two, step))).toEqual([]);
});

test('the last verdict of a person is theirs, and a comment is none', () => {
  const remarks = [said('petra', 'ask', 1), said('ida', 'approve', 1), said('petra', 'approve', 2), said('petra', 'comment', 2)];
  expect(
    verdictsOf(remarks)
      .map(({ person, kind }) => `${person} ${kind}`)
      .sort(),
  ).toEqual(['ida approve', 'petra approve']);
});

test('what a rule wants is said in one sentence, until nothing is wanted', () => {
  const rule = { ...OPEN_RULE, approvals: 2 };
  const wants = (remarks: readonly Remark[], now = log[2]!) =>
    wantedBy(rule, 'editor', signOff(remarks), countingApprovals(signOff(remarks), seen, now));
  expect(wantedBy(OPEN_RULE, 'editor', null, [])).toBeNull();
  expect(wantedBy({ ...OPEN_RULE, releasers: 'owners' }, 'editor', null, [])).toBe(
    'Releases of this brand are made by its owners.',
  );
  expect(wantedBy({ ...OPEN_RULE, releasers: 'owners' }, 'owner', null, [])).toBeNull();
  expect(wantedBy(rule, 'owner', null, [])).toBe(
    'A release of this brand wants 2 people to approve it; ask for a sign-off in Watch.',
  );
  expect(wants([])).toBe('2 people have to approve it.');
  expect(wants([said('petra', 'approve', 2)])).toBe('1 more person has to approve it.');
  expect(wants([said('petra', 'approve', 2), said('ida', 'approve', 2)])).toBeNull();
  expect(wants([said('petra', 'approve', 2), said('ida', 'approve', 1)])).toBe(
    '1 more person has to approve it, for earlier approvals did not see the latest changes.',
  );
  expect(wants([said('petra', 'approve', 2), said('ida', 'approve', 2), said('petra', 'ask', 2)])).toBe(
    'Petra asked for changes; a release wants their approval.',
  );
});

test('who asks for changes says which; an approval needs no words', () => {
  const remark = { id: 'r', about: null, seq: 3, text: ' ' };
  expect(NewRemark.safeParse({ ...remark, kind: 'approve' }).success).toBe(true);
  for (const kind of ['comment', 'ask']) expect(NewRemark.safeParse({ ...remark, kind }).success).toBe(false);
});
