import type { ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Command, InvalidArgumentError } from 'commander';
import { demoSource } from '../demo/demo';
import { PAST } from '../demo/past';
import { build, buildPrograms } from './build';
import { backUpBefore } from './backup';
import { settingsProblems } from '../src/server/http/environment';
import { freePort, isFree } from './cluster';
import { dataFolder, openData, type Opened } from './data-folder';
import { ensurePostgres } from './postgres';
import { end, serve } from './server';
import { step } from './step';

const program = new Command('bin/start')
  .option('--port <number>', 'the port to serve on (3000, or the next free one)', portNumber)
  .option('--empty', 'without the demo: the first visitor becomes the owner')
  .option('--reset-demo', 'put the demo back as it was')
  .option('--dev', 'serve from source')
  .parse();
const options = program.opts<{ port?: number; empty?: boolean; resetDemo?: boolean; dev?: boolean }>();
const data = dataFolder();
const serverFile = join(data, 'server.json');
const started = performance.now();

/** What was started so far; every way out ends it. */
const begun: { opening?: Promise<Opened>; serving?: Promise<ChildProcess> } = {};
let stopping = false;

process.on('SIGINT', () => void stop(0));
process.on('SIGTERM', () => void stop(0));
try {
  await start();
} catch (error) {
  // What was asked to end fails in what it was doing.
  if (!stopping) {
    process.stderr.write(`${(error as Error).message}\n`);
    await stop(1);
  }
}

/** Ends what was started, in turn, and this process. What is just being started is waited for: it could not be ended otherwise. */
async function stop(code: number): Promise<void> {
  if (stopping) return;
  stopping = true;
  const server = await begun.serving?.catch(() => undefined);
  if (server) await end(server);
  const opened = await begun.opening?.catch(() => undefined);
  await opened?.close();
  forget();
  process.exit(code);
}

async function start(): Promise<void> {
  const problems = settingsProblems(process.env, ['BREAKWATER_DATABASE_URL', 'BREAKWATER_SECRET']);
  if (problems.length > 0) throw new Error(problems.join('\n'));
  const wanted = options.port ?? (process.env.PORT ? Number(process.env.PORT) : undefined);
  await endLeftOver();
  if (wanted !== undefined && !(await isFree(wanted)))
    throw new Error(`Port ${wanted} is taken by another program; stop that one, or choose another port with --port or PORT.`);
  // From here on a second start in this folder is refused, also while this one is still building.
  mkdirSync(data, { recursive: true });
  writeFileSync(serverFile, JSON.stringify({ starter: process.pid } satisfies Serving));
  await step(
    'PostgreSQL',
    ensurePostgres,
    ({ version, wasMissing }) => `${version} ${wasMissing ? 'installed' : 'is installed'}`,
  );
  const opened = await step(
    'database',
    () => (begun.opening = openData(data, options.empty ? 'own' : 'demo', { serves: true })),
    ({ where }) => `in ${where}`,
  );
  if (options.dev) await buildPrograms();
  else await step('build', build, (built) => (built ? 'built' : 'nothing has changed'));
  const env = { ...opened.env, BREAKWATER_DEMO: options.empty ? '0' : '1' };
  Object.assign(process.env, env);
  const { migrate, migrationState } = await import('../src/server/database/migrations');
  const { closeDatabase } = await import('../src/server/database/database');
  const { done, pending } = await migrationState();
  if (done.length > 0 && pending.length > 0) {
    const before = () => backUpBefore(pending[0]!, data, env.BREAKWATER_DATABASE_URL, env.BREAKWATER_SECRET);
    await step('backup', before, (file) => `in ${file}`);
  }
  await step('migrations', migrate, (taken) => (taken.length > 0 ? taken.join(', ') : 'up to date'));
  if (!options.empty) {
    const { loadDemo } = await import('../src/server/brands/demo');
    const { document, hosts } = demoSource();
    await step(
      'demo',
      () => loadDemo(document, options.resetDemo ?? false, hosts, PAST),
      (loaded) => (loaded ? 'loaded' : 'is there already'),
    );
  }
  await closeDatabase();

  const port = wanted ?? (await freePort(3_000));
  if (stopping) return;
  const server = await step('server', () => (begun.serving = serve(port, env, options.dev)));
  writeFileSync(serverFile, JSON.stringify({ starter: process.pid, server: server.pid!, port } satisfies Serving));
  const seconds = ((performance.now() - started) / 1000).toFixed(1);
  process.stdout.write(`\nBreakwater is ready after ${seconds} s at http://127.0.0.1:${port}  (Ctrl-C stops it)\n`);
  server.on('exit', (code) => void stop(code ?? 1));
}

/** What serves this data folder, by the ids of its processes. */
interface Serving {
  readonly starter: number;
  readonly server?: number;
  readonly port?: number;
}

/**
 * Refuses when this folder is served already. A server whose starter was killed goes on listening; it is ended by its id,
 * if that is still what it was.
 */
async function endLeftOver(): Promise<void> {
  if (!existsSync(serverFile)) return;
  const { starter, server, port } = JSON.parse(readFileSync(serverFile, 'utf8')) as Serving;
  if (starter !== process.pid && runs(starter, 'ops/start.ts')) {
    const where = port === undefined ? 'being started' : `served at http://127.0.0.1:${port}`;
    throw new Error(
      `Breakwater is already ${where} from ${data}. Stop that one first (Ctrl-C where it runs), or name another folder in BREAKWATER_DATA.`,
    );
  }
  rmSync(serverFile);
  if (server === undefined || !runs(server, 'next')) return;
  process.kill(server, 'SIGTERM');
  while (runs(server, 'next')) await new Promise((done) => setTimeout(done, 50));
}

/** Whether a process is there and still the one it was: ids are given out again. */
function runs(pid: number, word: string): boolean {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(word);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code === 'ENOENT' || code === 'ESRCH') return false;
    throw error;
  }
}

/** Takes away the note of who serves this folder, if it is this process. */
function forget(): void {
  if (existsSync(serverFile) && (JSON.parse(readFileSync(serverFile, 'utf8')) as Serving).starter === process.pid)
    rmSync(serverFile);
}

function portNumber(text: string): number {
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new InvalidArgumentError('A port is a whole number from 1 to 65535.');
  return port;
}
