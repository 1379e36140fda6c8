import type { z } from 'zod';
import { parseJson, TooDeep } from '../base/json-text';
import { sha256 } from '../base/sha256';
import { apply } from '../brand/commands/apply';
import { storedCommand, type Command } from '../brand/commands/commands';
import { touchedBy } from '../brand/commands/table-step';
import type { Brand } from '../brand/document/document';
import { BRAND_VERSION, COMMAND_VERSION } from '../brand/document/versions';
import { unpackParts } from '../source/zip';
import { pictureSize } from '../image/size';
import { bundle, manifestEntry, manifestFile } from '../release/bundle';
import { ARCHIVE_LIMITS, ARCHIVE_PATHS, ArchivedChange, ArchiveHead } from './archive';
import { proofsOf, type HistoryLine } from './proofs';

/** A change that was carried out again: with what takes it back and what it concerns, as a log keeps it. */
export interface ReplayedChange extends Pick<ArchivedChange, 'seq' | 'by' | 'at'> {
  readonly command: Command;
  readonly inverse: Command;
  readonly touched: readonly string[];
}

/** A release of an archive, with the document that the history gives it. */
export type OpenedRelease = ArchiveHead['releases'][number] & {
  readonly document: Brand;
  /**
   * Whether its document, written again here, gave the very files that the archive has of it. Otherwise another version wrote them, or there was
   * no time to try, and that they belong together is so because the archive says so.
   */
  readonly isWrittenAgain: boolean;
};

/** An archive of which everything was found to be as it says. */
export interface OpenedArchive {
  readonly head: Omit<ArchiveHead, 'releases'> & { readonly releases: readonly OpenedRelease[] };
  readonly changes: readonly ReplayedChange[];
  /** The brand after the last of them. */
  readonly last: Brand;
  readonly files: ReadonlyMap<string, Uint8Array>;
}

class Problem extends Error {}

const AGAIN = 'have the brand exported again, and send the file as it comes.';

/**
 * Opens an archive. Nothing of it is believed: every change is carried out again from the first document, releases are what the brand then
 * is, every file has to have the hash that it is named by, and each release is written again to see whether it gives the same files.
 * @param id that the brand is to have
 * @param goesOn whether there is time to write one more release
 * @returns a sentence when it cannot be opened
 */
export async function openArchive(bytes: Uint8Array, id: string, goesOn: () => boolean): Promise<OpenedArchive | string> {
  try {
    return await opened(bytes, id, goesOn);
  } catch (error) {
    if (error instanceof Problem) return error.message;
    throw error;
  }
}

async function opened(bytes: Uint8Array, id: string, goesOn: () => boolean): Promise<OpenedArchive> {
  const { parts, about, history } = unpacked(bytes);
  const told = read(ArchiveHead, about, 'about.json');
  const files = await checkedFiles(parts);
  mustBeWhole(told, files);
  const first = { seq: told.first.seq, document: { ...told.first.document, id } };
  const { changes, documents, last, lines } = replayedHistory(history, first, new Set(told.releases.map(({ seq }) => seq)));
  mustSayWho(told, changes);
  const releases = told.releases.map((release, index) => {
    const document = documents.get(release.seq);
    if (!document || release.number !== index + 1)
      throw new Problem(`Release ${release.number} of this archive is not in its place; ${AGAIN}`);
    return { ...release, document };
  });
  await mustBeProved(told, about, lines);
  const alike = await writtenAgain(releases, told.first.document.id, files, goesOn);
  return {
    head: { ...told, first, releases: releases.map((release) => ({ ...release, isWrittenAgain: alike.has(release.number) })) },
    changes,
    last,
    files,
  };
}

/** The parts of an archive, none of them believed yet. */
function unpacked(bytes: Uint8Array) {
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
  return { parts, about: textOf(head, ARCHIVE_PATHS.head), history: textOf(log, ARCHIVE_PATHS.changes) };
}

/** Every file that is named is there, and every screen is one that can be set up again. */
function mustBeWhole(
  { pictures, hosts, profiles, releases, screens }: ArchiveHead,
  files: ReadonlyMap<string, Uint8Array>,
): void {
  const named = [...pictures, ...hosts, ...profiles, ...releases.flatMap((release) => [...release.files, ...release.manifest])];
  const missing = named.find(({ sha256: hash }) => !files.has(hash));
  if (missing) throw new Problem(`A file of this archive is missing (${missing.sha256.slice(0, 12)}…); ${AGAIN}`);
  const noPicture = pictures.find(({ sha256: hash, mediaType }) => `image/${pictureSize(files.get(hash)!)?.kind}` !== mediaType);
  if (noPicture) throw new Problem(`A picture of this archive is none (${noPicture.sha256.slice(0, 12)}…); ${AGAIN}`);
  const isAmiss = ({ id: screen, kind, held }: (typeof screens)[number], index: number) =>
    kind.is === 'build' ||
    (kind.is === 'picture' && !pictures.some((picture) => picture.sha256 === kind.picture)) ||
    (held ?? 0) > releases.length ||
    screens.findIndex((one) => one.id === screen) !== index;
  const amiss = screens.find(isAmiss);
  if (amiss) throw new Problem(`The screen ${amiss.name} of this archive is not as it should be; ${AGAIN}`);
}

