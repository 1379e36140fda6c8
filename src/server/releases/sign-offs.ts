import { Op, UniqueConstraintError, type Transaction } from 'sequelize';
import type { z } from 'zod';
import type { Brand } from '@/core/brand/document/document';
import { EntityId } from '@/core/brand/document/fields';
import { may, type PersonRole } from '@/core/brand/roles';
import {
  OPEN_RULE,
  ReleaseRule,
  SIGN_OFF_LIMITS,
  countingApprovals,
  wantedBy,
  type NewRemark,
  type NewSignOff,
  type Remark,
  type SignOff,
} from '@/core/release/sign-off';
import { announce } from '../log/announce';
import { rolesFor } from '../brands/brands';
import { database } from '../database/database';
import type { PersonRow, SignOffRow } from '../database/rows';
import { writeDownOf } from '../people/audit';
import { writerMark } from '../writing/writer';
import { documentAt } from '../log/documents';
import type { BrandAt } from '../log/brand-at';
import { Refused } from '../http/refused';
import { latestNumber } from './release-number';

/** Reviews that are told of, the newest first. */
const MOST_TOLD = 20;

const OVER = 'This sign-off is over; look at what became of it, and ask for another.';

/** What a release of a brand wants. */
export async function ruleOf(brandId: string): Promise<ReleaseRule> {
  const row = await database().Brand.findByPk(brandId, { attributes: ['releaseRule'] });
  return row?.releaseRule ? ReleaseRule.parse(row.releaseRule) : OPEN_RULE;
}

export async function makeRule(person: PersonRow, brandId: string, rule: ReleaseRule): Promise<void> {
  const { sequelize, Brand } = database();
  await sequelize.transaction(async (transaction) => {
    await Brand.update({ releaseRule: rule }, { where: { id: brandId }, transaction });
    const makers = { count: 'everybody’s', owners: 'those of owners', none: 'nobody’s' }[rule.byMakers];
    const errors = rule.newErrors === 'stop' ? 'stop it' : 'are told';
    const about = `${rule.approvals} approvals (of makers ${makers}), by ${rule.releasers}, new errors ${errors}`;
    await writeDownOf(person, brandId, { what: 'rule', about }, transaction);
    await announce({ brand: brandId, kind: 'signOff' }, transaction);
  });
}

/** The latest reviews of a brand with all that was said in them, the newest first. */
export async function signOffsOf(brandId: string): Promise<SignOff[]> {
  const { SignOff, Remark, Person } = database();
  const rows = await SignOff.findAll({ where: { brandId }, order: [['at', 'DESC']], limit: MOST_TOLD });
  const said = await Remark.findAll({ where: { signOffId: rows.map(({ id }) => id) }, order: ['at', 'id'] });
  const sayers = said.flatMap(({ personId, closedBy }) => (closedBy === null ? [personId] : [personId, closedBy]));
  const ids = [...rows.map(({ personId }) => personId), ...sayers];
  const people = await Person.findAll({ where: { id: [...new Set(ids)] }, attributes: ['id', 'name'] });
  const names = new Map(people.map(({ id, name }) => [id, name]));
  const nameOf = (id: string) => names.get(id) ?? 'somebody';
  const open = rows.find(({ outcome }) => outcome === null);
  const makers = open ? await uncountedMakers(brandId, open.since) : [];
  return rows.map(({ id, title, note, since, personId, at, outcome, release }) => ({
    id,
    title,
    note,
    since,
    person: personId,
    by: nameOf(personId),
    at: at.toISOString(),
    outcome,
    release,
    makers: id === open?.id ? makers : [],
    remarks: said
      .filter(({ signOffId }) => signOffId === id)
      .map((remark) => ({
        id: remark.id,
        kind: remark.kind,
        about: remark.about,
        seq: remark.seq,
        text: remark.text,
        person: remark.personId,
        by: nameOf(remark.personId),
        at: remark.at.toISOString(),
        closedBy: remark.closedBy && nameOf(remark.closedBy),
        outdated: remark.kind === 'approve' && remark.writer !== writerMark(),
      })),
  }));
}

