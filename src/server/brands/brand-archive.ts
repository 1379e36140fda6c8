import { shortened } from '@/core/base/storable';
import { QueryTypes, Transaction } from 'sequelize';
import { ARCHIVE_LIMITS, type ArchivedChange, type BrandArchive } from '@/core/archive/archive';
import type { OpenedArchive } from '@/core/archive/open';
import { apply } from '@/core/brand/commands/apply';
import { touchedBy } from '@/core/brand/commands/table-step';
import type { Command } from '@/core/brand/commands/commands';
import { StoredBrand } from '@/core/brand/document/document';
import { LIMITS } from '@/core/brand/document/fields';
import { newId } from '@/core/brand/document/identity';
import { COMMAND_VERSION } from '@/core/brand/document/versions';
import { addBrand, brandOf } from './brand-acts';
import { listsOf } from './brand-lists';
import { database } from '../database/database';
import { writeDown } from '../people/audit';
import { Refused } from '../http/refused';
import { keepRelease } from '../releases/releases';
import type { PersonRow } from '../database/rows';
import { indexSwatches } from './swatch-index';
import { writer } from '../writing/writer';

/** Rows that are kept in one statement. */
const BATCH = 500;

/** What people of elsewhere are called: not as those of here. */
const IMPORTED = ' (imported)';
const ofElsewhere = (name: string) => name.replace(IMPORTED, '') + IMPORTED;

const MEGABYTE = 2 ** 20;

/** A brand whole, with its history, releases, pictures, hosts, profiles and screens, as one zip. @returns it, and what the brand is called */
export async function exportBrand(
  person: PersonRow,
  organisationId: string,
  id: string,
): Promise<{ name: string; bytes: Uint8Array }> {
  const { name } = await brandOf(organisationId, id);
  const bytes = await writer().once('packBrand', id, async () => ({ archive: await archiveOf(id) }));
  if (!bytes) throw new Refused(413, tooLarge(ARCHIVE_LIMITS.packed));
  await writeDown(person, organisationId, { what: 'export-brand', about: name, brand: id });
  return { name, bytes };
}

function tooLarge(limit: number): string {
  return `This brand with all its files is larger than an archive may be, ${limit / MEGABYTE} MB; whoever runs the server can move it by a backup.`;
}

/** All files of a brand, wherever they are kept. */
const ALL_FILES = ['pictures', 'hosts', 'print_profiles', 'release_files']
  .map((table) => `SELECT sha256, bytes FROM ${table} WHERE brand_id = :id`)
  .join(' UNION ALL ');

