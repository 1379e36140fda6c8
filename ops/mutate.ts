/**
 * Plants small faults in the code, one at a time, and tells which of them the tests do not notice.
 *   npm run mutate                 every room; takes hours
 *   npm run mutate colour source   these rooms
 *   npm run mutate FILE...         these files, each with the tests of its room
 * Prints every fault that went unseen, and a table by room.
 */
import { Stryker } from '@stryker-mutator/core';

/** The rooms that are measured: their folder, and the tests that are to notice. */
const ROOMS: Readonly<Record<string, { readonly folder: string; readonly tests: readonly string[] }>> = {
  colour: { folder: 'src/core/colour', tests: ['src/core/{colour,findings}', 'tests/reference/{colours,ciede2000,contrast}'] },
  brand: { folder: 'src/core/brand', tests: ['src/core/brand', 'src/ui', 'src/stages'] },
  palette: { folder: 'src/core/palette', tests: ['src/core/{palette,image}', 'tests/reference/extraction'] },
  source: { folder: 'src/core/source', tests: ['src/core/{source,intake}', 'tests/foreign'] },
  findings: { folder: 'src/core/findings', tests: ['src/core/{findings,formats}', 'src/stages'] },
  kit: { folder: 'src/core/formats/kit', tests: ['src/core/formats', 'tests/reference/design-tokens'] },
};

/** Outcomes in which a test noticed: it failed, or the fault kept it from ending. */
const NOTICED = new Set(['Killed', 'Timeout']);
const UNSEEN = new Set(['Survived', 'NoCoverage']);

const wanted = process.argv.slice(2);
const unknown = wanted.find((given) => !(given in ROOMS) && !roomOf(given));
if (unknown) {
  process.stderr.write(`${unknown} is neither a room nor a file of one; the rooms are ${Object.keys(ROOMS).join(', ')}.\n`);
  process.exit(2);
}
const rows: string[] = [];
for (const [room, { folder, tests }] of Object.entries(ROOMS)) {
  const files = wanted.filter((given) => roomOf(given) === room);
  if (wanted.length > 0 && files.length === 0 && !wanted.includes(room)) continue;
  const results = await new Stryker({
    testRunner: 'jest',
    jest: {
      configFile: 'jest.config.mjs',
      enableFindRelatedTests: false,
      config: { testMatch: tests.map((path) => `<rootDir>/${path}${path.startsWith('tests/reference') ? '' : '/**/*'}.test.ts`) },
    },
    coverageAnalysis: 'perTest',
    // What runs once, when a module is loaded, belongs to no test: each such fault would have to be given to all of them.
    ignoreStatic: true,
    mutate: files.length > 0 ? files : [`${folder}/**/*.ts`, '!**/*.test.ts'],
    ignorePatterns: ['/.next', '/data', '/dist'],
    tempDirName: '.mutants',
    reporters: ['clear-text'],
    clearTextReporter: { reportTests: false, logTests: false, reportScoreTable: false, allowColor: false },
    concurrency: 2,
    allowConsoleColors: false,
  }).runMutationTest();
  const noticed = results.filter(({ status }) => NOTICED.has(status)).length;
  const all = noticed + results.filter(({ status }) => UNSEEN.has(status)).length;
  rows.push(`| ${room} | ${all} | ${noticed} | ${all === 0 ? '' : `${((100 * noticed) / all).toFixed(0)} %`} |`);
}
process.stdout.write(`\n| room | faults | noticed | share |\n|---|---|---|---|\n${rows.join('\n')}\n`);

function roomOf(file: string): string | undefined {
  return Object.entries(ROOMS).find(([, { folder }]) => file.startsWith(`${folder}/`))?.[0];
}
