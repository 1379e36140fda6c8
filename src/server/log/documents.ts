import { setImmediate as nextTurn } from 'node:timers/promises';
import { LRUCache } from 'lru-cache';
import { Op, type Transaction } from 'sequelize';
import { apply } from '@/core/brand/commands/apply';
import { storedCommand } from '@/core/brand/commands/commands';
import { StoredBrand, type Brand } from '@/core/brand/document/document';
import type { BrandAt } from './brand-at';
import { database } from '../database/database';
import { writer } from '../writing/writer';
import { log } from '../http/log';
import { onePerProcess } from '../database/one-per-process';
import { Refused } from '../http/refused';

/** Documents that an instance holds, those asked for last. */
const MOST_KEPT = 50;
/** Of earlier states of brands. */
const MOST_EARLIER = 20;
/** Of each so many changes the last snapshot stays, so that any earlier state is near one. */
const SNAPSHOT_STAYS = 1_000;
/** Changes that are read at once. */
const BATCH = 500;
/** A snapshot is taken when so many changes have followed the last one, or none has for so long (in milliseconds). */
const SNAPSHOT_EVERY = 200;
const AT_REST_MS = 30_000;

/** What this instance holds of each brand, and at which change it knows of a snapshot. */
const latestDocuments = () =>
  onePerProcess('documents', () => new LRUCache<string, BrandAt & { snapshot: number }>({ max: MOST_KEPT }));
/** Brands whose last snapshot is being read: whoever asks meanwhile waits for the same. */
const reading = new Map<string, Promise<BrandAt & { snapshot: number }>>();
const atRest = () => onePerProcess('brands not yet at rest', () => new Map<string, NodeJS.Timeout>());

/**
 * The current document and the number of the last change in it: what is held here with the changes it lacks, or else the last
 * snapshot with those after it.
 * @param transaction locks the brand until it ends, so that the log has one writer at a time
 */
export async function loadBrand(id: string, transaction?: Transaction): Promise<BrandAt> {
  const options = transaction ? { transaction, lock: transaction.LOCK.UPDATE } : {};
  const head = await database().Brand.findByPk(id, { attributes: ['seq'], ...options });
  if (!head) throw new Refused(404, 'There is no such brand here.');
  let known = latestDocuments().get(id);
  // A brand that was put back as it was begins anew.
  if (!known || known.seq > head.seq) {
    latestDocuments().delete(id);
    known = await lastSnapshot(id);
  }
  if (known.seq >= head.seq) return known;
  const now = { ...known, ...(await broughtUp(id, known, transaction)) };
  if (!transaction) remember(id, now, now.snapshot);
  return now;
}

function lastSnapshot(id: string): Promise<BrandAt & { snapshot: number }> {
  const already = reading.get(id);
  if (already) return already;
  const read = (async () => {
    const row = await database().Snapshot.findOne({ where: { brandId: id }, order: [['seq', 'DESC']] });
    if (!row) throw new Error(`The brand ${id} has no snapshot.`);
    const snapshot = { brand: StoredBrand.parse(row.document), seq: row.seq, snapshot: row.seq };
    latestDocuments().set(id, snapshot);
    return snapshot;
  })().finally(() => reading.delete(id));
  reading.set(id, read);
  return read;
}

const earlier = () => onePerProcess('earlier documents', () => new LRUCache<string, Brand>({ max: MOST_EARLIER }));

/**
 * A brand as it was after a change: its nearest snapshot or release before that, with the changes up to it.
 * @throws Refused when there is no such change
 */
export async function documentAt(id: string, seq: number): Promise<Brand> {
  const now = await loadBrand(id);
  if (seq === now.seq) return now.brand;
  if (seq > now.seq) throw new Refused(404, `This brand has had ${now.seq} changes; there is no change ${seq} yet.`);
  const name = `${id} ${seq}`;
  const known = earlier().get(name);
  if (known) return known;
  const nearest = {
    where: { brandId: id, seq: { [Op.lte]: seq } },
    order: [['seq', 'DESC']] as [string, string][],
    attributes: ['seq', 'document'],
  };
  const { Snapshot, Release } = database();
  const [snapshot, release] = await Promise.all([Snapshot.findOne(nearest), Release.findOne(nearest)]);
  const from = release && release.seq > (snapshot?.seq ?? -1) ? release : snapshot;
  const brand = from
    ? (await broughtUp(id, { brand: StoredBrand.parse(from.document), seq: from.seq }, undefined, seq)).brand
    : await takenBackTo(id, seq);
  earlier().set(name, brand);
  return brand;
}