/** Everything at one moment, whatever happens meanwhile. */
async function archiveOf(id: string): Promise<BrandArchive> {
  const {
    sequelize,
    Brand,
    Snapshot,
    Change,
    Release,
    ReleaseFile,
    SignOff,
    Remark,
    Picture,
    Host,
    PrintProfile,
    Person,
    Screen,
  } = database();
  return sequelize.transaction({ isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ }, async (transaction) => {
    const select = async <T extends object>(sql: string) =>
      sequelize.query<T>(sql, { type: QueryTypes.SELECT, replacements: { id }, transaction });
    const [sizes] = await select<{ files: string; log: string }>(
      `SELECT (SELECT coalesce(sum(size), 0) FROM (SELECT max(octet_length(bytes)) AS size FROM (${ALL_FILES}) f GROUP BY sha256) s) AS files,
         (SELECT coalesce(sum(octet_length(command::text)), 0) FROM changes WHERE brand_id = :id) AS log`,
    );
    if (Number(sizes!.files) + Number(sizes!.log) > ARCHIVE_LIMITS.unpacked)
      throw new Refused(413, tooLarge(ARCHIVE_LIMITS.unpacked));

    const people = new Map<string, number>();
    const placeOf = (person: string) => {
      if (!people.has(person)) people.set(person, people.size);
      return people.get(person)!;
    };
    const done = ({ personId, at }: { personId: string; at: Date }) => ({ by: placeOf(personId), at: at.toISOString() });
    const where = { where: { brandId: id }, transaction };
    const begun = await Snapshot.findOne({ ...where, order: ['seq'] });
    const brand = await Brand.findByPk(id, { transaction });
    if (!begun || !brand) throw new Refused(404, 'There is no such brand here.');
    const changes = (
      await Change.findAll({ ...where, order: ['seq'], attributes: ['seq', 'version', 'command', 'personId', 'at'] })
    )
      .filter(({ seq }) => seq > begun.seq)
      .map((row): ArchivedChange => ({ seq: row.seq, version: row.version, command: row.command, ...done(row) }));
    const files = await ReleaseFile.findAll({
      ...where,
      attributes: ['number', 'path', 'mediaType', 'sha256'],
      order: ['number', 'path'],
    });
    const releases = (await Release.findAll({ ...where, order: ['number'] })).map((row) => {
      const { number, seq, title, version, note, signedBy, manifest } = row;
      const own = files
        .filter((file) => file.number === number)
        .map(({ path, mediaType, sha256 }) => ({ path, mediaType, sha256 }));
      return { number, seq, title, version, note, signedBy, ...done(row), files: own, manifest };
    });
    const reviews = await SignOff.findAll({ ...where, order: ['at'] });
    const remarks = await Remark.findAll({
      where: { signOffId: reviews.map((review) => review.id) },
      order: ['at', 'id'],
      transaction,
    });
    const signOffs = reviews.map((row) => {
      const { title, note, since, outcome, release } = row;
      const said = remarks.filter(({ signOffId }) => signOffId === row.id);
      return {
        title,
        note,
        since,
        ...done(row),
        outcome: outcome ?? ('withdrawn' as const),
        release,
        remarks: said.map((remark) => {
          const { kind, about, seq, text, closedBy } = remark;
          return { kind, about, seq, text, ...done(remark), settledBy: closedBy === null ? null : placeOf(closedBy) };
        }),
      };
    });
    const attributes = ['sha256', 'personId', 'at'];
    const pictures = await Picture.findAll({ ...where, attributes: [...attributes, 'mediaType'] });
    const hosts = await Host.findAll({ ...where, attributes });
    const profiles = await PrintProfile.findAll({ ...where, attributes: [...attributes, 'name'] });
    const screens = (await Screen.findAll({ ...where, order: ['at', 'id'] })).filter(({ kind }) => kind.is !== 'build');
    const bytes = await select<{ sha256: string; bytes: Buffer }>(
      `SELECT DISTINCT ON (sha256) sha256, bytes FROM (${ALL_FILES}) f`,
    );

    const head = {
      format: 'breakwater-brand-archive' as const,
      version: 2 as const,
      first: { seq: begun.seq, document: StoredBrand.parse(begun.document) },
      rule: brand.releaseRule,
      releases,
      signOffs,
      pictures: pictures.map((row) => ({ sha256: row.sha256, mediaType: row.mediaType, ...done(row) })),
      hosts: hosts.map((row) => ({ sha256: row.sha256, ...done(row) })),
      profiles: profiles.map((row) => ({ sha256: row.sha256, name: row.name, ...done(row) })),
      screens: screens.map((row) => ({
        id: row.id,
        name: row.name,
        kind: row.kind,
        held: row.held,
        edits: row.edits,
        ...done(row),
      })),
    };
    const rows = await Person.findAll({ where: { id: [...people.keys()] }, attributes: ['id', 'name'], transaction });
    const names = new Map(rows.map((person) => [person.id, person.name]));
    return {
      head: { ...head, people: [...people.keys()].map((person) => names.get(person) ?? 'somebody') },
      changes,
      files: new Map(bytes.map((file) => [file.sha256, new Uint8Array(file.bytes)])),
    };
  });
}

/**
 * Makes a brand of an archive, with a new id and its whole past. Those who did something to it elsewhere are nobody here, and told apart by
 * name. @returns its id
 * @throws Refused with a sentence when the archive is not as it should be; then nothing is kept
 */
export async function importBrand(person: PersonRow, organisationId: string, bytes: Uint8Array): Promise<string> {
  const id = newId();
  const opened = await writer().once('openBrand', organisationId, () => Promise.resolve({ bytes, id }));
  if (typeof opened === 'string') throw new Refused(400, opened);
  await addBrand(person, organisationId, { what: 'import-brand', about: opened.last.name, brand: id }, (transaction) =>
    keepArchive(person, organisationId, opened, transaction),
  );
  return id;
}

