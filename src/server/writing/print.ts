import { createHash } from 'node:crypto';
import { mkdtemp, readdir, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { LRUCache } from 'lru-cache';
import { inksOf, type Inks } from '@/core/colour/ink';
import { tidyName } from '@/core/intake/intake';
import { database } from '../database/database';
import type { PersonRow } from '../database/rows';
import { loadBrand } from '../log/documents';
import { foreign } from './foreign';
import { onePerProcess } from '../database/one-per-process';
import { Refused } from '../http/refused';

/** Where systems keep the profiles that programs share (freedesktop.org, as Debian installs them). */
const SYSTEM = '/usr/share/color/icc';
/** The largest profile that is taken, in bytes: those of printing are below 3 MB. */
const LARGEST = 4 * 1024 * 1024;
/** Profiles that a brand keeps, for a change of mind, and that are offered of the system. */
const MOST = 20;
const MOST_OFFERED = 100;
const MOST_LOOKED_AT = 1_000;
/** The most colours that are converted at once. */
const MOST_COLOURS = 4_000;
/** Conversions that are kept. */
const KEPT = 50_000;

const NO_PROFILE = 'This is no ICC profile of a printing condition; one for cyan, magenta, yellow and black is wanted.';
const NOT_CONVERTED = 'This profile cannot be used: the colours of the brand could not be converted by it. Take another.';

/** A profile by which colours are printed. */
export interface Condition {
  readonly profile: string;
  readonly name: string;
}

/**
 * What profiles call themselves, read in a process of their own; null for what is no ICC profile of four inks.
 * @param paths of files
 */
async function namesOf(paths: readonly string[]): Promise<(string | null)[]> {
  const { names } = await foreign('profileNames', { paths }, NO_PROFILE);
  return names.map((name) => name && tidyName(name));
}

/** Keeps a profile beside the brand, once it has converted a colour. */
export async function keepProfile(person: PersonRow, brandId: string, given: Uint8Array): Promise<Condition> {
  const bytes = Buffer.from(given);
  if (bytes.length > LARGEST) throw new Refused(413, 'A profile is at most 4 MB.');
  const [name] = await withFile(bytes, (path) => namesOf([path]));
  if (!name) throw new Refused(400, NO_PROFILE);
  const profile = createHash('sha256').update(bytes).digest('hex');
  const { PrintProfile } = database();
  if (!(await PrintProfile.findOne({ where: { brandId, sha256: profile }, attributes: ['name'] }))) {
    if ((await PrintProfile.count({ where: { brandId } })) >= MOST)
      throw new Refused(409, `A brand keeps at most ${MOST} profiles.`);
    await converted(bytes, ['#808080']);
    await PrintProfile.bulkCreate([{ brandId, sha256: profile, name, bytes, personId: person.id }], { ignoreDuplicates: true });
  }
  return { profile, name };
}

/** The printing profiles that the system has: their names, and where each is. Looked for once. */
export function systemProfiles(): Promise<ReadonlyMap<string, string>> {
  return onePerProcess('system profiles', async () => {
    const found = new Map<string, string>();
    const files = await readdir(SYSTEM, { recursive: true }).catch((error: NodeJS.ErrnoException) => {
      if (error.code === 'ENOENT') return [];
      throw error;
    });
    const paths: string[] = [];
    for (const file of files.filter((path) => /\.ic[cm]$/i.test(path)).sort())
      if ((await stat(join(SYSTEM, file))).size <= LARGEST) paths.push(join(SYSTEM, file));
    const names = await namesOf(paths.slice(0, MOST_LOOKED_AT));
    for (const [at, name] of names.entries())
      if (name !== null && !found.has(name) && found.size < MOST_OFFERED) found.set(name, paths[at]!);
    return found;
  });
}

/** Keeps one of the system's profiles beside the brand, so that the brand goes on as it is when the system changes. */
export async function keepSystemProfile(person: PersonRow, brandId: string, name: string): Promise<Condition> {
  const path = (await systemProfiles()).get(name);
  if (path === undefined) throw new Refused(404, `This server has no profile called ${name}; choose another.`);
  return keepProfile(person, brandId, await readFile(path));
}

const conversions = () => onePerProcess('inks', () => new LRUCache<string, Inks>({ max: KEPT }));

/**
 * Colours as the brand's printing condition prints them.
 * @param colours `#rrggbb`
 * @returns by colour; null when the brand has no printing condition
 */
export async function printed(
  brandId: string,
  colours: readonly string[],
): Promise<{ readonly name: string; readonly inks: ReadonlyMap<string, Inks> } | null> {
  const { print } = (await loadBrand(brandId)).brand;
  if (!print) return null;
  const wanted = [...new Set(colours)].slice(0, MOST_COLOURS);
  const key = (hex: string) => `${print.profile} ${hex}`;
  const missing = wanted.filter((hex) => !conversions().has(key(hex)));
  if (missing.length > 0) {
    const row = await database().PrintProfile.findOne({ where: { brandId, sha256: print.profile } });
    if (!row) throw new Refused(404, `The profile ${print.name} is not on this server; choose a profile again.`);
    for (const [hex, inks] of await converted(row.bytes, missing)) conversions().set(key(hex), inks);
  }
  return {
    name: print.name,
    inks: new Map(
      wanted.flatMap((hex) => {
        const inks = conversions().get(key(hex));
        return inks ? [[hex, inks] as const] : [];
      }),
    ),
  };
}

async function converted(profile: Buffer, colours: readonly string[]): Promise<Map<string, Inks>> {
  const digits = colours.map((hex) => hex.slice(1)).join('');
  const answer = await withFile(profile, (path) => foreign('inks', { profile: path, colours: digits }, NOT_CONVERTED));
  const bytes = Buffer.from(answer.inks, 'hex');
  return new Map(
    colours.map((hex, at) => {
      const four = [...bytes.subarray(at * 4, at * 4 + 4)] as [number, number, number, number];
      return [hex, inksOf(hex, four, `#${answer.printed.slice(at * 6, at * 6 + 6)}`)];
    }),
  );
}

/** A profile as a file, for as long as it is worked with. */
async function withFile<T>(profile: Buffer, work: (path: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'breakwater-profile-'));
  try {
    const path = join(folder, 'profile.icc');
    await writeFile(path, profile);
    return await work(path);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
