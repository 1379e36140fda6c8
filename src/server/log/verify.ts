import { createHash } from 'node:crypto';
import { Op, QueryTypes, Transaction } from 'sequelize';
import { canonical } from '@/core/brand/document/canonical';
import { StoredBrand, type Brand } from '@/core/brand/document/document';
import { listsOf } from '../brands/brand-lists';
import { database } from '../database/database';
import type { BrandRow } from '../database/rows';
import { replayed } from './documents';
import { indexed } from '../brands/swatch-index';

/** What was looked at, and a sentence for everything that is not as it should be. */
export interface Verified {
  brands: number;
  changes: number;
  releases: number;
  files: number;
  pictures: number;
  hosts: number;
  readonly faults: string[];
  /** What could not be looked at, a sentence for each: that it agrees is not known. */
  readonly unseen: string[];
}

const BATCH = 500;

/**
 * Looks whether everything that is kept agrees: replays every log from its first snapshot and compares with each snapshot, with the
 * document of every release and with what lists are made of; checks the hash of every released file, picture and host. Reads one state of the
 * database, so that people may go on working.
 */
export async function verify(): Promise<Verified> {
  const { sequelize, Brand: BrandTable } = database();
  const found: Verified = { brands: 0, changes: 0, releases: 0, files: 0, pictures: 0, hosts: 0, faults: [], unseen: [] };
  const options = { isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ, readOnly: true };
  await sequelize.transaction(options, async (transaction) => {
    for (const brand of await BrandTable.findAll({ order: ['id'], transaction })) {
      found.brands++;
      try {
        await verifyLog(brand, found, transaction);
      } catch (error) {
        found.faults.push((error as Error).message);
      }
      await verifyFiles(brand.id, found, transaction);
      await verifyPictures(brand.id, found, transaction);
      await verifyHosts(brand.id, found, transaction);
    }
  });
  return found;
}

/** @throws Error where the log cannot be replayed any further */
async function verifyLog(row: BrandRow, found: Verified, transaction: Transaction): Promise<void> {
  const { Change, Snapshot, Release } = database();
  const where = { brandId: row.id };
  const inOrder = { where, order: [['seq', 'ASC'] as [string, string]], attributes: ['seq'], transaction };
  const snapshots = new Set((await Snapshot.findAll(inOrder)).map(({ seq }) => seq));
  const releases = await Release.findAll({ ...inOrder, attributes: ['seq', 'number', 'imported'] });
  let seq = Math.min(...snapshots);
  if (seq === Infinity) throw new Error(`The brand ${row.id} has no snapshot.`);
  const snapshot = async (at: number) => (await Snapshot.findOne({ where: { ...where, seq: at }, transaction }))!.document;
  let brand = StoredBrand.parse(await snapshot(seq));
  if (seq > 0 && (await Change.count({ where: { ...where, seq: { [Op.lte]: seq } }, transaction })) > 0)
    found.unseen.push(`The first ${seq} changes of ${row.id}: its first snapshot was kept after them.`);
  for (const { number } of releases.filter((release) => release.seq < seq))
    found.unseen.push(`The document of release ${number} of ${row.id}: it is older than the first snapshot.`);
  for (const { number } of releases.filter(({ imported }) => imported === 'as it says'))
    found.unseen.push(
      `Whether release ${number} of ${row.id}, which was imported, has the files of its document: another version wrote them.`,
    );
  const compare = async (): Promise<void> => {
    if (snapshots.has(seq) && !areEqual(brand, await snapshot(seq)))
      found.faults.push(`The snapshot of ${row.id} after change ${seq} is not what its log gives.`);
    for (const { number } of releases.filter((release) => release.seq === seq)) {
      const release = (await Release.findOne({ where: { ...where, number }, transaction }))!;
      found.releases++;
      if (!areEqual(brand, release.document))
        found.faults.push(`The document of release ${number} of ${row.id} is not what its log gives after change ${seq}.`);
    }
  };
  await compare();
  for (let more = true; more;) {
    const changes = await Change.findAll({
      where: { ...where, seq: { [Op.gt]: seq } },
      order: [['seq', 'ASC']],
      limit: BATCH,
      attributes: ['seq', 'version', 'command'],
      transaction,
    });
    for (const change of changes) {
      if (change.seq !== seq + 1) throw new Error(`In the log of ${row.id}, change ${seq + 1} is missing.`);
      brand = replayed(brand, change);
      seq = change.seq;
      found.changes++;
      await compare();
    }
    more = changes.length === BATCH;
  }
  if (seq !== row.seq) found.faults.push(`The log of ${row.id} ends with change ${seq}, and the brand says ${row.seq}.`);
  const { name, shelf, templates, ribbon, house } = row;
  if (canonical(listsOf(brand)) !== canonical({ name, shelf, templates, ribbon, house }))
    found.faults.push(`What lists are made of is not what the log of ${row.id} gives.`);
  await verifySearch(brand, found, transaction);
}