async function keepArchive(
  person: PersonRow,
  organisationId: string,
  { head, changes, last, files }: OpenedArchive,
  transaction: Transaction,
): Promise<void> {
  const { Brand, Snapshot, Change, SignOff, Remark, Picture, Host, PrintProfile, Person, Screen } = database();
  const brandId = last.id;
  const bytesOf = (sha256: string) => Buffer.from(files.get(sha256)!);
  const people = head.people.map((name) => ({ id: newId(), name: ofElsewhere(name) }));
  await Person.bulkCreate(
    // An address that nobody can have (RFC 2606, section 2).
    people.map((each) => ({
      ...each,
      email: `${each.id}@imported.invalid`,
      passwordHash: null,
      demo: false,
      preferences: {},
      ofBrand: brandId,
    })),
    { transaction },
  );
  const done = ({ by, at }: { by: number; at: string }) => ({ brandId, personId: people[by]!.id, at: new Date(at) });
  const log = changes.map(({ seq, command, inverse, touched, ...doer }) => ({
    ...done(doer),
    seq,
    key: `imported-${seq}`,
    version: COMMAND_VERSION,
    command,
    inverse,
    touched: [...touched],
  }));
  // The house set that it was compared with is another organisation's, or of another day; and no two brands of one go by one name.
  const isTaken = (await Brand.count({ where: { organisationId, name: last.name }, transaction })) > 0;
  const set = {
    ...(last.house && { house: null }),
    ...(isTaken && { name: shortened(last.name, LIMITS.name - IMPORTED.length) + IMPORTED }),
  };
  let [now, seq] = [last, head.first.seq + changes.length];
  if (Object.keys(set).length > 0) {
    const command: Command = { label: 'Import', steps: [{ do: 'brand.edit', set }] };
    const applied = apply(last, command);
    if (!applied.ok) throw new Error(`An imported brand could not be made one of this organisation: ${applied.refusal}`);
    [now, seq] = [applied.brand, seq + 1];
    const { inverse } = applied;
    const own = { brandId, personId: person.id, at: new Date() };
    log.push({ ...own, seq, key: `imported-${seq}`, version: COMMAND_VERSION, command, inverse, touched: touchedBy(command) });
  }
  await Brand.create({ id: brandId, organisationId, seq, releaseRule: head.rule, ...listsOf(now) }, { transaction });
  await Snapshot.create({ brandId, seq: head.first.seq, document: head.first.document }, { transaction });
  if (seq > head.first.seq) await Snapshot.create({ brandId, seq, document: now }, { transaction });
  await indexSwatches(null, now, transaction);
  for (let at = 0; at < log.length; at += BATCH) await Change.bulkCreate(log.slice(at, at + BATCH), { transaction });
  for (const { files: named, manifest, by, at, isWrittenAgain, ...release } of head.releases)
    await keepRelease(
      {
        ...release,
        signedBy: release.signedBy.map(ofElsewhere),
        ...done({ by, at }),
        manifest,
        imported: isWrittenAgain ? 'written again' : 'as it says',
      },
      named.map((file) => ({ ...file, bytes: bytesOf(file.sha256) })),
      transaction,
    );
  for (const { remarks, by, at, ...signOff } of head.signOffs) {
    const signOffId = newId();
    await SignOff.create({ ...signOff, ...done({ by, at }), id: signOffId }, { transaction });
    await Remark.bulkCreate(
      remarks.map(({ settledBy, by: sayer, at: when, ...remark }) => ({
        ...remark,
        id: newId(),
        signOffId,
        personId: people[sayer]!.id,
        at: new Date(when),
        closedBy: settledBy === null ? null : people[settledBy]!.id,
      })),
      { transaction },
    );
  }
  for (const { sha256, mediaType, ...doer } of head.pictures)
    await Picture.create({ ...done(doer), sha256, mediaType, bytes: bytesOf(sha256) }, { transaction });
  for (const { sha256, ...doer } of head.hosts)
    await Host.create({ ...done(doer), sha256, bytes: bytesOf(sha256) }, { transaction });
  for (const { sha256, name, ...doer } of head.profiles)
    await PrintProfile.create({ ...done(doer), sha256, name, bytes: bytesOf(sha256) }, { transaction });
  for (const { by, at, ...screen } of head.screens) await Screen.create({ ...screen, ...done({ by, at }) }, { transaction });
}
