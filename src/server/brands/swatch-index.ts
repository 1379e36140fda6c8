import { QueryTypes, type Transaction } from 'sequelize';
import type { Brand } from '@/core/brand/document/document';
import type { Palette, Swatch } from '@/core/brand/document/palette-shape';
import { labD65 } from '@/core/colour/lab';
import { readColour } from '@/core/colour/read';
import { listsOf } from './brand-lists';
import { database } from '../database/database';
import { loadBrand } from '../log/documents';

/** A swatch as it is searched for. */
interface IndexedSwatch {
  readonly id: string;
  readonly palette: string;
  readonly palette_name: string;
  readonly name: string;
  readonly value: string;
  readonly hex: string;
  readonly l: number;
  readonly a: number;
  readonly b: number;
}

/** Rows that are written in one statement. */
const BATCH = 2_000;

/** Every swatch of a brand, as it is searched for. */
export function indexed({ palettes }: Pick<Brand, 'palettes'>): IndexedSwatch[] {
  return palettes.flatMap((palette) => palette.swatches.map((swatch) => rowOf(palette, swatch)));
}

function rowOf(palette: Palette, { id, name, value }: Swatch): IndexedSwatch {
  const colour = readColour(value)!;
  const [l, a, b] = labD65(colour);
  return { id, palette: palette.id, palette_name: palette.name, name, value, hex: colour.hex, l, a, b };
}

/**
 * Brings what is searched up to a brand's new state, within the transaction of the change. It costs what changed.
 * @param before null for a brand of which nothing is there yet
 */
export async function indexSwatches(before: Brand | null, now: Brand, transaction: Transaction): Promise<void> {
  const then = new Map((before?.palettes ?? []).map((palette) => [palette.id, palette]));
  const same = new Set(now.palettes.filter((palette) => then.get(palette.id) === palette).map(({ id }) => id));
  const was = new Map<string, { palette: Palette; swatch: Swatch }>();
  for (const palette of then.values())
    if (!same.has(palette.id)) for (const swatch of palette.swatches) was.set(swatch.id, { palette, swatch });
  const rows: IndexedSwatch[] = [];
  for (const palette of now.palettes) {
    if (same.has(palette.id)) continue;
    for (const swatch of palette.swatches) {
      const old = was.get(swatch.id);
      was.delete(swatch.id);
      const isSame = old?.swatch === swatch && old.palette.id === palette.id && old.palette.name === palette.name;
      if (!isSame) rows.push(rowOf(palette, swatch));
    }
  }
  const { sequelize } = database();
  const gone = [...was.keys()];
  if (gone.length > 0)
    await sequelize.query('DELETE FROM swatches WHERE brand_id = :brand AND id IN (:gone)', {
      replacements: { brand: now.id, gone },
      transaction,
    });
  for (let at = 0; at < rows.length; at += BATCH)
    await sequelize.query(
      `INSERT INTO swatches (brand_id, organisation_id, id, palette, palette_name, name, value, hex, lab)
       SELECT brands.id, brands.organisation_id, s.id, s.palette, s.palette_name, s.name, s.value, s.hex, cube(ARRAY[s.l, s.a, s.b])
       FROM brands, json_to_recordset(:rows) AS s
         (id text, palette text, palette_name text, name text, value text, hex text, l float8, a float8, b float8)
       WHERE brands.id = :brand
       ON CONFLICT (brand_id, id) DO UPDATE SET palette = excluded.palette, palette_name = excluded.palette_name,
         name = excluded.name, value = excluded.value, hex = excluded.hex, lab = excluded.lab`,
      { replacements: { brand: now.id, rows: JSON.stringify(rows.slice(at, at + BATCH)) }, transaction },
    );
}

/** Makes what lists show and what is searched of brands that are from before there was either. */
export async function indexAll(): Promise<void> {
  const { sequelize, Brand: BrandTable } = database();
  const missing = await sequelize.query<{ id: string }>('SELECT id FROM brands WHERE NOT indexed ORDER BY id', {
    type: QueryTypes.SELECT,
  });
  for (const { id } of missing)
    await sequelize.transaction(async (transaction) => {
      const { brand } = await loadBrand(id, transaction);
      await indexSwatches(null, brand, transaction);
      await BrandTable.update({ indexed: true, ribbon: listsOf(brand).ribbon }, { where: { id }, transaction });
    });
}
