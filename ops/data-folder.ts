import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, relative, resolve } from 'node:path';
import {
  clusterFolder,
  createCluster,
  databaseUrl,
  isRunning,
  settleIn,
  startCluster,
  stopCluster,
  type Cluster,
} from './cluster';

/** What a data folder keeps in `settings.json`, readable by its owner alone. */
export interface Settings {
  /** Its folder is told from the data folder, where it lies in it. Absent when the database is elsewhere. */
  readonly cluster?: Cluster;
  /** Seals the session cookies. */
  readonly secret: string;
  /** Of this folder and no copy of it. Those of before there were any have none. */
  readonly id?: string;
  /** Where the folder was when it was last started. */
  readonly at?: string;
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

/** What was found out about a data folder that was started elsewhere before. */
type Lineage = 'the same' | 'moved' | 'a copy';

/** A folder that is not where it was last started was moved, or, where the one it was is there still, copied. */
function lineageOf(data: string, { id, at, cluster }: Settings): Lineage {
  // Of before folders had ids: the place of the cluster says which folder it was made for.
  if (id === undefined || at === undefined)
    return cluster === undefined || cluster.folder === clusterFolder(data) ? 'the same' : 'a copy';
  if (at === data) return 'the same';
  return settingsOf(at)?.id === id ? 'a copy' : 'moved';
}

/** The cluster of a data folder, with the place where it lies now. @returns undefined where there is none yet */
function clusterOf(data: string, settings: Settings | undefined, lineage: Lineage): Cluster | undefined {
  if (!settings?.cluster) return undefined;
  const { folder } = settings.cluster;
  const inside = join(data, 'postgres');
  const told = resolve(data, folder);
  if (told === inside || lineage === 'the same') return { ...settings.cluster, folder: told };
  // An absolute place in another data folder, from before such places were told from the folder.
  if (existsSync(inside)) return { ...settings.cluster, folder: inside };
  if (lineage === 'moved') return { ...settings.cluster, folder: told };
  throw new Error(
    `${data} is a copy, or was moved: its settings.json names the database in ${told}, which was made for another folder. Write a backup there and restore it into an empty folder (bin/breakwater-admin), or move the folder back.`,
  );
}

/** How a cluster is written down: what lies in the data folder goes with it. */
function writtenCluster(data: string, cluster: Cluster): Cluster {
  const inside = relative(data, cluster.folder);
  return inside.startsWith('..') ? cluster : { ...cluster, folder: inside };
}

/**
 * Opens the database of a data folder: the one that BREAKWATER_DATABASE_URL names, or else a private cluster, made at the first time with its
 * passwords. A copy of a folder gets an identity of its own, and what sealed the sessions of the original seals none of its own.
 * @param secret that is to be its own from now on
 * @param serves whether this process serves the folder: then the cluster is its to stop, whoever left it running
 */
export async function openData(
  data: string,
  which: Which,
  { secret, serves = false }: { secret?: string | undefined; serves?: boolean } = {},
): Promise<Opened> {
  const elsewhere = process.env.BREAKWATER_DATABASE_URL;
  const known = settingsOf(data);
  const lineage = known ? lineageOf(data, known) : 'the same';
  mkdirSync(data, { recursive: true });
  const there = clusterOf(data, known, lineage);
  const cluster = there ?? (elsewhere ? undefined : await createCluster(clusterFolder(data)));
  if (there && lineage !== 'the same') await settleIn(there);
  const own = lineage === 'a copy' ? undefined : known;
  const settings: Settings = {
    secret: secret ?? own?.secret ?? randomBytes(32).toString('base64url'),
    id: own?.id ?? randomBytes(9).toString('base64url'),
    at: data,
    ...(cluster && { cluster: writtenCluster(data, cluster) }),
  };
  if (JSON.stringify(settings) !== JSON.stringify(known))
    writeFileSync(join(data, 'settings.json'), JSON.stringify(settings), { mode: 0o600 });
  const env = { BREAKWATER_SECRET: process.env.BREAKWATER_SECRET ?? settings.secret };
  if (elsewhere) {
    const { host, pathname } = new URL(elsewhere);
    return { where: `${host}${pathname}`, env: { ...env, BREAKWATER_DATABASE_URL: elsewhere }, close: () => Promise.resolve() };
  }
  const isOurs = serves || !isRunning(cluster!);
  const running = await startCluster(cluster!);
  const close = async () => {
    if (isOurs && isRunning(running)) await stopCluster(running);
  };
  try {
    return { where: running.folder, env: { ...env, BREAKWATER_DATABASE_URL: await databaseUrl(running, NAMES[which]) }, close };
  } catch (error) {
    await close();
    throw error;
  }
}
