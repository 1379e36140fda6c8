import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { spawn } from 'node:child_process';
import { build } from './build';
import { createCluster, POSTGRES, startCluster, stopCluster, type Cluster } from './cluster';
import { ensure } from './debian';
import { run, step, stepBeside } from './step';

const NODE = process.execPath;
const only = process.argv[2];
const folder = mkdtempSync(join(tmpdir(), 'breakwater-test-'));
const tally = { passed: 0, failed: 0 };

try {
  await main();
} catch (error) {
  process.stderr.write(`${(error as Error).message}\n`);
  tally.failed++;
}
rmSync(folder, { recursive: true, force: true });
process.stdout.write(`\n${tally.passed} passed, ${tally.failed} failed\n`);
process.exit(tally.failed > 0 ? 1 : 0);

async function main(): Promise<void> {
  await step('Debian packages', async () => {
    await ensure(POSTGRES, 'postgresql-15');
    await ensure('/usr/bin/chromium', 'chromium');
    await ensure('/usr/bin/xmllint', 'libxml2-utils');
  });
  // Each keeps one core busy, so they run beside each other.
  await Promise.all([
    only ? undefined : read(),
    only && only !== 'unit' ? undefined : jest('unit', ['src', 'tests/reference', 'tests/foreign']),
  ]);
  if (!only || only === 'server' || only === 'browser') {
    await step('build', build, (built) => (built ? '' : 'nothing has changed'));
    const cluster = await step('database', throwAwayCluster);
    try {
      const env = { BREAKWATER_TEST_CLUSTER: JSON.stringify(cluster) };
      if (only !== 'browser') await jest('server', ['tests/server', '--runInBand'], env);
      if (only !== 'server') await jest('browser', ['tests/browser', '--runInBand'], env);
    } finally {
      await stopCluster(cluster);
    }
  }
}

/** Everything that is found by reading the code. */
async function read(): Promise<void> {
  await check('formatter', ['node_modules/prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.']);
  await check('lint', ['node_modules/eslint/bin/eslint.js', '--max-warnings', '0', '.']);
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
  return startCluster(await createCluster(join(folder, 'postgres'), true));
}

/** One command that passes or fails as a whole; its output is shown when it fails. */
async function check(name: string, args: string[]): Promise<void> {
  try {
    await stepBeside(name, () => run(NODE, args));
    tally.passed++;
  } catch (error) {
    process.stdout.write(`${(error as Error).message}\n`);
    tally.failed++;
  }
}

/** A part of the tests, counted one by one; what failed is shown. */
async function jest(name: string, args: string[], env: Record<string, string> = {}): Promise<void> {
  const report = join(folder, `${name}.json`);
  await stepBeside(
    `${name} tests`,
    () =>
      new Promise<string>((resolve) => {
        const child = spawn(NODE, ['node_modules/jest/bin/jest.js', ...args, '--silent', '--json', `--outputFile=${report}`], {
          env: { ...process.env, ...env, NODE_ENV: 'test' },
          stdio: ['ignore', 'ignore', 'pipe'],
        });
        let output = '';
        child.stderr.on('data', (chunk: Buffer) => (output += chunk.toString()));
        child.on('close', (code) => resolve(code === 0 ? '' : `\n${output}`));
      }),
    (output) => output,
  );
  if (!existsSync(report)) throw new Error(`The ${name} tests did not run.`);
  const result = JSON.parse(readFileSync(report, 'utf8')) as {
    numPassedTests: number;
    numFailedTests: number;
    numRuntimeErrorTestSuites: number;
  };
  tally.passed += result.numPassedTests;
  tally.failed += result.numFailedTests + result.numRuntimeErrorTestSuites;
}
