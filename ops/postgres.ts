import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { install } from './debian';

/** Where Debian's packages put each version of PostgreSQL. */
const VERSIONS = '/usr/lib/postgresql';
const LEAST = 14;

function installed(): number[] {
  if (!existsSync(VERSIONS)) return [];
  return readdirSync(VERSIONS)
    .map(Number)
    .filter((version) => version >= LEAST && existsSync(`${VERSIONS}/${version}/bin/postgres`))
    .sort((one, two) => two - one);
}

/** Installs the PostgreSQL that this Debian offers, unless there is one that will do. @returns its version, and whether it had to */
export async function ensurePostgres(): Promise<{ version: number; wasMissing: boolean }> {
  const wasMissing = installed().length === 0;
  if (wasMissing) await install('postgresql');
  const [version] = installed();
  if (version === undefined)
    throw new Error(
      `Breakwater needs PostgreSQL ${LEAST} or newer, and this Debian offers an older one; upgrade the system first.`,
    );
  return { version, wasMissing };
}

/** The folder of programs for a cluster: of the version that made it, or of the newest for one that is still to be made. */
export function binariesFor(folder: string): string {
  const file = `${folder}/data/PG_VERSION`;
  const versions = installed();
  if (!existsSync(file)) return `${VERSIONS}/${versions[0]}/bin`;
  const made = readFileSync(file, 'utf8').trim();
  if (!versions.includes(Number(made)))
    throw new Error(
      `The database in ${folder} was made by PostgreSQL ${made}, which is not installed. Install Debian’s package postgresql-${made}, or restore a backup into an empty folder (docs/operations.md).`,
    );
  return `${VERSIONS}/${made}/bin`;
}

/** The folder of the newest programs, for a database that is elsewhere. */
export function newestBinaries(): string {
  return `${VERSIONS}/${installed()[0]}/bin`;
}