/** Ids of those who made changes since a release and whose approval therefore does not count by the brand's rule. */
async function uncountedMakers(brandId: string, since: number): Promise<string[]> {
  const { byMakers } = await ruleOf(brandId);
  if (byMakers === 'count') return [];
  const { Change, Release } = database();
  const release = await Release.findOne({ where: { brandId, number: since }, attributes: ['seq'] });
  const made = await Change.findAll({
    where: { brandId, seq: { [Op.gt]: release?.seq ?? 0 } },
    attributes: ['personId'],
    group: 'personId',
  });
  const ids = made.map(({ personId }) => personId);
  if (byMakers === 'none') return ids;
  const roles = await rolesFor(brandId, ids);
  return ids.filter((id) => roles.get(id) !== 'owner');
}

/** Asks others to look at what has changed since the last release. An id that is there already is answered as done. */
export async function askForSignOff(
  person: PersonRow,
  brandId: string,
  { id, title, note }: z.output<typeof NewSignOff>,
): Promise<void> {
  const { SignOff } = database();
  if (await SignOff.findOne({ where: { id, brandId, personId: person.id } })) return;
  try {
    await SignOff.create({ id, brandId, title, note, since: await latestNumber(brandId), personId: person.id });
  } catch (error) {
    if (error instanceof UniqueConstraintError)
      throw new Refused(409, 'A sign-off of this brand is under way already; go on in that one, or withdraw it first.');
    throw error;
  }
  await writeDownOf(person, brandId, { what: 'ask-sign-off', about: title });
  await announce({ brand: brandId, kind: 'signOff' });
}

async function openOne(brandId: string, id: string, transaction: Transaction): Promise<SignOffRow> {
  if (!EntityId.safeParse(id).success) throw new Refused(404, 'There is no such sign-off here.');
  const row = await database().SignOff.findOne({ where: { id, brandId }, transaction, lock: transaction.LOCK.UPDATE });
  if (!row) throw new Refused(404, 'There is no such sign-off here.');
  if (row.outcome) throw new Refused(409, OVER);
  return row;
}

/** Says something in a review. Whoever asked for it approves nothing: that is for somebody else. */
export async function remarkOn(person: PersonRow, brandId: string, signOffId: string, remark: NewRemark): Promise<void> {
  const { sequelize, Brand, Remark } = database();
  await sequelize.transaction(async (transaction) => {
    const signOff = await openOne(brandId, signOffId, transaction);
    if (remark.kind !== 'comment' && signOff.personId === person.id)
      throw new Refused(403, 'You asked for this sign-off; somebody else approves it, or asks for changes.');
    const brand = await Brand.findByPk(brandId, { attributes: ['seq'], transaction });
    if (remark.seq > brand!.seq) throw new Refused(400, `There is no change ${remark.seq} of this brand yet.`);
    const there = await Remark.findByPk(remark.id, { transaction });
    if (there?.personId === person.id && there.signOffId === signOffId) return;
    if (there) throw new Refused(409, 'This id is taken; try again.');
    if ((await Remark.count({ where: { signOffId }, transaction })) >= SIGN_OFF_LIMITS.remarks)
      throw new Refused(
        409,
        `At most ${SIGN_OFF_LIMITS.remarks} remarks are kept with a sign-off; release, or withdraw it and ask anew.`,
      );
    await Remark.create({ ...remark, signOffId, personId: person.id, writer: writerMark() }, { transaction });
    if (remark.kind !== 'comment') {
      const what = remark.kind === 'approve' ? 'approve' : 'ask-for-changes';
      await writeDownOf(person, brandId, { what, about: signOff.title }, transaction);
    }
    await announce({ brand: brandId, kind: 'signOff' }, transaction);
  });
}

