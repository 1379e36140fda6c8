import type { ListedBrand } from '@/core/organisation/told';
import { QueryTypes } from 'sequelize';
import { EntityId } from '@/core/brand/document/fields';
import { may, type Permission, type PersonRole } from '@/core/brand/roles';
import { database } from '../database/database';
import type { PersonRow } from '../database/rows';
import { Refused } from '../http/refused';

const NOT_HERE = 'There is no such organisation here.';

/** What somebody may do in an organisation: see it, make brands in it, or decide about it. */
export type OrganisationPermission = Extract<Permission, 'read' | 'edit' | 'govern'>;

const AUDIT_WORDS: Record<OrganisationPermission, string> = {
  read: 'see this organisation',
  edit: 'make brands here',
  govern: 'decide about this organisation',
};

/** A person's role for an organisation, if it allows the permission. One that they do not belong to is as if it were not there. */
export async function authoriseIn(
  person: PersonRow,
  organisationId: string,
  permission: OrganisationPermission,
): Promise<PersonRole> {
  if (!EntityId.safeParse(organisationId).success) throw new Refused(404, NOT_HERE);
  const row = await database().Membership.findOne({ where: { personId: person.id, organisationId } });
  if (!row) throw new Refused(404, NOT_HERE);
  if (!may(row.role, permission))
    throw new Refused(403, `You are here as ${row.role} and cannot ${AUDIT_WORDS[permission]}; ask an owner.`);
  return row.role;
}

/** The organisations that a person belongs to, by name. */
export function organisationsOf(person: PersonRow): Promise<{ id: string; name: string; role: PersonRole }[]> {
  return database().sequelize.query(
    `SELECT o.id, o.name, m.role FROM organisations o JOIN memberships m ON m.organisation_id = o.id
     WHERE m.person_id = :person ORDER BY o.name, o.id`,
    { type: QueryTypes.SELECT, replacements: { person: person.id } },
  );
}

/** The organisation of a brand. */
export async function organisationOf(brandId: string): Promise<string> {
  const brand = await database().Brand.findByPk(brandId, { attributes: ['organisationId'] });
  if (!brand) throw new Refused(404, 'There is no such brand here.');
  return brand.organisationId;
}

/** The organisation of a brand, where the person belongs to it, and whether the brand is archived. */
export async function placeOf(person: PersonRow, brandId: string): Promise<{ organisation: string | null; archived: boolean }> {
  const { Brand, Membership } = database();
  const row = await Brand.findByPk(brandId, { attributes: ['organisationId', 'archivedAt'] });
  const belongs = await Membership.findOne({ where: { personId: person.id, organisationId: row!.organisationId } });
  return { organisation: belongs ? row!.organisationId : null, archived: row!.archivedAt !== null };
}

/** The brands of an organisation that a person can see, by name; to its owners those in the bin as well. */
export async function brandsIn(person: PersonRow, organisationId: string): Promise<ListedBrand[]> {
  const rows = await database().sequelize.query<Omit<ListedBrand, 'changedAt'> & { changedAt: Date | null }>(
    `SELECT b.id, b.name, coalesce(p.role, 'owner') AS role, b.ribbon, b.seq AS changes,
       CASE WHEN b.binned_at IS NOT NULL THEN 'in the bin' WHEN b.archived_at IS NOT NULL THEN 'archived' ELSE 'in use' END AS whereabouts,
       (SELECT count(*)::int FROM releases r WHERE r.brand_id = b.id) AS releases,
       (SELECT c.at FROM changes c WHERE c.brand_id = b.id AND c.seq = b.seq) AS "changedAt"
     FROM brands b LEFT JOIN brand_parts p ON p.brand_id = b.id AND p.person_id = :person
     WHERE b.organisation_id = :organisation AND (p.role IS NOT NULL OR b.binned_at IS NOT NULL AND EXISTS (
       SELECT FROM memberships m WHERE m.organisation_id = b.organisation_id AND m.person_id = :person AND m.role = 'owner'
     ))
     ORDER BY b.name, b.id`,
    { type: QueryTypes.SELECT, replacements: { person: person.id, organisation: organisationId } },
  );
  return rows.map((row) => ({ ...row, changedAt: row.changedAt?.toISOString() ?? null }));
}
