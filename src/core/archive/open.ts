import type { z } from 'zod';
import { sha256 } from '../base/sha256';
import { apply } from '../brand/commands/apply';
import { keptCommand, type Command } from '../brand/commands/commands';
import { touchedBy } from '../brand/commands/table-step';
import type { Brand } from '../brand/document/document';
import { BRAND_VERSION, COMMAND_VERSION } from '../brand/document/versions';
import { unpackParts } from '../source/zip';
import { ARCHIVE_LIMITS, ARCHIVE_PATHS, ArchivedChange, ArchiveHead } from './archive';

/** A change that was carried out again: with what takes it back and what it concerns, as a log keeps it. */
export interface ReplayedChange extends Pick<ArchivedChange, 'seq' | 'by' | 'at'> {
  readonly command: Command;
  readonly inverse: Command;
  readonly touched: readonly string[];
}

/** An archive of which everything was found to be as it says. */
export interface OpenedArchive {
  readonly head: Omit<ArchiveHead, 'releases'> & {
    readonly releases: readonly (ArchiveHead['releases'][number] & { readonly document: Brand })[];
  };
  readonly changes: readonly ReplayedChange[];
  /** The brand after the last of them. */
  readonly last: Brand;
  readonly files: ReadonlyMap<string, Uint8Array>;
}

class Problem extends Error {}

const AGAIN = 'have the brand exported again, and send the file as it comes.';

/**
 * Opens an archive. Nothing of it is believed: every change is carried out again from the first document, releases are what the brand then
 * is, and every file has to have the hash that it is named by.
 * @param id that the brand is to have
 * @returns a sentence when it cannot be opened
 */
export async function openArchive(bytes: Uint8Array, id: string): Promise<OpenedArchive | string> {
  try {
    return await opened(bytes, id);
  } catch (error) {
    if (error instanceof Problem) return error.message;
    throw error;
  }
}

