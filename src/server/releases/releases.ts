import { StoredBrand, type Brand } from '@/core/brand/document/document';
import { sha256 } from '@/core/base/sha256';
import { Op, type InferCreationAttributes, type Optional, type Transaction } from 'sequelize';
import { compareBrands } from '@/core/brand/history/compare';
import type { PersonRole } from '@/core/brand/roles';
import { nextVersion, proposedStep, type VersionStep } from '@/core/release/version';
import type { WrittenFile } from '@/core/formats/kit/format';
import type { ManifestEntry } from '@/core/release/bundle';
import { themesShown } from '@/core/screens/match';
import type { ToldRelease } from '@/core/screens/screen';
import { loadBrand } from '../log/documents';
import { database } from '../database/database';
import type { PersonRow, ReleaseFileRow, ReleaseRow } from '../database/rows';
import { announce } from '../log/announce';
import { writeDownOf } from '../people/audit';
import { storedFilesOf } from '../brands/kept-files';
import { log } from '../http/log';
import { ownOrigin } from '../http/origin';
import { latestNumber } from './release-number';
import { Refused } from '../http/refused';
import { endWithRelease, mustBeSigned } from './sign-offs';
import { tellWebhooks } from '../outside/webhooks';
import { writer } from '../writing/writer';

const MOVED_ON = 'The brand has changed since you looked at it; look at the new changes, then release again.';

const RELEASED = 'Somebody has released the brand just now; look at what has changed since, then release again.';

