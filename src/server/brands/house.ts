import type { HouseHolder, ToldHouseSet } from '@/core/organisation/told';
import { QueryTypes } from 'sequelize';
import { z } from 'zod';
import { Palette } from '@/core/brand/document/palette-shape';
import { EntityId } from '@/core/brand/document/fields';
import type { HouseSet } from '@/core/brand/tools/house-set';
import { STARTING_SET } from '@/core/shelf/house-starters';
import { database } from '../database/database';
import type { HouseSetRow, PersonRow } from '../database/rows';
import { writeDown } from '../people/audit';
import { loadBrand } from '../log/documents';
import { Refused } from '../http/refused';

/** Bounds of a house set: it is looked at swatch by swatch, and compared with every brand. */
const HOUSE_LIMITS = { palettes: 50, swatches: 2_000 } as const;

/** What a house set is made from: palettes of a brand, or the set that Breakwater comes with. */
export const NewHouseSet = z.union([
  z.strictObject({ from: z.literal('brand'), brand: EntityId, palettes: z.array(EntityId).min(1).max(HOUSE_LIMITS.palettes) }),
  z.strictObject({ from: z.literal('Breakwater') }),
]);

export async function houseSetOf(organisationId: string): Promise<ToldHouseSet> {
  const row = await database().HouseSet.findOne({ where: { organisationId }, order: [['number', 'DESC']] });
  if (!row) return { ...STARTING_SET, madeFrom: 'Breakwater', by: null, at: null };
  const person = await database().Person.findByPk(row.personId, { attributes: ['name'] });
  return {
    number: row.number,
    palettes: z.array(Palette).parse(row.palettes),
    madeFrom: row.madeFrom,
    by: person?.name ?? 'somebody',
    at: row.at.toISOString(),
  };
}

/** Makes the house set another. Brands stay as they are; each is told, and takes of it what it wants. @returns its number */
export async function makeHouseSet(
  person: PersonRow,
  organisationId: string,
  wanted: z.output<typeof NewHouseSet>,
): Promise<number> {
  const { palettes, madeFrom } = await madeOf(organisationId, wanted);
  const { sequelize, HouseSet, Organisation } = database();
  return sequelize.transaction(async (transaction) => {
    await Organisation.findByPk(organisationId, { transaction, lock: transaction.LOCK.UPDATE });
    const last = await HouseSet.max<number | null, HouseSetRow>('number', { where: { organisationId }, transaction });
    const number = (last ?? 0) + 1;
    await HouseSet.create({ organisationId, number, palettes, madeFrom, personId: person.id }, { transaction });
    await writeDown(person, organisationId, { what: 'house-set', about: `${number}, from ${madeFrom}` }, transaction);
    return number;
  });
}

async function madeOf(
  organisationId: string,
  wanted: z.output<typeof NewHouseSet>,
): Promise<{ palettes: Palette[]; madeFrom: string }> {
  if (wanted.from === 'Breakwater') return { palettes: [...STARTING_SET.palettes], madeFrom: 'Breakwater' };
  const row = await database().Brand.findOne({ where: { id: wanted.brand, organisationId }, attributes: ['id'] });
  if (!row) throw new Refused(404, 'There is no such brand here.');
  const { brand } = await loadBrand(row.id);
  const asked = new Set(wanted.palettes);
  const palettes = brand.palettes.filter(({ id }) => asked.has(id)).map(withoutTies);
  if (palettes.length < asked.size) throw new Refused(409, 'A palette that you chose is not there any more; look again.');
  if (palettes.reduce((sum, { swatches }) => sum + swatches.length, 0) > HOUSE_LIMITS.swatches)
    throw new Refused(
      413,
      `A house set has at most ${HOUSE_LIMITS.swatches.toLocaleString('en')} swatches; choose fewer palettes.`,
    );
  return { palettes, madeFrom: brand.name };
}

/** A palette without what belongs to its brand: the picture it is from is kept there, and how it was settled is its own affair. */
function withoutTies({ source, swatches, ...palette }: Palette): Palette {
  return {
    ...palette,
    ...(source && !('picture' in source) && { source }),
    swatches: swatches.map(({ id, name, value, row }) => ({ id, name, value, locked: false, ...(row !== undefined && { row }) })),
  };
}

/** Every brand in use of an organisation beside the house set. */
export async function houseHolders(organisationId: string, { palettes }: HouseSet): Promise<HouseHolder[]> {
  const swatches = palettes.flatMap((palette) => palette.swatches.map(({ id, name, value }) => ({ id, name, value })));
  return database().sequelize.query<HouseHolder>(
    `SELECT b.id, b.name, b.house,
       count(h.id) FILTER (WHERE s.id IS NULL OR s.name <> h.name OR s.value <> h.value)::int AS differ
     FROM brands b
     LEFT JOIN json_to_recordset(:swatches) AS h (id text, name text, value text) ON TRUE
     LEFT JOIN swatches s ON s.brand_id = b.id AND s.id = h.id
     WHERE b.organisation_id = :organisation AND b.binned_at IS NULL AND b.archived_at IS NULL
     GROUP BY b.id ORDER BY b.name, b.id`,
    {
      type: QueryTypes.SELECT,
      replacements: { organisation: organisationId, swatches: JSON.stringify(swatches) },
    },
  );
}
