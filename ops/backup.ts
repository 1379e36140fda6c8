import { createHash } from 'node:crypto';
import {
  createReadStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { z } from 'zod';
import { newestBinaries } from './postgres';
import { run } from './step';

/** The parts of a backup, which is one tar file: what it is, the settings, and the whole database with its pictures and releases. */
const ABOUT = 'backup.json';
const SETTINGS = 'settings.json';
const DUMP = 'database.dump';

const About = z.object({
  format: z.literal('breakwater-backup', 'This is no backup of Breakwater.'),
  version: z.literal(1, 'This backup was made by a newer Breakwater; restore it with that.'),
  made: z.iso.datetime(),
  /** Of the database's part. */
  sha256: z.string(),
});
const Kept = z.object({ secret: z.string().min(32) });

/**
 * Writes a backup: one state of the database as it is at one moment, while people go on working. The file is readable by its owner
 * alone, for it holds what seals the cookies; it is there whole, or not at all.
 */
export async function backUp(url: string, secret: string, file: string): Promise<void> {
  mkdirSync(dirname(file), { recursive: true });
  const folder = mkdtempSync(join(dirname(file), '.breakwater-backup-'));
  try {
    await run(`${newestBinaries()}/pg_dump`, [
      '--format=custom',
      '--no-owner',
      '--no-privileges',
      `--file=${join(folder, DUMP)}`,
      url,
    ]);
    const about = {
      format: 'breakwater-backup',
      version: 1,
      made: new Date().toISOString(),
      sha256: await hashOf(join(folder, DUMP)),
    };
    writeFileSync(join(folder, ABOUT), JSON.stringify(about));
    writeFileSync(join(folder, SETTINGS), JSON.stringify({ secret }));
    const whole = join(folder, 'whole.tar');
    writeFileSync(whole, '', { mode: 0o600 });
    await run('tar', ['-cf', whole, '-C', folder, ABOUT, SETTINGS, DUMP]);
    await run('sync', [whole]);
    renameSync(whole, file);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** A backup taken apart in a folder of its own. */
export interface TakenApart {
  readonly made: string;
  readonly secret: string;
  /** Puts the database's part into an empty database, all of it or nothing. */
  readonly fill: (url: string) => Promise<void>;
  readonly close: () => void;
}

/** Takes a backup apart beside itself. @throws Error with a sentence for a file that is no backup, or not whole */
export async function takeApart(file: string): Promise<TakenApart> {
  if (!existsSync(file)) throw new Error(`There is no file ${file}.`);
  const folder = mkdtempSync(join(dirname(file), '.breakwater-restore-'));
  const close = () => rmSync(folder, { recursive: true, force: true });
  try {
    await run('tar', ['-xf', file, '-C', folder, ABOUT, SETTINGS, DUMP]).catch(() => {
      throw new Error(`${file} is no backup of Breakwater, or not all of it is there.`);
    });
    const about = About.parse(JSON.parse(readFileSync(join(folder, ABOUT), 'utf8')));
    const { secret } = Kept.parse(JSON.parse(readFileSync(join(folder, SETTINGS), 'utf8')));
    const dump = join(folder, DUMP);
    if ((await hashOf(dump)) !== about.sha256) throw new Error(`${file} is damaged: its database has not the hash that it says.`);
    const fill = async (url: string) => {
      const options = ['--no-owner', '--no-privileges', '--single-transaction', '--exit-on-error'];
      await run(`${newestBinaries()}/pg_restore`, [...options, `--dbname=${url}`, dump]);
    };
    return { made: about.made, secret, fill, close };
  } catch (error) {
    close();
    throw error;
  }
}

/** So many of the backups that are made before migrations are kept. */
const KEPT = 5;

/** A backup in the data folder before the database is changed by a new version. @returns its path */
export async function backUpBefore(migration: string, data: string, url: string, secret: string): Promise<string> {
  const folder = join(data, 'backups');
  const file = join(folder, `${new Date().toISOString().replaceAll(':', '-')}-before-${migration}.tar`);
  await backUp(url, secret, file);
  const old = readdirSync(folder)
    .filter((name) => name.includes('-before-'))
    .sort()
    .slice(0, -KEPT);
  for (const name of old) rmSync(join(folder, name));
  return file;
}

async function hashOf(file: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}
