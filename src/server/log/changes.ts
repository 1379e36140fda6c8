import { setImmediate as nextTurn } from 'node:timers/promises';
import { Op, type InferCreationAttributes, type Optional } from 'sequelize';
import { apply } from '@/core/brand/commands/apply';
import { storedCommand, type Command } from '@/core/brand/commands/commands';
import { touchedBy } from '@/core/brand/commands/table-step';
import { shapeProblem } from '@/core/brand/document/check';
import type { Brand } from '@/core/brand/document/document';
import type { ToldChange } from '@/core/brand/commands/told-change';
import { COMMAND_VERSION } from '@/core/brand/document/versions';
import { announce } from './announce';
import { listsOf } from '../brands/brand-lists';
import { database } from '../database/database';
import type { ChangeRow, PersonRow } from '../database/rows';
import { loadBrand, movedOn } from './documents';
import type { BrandAt } from './brand-at';
import { log } from '../http/log';
import { metrics } from '../http/metrics';
import { onePerProcess } from '../database/one-per-process';
import { isPassing } from '../database/passing';
import { firstIssue } from '@/core/base/say-where';
import { Refused } from '../http/refused';
import { indexSwatches } from '../brands/swatch-index';

/** What became of a sent command: its place in the log, or the sentence that refuses it. */
export type Outcome = { readonly key: string; readonly seq: number } | { readonly key: string; readonly refusal: string };

type Read = { readonly key: string } & ({ readonly command: Command } | { readonly refusal: string });

/** What one request sent, waiting for its turn. */
interface Batch {
  readonly person: string;
  readonly sent: readonly Read[];
  readonly done: (outcomes: Outcome[]) => void;
  readonly failed: (error: unknown) => void;
}

const UNREADABLE = 'This would make the brand one that cannot be read again, so it was not done; tell whoever runs the server.';

/** Commands that are taken in at once, and requests that may wait for their turn at one brand. */
const MOST_AT_ONCE = 400;
const MOST_WAITING = 500;
/** How long commands are applied before others have their turn, in milliseconds. */
const TURN_MS = 10;

const queues = () => onePerProcess('changes', () => new Map<string, Batch[]>());

/**
 * Takes in commands in their order, each applied to the newest document. A key that was seen before is answered with its first
 * place. When one is refused, those after it are still tried, as a page does.
 *
 * While one transaction is under way, whatever else is sent for the brand waits, and is then taken in together: many people at one
 * brand cost hardly more than one.
 * @param version of the shape in which the commands were sent
 */
export async function acceptChanges(
  person: PersonRow,
  brandId: string,
  version: number,
  sent: readonly { readonly key: string; readonly command?: unknown }[],
): Promise<Outcome[]> {
  if (version > COMMAND_VERSION)
    throw new Refused(503, 'This page is newer than the server that answered; its edits wait until the server is new as well.');
  const read = sent.map(({ key, command }): Read => {
    const known = storedCommand(command, version);
    return known.success ? { key, command: known.data } : { key, refusal: firstIssue(known.error) };
  });
  metrics().waitingChanges.inc();
  try {
    return await new Promise((done, failed) => inTurn(brandId, { person: person.id, sent: read, done, failed }));
  } finally {
    metrics().waitingChanges.dec();
  }
}

function inTurn(brandId: string, batch: Batch): void {
  const waiting = queues().get(brandId);
  if (!waiting) {
    queues().set(brandId, [batch]);
    void work(brandId);
  } else if (waiting.length < MOST_WAITING) waiting.push(batch);
  else batch.failed(new Refused(503, 'Too many changes wait for this brand just now; try again in a moment.'));
}

/** Takes in what waits for a brand until nothing does. */
async function work(brandId: string): Promise<void> {
  const waiting = queues().get(brandId)!;
  while (waiting.length > 0) {
    let commands = 0;
    const rest = waiting.findIndex(({ sent }, at) => (commands += sent.length) > MOST_AT_ONCE && at > 0);
    const batches = waiting.splice(0, rest < 0 ? waiting.length : rest);
    try {
      await takeIn(brandId, batches);
    } catch (error) {
      if (batches.length === 1 || isPassing(error)) for (const { failed } of batches) failed(error);
      // One of them does not go in; the others need not suffer for it.
      else for (const batch of batches) await takeIn(brandId, [batch]).catch(batch.failed);
    }
  }
  queues().delete(brandId);
}

