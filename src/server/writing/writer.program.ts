/**
 * What runs in a process of its own, beside the server: everything that writes files, for a brand may be large and a template
 * may be anything. Bundled by itself when the application is built (`ops/build.ts`).
 */
import { promisify } from 'node:util';
import { deserialize } from 'node:v8';
import { brotliCompress, constants, gzip } from 'node:zlib';
import workerpool from 'workerpool';
import { ARCHIVE_LIMITS, type BrandArchive } from '@/core/archive/archive';
import { openArchive, type OpenedArchive } from '@/core/archive/open';
import { packArchive } from '@/core/archive/pack';
import { Brand } from '@/core/brand/document/document';
import { bundle, manifestFile, type StoredFiles, type ManifestEntry } from '@/core/release/bundle';
import { sheetHtml, sheetPages, type SheetChoice, type SheetExtras } from '@/core/sheet/sheet';
import { findingsSince } from '@/core/findings/since';
import { tokensNarrowed, tokensWritten } from '@/core/formats/registry';
import { csvOf } from '@/core/screens/match-csv';
import { matchHtml } from '@/core/screens/match-html';
import { toldMatch, wholeTable, type WatchedRelease } from '@/core/screens/told-match';
import { sheetFonts } from './sheet-fonts';
import { weigh, type Sizes, type Weight } from '@/core/release/weight';
import type { WrittenFile } from '@/core/formats/kit/format';
import { zipFiles } from '@/core/formats/kit/zip';

/** Bytes that a weighing may compress: a large brand is weighed in its larger groups only. */
const WORK_LIMIT = 64 * 1024 * 1024;

/** So long the releases of an archive are written again to see whether they give the same bytes, the newest first, in milliseconds. */
const WRITE_AGAIN_MS = 30_000;

/** All files of a release with its manifest; none when something stops it. */
async function release({ brand, version, kept = new Map() }: { brand: Brand; version?: string; kept?: StoredFiles }): Promise<{
  readonly stops: string | null;
  readonly files: readonly WrittenFile[];
  readonly manifest: readonly ManifestEntry[];
}> {
  const { files, manifest, findings } = await bundle(brand, kept, (share) => workerpool.workerEmit(share), version);
  const error = findings.find(({ severity }) => severity === 'error');
  if (error) return { stops: error.message, files: [], manifest: [] };
  return { stops: null, files: [...files, manifestFile(brand, manifest)], manifest };
}

/** Sentences of the errors that the rules find in a brand and did not find in it as it was before. */
function newErrors({ brand, before }: { brand: Brand; before?: Brand }): string[] {
  const known = { written: tokensWritten, narrow: tokensNarrowed };
  const { came } = findingsSince(before!, brand, known);
  return came.filter(({ severity }) => severity === 'error').map(({ message }) => message);
}

/** Whether a document would be read again as it is kept: what is wrong with it in words, or null. */
function readAgain({ brand }: { brand: Brand }): string | null {
  const read = Brand.safeParse(brand);
  return read.success ? null : read.error.issues[0]!.message;
}

/** A brand whole as one archive; null when it is larger than is taken again. */
async function packBrand({ archive }: { archive: BrandArchive }): Promise<Uint8Array | null> {
  const bytes = await packArchive(archive);
  return bytes.length > ARCHIVE_LIMITS.packed ? null : bytes;
}

function openBrand({ bytes, id }: { bytes: Uint8Array; id: string }): Promise<OpenedArchive | string> {
  const began = performance.now();
  return openArchive(bytes, id, () => performance.now() - began < WRITE_AGAIN_MS);
}

/** Files as one archive. */
function pack({ files }: { files: Parameters<typeof zipFiles>[0] }): Uint8Array {
  return zipFiles(files);
}

/** The brand sheet: as one document, or one of its pages, counted from 1, as SVG; null when there is no such page. */
function sheet(asked: {
  brand: Brand;
  choice: SheetChoice;
  page: number | null;
  logo: SheetExtras['logo'];
  inks: SheetExtras['inks'];
}): string | null {
  const { brand, choice, page, ...more } = asked;
  const extras = { ...more, fonts: sheetFonts() };
  return page === null ? sheetHtml(brand, choice, extras) : (sheetPages(brand, choice, extras)[page - 1] ?? null);
}

/** What the families of a destination weigh; null when it does not choose among them, a sentence when that is too much work. */
async function weight(asked: { brand: Brand; destination: string; group: string }): Promise<Weight | string | null> {
  const destination = asked.brand.destinations.find(({ id }) => id === asked.destination)!;
  let work = 0;
  try {
    return await weigh(asked.brand, destination, asked.group, (files) => {
      work += files.reduce((total, { length }) => total + length, 0);
      if (work > WORK_LIMIT) throw new TooMuch();
      return measure(files);
    });
  } catch (error) {
    if (error instanceof TooMuch) return error.message;
    throw error;
  }
}

class TooMuch extends Error {
  override readonly message =
    'These files are too many to be weighed family by family; leave out groups first, or take fewer themes.';
}

/** Compressed as a server of static files does it: gzip at 9, Brotli at 9 of 11, for many small weighings. */
async function measure(files: readonly Uint8Array[]): Promise<Sizes> {
  const sizes = await Promise.all(
    files.map(async (bytes) => {
      const [zipped, pressed] = await Promise.all([
        promisify(gzip)(bytes, { level: 9 }),
        promisify(brotliCompress)(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }),
      ]);
      return { raw: bytes.length, gzip: zipped.length, brotli: pressed.length };
    }),
  );
  const sum = (what: keyof Sizes) => sizes.reduce((total, size) => total + size[what], 0);
  return { raw: sum('raw'), gzip: sum('gzip'), brotli: sum('brotli') };
}

/** The match report as text in one of its forms; a page to be printed, for PDF. */
function match({ watched, as }: { watched: WatchedRelease; as: 'json' | 'csv' | 'pdf' }): string {
  if (as === 'json') return JSON.stringify(toldMatch(watched));
  if (as === 'csv')
    return csvOf(
      wholeTable(watched),
      watched.read.map(({ screen }) => screen),
    );
  const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeZone: 'UTC' }).format(new Date());
  return matchHtml(watched, sheetFonts(), day);
}

const jobs = { readAgain, match, release, newErrors, pack, packBrand, openBrand, sheet, weight };

export type WriterJobs = typeof jobs;

/** By name, each asked by a message as `Writer` makes it. */
workerpool.worker(
  Object.fromEntries(
    Object.entries(jobs).map(([name, job]) => [
      name,
      (message: Uint8Array): unknown => (job as (asked: unknown) => unknown)(deserialize(message)),
    ]),
  ),
);
