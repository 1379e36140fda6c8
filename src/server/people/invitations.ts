import type { Invitation } from '@/core/organisation/told';
import { createHash, randomBytes } from 'node:crypto';
import { Op, type Transaction } from 'sequelize';
import { z } from 'zod';
import { EntityId } from '@/core/brand/document/fields';
import { newId } from '@/core/brand/document/identity';
import { ROLES, type PersonRole } from '@/core/brand/roles';
import { database } from '../database/database';
import type { InvitationRow, PersonRow } from '../database/rows';
import { writeDown } from './audit';
import { createPerson } from './people';
import { Refused } from '../http/refused';

export const NewInvitation = z.strictObject({
  role: z.enum(ROLES),
  /** The one brand that it is for; null for the organisation. */
  brand: EntityId.nullable(),
  /** How long it is good for. */
  days: z.int().min(1).max(30),
});

/** What somebody who follows the link of an invitation is asked to join. */
export interface InvitedTo {
  readonly organisation: string;
  readonly brand: string | null;
  readonly role: PersonRole;
}

const MOST = 100;
/** 256 random bits, as for tokens of builds. */
const SECRET = /^[A-Za-z0-9_-]{43}$/;
const OVER = 'This invitation is not good any more: it was used or withdrawn, or its time is over. Ask for another.';

function hashOf(secret: string): string {
  return createHash('sha256').update(secret).digest('hex');
}

/** @returns the secret of its link, which is shown once and kept nowhere */
export async function makeInvitation(
  person: PersonRow,
  organisationId: string,
  { role, brand, days }: z.output<typeof NewInvitation>,
): Promise<string> {
  const { sequelize, Invitation, Brand } = database();
  const secret = randomBytes(32).toString('base64url');
  await sequelize.transaction(async (transaction) => {
    await Invitation.destroy({ where: { organisationId, endsAt: { [Op.lt]: new Date() } }, transaction });
    if ((await Invitation.count({ where: { organisationId }, transaction })) >= MOST)
      throw new Refused(409, `At most ${MOST} invitations are open at once; withdraw one first.`);
    if (brand !== null && !(await Brand.findOne({ where: { id: brand, organisationId }, transaction })))
      throw new Refused(404, 'There is no such brand here.');
    const endsAt = new Date(Date.now() + days * 86_400_000);
    await Invitation.create(
      { id: newId(), organisationId, brandId: brand, role, hash: hashOf(secret), personId: person.id, endsAt },
      { transaction },
    );
    await writeDown(
      person,
      organisationId,
      { what: 'invite', about: `somebody as ${role}`, ...(brand && { brand }) },
      transaction,
    );
  });
  return secret;
}

/** Invitations of an organisation that are open, the newest first. */
export async function invitationsOf(organisationId: string): Promise<Invitation[]> {
  const { Invitation, Person } = database();
  const rows = await Invitation.findAll({
    where: { organisationId, endsAt: { [Op.gte]: new Date() } },
    order: [['at', 'DESC']],
  });
  const people = await Person.findAll({ where: { id: rows.map(({ personId }) => personId) }, attributes: ['id', 'name'] });
  const names = new Map(people.map(({ id, name }) => [id, name]));
  return rows.map(({ id, role, brandId, personId, endsAt }) => ({
    id,
    role,
    brand: brandId,
    by: names.get(personId) ?? 'somebody',
    endsAt: endsAt.toISOString(),
  }));
}

/** From now on its link opens nothing. */
export async function withdrawInvitation(person: PersonRow, organisationId: string, id: string): Promise<void> {
  const { sequelize, Invitation } = database();
  await sequelize.transaction(async (transaction) => {
    const known = EntityId.safeParse(id).success;
    const row = known ? await Invitation.findOne({ where: { id, organisationId }, transaction }) : null;
    if (!row) throw new Refused(404, 'This invitation is not there any more.');
    await row.destroy({ transaction });
    await writeDown(person, organisationId, { what: 'withdraw-invitation', about: `as ${row.role}` }, transaction);
  });
}

async function goodOne(secret: string, transaction?: Transaction): Promise<InvitationRow> {
  const where = { hash: hashOf(secret), endsAt: { [Op.gte]: new Date() } };
  const within = transaction ? { transaction, lock: transaction.LOCK.UPDATE } : {};
  const row = SECRET.test(secret) ? await database().Invitation.findOne({ where, ...within }) : null;
  if (!row) throw new Refused(404, OVER);
  return row;
}

/** What an invitation is to. @throws Refused where it is not good any more */
export async function invitedTo(secret: string): Promise<InvitedTo> {
  const { organisationId, brandId, role } = await goodOne(secret);
  const { Organisation, Brand } = database();
  const organisation = await Organisation.findByPk(organisationId);
  const brand = brandId === null ? null : await Brand.findByPk(brandId, { attributes: ['name'] });
  return { organisation: organisation!.name, brand: brand?.name ?? null, role };
}

/** Somebody who has no account yet. */
export interface Newcomer {
  readonly name: string;
  readonly email: string;
  readonly password: string;
}

/** Takes up an invitation, once: for somebody who is signed in, or who is new here. @returns who has joined */
export async function join(secret: string, who: PersonRow | Newcomer): Promise<PersonRow> {
  // Hashing takes a while, and is not done while the invitation is held.
  await goodOne(secret);
  const newcomer = 'password' in who ? await createPerson(who) : null;
  const { sequelize, Membership, BrandRole } = database();
  return sequelize.transaction(async (transaction) => {
    const row = await goodOne(secret, transaction);
    const person = newcomer ? await newcomer(transaction) : (who as PersonRow);
    const { organisationId, brandId, role } = row;
    const member = await Membership.findOne({ where: { personId: person.id, organisationId }, transaction });
    if (member && brandId === null)
      throw new Refused(409, 'You belong to this organisation already; the invitation is still good for somebody else.');
    if (brandId === null) await Membership.create({ personId: person.id, organisationId, role }, { transaction });
    else {
      await BrandRole.destroy({ where: { personId: person.id, brandId }, transaction });
      await BrandRole.create({ personId: person.id, brandId, role }, { transaction });
    }
    await row.destroy({ transaction });
    await writeDown(person, organisationId, { what: 'join', about: role, ...(brandId && { brand: brandId }) }, transaction);
    return person;
  });
}
