import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { clusterFolder, createCluster, databaseUrl, isRunning, startCluster, stopCluster, type Cluster } from './cluster';

/** What a data folder keeps in `settings.json`, readable by its owner alone. */
export interface Settings {
  /** Absent when the database is elsewhere. */
  readonly cluster?: Cluster;
  /** Seals the session cookies. */
  readonly secret: string;
}

/** The folder that holds what an installation keeps. */
export function dataFolder(): string {
  return resolve(process.env.BREAKWATER_DATA ?? 'data');
}

/** The demo and an organisation of one's own never share a database. */
export type Which = 'own' | 'demo';
const NAMES: Record<Which, string> = { own: 'breakwater_empty', demo: 'breakwater' };

/** A data folder's database, running. */
export interface Opened {
  readonly where: string;
  readonly env: { readonly BREAKWATER_DATABASE_URL: string; readonly BREAKWATER_SECRET: string };
  /** Stops what was started for it. */
  readonly close: () => Promise<void>;
}

function settingsOf(data: string): Settings | undefined {
  const file = join(data, 'settings.json');
  return existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as Settings) : undefined;
}

/**
 * Opens the database of a data folder: the one that BREAKWATER_DATABASE_URL names, or else a private cluster, made at the first time with its
 * passwords.
 * @param secret that is to be its own from now on
 */
export async function openData(data: string, which: Which, secret?: string): Promise<Opened> {
  const elsewhere = process.env.BREAKWATER_DATABASE_URL;
  const known = settingsOf(data);
  mkdirSync(data, { recursive: true });
  const cluster = elsewhere ? known?.cluster : (known?.cluster ?? (await createCluster(clusterFolder(data))));
  const settings = { secret: secret ?? known?.secret ?? randomBytes(32).toString('base64url'), ...(cluster && { cluster }) };
  if (JSON.stringify(settings) !== JSON.stringify(known))
    writeFileSync(join(data, 'settings.json'), JSON.stringify(settings), { mode: 0o600 });
  const env = { BREAKWATER_SECRET: process.env.BREAKWATER_SECRET ?? settings.secret };
  if (elsewhere) {
    const { host, pathname } = new URL(elsewhere);
    return { where: `${host}${pathname}`, env: { ...env, BREAKWATER_DATABASE_URL: elsewhere }, close: () => Promise.resolve() };
  }
  const wasRunning = isRunning(cluster!);
  const running = await startCluster(cluster!);
  return {
    where: running.folder,
    env: { ...env, BREAKWATER_DATABASE_URL: await databaseUrl(running, NAMES[which]) },
    close: () => (wasRunning ? Promise.resolve() : stopCluster(running)),
  };
}
