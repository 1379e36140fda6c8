import { QueryTypes, Op, type Transaction } from 'sequelize';
import { apply } from '@/core/brand/apply';
import { Command, touchedBy } from '@/core/brand/commands';
import { Brand, EntityId } from '@/core/brand/document';
import type { Change, Pending } from '@/core/brand/replica';
import { may, refusalFor, type Deed, type Role } from '@/core/brand/roles';
import { database, type ChangeRow, type PersonRow } from './database';
import { announce } from './announce';
import { firstIssue, Refused } from './refused';

/** A change with who made it and when, as it is told to every page. */
export interface ToldChange extends Change {
  readonly by: string;
  readonly at: string;
}

/** What became of a sent command: its place in the log, or the sentence that refuses it. */
export type Outcome = { readonly key: string; readonly seq: number } | { readonly key: string; readonly refusal: string };

/** Documents as of their change number; the database's copy has lost the order of its keys and must be read anew. */
const documents = new Map<string, { seq: number; brand: Brand }>();
const DOCUMENTS_KEPT = 50;

function remember(id: string, seq: number, brand: Brand): void {
  documents.delete(id);
  documents.set(id, { seq, brand });
  if (documents.size > DOCUMENTS_KEPT) documents.delete(documents.keys().next().value!);
}

/** The brands a person can see, by name. */
export async function brandsOf(person: PersonRow): Promise<{ id: string; name: string }[]> {
  return database().sequelize.query<{ id: string; name: string }>(
    `SELECT b.id, b.document->>'name' AS name FROM brands b JOIN memberships m ON m.organisation_id = b.organisation_id
     WHERE m.person_id = :person ORDER BY name, b.id`,
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

/** A person's role for a brand, if it allows the deed. A brand of another organisation is as if it were not there. */
export async function authorise(person: PersonRow, brandId: string, deed: Deed): Promise<Role> {
  // What is no id at all is not asked of the database, which takes no NUL in a text.
  if (!EntityId.safeParse(brandId).success) throw new Refused(404, 'There is no such brand here.');
  const role = await roleIn(person.id, brandId);
  if (!role) throw new Refused(404, 'There is no such brand here.');
  if (!may(role, deed)) throw new Refused(403, refusalFor(role, deed));
  return role;
}

/** The current document and the number of the last change in it. */
export async function loadBrand(id: string, transaction?: Transaction): Promise<{ brand: Brand; seq: number }> {
  const options = transaction ? { transaction, lock: transaction.LOCK.UPDATE } : {};
  const head = await database().Brand.findByPk(id, { attributes: ['seq'], ...options });
  if (!head) throw new Refused(404, 'There is no such brand here.');
  const known = documents.get(id);
  if (known?.seq === head.seq) return known;
  // Without a transaction the document may be newer than the head just read, so both are read again together.
  const row = (await database().Brand.findByPk(id, { ...(transaction && { transaction }) }))!;
  const brand = Brand.parse(row.document);
  remember(id, row.seq, brand);
  return { brand, seq: row.seq };
}

/**
 * Takes in commands in their order, each applied to the newest document in a transaction of its own. A key that was
 * seen before is answered with its first place. When one is refused, those after it are still tried, as a page does.
 */
export async function acceptChanges(
  person: PersonRow,
  brandId: string,
  sent: readonly { readonly key: string; readonly command?: unknown }[],
): Promise<Outcome[]> {
  const outcomes: Outcome[] = [];
  for (const { key, command } of sent) {
    const known = Command.safeParse(command);
    outcomes.push(
      known.success ? await takeInOne(person, brandId, { key, command: known.data }) : { key, refusal: firstIssue(known.error) },
    );
  }
  return outcomes;
}

async function takeInOne(person: PersonRow, brandId: string, { key, command }: Pending): Promise<Outcome> {
  const { sequelize, Brand: BrandTable, Change } = database();
  let done: { seq: number; brand: Brand } | undefined;
  const outcome = await sequelize.transaction(async (transaction): Promise<Outcome> => {
    // Loading locks the brand's row, so the log has one writer at a time.
    const { brand, seq } = await loadBrand(brandId, transaction);
    const earlier = await Change.findOne({ where: { brandId, key }, attributes: ['seq'], transaction });
    if (earlier) return { key, seq: earlier.seq };
    const applied = apply(brand, command);
    if (!applied.ok) return { key, refusal: applied.refusal };
    const next = seq + 1;
    await Change.create(
      { brandId, seq: next, key, command, inverse: applied.inverse, touched: touchedBy(command), personId: person.id },
      { transaction },
    );
    await BrandTable.update({ seq: next, document: applied.brand }, { where: { id: brandId }, transaction });
    await announce({ brand: brandId, kind: 'change' }, transaction);
    done = { seq: next, brand: applied.brand };
    return { key, seq: next };
  });
  if (done) remember(brandId, done.seq, done.brand);
  return outcome;
}

/** Changes after a number, oldest first. */
export async function changesAfter(brandId: string, seq: number, limit: number): Promise<ToldChange[]> {
  const rows = await database().Change.findAll({ where: { brandId, seq: { [Op.gt]: seq } }, order: [['seq', 'ASC']], limit });
  return withNames(rows);
}

/** The latest changes that touched one entity, newest first. */
export async function historyOf(brandId: string, entity: string): Promise<ToldChange[]> {
  const rows = await database().Change.findAll({
    where: { brandId, touched: { [Op.contains]: [entity] } },
    order: [['seq', 'DESC']],
    limit: 20,
  });
  return withNames(rows);
}

async function withNames(rows: ChangeRow[]): Promise<ToldChange[]> {
  const people = await database().Person.findAll({ where: { id: [...new Set(rows.map((row) => row.personId))] } });
  const names = new Map(people.map((person) => [person.id, person.name]));
  return rows.map((row) => ({
    seq: row.seq,
    key: row.key,
    command: row.command,
    by: names.get(row.personId) ?? 'somebody',
    at: row.at.toISOString(),
  }));
}