async function takeIn(brandId: string, batches: readonly Batch[]): Promise<void> {
  const { sequelize, Brand: BrandTable, Change } = database();
  const took = metrics().saves.startTimer();
  // Read before the brand is locked; what has been added since is little.
  await loadBrand(brandId);
  const { outcomes, before, now } = await sequelize.transaction(async (transaction) => {
    const before = await loadBrand(brandId, transaction);
    const keys = batches.flatMap(({ sent }) => sent.map(({ key }) => key));
    const known = await Change.findAll({ where: { brandId, key: keys }, attributes: ['key', 'seq'], transaction });
    const places = new Map(known.map(({ key, seq }) => [key, seq]));
    const rows: Optional<InferCreationAttributes<ChangeRow>, 'at'>[] = [];
    let now: BrandAt = before;
    let turn = performance.now();
    const takeOne = (person: string, read: Read): Outcome => {
      const { key } = read;
      const place = places.get(key);
      if (place !== undefined) return { key, seq: place };
      if ('refusal' in read) return read;
      const { command } = read;
      const applied = apply(now.brand, command);
      if (!applied.ok) return { key, refusal: applied.refusal };
      const wrong = shapeProblem(applied.brand, now.brand);
      if (wrong !== null) {
        log.error({ brand: brandId, wrong }, 'a change would have made a brand that cannot be read');
        return { key, refusal: UNREADABLE };
      }
      const seq = now.seq + 1;
      now = { brand: applied.brand, seq };
      places.set(key, seq);
      const { inverse } = applied;
      rows.push({ brandId, seq, key, version: COMMAND_VERSION, command, inverse, touched: touchedBy(command), personId: person });
      return { key, seq };
    };
    const outcomes: Outcome[][] = [];
    for (const { person, sent } of batches) {
      const answers: Outcome[] = [];
      for (const read of sent) {
        answers.push(takeOne(person, read));
        if (performance.now() - turn < TURN_MS) continue;
        await nextTurn();
        turn = performance.now();
      }
      outcomes.push(answers);
    }
    if (rows.length > 0) {
      await Change.bulkCreate(rows, { transaction });
      await BrandTable.update({ seq: now.seq, ...newlyListed(before.brand, now.brand) }, { where: { id: brandId }, transaction });
      await indexSwatches(before.brand, now.brand, transaction);
      await announce({ brand: brandId, kind: 'change' }, transaction);
    }
    return { outcomes, before, now };
  });
  took();
  metrics().changes.inc({ outcome: 'kept' }, now.seq - before.seq);
  metrics().changes.inc({ outcome: 'refused' }, outcomes.flat().filter((outcome) => 'refusal' in outcome).length);
  if (now.seq > before.seq) movedOn(brandId, now);
  batches.forEach(({ done }, at) => done(outcomes[at]!));
}

/** What lists need, where it has become another: most changes leave all of it as it is. */
function newlyListed(before: Brand, now: Brand): Partial<ReturnType<typeof listsOf>> {
  const isSame =
    before.name === now.name &&
    before.palettes === now.palettes &&
    before.destinations === now.destinations &&
    before.house === now.house;
  if (isSame) return {};
  const [then, { name, shelf, templates, ribbon, house }] = [listsOf(before), listsOf(now)];
  return {
    ...(name !== then.name && { name }),
    ...(shelf.join() !== then.shelf.join() && { shelf }),
    ...(before.house !== now.house && { house }),
    ...(ribbon.join() !== then.ribbon.join() && { ribbon }),
    ...(before.destinations !== now.destinations && { templates }),
  };
}

/** Changes after a number, oldest first. */
export async function changesAfter(brandId: string, seq: number, limit: number): Promise<ToldChange[]> {
  const rows = await database().Change.findAll({ where: { brandId, seq: { [Op.gt]: seq } }, order: [['seq', 'ASC']], limit });
  return toldChanges(rows);
}

/** Which changes of a brand are wanted. */
export interface HistoryAsked {
  /** Id of what they touched; of a palette also what touched its swatches. All, where nothing is said. */
  readonly of?: string | undefined;
  /** Id of who made them. */
  readonly by?: string | undefined;
  /** Only those with a smaller number. */
  readonly before?: number | undefined;
}

/** A change as history tells it. */
export interface PastChange {
  readonly seq: number;
  readonly label: string;
  readonly by: string;
  /** ISO 8601, in UTC. */
  readonly at: string;
}

const PAST_AT_ONCE = 60;

/** Changes of a brand, the latest first. */
export async function historyOf(brandId: string, { of, by, before }: HistoryAsked): Promise<PastChange[]> {
  const { Change, Person } = database();
  const within = of === undefined ? [] : await withSwatches(brandId, of);
  const rows = await Change.findAll({
    where: {
      brandId,
      ...(of !== undefined && { touched: { [Op.overlap]: within } }),
      ...(by !== undefined && { personId: by }),
      ...(before !== undefined && { seq: { [Op.lt]: before } }),
    },
    order: [['seq', 'DESC']],
    limit: PAST_AT_ONCE,
    attributes: ['seq', 'command', 'personId', 'at'],
  });
  const people = await Person.findAll({
    where: { id: [...new Set(rows.map(({ personId }) => personId))] },
    attributes: ['id', 'name'],
  });
  const names = new Map(people.map(({ id, name }) => [id, name]));
  return rows.map(({ seq, command, personId, at }) => ({
    seq,
    label: command.label,
    by: names.get(personId) ?? 'somebody',
    at: at.toISOString(),
  }));
}

async function withSwatches(brandId: string, id: string): Promise<string[]> {
  const { brand } = await loadBrand(brandId);
  return [id, ...(brand.palettes.find((palette) => palette.id === id)?.swatches.map((swatch) => swatch.id) ?? [])];
}

/** Everybody who has ever changed a brand, by name. */
export async function makersOf(brandId: string): Promise<{ id: string; name: string }[]> {
  const { Change, Person } = database();
  const makers = await Change.findAll({ where: { brandId }, attributes: ['personId'], group: 'personId' });
  const ids = makers.map(({ personId }) => personId);
  const people = await Person.findAll({ where: { id: ids }, attributes: ['id', 'name'], order: ['name'] });
  return people.map(({ id, name }) => ({ id, name }));
}

async function toldChanges(rows: ChangeRow[]): Promise<ToldChange[]> {
  const people = await database().Person.findAll({
    where: { id: [...new Set(rows.map((row) => row.personId))] },
    attributes: ['id', 'name'],
  });
  const names = new Map(people.map((person) => [person.id, person.name]));
  return rows.map(({ seq, key, version, command, personId, at }) => ({
    seq,
    key,
    version,
    command,
    by: names.get(personId) ?? 'somebody',
    at: at.toISOString(),
  }));
}
