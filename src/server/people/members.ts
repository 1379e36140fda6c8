import type { Member } from '@/core/organisation/told';
import { QueryTypes, type Transaction } from 'sequelize';
import { EntityId } from '@/core/brand/document/fields';
import type { PersonRole } from '@/core/brand/roles';
import { announceParts } from '../log/announce';
import { database } from '../database/database';
import type { PersonRow } from '../database/rows';
import { writeDown } from './audit';
import { Refused } from '../http/refused';

/** Everybody with a part in an organisation, by name. */
export async function membersOf(organisationId: string): Promise<Member[]> {
  return database().sequelize.query<Member>(
    `SELECT p.id, p.name, p.email, m.role,
       coalesce(jsonb_object_agg(r.brand_id, r.role) FILTER (WHERE r.brand_id IS NOT NULL), '{}') AS brands
     FROM people p
     LEFT JOIN memberships m ON m.person_id = p.id AND m.organisation_id = :organisation
     LEFT JOIN (SELECT r.* FROM brand_roles r JOIN brands b ON b.id = r.brand_id WHERE b.organisation_id = :organisation) r
       ON r.person_id = p.id
     WHERE m.role IS NOT NULL OR r.role IS NOT NULL
     GROUP BY p.id, m.role ORDER BY p.name, p.id`,
    { type: QueryTypes.SELECT, replacements: { organisation: organisationId } },
  );
}

/** A role that is given: for the organisation, or for one brand of it; null takes it away. */
export interface GivenRole {
  readonly brand: string | null;
  readonly role: PersonRole | 'none' | null;
}

/** Gives somebody a role, or takes it away. The last owner of an organisation stays its owner. */
export async function giveRole(
  by: PersonRow,
  organisationId: string,
  personId: string,
  { brand, role }: GivenRole,
): Promise<void> {
  if (!EntityId.safeParse(personId).success) throw new Refused(404, 'There is nobody of that name here.');
  const { sequelize, Person, Membership, BrandRole, Brand, Organisation } = database();
  await sequelize.transaction(async (transaction) => {
    // One at a time, so that two owners cannot take away each other's part at once.
    await Organisation.findByPk(organisationId, { transaction, lock: transaction.LOCK.UPDATE });
    const person = await Person.findByPk(personId, { transaction });
    const member = await Membership.findOne({ where: { personId, organisationId }, transaction });
    const guest = person && (await isGuest(personId, organisationId, transaction));
    if (!person || !(member || guest)) throw new Refused(404, 'Whoever that is has no part in this organisation.');
    if (brand === null) {
      if (role === 'none') throw new Refused(400, 'A role for the organisation is one of the four, or nothing.');
      if (member?.role === 'owner' && role !== 'owner') await mustNotBeLast(organisationId, transaction);
      if (role === null) {
        await Membership.destroy({ where: { personId, organisationId }, transaction });
        await forgetBrandRoles(personId, organisationId, transaction);
      } else if (member) await member.update({ role }, { transaction });
      else await Membership.create({ personId, organisationId, role }, { transaction });
    } else {
      if (!(await Brand.findOne({ where: { id: brand, organisationId }, transaction })))
        throw new Refused(404, 'There is no such brand here.');
      await BrandRole.destroy({ where: { personId, brandId: brand }, transaction });
      if (role !== null) await BrandRole.create({ personId, brandId: brand, role }, { transaction });
    }
    const what = role === null ? 'remove-person' : 'role';
    const where = brand === null ? '' : ` for ${(await Brand.findByPk(brand, { transaction }))!.name}`;
    const about = role === null ? `${person.name}${where}` : `${person.name}, ${role}${where}`;
    await writeDown(by, organisationId, { what, about, ...(brand !== null && { brand }) }, transaction);
    // Whoever has lost a brand hears no more of it, on every instance.
    await announceParts(organisationId, transaction);
  });
}

async function isGuest(personId: string, organisationId: string, transaction: Transaction): Promise<boolean> {
  const rows = await database().sequelize.query(
    'SELECT 1 FROM brand_roles r JOIN brands b ON b.id = r.brand_id WHERE r.person_id = :personId AND b.organisation_id = :organisationId',
    { type: QueryTypes.SELECT, replacements: { personId, organisationId }, transaction },
  );
  return rows.length > 0;
}

async function forgetBrandRoles(personId: string, organisationId: string, transaction: Transaction): Promise<void> {
  await database().sequelize.query(
    `DELETE FROM brand_roles r USING brands b
     WHERE b.id = r.brand_id AND b.organisation_id = :organisationId AND r.person_id = :personId`,
    { replacements: { personId, organisationId }, transaction },
  );
}

async function mustNotBeLast(organisationId: string, transaction: Transaction): Promise<void> {
  const owners = await database().Membership.count({ where: { organisationId, role: 'owner' }, transaction });
  if (owners < 2) throw new Refused(409, 'An organisation has at least one owner; make somebody else an owner first.');
}