async function verifySearch(brand: Brand, found: Verified, transaction: Transaction): Promise<void> {
  const rows = await database().sequelize.query<Record<string, string>>(
    'SELECT id, palette, palette_name, name, value, hex FROM swatches WHERE brand_id = :id ORDER BY id',
    { type: QueryTypes.SELECT, replacements: { id: brand.id }, transaction },
  );
  const wanted = indexed(brand).map(({ id, palette, palette_name, name, value, hex }) => ({
    id,
    palette,
    palette_name,
    name,
    value,
    hex,
  }));
  const byId = (one: { id?: string }, two: { id?: string }) => (one.id! < two.id! ? -1 : 1);
  if (canonical(wanted.sort(byId)) !== canonical([...rows].sort(byId)))
    found.faults.push(`What is searched is not what the log of ${brand.id} gives.`);
}

/** A document of an earlier version is the same as what it is brought up to. */
function areEqual(brand: Brand, kept: unknown): boolean {
  const known = StoredBrand.safeParse(kept);
  return known.success && canonical(known.data) === canonical(brand);
}

async function verifyFiles(brandId: string, found: Verified, transaction: Transaction): Promise<void> {
  const { Release, ReleaseFile } = database();
  for (const { number, manifest } of await Release.findAll({
    where: { brandId },
    attributes: ['number', 'manifest'],
    transaction,
  })) {
    const where = { brandId, number };
    const fault = (path: string, what: string) => found.faults.push(`In release ${number} of ${brandId}, ${path} ${what}.`);
    const paths = new Set((await ReleaseFile.findAll({ where, attributes: ['path'], transaction })).map(({ path }) => path));
    for (const entry of manifest) if (!paths.has(entry.path)) fault(entry.path, 'is missing');
    for (const path of paths) {
      // One at a time: together they may be more than there is memory for.
      const file = (await ReleaseFile.findOne({ where: { ...where, path }, transaction }))!;
      found.files++;
      const told = manifest.find((entry) => entry.path === path)?.sha256 ?? file.sha256;
      if (sha256(file.bytes) !== file.sha256 || told !== file.sha256) fault(path, 'has not the bytes that its hash says');
    }
  }
}

async function verifyPictures(brandId: string, found: Verified, transaction: Transaction): Promise<void> {
  const { Picture } = database();
  for (const { sha256: name } of await Picture.findAll({ where: { brandId }, attributes: ['sha256'], transaction })) {
    const picture = (await Picture.findOne({ where: { brandId, sha256: name }, transaction }))!;
    found.pictures++;
    if (sha256(picture.bytes) !== name)
      found.faults.push(`The picture ${name} of ${brandId} has not the bytes that its name says.`);
  }
}

async function verifyHosts(brandId: string, found: Verified, transaction: Transaction): Promise<void> {
  const { Host } = database();
  for (const { sha256: name } of await Host.findAll({ where: { brandId }, attributes: ['sha256'], transaction })) {
    const host = (await Host.findOne({ where: { brandId, sha256: name }, transaction }))!;
    found.hosts++;
    if (sha256(host.bytes) !== name) found.faults.push(`The host ${name} of ${brandId} has not the bytes that its name says.`);
  }
}

function sha256(bytes: Uint8Array): string {
  return createHash('sha256').update(bytes).digest('hex');
}
