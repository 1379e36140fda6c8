import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Command, InvalidArgumentError } from 'commander';
import { demoSource } from '../demo/demo';
import { PAST } from '../demo/past';
import { build, buildPrograms } from './build';
import { backUpBefore } from './backup';
import { freePort } from './cluster';
import { dataFolder, openData } from './data-folder';
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

try {
  await start();
} catch (error) {
  process.stderr.write(`${(error as Error).message}\n`);
  forget();
  process.exit(1);
}

async function start(): Promise<void> {
  await endLeftOver();
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
    () => openData(data, options.empty ? 'own' : 'demo'),
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

  const port = options.port ?? (await freePort(3_000));
  const server = await step('server', () => serve(port, env, options.dev));
  writeFileSync(serverFile, JSON.stringify({ starter: process.pid, server: server.pid!, port } satisfies Serving));
  const seconds = ((performance.now() - started) / 1000).toFixed(1);
  process.stdout.write(`\nBreakwater is ready after ${seconds} s at http://127.0.0.1:${port}  (Ctrl-C stops it)\n`);

  let stopping = false;
  const stop = async (code: number) => {
    if (stopping) return;
    stopping = true;
    await end(server);
    forget();
    await opened.close();
    process.exit(code);
  };
  process.on('SIGINT', () => void stop(0));
  process.on('SIGTERM', () => void stop(0));
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
