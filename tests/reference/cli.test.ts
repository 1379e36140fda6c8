import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DOCUMENTS } from '../../ops/documents';

const folder = mkdtempSync(join(tmpdir(), 'breakwater-cli-'));
const file = (name: string, content: string | Uint8Array) => {
  writeFileSync(join(folder, name), content);
  return join(folder, name);
};
const run = (...args: string[]) => spawnSync('bin/breakwater', args, { encoding: 'utf8' });

test('inspect --json gives colours, names and places', () => {
  const { stdout, status } = run(
    'inspect',
    file('deck.txt', 'Keel: #162631\nfoam DDF0EE80x\nBuoy rgb(218 69 44 / 50%)\n#12345\n'),
    '--json',
  );
  expect(status).toBe(0);
  expect(JSON.parse(stdout)).toEqual({
    format: 'text',
    palettes: [
      {
        name: 'deck',
        kind: 'loose',
        taken: true,
        swatches: [
          { name: 'Keel', css: '#162631', hex: '#162631', alpha: 1 },
          { name: 'Buoy', css: 'rgb(218 69 44 / 50%)', hex: '#da452c', alpha: 0.5 },
        ],
      },
    ],
    tokens: [],
    problems: [
      { severity: 'warning', line: 2, column: 1, message: expect.stringContaining('No colour') },
      { severity: 'warning', line: 4, column: 1, message: expect.stringContaining('this has 5') },
    ],
  });
});

test('a brand file is read with its aliases', () => {
  const reading = JSON.parse(run('inspect', 'demo/quillhaven.breakwater.json', '--json').stdout) as {
    format: string;
    palettes: unknown[];
    tokens: object[];
  };
  expect([reading.format, reading.palettes.length]).toEqual(['brand', 6]);
  expect(reading.tokens).toContainEqual({
    path: 'text.link',
    hex: '#006871',
    alpha: 1,
    alias: 'brand.primary',
    description: expect.any(String),
  });
});

