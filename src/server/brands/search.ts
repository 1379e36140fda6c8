import { QueryTypes } from 'sequelize';
import { sought } from '@/core/colour/asked';
import { ciede2000 } from '@/core/colour/difference';
import { labD65, labOf } from '@/core/colour/lab';
import type { ReadColour } from '@/core/colour/read';
import { database } from '../database/database';
import type { PersonRow } from '../database/rows';
import { organisationOf } from '../people/organisations';

/** A swatch that was found in one of an organisation's brands. */
export interface FoundSwatch {
  readonly brand: string;
  readonly brandName: string;
  readonly palette: string;
  readonly paletteName: string;
  readonly id: string;
  readonly name: string;
  readonly value: string;
  /** What a screen shows of it. */
  readonly hex: string;
  /** ΔE2000 from the colour that was looked for; null where a name was. */
  readonly distance: number | null;
}

/** Told of at most. */
const MOST = 40;
/**
 * Candidates by distance in Lab, of which those nearest by ΔE2000 are told. ΔE2000 shortens distances between vivid colours by up to about
 * a fifth of their length in Lab, so what it has among the nearest may be far down by plain distance.
 */
const CANDIDATES = 400;
/** Letters from which on they may stand anywhere in a name: an index of three-letter pieces finds them. */
const LEAST_WITHIN = 3;

const COLUMNS = `s.brand_id AS brand, b.name AS "brandName", s.palette, s.palette_name AS "paletteName", s.id, s.name, s.value, s.hex`;

type Found = Omit<FoundSwatch, 'distance'>;

/** What somebody who looks for swatches may see: an organisation, and the brands in it that are closed to them. */
export interface Scope {
  readonly organisation: string;
  readonly hidden: readonly string[];
}

/** What a person may find who looks from a brand of theirs: the brands of its organisation that they can see. */
export async function scopeOf(person: PersonRow, brandId: string): Promise<Scope> {
  const organisation = await organisationOf(brandId);
  const rows = await database().sequelize.query<{ id: string }>(
    `SELECT b.id FROM brands b WHERE b.organisation_id = :organisation
     AND NOT EXISTS (SELECT FROM brand_parts p WHERE p.brand_id = b.id AND p.person_id = :person)`,
    { type: QueryTypes.SELECT, replacements: { organisation, person: person.id } },
  );
  return { organisation, hidden: rows.map(({ id }) => id) };
}

/** Swatches that somebody looks for: the nearest to a colour first, then those of a name. */
export async function swatchesFor(scope: Scope, typed: string): Promise<FoundSwatch[]> {
  const { colour, name } = sought(typed);
  const near = colour ? await swatchesNear(scope, colour) : [];
  return [...near, ...(name ? await swatchesNamed(scope, name) : [])];
}

/** Swatches near a colour, the nearest by ΔE2000 first. */
async function swatchesNear(scope: Scope, colour: ReadColour): Promise<FoundSwatch[]> {
  const lab = labD65(colour);
  const found = await select(scope, 'TRUE ORDER BY s.lab <-> cube(ARRAY[:lab]::float8[])', CANDIDATES, { lab: [...lab] });
  return found
    .map((swatch) => ({ ...swatch, distance: ciede2000(labOf(swatch.value), lab) }))
    .sort((one, two) => one.distance - two.distance)
    .slice(0, MOST);
}

/** Swatches by name: those called just so, then those that begin so, then those that have it anywhere. */
async function swatchesNamed(scope: Scope, query: string): Promise<FoundSwatch[]> {
  const words = query.toLowerCase();
  const pattern = words.replace(/[\\%_]/g, '\\$&');
  const just = await select(scope, 'lower(s.name) = :words', MOST, { words });
  const others =
    words.length < LEAST_WITHIN
      ? await select(scope, 'lower(s.name) LIKE :pattern', MOST, { pattern: `${pattern}%` })
      : await select(scope, 's.name ILIKE :pattern', MOST, { pattern: `%${pattern}%` });
  const known = new Set(just.map(({ brand, id }) => `${brand} ${id}`));
  const begins = (swatch: Found) => swatch.name.toLowerCase().startsWith(words);
  const rest = others
    .filter(({ brand, id }) => !known.has(`${brand} ${id}`))
    .sort((one, two) => Number(begins(two)) - Number(begins(one)));
  return [...just, ...rest].slice(0, MOST).map((swatch) => ({ ...swatch, distance: null }));
}

/** @param where what is wanted of them, and in which order */
function select(
  { organisation, hidden }: Scope,
  where: string,
  most: number,
  given: Readonly<Record<string, unknown>>,
): Promise<Found[]> {
  const closed = hidden.length > 0 ? 'AND s.brand_id NOT IN (:hidden)' : '';
  return database().sequelize.query<Found>(
    `SELECT ${COLUMNS} FROM (
       SELECT * FROM swatches s WHERE s.organisation_id = :organisation ${closed} AND ${where} LIMIT :most
     ) s JOIN brands b ON b.id = s.brand_id`,
    { type: QueryTypes.SELECT, replacements: { organisation, hidden, most, ...given } },
  );
}
