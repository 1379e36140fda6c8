import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import { breakwater } from '../../tests/command-line';

const folder = mkdtempSync(join(tmpdir(), 'breakwater-recolour-'));
const BRAND = 'demo/quillhaven.breakwater.json';

/** A picture of these pixels, by an encoder that is not ours. */
function png(name: string, width: number, pixels: readonly (readonly [number, number, number, number])[]): string {
  const picture = new PNG({ width, height: pixels.length / width });
  picture.data = Buffer.from(pixels.flat());
  const path = join(folder, name);
  writeFileSync(path, PNG.sync.write(picture));
  return path;
}
const pixelsOf = (path: string) => {
  const { data } = PNG.sync.read(readFileSync(path));
  return Array.from({ length: data.length / 4 }, (_, at) => [...data.subarray(at * 4, at * 4 + 4)]);
};
const palette = join(folder, 'three.txt');
writeFileSync(palette, '#000000\n#808080\n#ff00ff\n');
let count = 0;
const fresh = () => join(folder, `out${count++}`);

test('each colour goes to the nearest, is sent elsewhere, or becomes transparent; opacity stays', async () => {
  const art = png('art.png', 3, [
    [10, 10, 10, 255],
    [120, 120, 120, 128],
    [255, 0, 255, 255],
    [9, 9, 9, 0],
    [200, 0, 0, 1],
    [10, 10, 10, 255],
  ]);
  const out = fresh();
  const { status, stdout } = await breakwater(
    'recolour',
    art,
    '--to',
    palette,
    '--key',
    '#ff00ff',
    '--map',
    '#c80000=#000000',
    '--out',
    out,
    '--json',
  );
  const [file] = (JSON.parse(stdout) as { files: { path: string; width: number; height: number; colours: object[] }[] }).files;
  expect([status, file!.path, file!.width, file!.height]).toEqual([0, 'art.png', 3, 2]);
  expect(file!.colours).toEqual([
    { from: '#0a0a0a', to: '#000000', pixels: 2, deltaE: expect.closeTo(0.145, 2) },
    { from: '#787878', to: '#808080', pixels: 1, deltaE: expect.closeTo(0.027, 2) },
    { from: '#c80000', to: '#000000', pixels: 1, deltaE: expect.any(Number) },
    { from: '#ff00ff', to: null, pixels: 1, deltaE: 0 },
  ]);
  expect(pixelsOf(join(out, 'art.png'))).toEqual([
    [0, 0, 0, 255],
    [128, 128, 128, 128],
    [255, 0, 255, 0],
    [9, 9, 9, 0],
    [0, 0, 0, 1],
    [0, 0, 0, 255],
  ]);
});

test('an indexed file has the palette in its order, however few of it the picture needs', async () => {
  const art = png('index.png', 2, [
    [250, 0, 250, 255],
    [0, 0, 0, 0],
  ]);
  const out = fresh();
  expect((await breakwater('recolour', art, '--to', palette, '--indexed', '--out', out)).status).toBe(0);
  const bytes = readFileSync(join(out, 'index.png'));
  const chunk = bytes.indexOf('PLTE') + 4;
  expect([bytes[25], bytes.subarray(chunk, chunk + 9).toString('hex')]).toEqual([3, '000000808080ff00ff']);
  expect(pixelsOf(join(out, 'index.png')).map((pixel) => pixel[3])).toEqual([255, 0]);
});

test('frames of an animation are brought in alike, by one palette of a brand', async () => {
  const frames = [
    png('f1.png', 1, [[60, 80, 110, 255]]),
    png('f2.png', 2, [
      [60, 80, 110, 255],
      [210, 180, 160, 255],
    ]),
  ];
  const out = fresh();
  const { stdout } = await breakwater(
    'recolour',
    ...frames,
    '--to',
    BRAND,
    '--palette',
    'Deck paint',
    '--keep-order',
    '--limit',
    '2',
    '--out',
    out,
    '--json',
  );
  const { files } = JSON.parse(stdout) as { files: { colours: { from: string; to: string }[] }[] };
  const to = (file: number) => files[file]!.colours.find(({ from }) => from === '#3c506e')!.to;
  expect([to(0), readdirSync(out).sort()]).toEqual([to(1), ['f1.png', 'f2.png']]);
});

test.each([
  ['no picture', ['/nowhere.png'], [], '/nowhere.png is not there.'],
  ['another kind of file', ['package.json'], [], 'package.json: this is no PNG; hand in a PNG.'],
  [
    'a palette that there is not',
    ['demo/gather/trainer-strip.png'],
    ['--palette', 'Sails'],
    `${BRAND} has no palette “Sails”; it has Quillhaven core, Route lines, Sea state, Tide offset, Deck paint, Trainer 16.`,
  ],
  [
    'no mapping',
    ['demo/gather/trainer-strip.png'],
    ['--map', '#112233'],
    '“#112233” maps nothing; write FROM=TO, such as #112233=#445566.',
  ],
  ['no colour', ['demo/gather/trainer-strip.png'], ['--key', 'pinkish'], '“pinkish” is no colour; write one such as #1f6f78.'],
  [
    'no dithering',
    ['demo/gather/trainer-strip.png'],
    ['--dither', 'noise'],
    'there is no dithering “noise”; choose one of none, ordered, diffusion.',
  ],
  ['no number', ['demo/gather/trainer-strip.png'], ['--limit', '0'], '“0” is no number of colours; write one such as 16.'],
  [
    'two of one name',
    ['demo/gather/trainer-strip.png', 'demo/gather/trainer-strip.png'],
    [],
    'two pictures are called trainer-strip.png; recolour them one after the other.',
  ],
])('%s: one line, ends with 2, and nothing is written', async (_what, paths, more, sentence) => {
  const out = fresh();
  expect(await breakwater('recolour', ...paths, '--to', BRAND, ...more, '--out', out)).toEqual({
    status: 2,
    stdout: '',
    stderr: `breakwater: ${sentence}\n`,
  });
  expect(() => readdirSync(out)).toThrow();
});
