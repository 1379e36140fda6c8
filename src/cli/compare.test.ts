import { mkdirSync, mkdtempSync, readFileSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { breakwater } from '../../tests/command-line';
import { zipFile } from '../../tests/zip-file';

const BRAND = 'demo/quillhaven.breakwater.json';
const folder = mkdtempSync(join(tmpdir(), 'breakwater-compare-'));
const delivered = join(folder, 'delivered');
const sheet = join(delivered, 'css/quillhaven-ferries.css');

beforeAll(async () => {
  await breakwater('export', BRAND, '--to', 'css,ase,gltf', '--out', delivered);
});

interface Answer {
  readonly matches: { file: string; format: string | null; state: string }[];
  readonly differences: {
    file: string;
    line: number;
    expected: string;
    found: string;
    deltaE: number;
    token: string;
    theme: string;
  }[];
}
const compare = async (path: string) => {
  const { status, stdout } = await breakwater('compare', path, BRAND, '--json');
  return { status, ...(JSON.parse(stdout) as Answer) };
};

test('a folder as it was written is identical, and ends with 0; links are not followed', async () => {
  symlinkSync('/etc', join(delivered, 'elsewhere'));
  mkdirSync(join(delivered, '.git'), { recursive: true });
  writeFileSync(join(delivered, '.git/x.css'), 'a { color: #010203 }');
  const { status, matches, differences } = await compare(delivered);
  expect([status, differences, matches.map(({ file, format, state }) => `${file} ${format} ${state}`)]).toEqual([
    0,
    [],
    [
      'css/quillhaven-ferries.css css identical',
      'gltf/quillhaven-ferries-day.gltf gltf identical',
      'gltf/quillhaven-ferries-dusk.gltf gltf identical',
      'gltf/quillhaven-ferries-high-contrast.gltf gltf identical',
      'gltf/quillhaven-ferries-night-bridge.gltf gltf identical',
      'swatches/quillhaven-ferries.ase ase identical',
    ],
  ]);
});

test('one wrong code is found, with file, line, token and distance, in a folder, a zip or by itself, and ends with 1', async () => {
  const words = readFileSync(sheet, 'utf8');
  const line = words.slice(0, words.indexOf('surface-header: #006871')).split('\n').length;
  writeFileSync(sheet, words.replace('surface-header: #006871', 'surface-header: #016872'));
  const found = {
    line,
    kind: 'differs',
    expected: '#006871',
    found: '#016872',
    deltaE: expect.closeTo(0.4, 0),
    token: 'surface.header',
    swatch: null,
    theme: 'Day',
  };
  expect(await compare(delivered)).toMatchObject({ status: 1, differences: [{ file: 'css/quillhaven-ferries.css', ...found }] });
  expect(await compare(sheet)).toMatchObject({ status: 1, differences: [{ file: 'quillhaven-ferries.css', ...found }] });
  const zip = join(folder, 'delivered.zip');
  writeFileSync(
    zip,
    zipFile({
      'site/quillhaven-ferries.css': readFileSync(sheet),
      '__MACOSX/x.css': new TextEncoder().encode('a{color:#010203}'),
    }),
  );
  expect(await compare(zip)).toMatchObject({
    status: 1,
    matches: [],
    differences: [{ file: 'site/quillhaven-ferries.css', ...found }],
  });
  expect((await breakwater('compare', sheet, BRAND)).stdout).toMatch(
    /surface\.header in Day differs: #006871 decided, #016872 found, ΔE 0\.\d+/,
  );
  writeFileSync(sheet, words);
});

const made = (name: string, bytes: string | Uint8Array) => {
  const path = join(folder, name);
  writeFileSync(path, bytes);
  return path;
};

test.each([
  ['nothing there', '/nowhere', BRAND, '/nowhere is not there.'],
  ['no colours', made('plain.txt', 'No colours here.'), BRAND, 'plain.txt holds no colours to compare.'],
  ['an empty file', made('empty.css', ''), BRAND, 'empty.css holds no colours to compare.'],
  [
    'a damaged zip',
    made('half.zip', Uint8Array.of(0x50, 0x4b, 3, 4, 1, 2, 3)),
    BRAND,
    'half.zip: this zip is damaged or empty; pack it again.',
  ],
  ['no brand', 'package.json', 'package.json', 'package.json is no brand file; give one that Breakwater wrote.'],
])('%s: one line, and ends with 2', async (_what, path, brand, sentence) => {
  const { status, stdout, stderr } = await breakwater('compare', path, brand, '--json');
  expect([status, stdout, stderr.replaceAll(`${folder}/`, '')]).toEqual([2, '', `breakwater: ${sentence}\n`]);
});