/** Carries out every change again. @param wanted numbers of the changes after which the document is kept */
function replayedHistory(history: string, first: { seq: number; document: Brand }, wanted: ReadonlySet<number>) {
  const changes: ReplayedChange[] = [];
  const lines: HistoryLine[] = [];
  const documents = new Map([[first.seq, first.document]]);
  let last = first.document;
  for (const [at, line] of linesOf(history)) {
    const { seq, version, command, by, at: when } = read(ArchivedChange, line, `line ${at + 1} of history.jsonl`);
    if (seq !== first.seq + changes.length + 1) throw new Problem(`Change ${seq} of this archive is not in its place; ${AGAIN}`);
    if (version > COMMAND_VERSION) throw new Problem(newer());
    const known = storedCommand(command, version);
    const applied = known.success ? apply(last, known.data) : { ok: false as const, refusal: known.error.issues[0]!.message };
    if (!applied.ok)
      throw new Problem(`Change ${seq} of this archive cannot be carried out: ${applied.refusal} To go on, ${AGAIN}`);
    const done = known.data!;
    changes.push({ seq, by, at: when, command: done, inverse: applied.inverse, touched: touchedBy(done) });
    lines.push({ seq, text: line });
    last = applied.brand;
    if (wanted.has(seq)) documents.set(seq, last);
  }
  return { changes, documents, last, lines };
}

/** Each line with its place. None may be empty, so that there are as many as there are changes. */
function* linesOf(text: string): Generator<[at: number, line: string]> {
  for (let from = 0, at = 0; from < text.length; at++) {
    const end = text.indexOf('\n', from);
    const to = end < 0 ? text.length : end;
    if (to === from) throw new Problem(`Line ${at + 1} of history.jsonl in this archive is empty; ${AGAIN}`);
    yield [at, text.slice(from, to)];
    from = to + 1;
  }
}

/** The history and the files are those that the archive was made with. */
async function mustBeProved(
  { version, releases, proofs }: ArchiveHead,
  about: string,
  lines: readonly HistoryLine[],
): Promise<void> {
  if (version === 1) return;
  const { first } = JSON.parse(about) as { first: unknown };
  const found = await proofsOf(JSON.stringify(first), lines, releases);
  if (found.join() === proofs.join()) return;
  const at = found.findIndex((proof, index) => proof !== proofs[index]);
  const where = at < releases.length ? `up to release ${releases[at]!.number}` : 'after its last release';
  throw new Problem(`The history of this archive ${where} is not the one it was made with; ${AGAIN}`);
}

function mustSayWho(told: ArchiveHead, changes: readonly ReplayedChange[]): void {
  const { releases, signOffs, pictures, hosts, profiles, screens, people } = told;
  const remarks = signOffs.flatMap((signOff) => signOff.remarks);
  const doers = [...changes, ...releases, ...signOffs, ...remarks, ...pictures, ...hosts, ...profiles, ...screens].map(
    ({ by }) => by,
  );
  if ([...doers, ...remarks.map(({ settledBy }) => settledBy ?? 0)].some((place) => place >= people.length))
    throw new Problem(`This archive does not say who did all that it tells of; ${AGAIN}`);
}

/**
 * Numbers of the releases whose documents give the very files of the archive, the newest tried first.
 * @param id that the brand had, which some files say
 */
async function writtenAgain(
  releases: readonly (ArchiveHead['releases'][number] & { document: Brand })[],
  id: string,
  files: ReadonlyMap<string, Uint8Array>,
  goesOn: () => boolean,
): Promise<ReadonlySet<number>> {
  const alike = new Set<number>();
  for (const { number, document, version, files: told } of [...releases].reverse()) {
    if (!goesOn()) break;
    const brand = { ...document, id };
    const written = await bundle(brand, files, undefined, version);
    const all = [...written.manifest, await manifestEntry(manifestFile(brand, written.manifest), 'manifest')];
    const listed = (entries: readonly { path: string; sha256: string }[]) =>
      entries
        .map((entry) => `${entry.path} ${entry.sha256}`)
        .sort()
        .join();
    if (listed(all) === listed(told)) alike.add(number);
  }
  return alike;
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
    data = parseJson(json);
  } catch (error) {
    const why = error instanceof TooDeep ? 'is nested too deep' : 'is no JSON';
    throw new Problem(`In this archive, ${where} ${why}; ${AGAIN}`);
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
