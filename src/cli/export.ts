import { isBrandFile, parseBrandFile } from '@/core/intake/brand-file';
import { watch } from 'node:fs';
import { basename, dirname } from 'node:path';
import { brandFromIntake } from '@/core/intake/from-intake';
import type { Brand } from '@/core/brand/document/document';
import type { Destination } from '@/core/brand/document/destination-shape';
import { manifestEntry } from '@/core/release/bundle';
import type { WrittenFile } from '@/core/formats/kit/format';
import { FORMATS, formatById, writeDestination } from '@/core/formats/registry';
import { brandFromTokens } from '@/core/intake/tokens/brand-from-tokens';
import { problemsOf } from '@/core/intake/intake';
import { filesOfResolver } from '@/core/intake/tokens/token-files';
import type { Problem } from '@/core/source/problem';
import { fail, Failure, tell } from './failure';
import { filesBeside, load, readFileAs } from './input';
import { differing, placeFiles } from './place-files';
import { listFiles } from './list-files';

export interface ExportOptions {
  to?: string;
  out: string;
  theme?: string;
  set?: string[];
  check?: boolean;
  watch?: boolean;
  json?: boolean;
}

interface Exported {
  readonly file: WrittenFile;
  readonly format: string;
}

export async function exportFiles(path: string, options: ExportOptions): Promise<void> {
  const once = async () => {
    const written = writtenFiles(await brandOf(path), options);
    if (options.check) return compare(options.out, written);
    // Nothing is written before everything could be.
    placeFiles(
      options.out,
      written.map(({ file }) => file),
    );
    listFiles(await Promise.all(written.map(({ file, format }) => manifestEntry(file, format))), options.json ?? false);
  };
  if (!options.watch) return once();
  // One that is not there will not come by being watched.
  load(path);
  await whenChanged(path, async () => {
    try {
      await once();
    } catch (error) {
      // A file that is being written may be half there; the next change brings the rest.
      if (!(error instanceof Failure)) throw error;
      tell(error.message);
    }
  });
}

/** Exit 4 when the folder does not hold exactly these files. */
export function compare(out: string, written: readonly { readonly file: Pick<WrittenFile, 'path' | 'bytes'> }[]): void {
  const other = differing(
    out,
    written.map(({ file }) => file),
  );
  if (other.length === 0) return;
  const shown = other.slice(0, 5).join(', ');
  fail(`${out} is not up to date: ${shown}${other.length > 5 ? ` and ${other.length - 5} more` : ''}.`, 4);
}

/** The files of the formats asked for, or of the brand's own destinations; all of them or a Failure. */
function writtenFiles(brand: Brand, options: ExportOptions): Exported[] {
  const themes = options.theme === undefined ? brand.themes : brand.themes.filter((theme) => theme.name === options.theme);
  if (themes.length === 0) {
    fail(`there is no theme “${options.theme}”; this brand has ${brand.themes.map((theme) => theme.name).join(', ')}.`);
  }
  const all = options.to === 'all';
  const written: Exported[] = [];
  const notes = new Set<string>();
  for (const destination of destinationsFor(brand, options)) {
    const { files, findings } = writeDestination(brand, destination, themes);
    const error = findings.find(({ severity }) => severity === 'error');
    // Of all formats, some want what a brand may not have, such as a terminal's sixteen colours.
    if (error && !all) fail(error.message);
    if (error) notes.add(`${destination.format} is left out: ${error.message}`);
    else {
      for (const { message } of findings) notes.add(message);
      written.push(...files.map((file) => ({ file, format: destination.format })));
    }
  }
  for (const note of notes) tell(note);
  if (written.length === 0) fail('there is nothing to write: no destination, or none that this brand has the colours for.');
  return written;
}

/** The brand's own destinations carry the options its people chose; a format it does not ship to takes the defaults. */
function destinationsFor(brand: Brand, { to, set = [] }: ExportOptions): Pick<Destination, 'name' | 'format' | 'options'>[] {
  const given = Object.fromEntries(set.map(optionOf));
  if (to === undefined)
    return brand.destinations.map((destination) => ({ ...destination, options: { ...destination.options, ...given } }));
  const ids = to === 'all' ? FORMATS.map((format) => format.id) : to.split(',');
  return ids.flatMap((id) => {
    if (!formatById(id)) fail(`there is no format “${id}” to write; “breakwater formats” lists them.`);
    const shippedAs = brand.destinations.filter((destination) => destination.format === id);
    const list = shippedAs.length > 0 ? shippedAs : [{ name: id, format: id, options: {} }];
    return list.map((destination) => ({ ...destination, options: { ...destination.options, ...given } }));
  });
}

/** `prefix=v1-`, or with JSON: `without=["trainer"]`. */
function optionOf(text: string): [string, Destination['options'][string]] {
  const cut = text.indexOf('=');
  if (cut < 1) fail(`“${text}” sets nothing; write name=value, such as prefix=v1-.`);
  const value = text.slice(cut + 1);
  try {
    return [text.slice(0, cut), JSON.parse(value) as Destination['options'][string]];
  } catch {
    // What is no JSON is a text.
    return [text.slice(0, cut), value];
  }
}

export async function brandOf(path: string): Promise<Brand> {
  const file = load(path);
  const text = new TextDecoder().decode(file.bytes);
  if (isBrandFile(text)) {
    const parsed = parseBrandFile(text);
    if ('brand' in parsed) return parsed.brand;
    fail(`${file.name}: ${parsed.problems[0]!.message}`);
  }
  const intake = await readFileAs(file);
  const name = file.name.replace(/\.[^.]+$/, '');
  if (intake.format !== 'dtcg') {
    tellAll(problemsOf(intake));
    return brandFromIntake(name, intake);
  }
  const besides = filesOfResolver(file).flatMap((name) => filesBeside(file)(name) ?? []);
  const { brand, problems } = brandFromTokens(name.replace(/\.(?:tokens|resolver)$/, ''), [file, ...besides]);
  tellAll(problems);
  return brand;
}

/** What could not be read of the input, a line each on stderr. */
function tellAll(problems: readonly Problem[]): void {
  for (const { line, message } of problems) tell(`line ${line}: ${message}`);
}

/** Editors write a file in several steps: it is looked at when they have rested for so long, in milliseconds. */
const REST_MS = 120;

/** Runs now and whenever the file becomes another, until the process is ended. */
async function whenChanged(path: string, run: () => Promise<void>): Promise<never> {
  let timer: NodeJS.Timeout | undefined;
  let running = Promise.resolve();
  // Watched before the file is first read, or a change in between would be lost; and the folder, because many editors put a
  // new file in the place of the old one.
  watch(dirname(path), (_event, name) => {
    if (name !== basename(path)) return;
    clearTimeout(timer);
    timer = setTimeout(() => (running = running.then(run)), REST_MS);
  });
  await (running = run());
  tell(`watching ${path}; Ctrl-C stops.`);
  return new Promise<never>(() => {});
}