export interface ReleaseSummary {
  readonly number: number;
  readonly seq: number;
  readonly title: string;
  readonly version: string;
  readonly note: string;
  readonly by: string;
  readonly at: string;
  readonly manifest: readonly ManifestEntry[];
  /** Names of those whose approval counted for it. */
  readonly signedBy: readonly string[];
  /** Of one that came in an archive: whether its document gave the same files when it was written again here. */
  readonly imported: 'written again' | 'as it says' | null;
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
 * has moved on, a file cannot be written, or it lacks what the brand's rule wants.
 */
export async function makeRelease(
  { person, role }: { person: PersonRow; role: PersonRole },
  brandId: string,
  { seq, title, note, step }: NewRelease,
): Promise<number> {
  const { sequelize, Release } = database();
  const current = await loadBrand(brandId);
  if (current.seq !== seq) throw new Refused(409, MOVED_ON);
  const signed = await mustBeSigned(role, current);
  const last = await Release.findOne({ where: { brandId }, order: [['number', 'DESC']] });
  const before = last && StoredBrand.parse(last.document);
  if (signed.rule.newErrors === 'stop' && before) {
    const errors = await writer().once('newErrors', brandId, () => Promise.resolve({ brand: current.brand, before }));
    if (errors.length > 0) throw new Refused(409, `Nothing was released: ${moreErrors(errors)}`);
  }
  const differences = step || !before ? [] : compareBrands(before, current.brand);
  const version = nextVersion(last?.version ?? null, step ?? proposedStep(differences).step);
  const tellShare = shareTeller(brandId, person.name);
  const { stops, files, manifest } = await writer()
    .write(
      'release',
      current,
      { version },
      { late: async () => ({ kept: await storedFilesOf(current.brand) }), onShare: tellShare },
    )
    .finally(() => tellShare(1));
  if (stops !== null) throw new Refused(409, `Nothing was released: ${stops}`);
  const hashed = await hashedFiles(files);
  return sequelize.transaction(async (transaction) => {
    // Locked, so that nothing changes between the comparison and the end.
    const head = await database().Brand.findByPk(brandId, { attributes: ['seq'], transaction, lock: transaction.LOCK.UPDATE });
    if (head?.seq !== seq) throw new Refused(409, MOVED_ON);
    const number = (last?.number ?? 0) + 1;
    if ((await Release.count({ where: { brandId, number }, transaction })) > 0) throw new Refused(409, RELEASED);
    await keepRelease(
      {
        brandId,
        number,
        seq,
        title: title || `Release ${number}`,
        version,
        note,
        document: current.brand,
        manifest: [...manifest],
        signedBy: [...signed.by],
        personId: person.id,
      },
      hashed,
      transaction,
    );
    await endWithRelease(signed, brandId, number, transaction);
    await writeDownOf(person, brandId, { what: 'release', about: `release ${number} of ${current.brand.name}` }, transaction);
    const told = {
      number,
      version,
      title: title || `Release ${number}`,
      address: `${ownOrigin()}/consumer/${brandId}/releases/${number}`,
    };
    await tellWebhooks(brandId, 'release', { release: told }, transaction);
    await announce({ brand: brandId, kind: 'release' }, transaction);
    return number;
  });
}

/** Tells all pages of a brand what share of the files is written, 0..1: at once when it is all, otherwise five times a second at most. */
function shareTeller(brand: string, by: string): (share: number) => void {
  let last = 0;
  return (share) => {
    if (share < 1 && Date.now() - last < 200) return;
    last = Date.now();
    announce({ brand, kind: 'writing', by, share }).catch((error: unknown) => log.warn({ error }, 'a share could not be told'));
  };
}

/** A file as it is kept with its release. */
type KeptFile = Omit<InferCreationAttributes<ReleaseFileRow>, 'brandId' | 'number'>;

/** Files with their hashes, to be kept: made before the brand is locked. */
export function hashedFiles(files: readonly WrittenFile[]): Promise<KeptFile[]> {
  return Promise.all(
    files.map(async ({ path, mediaType, bytes }) => ({
      path,
      mediaType,
      sha256: await sha256(bytes),
      bytes: Buffer.from(bytes),
    })),
  );
}

/** Keeps a release with its files, for good. */
export async function keepRelease(
  release: Optional<InferCreationAttributes<ReleaseRow>, 'at' | 'imported'>,
  files: readonly KeptFile[],
  transaction: Transaction,
): Promise<void> {
  const { Release, ReleaseFile } = database();
  const { brandId, number } = release;
  await Release.create(release, { transaction });
  await ReleaseFile.bulkCreate(
    files.map((file) => ({ ...file, brandId, number })),
    { transaction },
  );
}

function moreErrors(errors: readonly string[]): string {
  const more = errors.length > 1 ? ` and ${errors.length - 1} more` : '';
  return `the rule of this brand wants no error that the last release did not have. New: ${errors[0]}${more}`;
}

/** All releases, newest first. */
export async function releasesOf(brandId: string): Promise<ReleaseSummary[]> {
  const { Release, Person } = database();
  const rows = await Release.findAll({ where: { brandId }, order: [['number', 'DESC']], attributes: { exclude: ['document'] } });
  const ids = [...new Set(rows.map(({ personId }) => personId))];
  const makers = await Person.findAll({ where: { id: ids }, attributes: ['id', 'name'] });
  const people = new Map(makers.map((person) => [person.id, person.name]));
  return rows.map(({ number, seq, title, version, note, manifest, signedBy, imported, at, personId }) => ({
    number,
    seq,
    title,
    version,
    note,
    by: people.get(personId) ?? 'somebody',
    at: at.toISOString(),
    manifest,
    signedBy,
    imported,
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

/** A release's number and document; null when there is none. */
export async function releaseOf(brandId: string, number: number): Promise<{ number: number; document: Brand; at: Date } | null> {
  const row = await database().Release.findOne({ where: { brandId, number } });
  return row && { number, document: StoredBrand.parse(row.document), at: row.at };
}

/** The documents of some releases, by their numbers; those that there are not are not there. */
export async function documentsOf(brandId: string, numbers: readonly number[]): Promise<ReadonlyMap<number, Brand>> {
  const rows = await database().Release.findAll({
    where: { brandId, number: [...new Set(numbers)] },
    attributes: ['number', 'document'],
  });
  return new Map(rows.map(({ number, document }) => [number, StoredBrand.parse(document)]));
}

/** A release as consumers are told of it; null when there is none. */
export async function toldRelease(brandId: string, number: number): Promise<ToldRelease | null> {
  const row = await database().Release.findOne({ where: { brandId, number } });
  if (!row) return null;
  const { title, version, note, at, manifest } = row;
  const document = StoredBrand.parse(row.document);
  const themes = themesShown(document).map(({ name, identifier, colours }) => ({
    name,
    identifier,
    colours: Object.fromEntries(colours),
  }));
  return { brand: document.name, number, title, version, note, at: at.toISOString(), themes, files: manifest };
}

/** The newest release's number and document, or null before the first. */
export async function latestRelease(brandId: string): Promise<{ number: number; document: Brand } | null> {
  return releaseOf(brandId, await latestNumber(brandId));
}

/** A released file, byte for byte; null when the release has none at that path. */
export async function releasedFile(brandId: string, number: number, path: string): Promise<ReleaseFileRow | null> {
  return database().ReleaseFile.findOne({ where: { brandId, number, path } });
}

/** A released file by the SHA-256 of its bytes, whichever release it is of; null when there is none. */
export async function fileByHash(brandId: string, sha256: string): Promise<ReleaseFileRow | null> {
  return database().ReleaseFile.findOne({ where: { brandId, sha256 } });
}

/** All files of a release, its manifest with them, as one zip. */
export function releaseZip(brandId: string, number: number): Promise<Uint8Array> {
  return writer().once('pack', brandId, async () => {
    const rows = await database().ReleaseFile.findAll({ where: { brandId, number }, order: [['path', 'ASC']] });
    return { files: rows.map(({ path, bytes }) => ({ path, bytes: new Uint8Array(bytes) })) };
  });
}
