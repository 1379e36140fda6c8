import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { breakwater } from '../../tests/command-line';

const DEMO = 'demo/quillhaven.breakwater.json';
let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'breakwater-export-'))));
afterEach(() => rmSync(folder, { recursive: true }));
const put = (name: string, content: string | Uint8Array) => {
  mkdirSync(dirname(join(folder, name)), { recursive: true });
  writeFileSync(join(folder, name), content);
  return join(folder, name);
};
const out = () => join(folder, 'out');
const read = (path: string) => readFileSync(join(out(), path), 'utf8');
const listed = (stdout: string) => (JSON.parse(stdout) as { files: { format: string; path: string }[] }).files;
const refused = (line: string, status = 2) => ({ status, stdout: '', stderr: `breakwater: ${line}\n` });

test('what is listed is what lies there, by path, bytes and hash; for people in columns', async () => {
  const args = ['export', DEMO, '--to', 'css,xml-resources', '--theme', 'Day', '--out', out()];
  const { status, stdout } = await breakwater(...args, '--json');
  const { files } = JSON.parse(stdout) as { files: { format: string; path: string; bytes: number; sha256: string }[] };
  expect([status, files.map(({ format, path }) => [format, path])]).toEqual([
    0,
    [
      ['css', 'css/quillhaven-ferries.css'],
      ['xml-resources', 'interface/quillhaven-ferries-day.xml'],
      ['xml-resources', 'interface/resources.xsd'],
    ],
  ]);
  const sum = (path: string) =>
    execFileSync('sha256sum', [join(out(), path)])
      .toString()
      .slice(0, 64);
  for (const { path, bytes, sha256 } of files)
    expect([path, readFileSync(join(out(), path)).length, sum(path)]).toEqual([path, bytes, sha256]);
  // Twelve digits of the hash, the size in a column of eight, the path.
  expect((await breakwater(...args)).stdout).toBe(
    files.map(({ sha256, bytes, path }) => `${sha256.slice(0, 12)}  ${`${bytes}`.padStart(8)}  ${path}\n`).join(''),
  );
});

test.each([
  ['no such format', ['--to', 'css,nope'], 'there is no format “nope” to write; “breakwater formats” lists them.'],
  [
    'no such theme',
    ['--to', 'css', '--theme', 'Noon'],
    'there is no theme “Noon”; this brand has Day, Dusk, Night bridge, High contrast.',
  ],
  [
    'an option without a value',
    ['--to', 'css', '--set', 'prefix'],
    '“prefix” sets nothing; write name=value, such as prefix=v1-.',
  ],
  [
    'an option of another kind',
    ['--to', 'css', '--set', 'prefix=9'],
    'Booking site: “prefix” is not as it should be: invalid input: expected string, received number.',
  ],
  ['an option without a name', ['--to', 'css', '--set', '=v1-'], '“=v1-” sets nothing; write name=value, such as prefix=v1-.'],
])('%s is refused in one line, and nothing is written', async (_name, args, line) => {
  expect(await breakwater('export', DEMO, '--out', out(), ...args)).toEqual(refused(line));
  expect(readdirSync(folder)).toEqual([]);
});

test('without --to the brand’s own destinations are written with their options; --set changes them; --check compares', async () => {
  const run = (...args: string[]) => breakwater('export', DEMO, '--out', out(), ...args);
  // A format that the brand ships to is written with its people's options, and those of the line beside them.
  expect((await run('--to', 'css')).status).toBe(0);
  expect(read('css/quillhaven-ferries.css')).toContain('--qf-brand-primary: #006871;');
  rmSync(out(), { recursive: true });
  const missing = await run('--check');
  expect([missing.status, missing.stderr]).toEqual([
    4,
    expect.stringMatching(
      /^breakwater: \S+out is not up to date: charts\/([^,]+, ){4}css\/quillhaven-ferries\.css and 28 more\.\n$/m,
    ),
  ]);
  const written = await run('--json');
  const formats = [...new Set(listed(written.stdout).map(({ format }) => format))];
  const { destinations } = JSON.parse(readFileSync(DEMO, 'utf8')) as { destinations: { format: string }[] };
  expect([written.status, formats]).toEqual([0, [...new Set(destinations.map(({ format }) => format))]]);
  expect(read('css/quillhaven-ferries.css')).toContain('--qf-brand-primary: #006871;');
  const fewer = 'breakwater: The group route has colours for 8 of the 11 values of Route; add 3 or pin some.\n';
  expect(await run('--check')).toEqual({ status: 0, stdout: '', stderr: fewer });
  writeFileSync(join(out(), 'css/quillhaven-ferries.css'), 'edited');
  const edited = `${fewer}breakwater: ${out()} is not up to date: css/quillhaven-ferries.css.\n`;
  expect(await run('--check')).toEqual({ status: 4, stdout: '', stderr: edited });
  // An option is JSON where it can be read as such, and a text otherwise.
  const css = await run('--to', 'css', '--set', 'without=["trainer","terminal"]', '--set', 'prefix=v1-');
  expect(css.status).toBe(0);
  expect(read('css/quillhaven-ferries.css')).toContain('--v1-brand-primary: #006871;');
  expect(read('css/quillhaven-ferries.css')).not.toContain('trainer');
});

