import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { spawn } from 'node:child_process';
import { build } from './build';
import { createCluster, startCluster, stopCluster, type Cluster } from './cluster';
import { ensure } from './debian';
import { ensurePostgres } from './postgres';
import { ROOM_FOR_THE_NEW } from './server';
import { run, step, stepBeside } from './step';
import { makeTemplates } from './test-databases';

const NODE = process.execPath;
process.env.NODE_OPTIONS = ROOM_FOR_THE_NEW;
/** The folders of each part of the tests. */
const PARTS = { unit: ['src', 'tests/reference', 'tests/foreign'], server: ['tests/server'], browser: ['tests/browser'] };
type Part = keyof typeof PARTS;
/** Where eslint keeps what it has seen; `npm ci` throws it away. */
const ESLINT_CACHE = 'node_modules/.cache/eslint/';
/** So many of the files that took longest are named at the end. */
const LONGEST = 5;

const [wanted, file, title] = process.argv.slice(2);
const folder = mkdtempSync(join(tmpdir(), 'breakwater-test-'));
const tally = { passed: 0, failed: 0 };
const seconds: [file: string, seconds: number][] = [];

try {
  await main();
} catch (error) {
  process.stderr.write(`${(error as Error).message}\n`);
  tally.failed++;
}
rmSync(folder, { recursive: true, force: true });
if (!file) {
  const longest = seconds.sort(([, one], [, two]) => two - one).slice(0, LONGEST);
  process.stdout.write(`\nLongest:${longest.map(([path, took]) => `\n  ${took.toFixed(1)} s  ${path}`).join('')}\n`);
}
process.stdout.write(`\n${tally.passed} passed, ${tally.failed} failed\n`);
process.exit(tally.failed > 0 ? 1 : 0);

async function main(): Promise<void> {
  if (wanted !== undefined && !(wanted in PARTS)) {
    throw new Error(`There is no part “${wanted}”; bin/test [${Object.keys(PARTS).join('|')}] [file] [test]`);
  }
  await step('Debian packages', async () => {
    await ensurePostgres();
    await ensure('/usr/bin/chromium-headless-shell', 'chromium-headless-shell');
    await ensure('/usr/bin/firefox-esr', 'firefox-esr');
    await ensure('/usr/bin/xmllint', 'libxml2-utils');
    await ensure('/usr/sbin/pgbouncer', 'pgbouncer');
    await ensure('/usr/sbin/nginx', 'nginx-light');
    // Another implementation of ICC profiles, and a profile.
    await ensure('/usr/bin/icclu', 'argyll');
    await ensure('/usr/share/color/icc/ghostscript/default_cmyk.icc', 'libgs-common');
  });
  // What only reads the code takes what the tests leave over of the two cores.
  const parts = wanted ? [wanted as Part] : (Object.keys(PARTS) as Part[]);
  await Promise.all([tests(parts), wanted ? undefined : read()]);
}

async function tests(parts: readonly Part[]): Promise<void> {
  if (parts.every((part) => part === 'unit')) return jest(parts);
  await stepBeside('build', build, (built) => (built ? '' : 'nothing has changed'));
  const cluster = await stepBeside('database', throwAwayCluster);
  try {
    await jest(parts, { BREAKWATER_TEST_CLUSTER: JSON.stringify(cluster) });
  } finally {
    await stopCluster(cluster);
  }
}

/** Everything that is found by reading the code. What has not changed since the last time is passed over. */
async function read(): Promise<void> {
  await check('formatter', ['node_modules/prettier/bin/prettier.cjs', '--check', '--cache', '--log-level', 'warn', '.']);
  await check('lint', [
    'node_modules/eslint/bin/eslint.js',
    '--cache',
    '--cache-location',
    ESLINT_CACHE,
    '--max-warnings',
    '0',
    '.',
  ]);
  await check('layers', [
    'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
    '--config',
    '.dependency-cruiser.cjs',
    '--output-type',
    'err-long',
    'src',
    'stand-ins',
    'ops',
    'tests',
  ]);
  await run(NODE, ['node_modules/next/dist/bin/next', 'typegen']);
  await check('types', ['node_modules/ts7/bin/tsc', '--noEmit']);
}

async function throwAwayCluster(): Promise<Cluster> {
  // The database's own user has to be able to walk in.
  chmodSync(folder, 0o755);
  const cluster = await startCluster(await createCluster(join(folder, 'postgres'), true));
  await makeTemplates(cluster);
  return cluster;
}

/** One command that passes or fails as a whole; its output is shown when it fails. */
async function check(name: string, args: string[]): Promise<void> {
  try {
    await stepBeside(name, () => run('nice', [NODE, ...args]));
    tally.passed++;
  } catch (error) {
    process.stdout.write(`${(error as Error).message}\n`);
    tally.failed++;
  }
}

/** Parts of the tests, two files beside each other and counted one by one; what failed is shown, and of a single file every test. */
async function jest(parts: readonly Part[], env: Record<string, string> = {}): Promise<void> {
  const name = parts.join(', ');
  const report = join(folder, `${parts.join('-')}.json`);
  const paths = parts.flatMap((part) => PARTS[part]).map((path) => (file ? `${path}/.*${file}` : path));
  const shown = file ? ['--verbose'] : ['--silent'];
  const only = title ? ['--testNamePattern', title] : [];
  const args = [
    'node_modules/jest/bin/jest.js',
    '--maxWorkers=3',
    ...shown,
    ...only,
    // A snapshot that is missing fails; it is not made on the way.
    '--ci',
    '--json',
    `--outputFile=${report}`,
    ...paths,
  ];
  await stepBeside(
    `${name} tests`,
    () =>
      new Promise<string>((resolve) => {
        const child = spawn(NODE, args, {
          env: { ...process.env, ...env, NODE_ENV: 'test' },
          stdio: ['ignore', 'ignore', 'pipe'],
        });
        let output = '';
        child.stderr.on('data', (chunk: Buffer) => (output += chunk.toString()));
        child.on('close', (code) => resolve(code === 0 && !file ? '' : `\n${output}`));
      }),
    (output) => output,
  );
  if (!existsSync(report)) throw new Error(`The ${name} tests did not run.`);
  const result = JSON.parse(readFileSync(report, 'utf8')) as {
    numPassedTests: number;
    numFailedTests: number;
    numRuntimeErrorTestSuites: number;
    testResults: { name: string; startTime: number; endTime: number }[];
  };
  if (result.testResults.length === 0) throw new Error(`No file of the ${name} tests is called ${file}.`);
  tally.passed += result.numPassedTests;
  tally.failed += result.numFailedTests + result.numRuntimeErrorTestSuites;
  for (const { name: path, startTime, endTime } of result.testResults)
    seconds.push([relative(process.cwd(), path), (endTime - startTime) / 1000]);
}
