import type { Transaction } from 'sequelize';
import { emptyBrand, StoredBrand, type Brand } from '@/core/brand/document/document';
import { newId } from '@/core/brand/document/identity';
import { announce } from '../log/announce';
import { createBrand } from './brands';
import { database } from '../database/database';
import type { BrandRow, PersonRow } from '../database/rows';
import { writeDown, type AuditKind } from '../people/audit';
import { loadBrand } from '../log/documents';
import type { ListedBrand } from '@/core/organisation/told';
import { Refused } from '../http/refused';

/** Brands of one organisation, those that are laid aside among them. */
const MOST_BRANDS = 1_000;

/** Makes a brand in an organisation. @param begin palettes that it begins with @returns its id */
export async function makeBrand(
  person: PersonRow,
  organisationId: string,
  name: string,
  begin: Pick<Brand, 'palettes' | 'house'>,
): Promise<string> {
  const document = { ...emptyBrand(newId(), name), ...begin };
  await addBrand(person, organisationId, { what: 'make-brand', about: name, brand: document.id }, (transaction) =>
    createBrand(document, organisationId, transaction),
  );
  return document.id;
}

/**
 * Makes a brand that is what another is now, under a new name: with its pictures and hosts, but with a history of its own that begins here.
 * @returns its id
 */
export async function duplicateBrand(person: PersonRow, organisationId: string, from: string, name: string): Promise<string> {
  const { brand } = await loadBrand(from);
  const document = StoredBrand.parse({ ...brand, id: newId(), name });
  const entry = { what: 'duplicate-brand', about: `${brand.name} as ${name}`, brand: document.id } as const;
  await addBrand(person, organisationId, entry, async (transaction) => {
    await createBrand(document, organisationId, transaction);
    for (const [table, columns] of FILES)
      await database().sequelize.query(
        `INSERT INTO ${table} (brand_id, ${columns}) SELECT :to, ${columns} FROM ${table} WHERE brand_id = :from`,
        { replacements: { from, to: document.id }, transaction },
      );
  });
  return document.id;
}

/** Keeps one brand more of an organisation, where there is room for it. */
export async function addBrand(
  person: PersonRow,
  organisationId: string,
  entry: { readonly what: AuditKind; readonly about: string; readonly brand: string },
  keep: (transaction: Transaction) => Promise<void>,
): Promise<void> {
  const { sequelize, Brand: BrandTable, Organisation } = database();
  await sequelize.transaction(async (transaction) => {
    // One at a time, so that two cannot both be the last that fits.
    await Organisation.findByPk(organisationId, { transaction, lock: transaction.LOCK.UPDATE });
    if ((await BrandTable.count({ where: { organisationId }, transaction })) >= MOST_BRANDS)
      throw new Refused(409, `An organisation has at most ${MOST_BRANDS} brands; delete one for good first.`);
    await keep(transaction);
    await writeDown(person, organisationId, entry, transaction);
  });
}

/** What is kept beside a brand's document, as a table and its columns. */
const FILES = [
  ['pictures', 'sha256, media_type, bytes, person_id, at'],
  ['hosts', 'sha256, bytes, person_id, at'],
  ['print_profiles', 'sha256, name, bytes, person_id, at'],
] as const;

const PLACES: Record<ListedBrand['whereabouts'], { readonly what: AuditKind; readonly is: (row: BrandRow) => boolean }> = {
  'in use': { what: 'use-brand', is: ({ archivedAt, binnedAt }) => !archivedAt && !binnedAt },
  archived: { what: 'archive-brand', is: ({ archivedAt, binnedAt }) => archivedAt !== null && !binnedAt },
  'in the bin': { what: 'bin-brand', is: ({ binnedAt }) => binnedAt !== null },
};

export async function brandOf(organisationId: string, id: string): Promise<BrandRow> {
  const row = await database().Brand.findOne({ where: { id, organisationId } });
  if (!row) throw new Refused(404, 'There is no such brand here.');
  return row;
}

/** Takes a brand into use, lays it aside so that it is only looked at, or puts it into the bin, where it is for nobody until it is taken out. */
export async function putBrand(
  person: PersonRow,
  organisationId: string,
  id: string,
  whereabouts: ListedBrand['whereabouts'],
): Promise<void> {
  const { sequelize } = database();
  const row = await brandOf(organisationId, id);
  const { what, is } = PLACES[whereabouts];
  if (is(row)) return;
  await sequelize.transaction(async (transaction) => {
    const now = new Date();
    await row.update(
      { archivedAt: whereabouts === 'archived' ? now : null, binnedAt: whereabouts === 'in the bin' ? now : null },
      { transaction },
    );
    await writeDown(person, organisationId, { what, about: row.name, brand: id }, transaction);
    await announce({ brand: id, kind: 'parts' }, transaction);
  });
}

/** Deletes a brand with its history, releases and files, for good. Only one that lies in the bin. */
export async function deleteBrand(person: PersonRow, organisationId: string, id: string): Promise<void> {
  const { sequelize } = database();
  const row = await brandOf(organisationId, id);
  if (!row.binnedAt) throw new Refused(409, `${row.name} is not in the bin; put it there first, and look once more.`);
  await sequelize.transaction(async (transaction) => {
    await row.destroy({ transaction });
    await database().Person.destroy({ where: { ofBrand: id }, transaction });
    await writeDown(person, organisationId, { what: 'delete-brand', about: row.name, brand: id }, transaction);
  });
}