/**
 * A brand as it was before anything of it was kept whole: the changes up to its first snapshot, taken back one by one. Brands of the first version
 * of the log have no snapshot from before they were brought up to date.
 */
async function takenBackTo(id: string, seq: number): Promise<Brand> {
  const first = await database().Snapshot.findOne({ where: { brandId: id }, order: ['seq'] });
  if (!first) throw new Error(`The brand ${id} has no snapshot.`);
  let brand = StoredBrand.parse(first.document);
  for (let at = first.seq; at > seq;) {
    const rows = await database().Change.findAll({
      where: { brandId: id, seq: { [Op.gt]: seq, [Op.lte]: at } },
      order: [['seq', 'DESC']],
      limit: BATCH,
      attributes: ['seq', 'version', 'inverse'],
    });
    for (const row of rows) {
      if (row.seq !== at) break;
      brand = replayed(brand, { ...row.get(), command: row.inverse });
      at = row.seq - 1;
    }
    if (rows.length === 0 || rows.at(-1)!.seq !== at + 1)
      throw new Refused(404, `The brand as it was after change ${seq} is not kept; its history begins with change ${at}.`);
    await nextTurn();
  }
  return brand;
}

/** A document with the changes that follow it. @param to the number of the last of them; all where nothing is said */
async function broughtUp(id: string, from: BrandAt, transaction?: Transaction, to?: number): Promise<BrandAt> {
  let { brand, seq } = from;
  for (let more = true; more;) {
    const rows = await database().Change.findAll({
      where: { brandId: id, seq: { [Op.gt]: seq, ...(to !== undefined && { [Op.lte]: to }) } },
      order: [['seq', 'ASC']],
      limit: BATCH,
      attributes: ['seq', 'version', 'command'],
      ...(transaction && { transaction }),
    });
    for (const row of rows) {
      brand = replayed(brand, row);
      seq = row.seq;
    }
    more = rows.length === BATCH;
    // Others have their turn.
    if (more) await nextTurn();
  }
  return { brand, seq };
}

/** A document after one more change of its log. @throws Error when the change does not apply: then the log is damaged */
export function replayed(brand: Brand, { seq, version, command }: { seq: number; version: number; command: unknown }): Brand {
  const known = storedCommand(command, version);
  if (!known.success) throw new Error(`Change ${seq} of the brand ${brand.id} cannot be read: ${known.error.message}`);
  const applied = apply(brand, known.data);
  if (!applied.ok) throw new Error(`Change ${seq} of the brand ${brand.id} does not apply: ${applied.refusal}`);
  return applied.brand;
}

function remember(id: string, { brand, seq }: BrandAt, snapshot: number): void {
  const known = latestDocuments().get(id);
  if (!known || known.seq < seq) latestDocuments().set(id, { brand, seq, snapshot });
}

/** Holds the document as it is after changes that were just kept, and sees to its next snapshot. */
export function movedOn(id: string, standing: BrandAt): void {
  const snapshot = latestDocuments().get(id)?.snapshot ?? 0;
  remember(id, standing, snapshot);
  clearTimeout(atRest().get(id));
  atRest().delete(id);
  if (standing.seq - snapshot >= SNAPSHOT_EVERY) void takeSnapshot(id);
  else atRest().set(id, setTimeout(() => void takeSnapshot(id), AT_REST_MS).unref());
}

/** Keeps the document as this instance holds it. The first snapshot stays, to replay the log from; of those in between only some. */
async function takeSnapshot(id: string): Promise<void> {
  const known = latestDocuments().get(id);
  if (!known) return;
  // Said first, so that changes that arrive meanwhile do not take another.
  latestDocuments().set(id, { ...known, snapshot: known.seq });
  const { sequelize, Snapshot } = database();
  try {
    // What cannot be read again replaces nothing: the log is replayed from the snapshot before.
    const wrong = await writer().once('readAgain', id, () => Promise.resolve({ brand: known.brand }));
    if (wrong !== null) throw new Error(`The brand ${id} cannot be read again after change ${known.seq}: ${wrong}`);
    await Snapshot.bulkCreate([{ brandId: id, seq: known.seq, document: known.brand }], { ignoreDuplicates: true });
    await sequelize.query(
      `DELETE FROM snapshots WHERE brand_id = :id AND seq < :seq AND seq / :each = :seq / :each
       AND seq > (SELECT min(seq) FROM snapshots WHERE brand_id = :id)`,
      { replacements: { id, seq: known.seq, each: SNAPSHOT_STAYS } },
    );
  } catch (error) {
    log.error({ error }, 'a snapshot could not be kept; the next one is tried after more changes');
  } finally {
    atRest().delete(id);
  }
}