test.each([
  ['no file', ['inspect', '/nowhere/x.txt'], 'is not there'],
  ['no text', ['inspect', file('a.bin', new Uint8Array([0, 1, 2]))], 'of a kind that is not read here'],
  ['a PDF', ['inspect', file('guide.pdf', '%PDF-1.7\n\0')], 'Copy the text with the colours out of it'],
  ['no range', ['inspect', 'demo/gather/house-colours.xlsx', '--range', 'B'], 'no range of cells; write B2:I8'],
  [
    'no sheet',
    ['inspect', 'demo/gather/house-colours.xlsx', '--range', 'Other!A1'],
    'no sheet “Other” in this workbook; it has House colours',
  ],
  ['no colour', ['inspect', file('b.txt', 'nothing here')], 'no colour'],
  ['no such reader', ['inspect', file('c.txt', '#fff'), '--as', 'nope'], 'no reader “nope”'],
  ['a broken brand', ['inspect', file('d.breakwater.json', '{"format":"breakwater-brand"')], 'not JSON'],
  ['no such format', ['export', 'demo/quillhaven.breakwater.json', '--to', 'nope', '--out', folder], 'no format “nope”'],
  [
    'no such theme',
    ['export', 'demo/quillhaven.breakwater.json', '--to', 'css', '--theme', 'Noon', '--out', folder],
    'has Day, Dusk, Night bridge, High contrast',
  ],
])('%s: exit 2 and one clear line', (_name, args, words) => {
  const { status, stderr, stdout } = run(...args);
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr).toContain(words);
  expect(stderr.trim().split('\n')).toHaveLength(1);
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
])('inspect reads demo/gather/%s as the page does', (name, format, counts) => {
  const { stdout, status } = run('inspect', join('demo/gather', name), '--json');
  const reading = JSON.parse(stdout) as { format: string; palettes: { swatches: { hex: string }[] }[] };
  expect([status, reading.format, reading.palettes.map(({ swatches }) => swatches.length)]).toEqual([0, format, counts]);
  for (const { hex } of reading.palettes.flatMap(({ swatches }) => swatches)) expect(hex).toMatch(/^#[0-9a-f]{6}$/);
});

test('inspect reads some cells of a workbook or table', () => {
  const table = file('shades.csv', 'a,#102030,#203040\nb,#304050,#405060\n');
  const read = (...args: string[]) => {
    const { palettes } = JSON.parse(run('inspect', ...args, '--json').stdout) as { palettes: { swatches: { hex: string }[] }[] };
    return palettes.flatMap(({ swatches }) => swatches.map(({ hex }) => hex));
  };
  expect(read(table, '--range', 'C1:C2')).toEqual(['#203040', '#405060']);
  expect(read('demo/gather/house-colours.xlsx', '--range', "'House colours'!A1:H1")).toHaveLength(8);
});

test('inspect gives the tokens of a token file with their aliases', () => {
  const { tokens } = JSON.parse(run('inspect', 'demo/gather/day.tokens.json', '--json').stdout) as { tokens: object[] };
  expect(tokens).toHaveLength(55);
  expect(tokens).toContainEqual({
    path: 'text.link',
    hex: '#006871',
    alpha: 1,
    alias: 'brand.primary',
    description: expect.any(String),
  });
});

test('a resolver by itself takes the files beside it that it names, and none elsewhere', () => {
  const beside = join(folder, 'tokens');
  mkdirSync(join(beside, 'sub'), { recursive: true });
  const tokens = (ground: string) =>
    JSON.stringify({ ground: { $type: 'color', $value: ground }, page: { $type: 'color', $value: '{ground}' } });
  writeFileSync(join(beside, 'day.json'), tokens('#ffffff'));
  writeFileSync(join(beside, 'sub/night.json'), tokens('#000000'));
  writeFileSync(join(folder, 'secret.json'), tokens('#123456'));
  symlinkSync(join(folder, 'secret.json'), join(beside, 'link.json'));
  const resolver = (night: string) =>
    file(
      'tokens/all.resolver.json',
      JSON.stringify({
        version: '2025.10',
        modifiers: { theme: { contexts: { day: [{ $ref: 'day.json' }], night: [{ $ref: night }] }, default: 'day' } },
        resolutionOrder: [{ $ref: '#/modifiers/theme' }],
      }),
    );
  const whole = resolver('sub/night.json');
  const inspected = JSON.parse(run('inspect', whole, '--json').stdout) as {
    tokens: { path: string; hex: string; alias: string | null }[];
  };
  expect(inspected.tokens.map(({ path, hex, alias }) => [path, hex, alias])).toEqual([
    ['ground', '#ffffff', null],
    ['page', '#ffffff', 'ground'],
  ]);
  const out = join(folder, 'resolved');
  expect(run('export', whole, '--to', 'css,dtcg', '--out', out).status).toBe(0);
  expect(readFileSync(join(out, 'css/all.css'), 'utf8')).toContain(
    "[data-theme='night'] {\n  --ground: #000000;\n  --page: #000000;",
  );
  expect(readFileSync(join(out, 'tokens/all-night.tokens.json'), 'utf8')).toContain('"{ground}"');
  for (const elsewhere of [
    '../secret.json',
    join(folder, 'secret.json'),
    'link.json',
    'https://example.org/a.json',
    'none.json',
  ]) {
    const { stdout } = run('inspect', resolver(elsewhere), '--json');
    expect([elsewhere, stdout]).toEqual([elsewhere, expect.stringContaining('which was not given')]);
    expect(stdout).not.toContain('#123456');
  }
});

test('a token file of one theme is written as one file, without a resolver', () => {
  const out = join(folder, 'one-theme');
  const { files } = JSON.parse(run('export', 'demo/gather/day.tokens.json', '--to', 'dtcg', '--out', out, '--json').stdout) as {
    files: { path: string }[];
  };
  expect(files.map(({ path }) => path)).toEqual(['tokens/day.tokens.json']);
});

test('export writes what it lists, with hashes', () => {
  const out = join(folder, 'out');
  const { files } = JSON.parse(
    run('export', 'demo/quillhaven.breakwater.json', '--to', 'css,xml-resources', '--theme', 'Day', '--out', out, '--json')
      .stdout,
  ) as {
    files: { format: string; path: string; bytes: number; sha256: string }[];
  };
  expect(files.map(({ path }) => path)).toEqual([
    'css/quillhaven-ferries.css',
    'interface/quillhaven-ferries-day.xml',
    'interface/resources.xsd',
  ]);
  for (const { path, bytes, sha256 } of files) {
    expect([
      readFileSync(join(out, path)).length,
      execFileSync('sha256sum', [join(out, path)])
        .toString()
        .slice(0, 64),
    ]).toEqual([bytes, sha256]);
  }
});

test('any readable file can be exported, and the terminal shows patches', () => {
  const list = file('list.txt', '#162631 Keel\n#ddf0ee Foam\n#ddf0ee Foam\n');
  expect(run('export', list, '--to', 'all', '--out', join(folder, 'all')).status).toBe(0);
  expect(readFileSync(join(folder, 'all/css/list.css'), 'utf8')).toContain('--list-foam: #ddf0ee;');
  const shown = spawnSync('bin/breakwater', ['inspect', list], {
    encoding: 'utf8',
    env: { ...process.env, FORCE_COLOR: '1' },
  }).stdout;
  expect(shown).toContain('\u001b[48;2;22;38;49m');
});

test('formats --json lists every format with what it does', () => {
  const rows = JSON.parse(run('formats', '--json').stdout) as { id: string; reads: boolean; writes: boolean }[];
  const ids = (chosen: typeof rows) => chosen.map(({ id }) => id).join(' ');
  expect(ids(rows.filter(({ reads, writes }) => reads && writes))).toBe(
    'brand palette dtcg ase riff-pal gpl soc xlsx ooxml-theme svg aco hex csv',
  );
  expect(ids(rows.filter(({ reads, writes }) => !reads && writes)).split(' ')).toHaveLength(39);
  expect(ids(rows.filter(({ reads, writes }) => reads && !writes))).toBe('picture json stylesheet text');
});

test.each(Object.entries(DOCUMENTS))('%s is what the code says (npm run documents writes it)', (path, text) => {
  expect(readFileSync(path, 'utf8')).toBe(text);
});

test('files are put in place all or none: a folder where a file should go, and nothing is left behind', () => {
  const out = join(folder, 'blocked');
  const run = (...args: string[]) =>
    spawnSync('bin/breakwater', ['export', 'demo/quillhaven.breakwater.json', '--to', 'css,sass', '--out', out, ...args], {
      encoding: 'utf8',
    });
  expect(run().status).toBe(0);
  const before = readFileSync(join(out, 'css/quillhaven-ferries.css'));
  // The second file cannot be written: the first stays as it was.
  spawnSync('rm', ['-r', join(out, 'sass')]);
  writeFileSync(join(out, 'sass'), 'a file where a folder is wanted');
  const { status, stderr } = run('--set', 'prefix=v2-');
  expect([status, stderr]).toEqual([
    1,
    expect.stringContaining('a part of the path is a file, not a folder. Nothing was changed.'),
  ]);
  expect(readFileSync(join(out, 'css/quillhaven-ferries.css'))).toEqual(before);
  // A folder where a file should go is found before the first file is moved.
  spawnSync('rm', ['-r', join(out, 'sass')]);
  mkdirSync(join(out, 'sass/_quillhaven-ferries.scss'), { recursive: true });
  expect(run('--set', 'prefix=v2-').stderr).toContain('there is a folder of that name. Nothing was changed.');
  expect(readFileSync(join(out, 'css/quillhaven-ferries.css'))).toEqual(before);
  expect(spawnSync('find', [out, '-name', '*.part'], { encoding: 'utf8' }).stdout).toBe('');
});

test('without --to the brand’s own destinations are written; --check tells whether the folder is up to date', () => {
  const out = join(folder, 'own');
  const run = (...args: string[]) =>
    spawnSync('bin/breakwater', ['export', 'demo/quillhaven.breakwater.json', '--out', out, ...args], { encoding: 'utf8' });
  expect(run('--check').status).toBe(4);
  expect(run().status).toBe(0);
  expect(run('--check').status).toBe(0);
  expect(run('--check', '--set', 'prefix=v1-').stderr).toContain('prefix');
  const set = (...args: string[]) =>
    spawnSync('bin/breakwater', ['export', 'demo/quillhaven.breakwater.json', '--to', 'css', '--out', out, ...args], {
      encoding: 'utf8',
    });
  expect(set('--set', 'without=["trainer","terminal"]', '--set', 'prefix=v1-').status).toBe(0);
  expect(readFileSync(join(out, 'css/quillhaven-ferries.css'), 'utf8')).not.toContain('trainer');
  expect(set('--set', 'prefix').stderr).toContain('write name=value');
});

test('watched, the files follow the brand', async () => {
  const brand = file('watched.breakwater.json', readFileSync('demo/quillhaven.breakwater.json'));
  const out = join(folder, 'watched');
  const child = spawn('bin/breakwater', ['export', brand, '--to', 'css', '--out', out, '--watch'], { stdio: 'pipe' });
  try {
    const sheet = () =>
      existsSync(join(out, 'css/quillhaven-ferries.css')) ? readFileSync(join(out, 'css/quillhaven-ferries.css'), 'utf8') : '';
    const shows = async (text: string) => {
      for (let n = 0; n < 100 && !sheet().includes(text); n++) await new Promise((resolve) => setTimeout(resolve, 100));
      expect(sheet()).toContain(text);
    };
    await shows('--qf-brand-primary: #006871;');
    // Half a file in between is told, and the next whole one taken.
    writeFileSync(brand, '{"format":"breakwater-brand"');
    await new Promise((resolve) => setTimeout(resolve, 400));
    writeFileSync(brand, readFileSync('demo/quillhaven.breakwater.json', 'utf8').replaceAll('#006871', '#123456'));
    await shows('--qf-brand-primary: #123456;');
  } finally {
    child.kill();
  }
});
