import { QueryTypes, type Transaction } from 'sequelize';
import { type Brand } from '@/core/brand/document';
import { EntityId } from '@/core/brand/fields';
import { may, refusalFor, type Deed, type Role } from '@/core/brand/roles';
import { database, type BrandRow, type PersonRow } from './database';
import { Refused } from './refused';
import { indexSwatches } from './swatch-index';

/** The brands a person can see, by name. */
export async function brandsOf(person: PersonRow): Promise<{ id: string; name: string }[]> {
  return database().sequelize.query<{ id: string; name: string }>(
    `SELECT b.id, b.name FROM brands b JOIN memberships m ON m.organisation_id = b.organisation_id
     WHERE m.person_id = :person ORDER BY b.name, b.id`,
    { type: QueryTypes.SELECT, replacements: { person: person.id } },
  );
}

/** A person's role for a brand, if they have one. */
export async function roleIn(person: string, brand: string): Promise<Role | undefined> {
  const rows = await database().sequelize.query<{ role: Role }>(
    `SELECT m.role FROM brands b JOIN memberships m ON m.organisation_id = b.organisation_id
     WHERE b.id = :brand AND m.person_id = :person`,
    { type: QueryTypes.SELECT, replacements: { brand, person } },
  );
  return rows[0]?.role;
}

/** The roles of some people for a brand, by their ids; whoever has no part in it is not there. */
export async function rolesFor(brand: string, people: readonly string[]): Promise<ReadonlyMap<string, Role>> {
  const roles = new Map<string, Role>();
  for (const person of people) {
    const role = await roleIn(person, brand);
    if (role) roles.set(person, role);
  }
  return roles;
}

/** A person's role for a brand, if it allows the deed. A brand of another organisation is as if it were not there. */
export async function authorise(person: PersonRow, brandId: string, deed: Deed): Promise<Role> {
  // What is no id at all is not asked of the database, which takes no NUL in a text.
  if (!EntityId.safeParse(brandId).success) throw new Refused(404, 'There is no such brand here.');
  const role = await roleIn(person.id, brandId);
  if (!role) throw new Refused(404, 'There is no such brand here.');
  if (!may(role, deed)) throw new Refused(403, refusalFor(role, deed));
  return role;
}

/** What lists need of a brand; it is kept beside the log, as of the last change. */
export function listed({ name, palettes, destinations }: Brand): Pick<BrandRow, 'name' | 'shelf' | 'templates'> {
  return {
    name,
    shelf: palettes.flatMap(({ source }) => (source && 'shelf' in source ? [source.shelf] : [])),
    templates: destinations.flatMap(({ name: called, format, options: { source } }) =>
      format === 'template' && typeof source === 'string' ? [{ name: called, source }] : [],
    ),
  };
}

/** Keeps a new brand of an organisation, with which its log begins. */
export async function createBrand(document: Brand, organisationId: string, transaction: Transaction): Promise<void> {
  const { Brand: BrandTable, Snapshot } = database();
  await BrandTable.create({ id: document.id, organisationId, ...listed(document) }, { transaction });
  await Snapshot.create({ brandId: document.id, seq: 0, document }, { transaction });
  await indexSwatches(null, document, transaction);
}
