import { QueryTypes, type Transaction } from 'sequelize';
import type { Brand } from '@/core/brand/document/document';
import { EntityId } from '@/core/brand/document/fields';
import { may, refusalFor, type Permission, type PersonRole } from '@/core/brand/roles';
import { database } from '../database/database';
import type { PersonRow } from '../database/rows';
import { listsOf } from './brand-lists';
import { Refused } from '../http/refused';
import { indexSwatches } from './swatch-index';

/** The brands a person can see: those in use by name, then those that are laid aside. */
export async function brandsOf(person: PersonRow): Promise<{ id: string; name: string; isArchived: boolean }[]> {
  return database().sequelize.query<{ id: string; name: string; isArchived: boolean }>(
    `SELECT b.id, b.name, b.archived_at IS NOT NULL AS "isArchived"
     FROM brands b JOIN brand_parts p ON p.brand_id = b.id
     WHERE p.person_id = :person ORDER BY 3, b.name, b.id`,
    { type: QueryTypes.SELECT, replacements: { person: person.id } },
  );
}

/** A person's role for a brand, if they have one. */
export async function roleIn(person: string, brand: string): Promise<PersonRole | undefined> {
  return (await rolesFor(brand, [person])).get(person);
}

/** The roles of some people for a brand, by their ids; whoever has no part in it is not there. */
export async function rolesFor(brand: string, people: readonly string[]): Promise<ReadonlyMap<string, PersonRole>> {
  if (people.length === 0) return new Map();
  const rows = await database().sequelize.query<{ person: string; role: PersonRole }>(
    'SELECT person_id AS person, role FROM brand_parts WHERE brand_id = :brand AND person_id IN (:people)',
    { type: QueryTypes.SELECT, replacements: { brand, people } },
  );
  return new Map(rows.map(({ person, role }) => [person, role]));
}

/** A person's role for a brand, if it allows the permission. A brand of another organisation is as if it were not there. */
export async function authorise(person: PersonRow, brandId: string, permission: Permission): Promise<PersonRole> {
  // What is no id at all is not asked of the database, which takes no NUL in a text.
  if (!EntityId.safeParse(brandId).success) throw new Refused(404, 'There is no such brand here.');
  const [part] = await database().sequelize.query<{ role: PersonRole; isArchived: boolean }>(
    `SELECT p.role, b.archived_at IS NOT NULL AS "isArchived" FROM brand_parts p JOIN brands b ON b.id = p.brand_id
     WHERE p.brand_id = :brand AND p.person_id = :person`,
    { type: QueryTypes.SELECT, replacements: { brand: brandId, person: person.id } },
  );
  if (!part) throw new Refused(404, 'There is no such brand here.');
  if (!may(part.role, permission)) throw new Refused(403, refusalFor(part.role, permission));
  if (part.isArchived && permission !== 'read')
    throw new Refused(409, 'This brand is archived: it can be looked at, and an owner takes it into use again under Brands.');
  return part.role;
}

/** Keeps a new brand of an organisation, with which its log begins. */
export async function createBrand(document: Brand, organisationId: string, transaction: Transaction): Promise<void> {
  const { Brand: BrandTable, Snapshot } = database();
  await BrandTable.create({ id: document.id, organisationId, ...listsOf(document) }, { transaction });
  await Snapshot.create({ brandId: document.id, seq: 0, document }, { transaction });
  await indexSwatches(null, document, transaction);
}
