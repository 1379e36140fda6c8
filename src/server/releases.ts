import { KeptBrand, type Brand } from '@/core/brand/document';
import { sha256 } from '@/core/base/sha256';
import { Op } from 'sequelize';
import { compareBrands } from '@/core/brand/compare';
import { nextVersion, proposedStep, type VersionStep } from '@/core/release/version';
import type { ManifestEntry } from '@/core/release/bundle';
import { loadBrand } from './documents';
import { database, type PersonRow, type ReleaseFileRow, type ReleaseRow } from './database';
import { announce } from './announce';
import { keptFilesOf } from './kept-files';
import { Refused } from './refused';
import { writer } from './writer';

const MOVED_ON = 'The brand has changed since you looked at it; look at the new changes, then release again.';

const RELEASED = 'Somebody has released the brand just now; look at what has changed since, then release again.';

export interface ReleaseSummary {
  readonly number: number;
  readonly title: string;
  readonly version: string;
  readonly note: string;
  readonly by: string;
  readonly at: string;
  readonly manifest: readonly ManifestEntry[];
}

/** What a person says of a release. */
export interface NewRelease {
  /** Number of the last change that was looked at. */
  readonly seq: number;
  /** Empty for the release's number. */
  readonly title: string;
  readonly note: string;
  /** How far its version goes; what its differences ask for, where nobody said. */
  readonly step?: VersionStep | undefined;
}

/**
 * Makes the next release of a brand as it stands after change `seq`, the one the person was looking at. Its files are written
 * first, while everybody goes on working; then document, files and hashes are stored together, for good. Refused when the brand
 * has moved on, or a file cannot be written.
 */
export async function makeRelease(person: PersonRow, brandId: string, { seq, title, note, step }: NewRelease): Promise<number> {
  const { sequelize, Release, ReleaseFile } = database();
  const current = await loadBrand(brandId);
  if (current.seq !== seq) throw new Refused(409, MOVED_ON);
  const { stops, files, manifest } = await writer().write('release', current, {}, async () => ({
    kept: await keptFilesOf(current.brand),
  }));
  if (stops !== null) throw new Refused(409, `Nothing was released: ${stops}`);
  const rows = await Promise.all(
    files.map(async ({ path, mediaType, bytes }) => ({
      brandId,
      path,
      mediaType,
      sha256: await sha256(bytes),
      bytes: Buffer.from(bytes),
    })),
  );
  const last = await Release.findOne({ where: { brandId }, order: [['number', 'DESC']] });
  const differences = step || !last ? [] : compareBrands(KeptBrand.parse(last.document), current.brand);
  const version = nextVersion(last?.version ?? null, step ?? proposedStep(differences).step);
  return sequelize.transaction(async (transaction) => {
    // Locked, so that nothing changes between the comparison and the end.
    const head = await database().Brand.findByPk(brandId, { attributes: ['seq'], transaction, lock: transaction.LOCK.UPDATE });
    if (head?.seq !== seq) throw new Refused(409, MOVED_ON);
    const number = (last?.number ?? 0) + 1;
    if ((await Release.count({ where: { brandId, number }, transaction })) > 0) throw new Refused(409, RELEASED);
    await Release.create(
      {
        brandId,
        number,
        seq,
        title: title || `Release ${number}`,
        version,
        note,
        document: current.brand,
        manifest: [...manifest],
        personId: person.id,
      },
      { transaction },
    );
    await ReleaseFile.bulkCreate(
      rows.map((row) => ({ ...row, number })),
      { transaction },
    );
    await announce({ brand: brandId, kind: 'release' }, transaction);
    return number;
  });
}

/** All releases, newest first. */
export async function releasesOf(brandId: string): Promise<ReleaseSummary[]> {
  const { Release, Person } = database();
  const rows = await Release.findAll({ where: { brandId }, order: [['number', 'DESC']], attributes: { exclude: ['document'] } });
  const people = new Map((await Person.findAll()).map((person) => [person.id, person.name]));
  return rows.map(({ number, title, version, note, manifest, at, personId }) => ({
    number,
    title,
    version,
    note,
    by: people.get(personId) ?? 'somebody',
    at: at.toISOString(),
    manifest,
  }));
}

/** When the first change was made that no release has brought out yet; null when there is none, or no release. */
export async function waitingSince(brandId: string): Promise<string | null> {
  const { Change, Release } = database();
  const last = await Release.findOne({ where: { brandId }, order: [['number', 'DESC']], attributes: ['seq'] });
  if (!last) return null;
  const first = await Change.findOne({
    where: { brandId, seq: { [Op.gt]: last.seq } },
    order: [['seq', 'ASC']],
    attributes: ['at'],
  });
  return first?.at.toISOString() ?? null;
}

/** The newest release's number; 0 before the first. */
export async function latestNumber(brandId: string): Promise<number> {
  return (await database().Release.max<number | null, ReleaseRow>('number', { where: { brandId } })) ?? 0;
}

/** A release's number and document; null when there is none. */
export async function releaseOf(brandId: string, number: number): Promise<{ number: number; document: Brand } | null> {
  const row = await database().Release.findOne({ where: { brandId, number } });
  return row && { number, document: KeptBrand.parse(row.document) };
}

/** The newest release's number and document, or null before the first. */
export async function latestRelease(brandId: string): Promise<{ number: number; document: Brand } | null> {
  return releaseOf(brandId, await latestNumber(brandId));
}

/** A released file, byte for byte; null when the release has none at that path. */
export async function releasedFile(brandId: string, number: number, path: string): Promise<ReleaseFileRow | null> {
  return database().ReleaseFile.findOne({ where: { brandId, number, path } });
}

/** All files of a release, its manifest with them, as one zip. */
export function releaseZip(brandId: string, number: number): Promise<Uint8Array> {
  return writer().pack(brandId, async () => {
    const rows = await database().ReleaseFile.findAll({ where: { brandId, number }, order: [['path', 'ASC']] });
    return rows.map(({ path, bytes }) => ({ path, bytes: new Uint8Array(bytes) }));
  });
}
