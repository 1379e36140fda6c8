import { PNG } from 'pngjs';
import { type Art } from '../brand/document/art-shape';
import { Brand, emptyBrand } from '../brand/document/document';
import { writeArt } from './write-art';

const brand = Brand.parse({
  ...emptyBrand('b', 'Few'),
  palettes: [
    {
      id: 'p',
      name: 'Four',
      kind: 'loose',
      swatches: ['#000000', '#ffffff', '#ff0000', '#0000ff'].map((value, at) => ({
        id: `s${at}`,
        name: value,
        value,
        locked: false,
      })),
    },
    { id: 'e', name: 'None', kind: 'loose', swatches: [] },
  ],
});
/** A sheet of tiles of 2 by 2 in one row, each of one colour, by an encoder that is not ours. */
function sheet(...colours: readonly (readonly [number, number, number, number])[]): Uint8Array {
  const picture = new PNG({ width: colours.length * 2, height: 2 });
  for (let row = 0; row < 2; row++)
    for (const [at, colour] of colours.entries())
      for (let x = 0; x < 2; x++) picture.data.set(colour, (row * colours.length * 2 + at * 2 + x) * 4);
  return PNG.sync.write(picture);
}
const one = sheet([10, 10, 10, 255], [250, 250, 250, 128], [200, 0, 0, 255]);
const two = sheet([0, 0, 200, 255], [0, 0, 0, 0], [255, 0, 255, 255]);
const pictures = new Map([
  ['1'.repeat(64), one],
  ['2'.repeat(64), two],
]);
const artOf = (more: Partial<Art> = {}): Art => ({
  id: 'a',
  path: 'art/boat',
  sheets: ['1', '2'].map((digit) => ({ picture: digit.repeat(64), name: `${digit}.png`, width: 6, height: 2 })),
  grid: { width: 2, height: 2, margin: 0, spacing: 0 },
  groups: [],
  table: { palette: 'p', map: [], keepOrder: false, dither: 'none' },
  indexed: false,
  pace: 100,
  ...more,
});
/** The first pixel of each tile. */
const tiles = (bytes: Uint8Array) => {
  const { width, data } = PNG.sync.read(Buffer.from(bytes));
  return Array.from({ length: width / 2 }, (_, at) => [...data.subarray(at * 8, at * 8 + 4)].join(' '));
};

test('without groups each sheet is written whole, in the palette’s colours', async () => {
  const { files } = await writeArt(
    brand,
    artOf({ table: { palette: 'p', map: [{ from: '#c80000', to: 's3' }], key: '#ff00ff', keepOrder: false, dither: 'none' } }),
    pictures,
  );
  expect(files.map(({ path, bytes }) => [path, tiles(bytes)])).toEqual([
    ['art/boat-1.png', ['0 0 0 255', '255 255 255 128', '0 0 255 255']],
    ['art/boat-2.png', ['0 0 255 255', '0 0 0 0', '255 0 255 0']],
  ]);
});

test('a group is a strip of its tiles in their order, from all sheets, with an atlas that says where each stands', async () => {
  const groups = [
    { name: 'Sail up', tiles: [3, 0] },
    { name: 'Sink', tiles: [1] },
  ];
  for (const indexed of [false, true]) {
    const { files } = await writeArt(brand, artOf({ groups, indexed }), pictures);
    expect(files.map(({ path }) => path)).toEqual(['art/boat-sail-up.png', 'art/boat-sink.png', 'art/boat.json']);
    expect([tiles(files[0]!.bytes), tiles(files[1]!.bytes)]).toEqual([['0 0 255 255', '0 0 0 255'], ['255 255 255 128']]);
    expect(JSON.parse(new TextDecoder().decode(files[2]!.bytes))).toEqual({
      tile: { width: 2, height: 2 },
      pace: 100,
      groups: [
        {
          name: 'Sail up',
          image: 'boat-sail-up.png',
          frames: [
            { x: 0, y: 0, width: 2, height: 2, source: { sheet: '2.png', x: 0, y: 0 } },
            { x: 2, y: 0, width: 2, height: 2, source: { sheet: '1.png', x: 0, y: 0 } },
          ],
        },
        {
          name: 'Sink',
          image: 'boat-sink.png',
          frames: [{ x: 0, y: 0, width: 2, height: 2, source: { sheet: '1.png', x: 2, y: 0 } }],
        },
      ],
    });
  }
});

test.each<[string, Partial<Art>, string]>([
  [
    'a palette that is gone',
    { table: { palette: 'q', map: [], keepOrder: false, dither: 'none' } },
    'the palette that it goes into is no longer there; choose another.',
  ],
  [
    'an empty one',
    { table: { palette: 'e', map: [], keepOrder: false, dither: 'none' } },
    'None, which it goes into, has no colours yet.',
  ],
  [
    'a picture that is gone',
    { sheets: [{ picture: '3'.repeat(64), name: '3.png', width: 6, height: 2 }] },
    '3.png is not kept here; hand it in again in Ship.',
  ],
  [
    'a tile that is gone',
    { groups: [{ name: 'Far', tiles: [6] }] },
    'Far has tile 7, and its sheets have 6; choose its tiles anew.',
  ],
  [
    'two groups of one name',
    {
      groups: [
        { name: 'Up', tiles: [0] },
        { name: 'up', tiles: [1] },
      ],
    },
    'two groups would both be written as art/boat-up.png; name one otherwise.',
  ],
])('%s stops it with a sentence', async (_what, more, sentence) => {
  const { files, findings } = await writeArt(brand, artOf(more), pictures);
  expect([files, findings.map(({ message }) => message)]).toEqual([[], [`art/boat: ${sentence}`]]);
});
