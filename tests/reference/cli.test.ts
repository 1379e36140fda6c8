/** The command as it is started from a shell; what its parts do is tested beside them, in src/cli. */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DOCUMENTS } from '../../ops/documents';
import { breakwater } from '../command-line';

const folder = mkdtempSync(join(tmpdir(), 'breakwater-cli-'));
const run = (...args: string[]) => spawnSync('bin/breakwater', args, { encoding: 'utf8', timeout: 60_000 });

test('it starts, writes to the shell, and ends with what a build can go by', () => {
  expect(JSON.parse(run('formats', '--json').stdout)).toContainEqual({
    id: 'css',
    title: expect.any(String),
    family: expect.any(String),
    extensions: ['.css'],
    reads: false,
    writes: true,
  });
  const { status, stdout, stderr } = run('inspect', '/nowhere/x.txt');
  expect([status, stdout, stderr]).toEqual([2, '', 'breakwater: /nowhere/x.txt is not there.\n']);
  const usage = run('export', 'x');
  expect([usage.status, usage.stderr]).toEqual([2, "breakwater: required option '--out <folder>' not specified\n"]);
});

test.each([
  ['style-guide.txt', 'text', [8]],
  ['core.ase', 'ase', [8]],
  ['sea-state.aco', 'aco', [10]],
  ['deck-paint.gpl', 'gpl', [5]],
  ['trainer.pal', 'riff-pal', [16]],
  ['house-colours.xlsx', 'xlsx', [56, 12]],
  ['trainer-strip.png', 'picture', [16]],
  ['harbour-at-dusk.jpg', 'picture', [8]],
])('inspect reads demo/gather/%s as the page does', async (name, format, counts) => {
  const { stdout, status } = await breakwater('inspect', join('demo/gather', name), '--json');
  const reading = JSON.parse(stdout) as { format: string; palettes: { swatches: { hex: string }[] }[] };
  expect([status, reading.format, reading.palettes.map(({ swatches }) => swatches.length)]).toEqual([0, format, counts]);
  for (const { hex } of reading.palettes.flatMap(({ swatches }) => swatches)) expect(hex).toMatch(/^#[0-9a-f]{6}$/);
});

test.each([
  ['demo/quillhaven.breakwater.json', 'brand', 6, 126],
  ['demo/gather/day.tokens.json', 'dtcg', 10, 55],
])('inspect gives the tokens of %s with their aliases', async (path, format, palettes, tokens) => {
  const reading = JSON.parse((await breakwater('inspect', path, '--json')).stdout) as {
    format: string;
    palettes: unknown[];
    tokens: object[];
  };
  expect([reading.format, reading.palettes.length, reading.tokens.length]).toEqual([format, palettes, tokens]);
  expect(reading.tokens).toContainEqual({
    path: 'text.link',
    hex: '#006871',
    alpha: 1,
    alias: 'brand.primary',
    description: expect.any(String),
  });
});

test('inspect reads some cells of a workbook or table', async () => {
  const table = join(folder, 'shades.csv');
  writeFileSync(table, 'a,#102030,#203040\nb,#304050,#405060\n');
  const read = async (...args: string[]) => {
    const { stdout } = await breakwater('inspect', ...args, '--json');
    const { palettes } = JSON.parse(stdout) as { palettes: { swatches: { hex: string }[] }[] };
    return palettes.flatMap(({ swatches }) => swatches.map(({ hex }) => hex));
  };
  expect(await read(table, '--range', 'C1:C2')).toEqual(['#203040', '#405060']);
  const workbook = 'demo/gather/house-colours.xlsx';
  expect(await read(workbook, '--range', "'House colours'!A1:H1")).toHaveLength(8);
  expect((await breakwater('inspect', workbook, '--range', 'Other!A1')).stderr).toContain(
    'no sheet “Other” in this workbook; it has House colours',
  );
});

test('formats lists every format with what it does', async () => {
  const rows = JSON.parse((await breakwater('formats', '--json')).stdout) as { id: string; reads: boolean; writes: boolean }[];
  const ids = (chosen: typeof rows) => chosen.map(({ id }) => id).join(' ');
  expect(ids(rows.filter(({ reads, writes }) => reads && writes))).toBe(
    'brand palette dtcg ase riff-pal gpl soc xlsx ooxml-theme svg aco hex csv',
  );
  expect(ids(rows.filter(({ reads, writes }) => !reads && writes)).split(' ')).toHaveLength(40);
  expect(ids(rows.filter(({ reads, writes }) => reads && !writes))).toBe('picture json stylesheet text');
  const lines = (await breakwater('formats')).stdout.split('\n');
  expect(lines).toHaveLength(rows.length + 1);
  expect(lines).toContainEqual(expect.stringMatching(/^gpl {12}\S.* \(.+; reads, writes; \.gpl\)$/));
  expect(lines).toContainEqual(expect.stringMatching(/^css {12}\S.* \(.+; writes; \.css\)$/));
});

test.each(Object.entries(DOCUMENTS))('%s is what the code says (npm run documents writes it)', (path, text) => {
  expect(readFileSync(path, 'utf8')).toBe(text);
});

test('watched, the files follow the brand', async () => {
  const brand = join(folder, 'watched.breakwater.json');
  const whole = readFileSync('demo/quillhaven.breakwater.json', 'utf8');
  writeFileSync(brand, whole);
  const out = join(folder, 'watched');
  const child = spawn('bin/breakwater', ['export', brand, '--to', 'css', '--out', out, '--watch'], { stdio: 'pipe' });
  let told = '';
  child.stderr.on('data', (chunk: Buffer) => (told += chunk.toString()));
  const until = async (met: () => boolean) => {
    for (let n = 0; n < 600 && !met(); n++) await new Promise((resolve) => setTimeout(resolve, 100));
    expect([met(), told]).toEqual([true, told]);
  };
  const sheet = join(out, 'css/quillhaven-ferries.css');
  const shows = (text: string) => until(() => existsSync(sheet) && readFileSync(sheet, 'utf8').includes(text));
  try {
    await until(() => told.includes(`breakwater: watching ${brand}; Ctrl-C stops.\n`));
    await shows('--qf-brand-primary: #006871;');
    // Half a file in between is told, and the next whole one taken.
    writeFileSync(brand, '{"format":"breakwater-brand"');
    await until(() => told.includes('breakwater: watched.breakwater.json: '));
    writeFileSync(brand, whole.replaceAll('#006871', '#123456'));
    await shows('--qf-brand-primary: #123456;');
  } finally {
    child.kill();
  }
});
