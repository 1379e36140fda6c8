/**
 * Plants small faults in the code, one at a time, and tells which of them the tests do not notice.
 *   npm run mutate                      every room; takes hours
 *   npm run mutate colour source        these rooms
 *   npm run mutate FILE...              these files, each with the tests of its room
 *   npm run mutate -- --every 8         one fault in eight, the same ones each time; --from 3 takes another eighth
 * Prints every fault that went unseen, and a table by room. Of the faults that no test reaches all are counted.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { Stryker } from '@stryker-mutator/core';
import type { Share } from './plugins';

/** The rooms that are measured: their folder, and the tests that are to notice, which are its own and a few of published values. */
const ROOMS: Readonly<Record<string, { readonly folder: string; readonly others?: string }>> = {
  colour: { folder: 'src/core/colour', others: 'tests/reference/{colours,ciede2000,contrast}' },
  brand: { folder: 'src/core/brand' },
  palette: { folder: 'src/core/palette' },
  source: { folder: 'src/core/source', others: 'tests/foreign/*' },
  findings: { folder: 'src/core/findings' },
  cli: { folder: 'src/cli', others: 'tests/reference/cli' },
  kit: { folder: 'src/core/formats/kit' },
};

/** Outcomes in which a test noticed: it failed, or the fault kept it from ending. */
const NOTICED = new Set(['Killed', 'Timeout']);

const HERE = fileURLToPath(new URL('.', import.meta.url));

const { values, positionals: wanted } = parseArgs({
  allowPositionals: true,
  options: { every: { type: 'string', default: '1' }, from: { type: 'string', default: '0' } },
});
const share: Share = { every: Number(values.every), from: Number(values.from) };
if (!Number.isInteger(share.every) || share.every < 1 || !Number.isInteger(share.from) || share.from < 0) {
  process.stderr.write('--every takes a whole number from 1, --from one from 0.\n');
  process.exit(2);
}
const unknown = wanted.find((given) => !(given in ROOMS) && !roomOf(given));
if (unknown) {
  process.stderr.write(`${unknown} is neither a room nor a file of one; the rooms are ${Object.keys(ROOMS).join(', ')}.\n`);
  process.exit(2);
}
const folder = mkdtempSync(join(tmpdir(), 'breakwater-mutate-'));
Object.assign(process.env, { MUTANT_REACH: join(folder, 'reach.json'), NO_SHRINKING: '1' });
const rows: string[] = [];
for (const [room, { folder: code, others }] of Object.entries(ROOMS)) {
  const files = wanted.filter((given) => roomOf(given) === room);
  if (wanted.length > 0 && files.length === 0 && !wanted.includes(room)) continue;
  rmSync(process.env.MUTANT_REACH!, { force: true });
  const results = await new Stryker({
    // Read by plugins.ts.
    share,
    testRunner: 'jest',
    jest: {
      configFile: 'jest.config.mjs',
      enableFindRelatedTests: false,
      config: {
        testMatch: [`${code}/**/*`, others].flatMap((path) => (path ? [`<rootDir>/${path}.test.ts`] : [])),
        filter: join(HERE, 'filter.cjs'),
        testEnvironment: join(HERE, 'first-failure.cjs'),
      },
    },
    plugins: ['@stryker-mutator/jest-runner', join(HERE, 'plugins.ts')],
    checkers: ['share'],
    checkerNodeArgs: ['--import', 'tsx'],
    testRunnerNodeArgs: ['--import', 'tsx'],
    coverageAnalysis: 'perTest',
    // What runs once, when a module is loaded, belongs to no test: each such fault would have to be given to all of them.
    ignoreStatic: true,
    mutate: files.length > 0 ? files : [`${code}/**/*.ts`, '!**/*.test.ts'],
    ignorePatterns: ['/.next', '/data', '/dist'],
    tempDirName: '.mutants',
    reporters: ['clear-text', 'reach'],
    clearTextReporter: { reportTests: false, logTests: false, reportScoreTable: false, allowColor: false },
    concurrency: 2,
    // jest keeps a little of every run; what has grown is begun anew.
    maxTestRunnerReuse: 80,
    allowConsoleColors: false,
  }).runMutationTest();
  const count = (of: (status: string) => boolean) => results.filter(({ status }) => of(status)).length;
  const noticed = count((status) => NOTICED.has(status));
  const tried = noticed + count((status) => status === 'Survived');
  const unreached = count((status) => status === 'NoCoverage');
  const all = tried + unreached + count((status) => status === 'CompileError');
  // What was tried stands for all that tests reach.
  const part = tried === 0 ? 0 : (noticed / tried) * (1 - unreached / all);
  rows.push(`| ${room} | ${all} | ${unreached} | ${tried} | ${noticed} | ${(100 * part).toFixed(0)} % |`);
}
rmSync(folder, { recursive: true });
process.stdout.write(
  `\n| room | faults | reached by no test | tried | noticed | share of all |\n|---|---|---|---|---|---|\n${rows.join('\n')}\n`,
);

function roomOf(file: string): string | undefined {
  return Object.entries(ROOMS).find(([, { folder: code }]) => file.startsWith(`${code}/`))?.[0];
}