async function opened(bytes: Uint8Array, id: string): Promise<OpenedArchive> {
  const prefix = ARCHIVE_PATHS.files;
  const isWanted = (path: string) =>
    path === ARCHIVE_PATHS.head ||
    path === ARCHIVE_PATHS.changes ||
    (path.startsWith(prefix) && /^[0-9a-f]{64}$/.test(path.slice(prefix.length)));
  const { parts, ending } = unpackParts(bytes, isWanted, ARCHIVE_LIMITS.unpacked);
  if (ending === 'large')
    throw new Problem(
      `This archive unpacks to more than ${ARCHIVE_LIMITS.unpacked / 2 ** 20} MB, and no more is taken; whoever runs the server can move such a brand by a backup.`,
    );
  const head = parts.get(ARCHIVE_PATHS.head);
  const log = parts.get(ARCHIVE_PATHS.changes);
  if (!head || !log)
    throw new Problem('This is no archive of a brand; choose a file that was made by “Export whole” under Brands.');
  if (ending === 'damaged') throw new Problem(`This archive is damaged; ${AGAIN}`);
  const { releases, ...told } = read(ArchiveHead, textOf(head, ARCHIVE_PATHS.head), 'about.json');
  const first = { seq: told.first.seq, document: { ...told.first.document, id } };
  const files = await checkedFiles(parts);
  const { pictures, hosts, profiles, people, screens } = told;
  const named = [...pictures, ...hosts, ...profiles, ...releases.flatMap((release) => [...release.files, ...release.manifest])];
  const missing = named.find(({ sha256: hash }) => !files.has(hash));
  if (missing) throw new Problem(`A file of this archive is missing (${missing.sha256.slice(0, 12)}…); ${AGAIN}`);

  const isAmiss = ({ id: screen, kind, held }: (typeof screens)[number], index: number) =>
    kind.is === 'build' ||
    (kind.is === 'picture' && !pictures.some((picture) => picture.sha256 === kind.picture)) ||
    (held ?? 0) > releases.length ||
    screens.findIndex((one) => one.id === screen) !== index;
  const amiss = screens.find(isAmiss);
  if (amiss) throw new Problem(`The screen ${amiss.name} of this archive is not as it should be; ${AGAIN}`);

  const changes: ReplayedChange[] = [];
  const documents = new Map([[first.seq, first.document]]);
  const wanted = new Set(releases.map(({ seq }) => seq));
  let last = first.document;
  for (const [at, line] of textOf(log, ARCHIVE_PATHS.changes).split('\n').entries()) {
    if (line === '') continue;
    const { seq, version, command, by, at: when } = read(ArchivedChange, line, `line ${at + 1} of history.jsonl`);
    if (seq !== first.seq + changes.length + 1) throw new Problem(`Change ${seq} of this archive is not in its place; ${AGAIN}`);
    if (version > COMMAND_VERSION) throw new Problem(newer());
    const known = keptCommand(command, version);
    const applied = known.success ? apply(last, known.data) : { ok: false as const, refusal: known.error.issues[0]!.message };
    if (!applied.ok)
      throw new Problem(`Change ${seq} of this archive cannot be carried out: ${applied.refusal} To go on, ${AGAIN}`);
    const done = known.data!;
    changes.push({ seq, by, at: when, command: done, inverse: applied.inverse, touched: touchedBy(done) });
    last = applied.brand;
    if (wanted.has(seq)) documents.set(seq, last);
  }

  const remarks = told.signOffs.flatMap((signOff) => signOff.remarks);
  const doers = [...changes, ...releases, ...told.signOffs, ...remarks, ...pictures, ...hosts, ...profiles, ...screens].map(
    ({ by }) => by,
  );
  if ([...doers, ...remarks.map(({ settledBy }) => settledBy ?? 0)].some((place) => place >= people.length))
    throw new Problem(`This archive does not say who did all that it tells of; ${AGAIN}`);
  return {
    head: {
      ...told,
      first,
      releases: releases.map((release, index) => {
        const document = documents.get(release.seq);
        if (!document || release.number !== index + 1)
          throw new Problem(`Release ${release.number} of this archive is not in its place; ${AGAIN}`);
        return { ...release, document };
      }),
    },
    changes,
    last,
    files,
  };
}

async function checkedFiles(parts: ReadonlyMap<string, Uint8Array>): Promise<Map<string, Uint8Array>> {
  const files = new Map<string, Uint8Array>();
  for (const [path, bytes] of parts) {
    if (!path.startsWith(ARCHIVE_PATHS.files)) continue;
    const hash = path.slice(ARCHIVE_PATHS.files.length);
    if ((await sha256(bytes)) !== hash) throw new Problem(`A file of this archive is damaged (${hash.slice(0, 12)}…); ${AGAIN}`);
    files.set(hash, bytes);
  }
  return files;
}

function textOf(bytes: Uint8Array, where: string): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw new Problem(`${where} in this archive is no UTF-8; ${AGAIN}`);
  }
}

function read<T extends z.ZodType>(schema: T, json: string, where: string): z.output<T> {
  let data: unknown;
  try {
    data = JSON.parse(json);
  } catch {
    throw new Problem(`In this archive, ${where} is no JSON; ${AGAIN}`);
  }
  const version: unknown = (data as { first?: { document?: { version?: unknown } } } | null)?.first?.document?.version;
  if (typeof version === 'number' && version > BRAND_VERSION) throw new Problem(newer());
  const parsed = schema.safeParse(data);
  if (parsed.success) return parsed.data;
  const { path, message } = parsed.error.issues[0]!;
  throw new Problem(
    `In this archive, ${where} is not as it should be (${path.join('.') || 'at its beginning'}: ${message}); ${AGAIN}`,
  );
}

function newer(): string {
  return 'This archive was made by a newer Breakwater; have this one brought up to date first.';
}
