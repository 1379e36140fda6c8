import { SHELF_LIMITS, ShelfEntry, type ShelfPalette } from '@/core/shelf/shelf-palette';
import { QueryTypes } from 'sequelize';
import { EntityId } from '@/core/brand/document/fields';
import { database } from '../database/database';
import type { PersonRow } from '../database/rows';
import { organisationOf } from '../people/organisations';
import { Refused } from '../http/refused';

/** What an organisation's shelf holds besides the starters. */
export interface Shelf {
  /** Its own palettes, the newest first. */
  readonly ours: readonly ShelfPalette[];
  /** How many palettes of its brands were made from each palette of the shelf, by id. */
  readonly uses: Readonly<Record<string, number>>;
}

/** The shelf of the organisation that a brand belongs to. */
export async function shelfOf(brandId: string): Promise<Shelf> {
  const { sequelize, ShelfPalette: Table } = database();
  const organisationId = await organisationOf(brandId);
  const rows = await Table.findAll({ where: { organisationId }, order: [['at', 'DESC']] });
  const counts = await sequelize.query<{ shelf: string; count: number }>(
    `SELECT used AS shelf, CAST(count(*) AS integer) AS count
     FROM brands, unnest(brands.shelf) AS used WHERE organisation_id = :organisationId GROUP BY 1`,
    { type: QueryTypes.SELECT, replacements: { organisationId } },
  );
  return {
    ours: rows.map(({ id, entry }) => ({ ...ShelfEntry.parse(entry), id })),
    uses: Object.fromEntries(counts.map(({ shelf, count }) => [shelf, count])),
  };
}

/** Puts a palette on the organisation's shelf. An id that is there already is answered as done. */
export async function putOnShelf(person: PersonRow, brandId: string, { id, ...entry }: ShelfPalette): Promise<void> {
  const { sequelize, ShelfPalette: Table, Organisation } = database();
  const organisationId = await organisationOf(brandId);
  await sequelize.transaction(async (transaction) => {
    // One writer at a time, so that two cannot both be the last that fits.
    await Organisation.findByPk(organisationId, { transaction, lock: transaction.LOCK.UPDATE });
    const there = await Table.findByPk(id, { attributes: ['organisationId'], transaction });
    if (there?.organisationId === organisationId) return;
    if (there) throw new Refused(409, 'This id is taken; try again.');
    if ((await Table.count({ where: { organisationId }, transaction })) >= SHELF_LIMITS.palettes) {
      throw new Refused(409, `A shelf holds at most ${SHELF_LIMITS.palettes} palettes; take one off first.`);
    }
    await Table.create({ id, organisationId, entry, personId: person.id }, { transaction });
  });
}

/** Takes a palette off the organisation's shelf. Palettes that were made from it stay as they are. */
export async function takeOffShelf(brandId: string, id: string): Promise<void> {
  const organisationId = await organisationOf(brandId);
  const known = EntityId.safeParse(id).success;
  if (!known || (await database().ShelfPalette.destroy({ where: { id, organisationId } })) === 0)
    throw new Refused(404, 'This palette is not on the shelf; somebody may have taken it off.');
}