test('all formats of a brand that lacks what some want: those are left out, by name; with nothing left, it fails', async () => {
  const list = put('list.txt', '#162631 Keel\n#ddf0ee Foam\n');
  const all = await breakwater('export', list, '--to', 'all', '--out', out());
  expect(all.status).toBe(0);
  expect(read('css/list.css')).toContain('--list-foam: #ddf0ee;');
  const reason = 'There is no token below terminal; choose another group in the options.';
  const left = all.stderr.split('\n').filter((line) => line.includes(' is left out: '));
  expect(left).toEqual(['x-resources', 'linux-console'].map((id) => `breakwater: ${id} is left out: ${reason}`));
  expect(await breakwater('export', list, '--to', 'x-resources', '--out', join(folder, 'other'))).toEqual(refused(reason));
  expect(await breakwater('export', list, '--out', out())).toEqual(
    refused('there is nothing to write: no destination, or none that this brand has the colours for.'),
  );
});

test('a list’s bad lines are told with their numbers, and the rest is written', async () => {
  const list = put('list.txt', '#162631 Keel\n#12345 Foam\n');
  const { status, stderr } = await breakwater('export', list, '--to', 'gpl', '--out', out());
  expect([status, stderr]).toEqual([0, 'breakwater: line 2: #12345: A hex code has 3, 4, 6 or 8 digits; this has 5.\n']);
});

test('a broken brand file is told by name', async () => {
  const { status, stderr } = await breakwater('export', put('d.breakwater.json', '{"format":"breakwater-brand"'), '--out', out());
  expect([status, stderr]).toEqual([2, expect.stringMatching(/^breakwater: d\.breakwater\.json: .*not JSON.*\n$/)]);
});

test('a file that is not there is not watched', async () => {
  expect(await breakwater('export', '/nowhere/x.json', '--to', 'css', '--out', out(), '--watch')).toEqual(
    refused('/nowhere/x.json is not there.'),
  );
});

test('a token file of one theme is written as one file, without a resolver', async () => {
  const { stdout } = await breakwater('export', 'demo/gather/day.tokens.json', '--to', 'dtcg', '--out', out(), '--json');
  expect(listed(stdout).map(({ path }) => path)).toEqual(['tokens/day.tokens.json']);
});

test('a resolver by itself takes the files beside it that it names, and none elsewhere', async () => {
  const tokens = (ground: string) =>
    JSON.stringify({ ground: { $type: 'color', $value: ground }, page: { $type: 'color', $value: '{ground}' } });
  put('tokens/day.json', tokens('#ffffff'));
  put('tokens/sub/night.json', tokens('#000000'));
  mkdirSync(join(folder, 'tokens/folder.json'));
  symlinkSync(put('secret.json', tokens('#123456')), join(folder, 'tokens/link.json'));
  const resolver = (night: string) =>
    put(
      'tokens/all.resolver.json',
      JSON.stringify({
        version: '2025.10',
        modifiers: { theme: { contexts: { day: [{ $ref: 'day.json' }], night: [{ $ref: night }] }, default: 'day' } },
        resolutionOrder: [{ $ref: '#/modifiers/theme' }],
      }),
    );
  const whole = resolver('sub/night.json');
  const inspected = JSON.parse((await breakwater('inspect', whole, '--json')).stdout) as {
    tokens: { path: string; hex: string; alias: string | null }[];
  };
  expect(inspected.tokens.map(({ path, hex, alias }) => [path, hex, alias])).toEqual([
    ['ground', '#ffffff', null],
    ['page', '#ffffff', 'ground'],
  ]);
  expect((await breakwater('export', whole, '--to', 'css,dtcg', '--out', out())).status).toBe(0);
  expect(read('css/all.css')).toContain("[data-theme='night'] {\n  --ground: #000000;\n  --page: #000000;");
  expect(read('tokens/all-night.tokens.json')).toContain('"{ground}"');
  for (const elsewhere of [
    '../secret.json',
    join(folder, 'secret.json'),
    'link.json',
    'https://example.org/a.json',
    'none.json',
    'day.json/below.json',
    'folder.json',
    '.',
    `${'x'.repeat(300)}.json`,
    'day.json\0',
  ]) {
    const { stdout } = await breakwater('inspect', resolver(elsewhere), '--json');
    expect([elsewhere, stdout]).toEqual([elsewhere, expect.stringContaining('which was not given')]);
    expect(stdout).not.toContain('#123456');
  }
});