/** Says that a remark is dealt with, or is not. */
export async function closeRemark(
  person: PersonRow,
  brandId: string,
  signOffId: string,
  id: string,
  closed: boolean,
): Promise<void> {
  const { sequelize, Remark } = database();
  await sequelize.transaction(async (transaction) => {
    await openOne(brandId, signOffId, transaction);
    const where = { id, signOffId, kind: 'comment' };
    const [changed] = EntityId.safeParse(id).success
      ? await Remark.update({ closedBy: closed ? person.id : null }, { where, transaction })
      : [0];
    if (changed === 0) throw new Refused(404, 'There is no such comment here.');
    await announce({ brand: brandId, kind: 'signOff' }, transaction);
  });
}

/** Ends a review without a release: for whoever asked for it, and for owners. */
export async function withdrawSignOff(person: PersonRow, role: PersonRole, brandId: string, id: string): Promise<void> {
  await database().sequelize.transaction(async (transaction) => {
    const signOff = await openOne(brandId, id, transaction);
    if (signOff.personId !== person.id && role !== 'owner')
      throw new Refused(403, 'Only whoever asked for a sign-off, or an owner, withdraws it.');
    await signOff.update({ outcome: 'withdrawn' }, { transaction });
    await writeDownOf(person, brandId, { what: 'withdraw-sign-off', about: signOff.title }, transaction);
    await announce({ brand: brandId, kind: 'signOff' }, transaction);
  });
}

/** What was said for a release, as it was when it was looked at. */
export interface Signed {
  readonly rule: ReleaseRule;
  /** The review that the release ends, with how much was said in it; null where none is under way. */
  readonly signOff: { readonly id: string; readonly remarks: number } | null;
  /** Names of those whose approval counts. */
  readonly by: readonly string[];
}

/** Refuses a release that lacks what the brand's rule wants. @returns who signed it */
export async function mustBeSigned(role: PersonRole, { brand }: BrandAt): Promise<Signed> {
  const rule = await ruleOf(brand.id);
  const open = (await signOffsOf(brand.id)).find(({ outcome }) => outcome === null) ?? null;
  const counted = open ? await ofReviewers(brand.id, open.remarks) : [];
  const seqs = [...new Set(counted.flatMap(({ kind, seq }) => (kind === 'approve' ? [seq] : [])))];
  const documents = new Map<number, Brand>();
  for (const seq of seqs) documents.set(seq, await documentAt(brand.id, seq));
  const counting = open && { ...open, remarks: counted };
  const approvals = counting ? countingApprovals(counting, (seq) => documents.get(seq), brand) : [];
  const wanted = wantedBy(rule, role, counting, approvals);
  if (wanted) throw new Refused(409, `Nothing was released: ${wanted}`);
  const signOff = open && { id: open.id, remarks: open.remarks.length };
  return { rule, signOff, by: approvals.map(({ by }) => by) };
}

/** What was said by those who have a part in reviews still: nobody else's approval lets anything out. */
async function ofReviewers(brandId: string, remarks: readonly Remark[]): Promise<Remark[]> {
  const roles = await rolesFor(brandId, [...new Set(remarks.map(({ person }) => person))]);
  return remarks.filter(({ person }) => {
    const role = roles.get(person);
    return role !== undefined && may(role, 'review');
  });
}

/** Ends a review with the release that it led to; refuses it when something was said or asked for while the release was written. */
export async function endWithRelease(
  { signOff }: Signed,
  brandId: string,
  release: number,
  transaction: Transaction,
): Promise<void> {
  const { SignOff, Remark } = database();
  const open = await SignOff.findOne({
    where: { brandId, outcome: { [Op.is]: null } },
    transaction,
    lock: transaction.LOCK.UPDATE,
  });
  const said = open ? await Remark.count({ where: { signOffId: open.id }, transaction }) : 0;
  if (open?.id !== signOff?.id || said !== (signOff?.remarks ?? 0))
    throw new Refused(409, 'Something was said in the sign-off just now; read it, then release again.');
  await open?.update({ outcome: 'released', release }, { transaction });
}
