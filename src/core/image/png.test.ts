/** PNG without loss, compared with an independent decoder and encoder of each colour type and depth. */
import fc from 'fast-check';
import { crc32, deflateSync } from 'node:zlib';
import { PNG } from 'pngjs';
import { encode } from 'fast-png';
import sharp from 'sharp';
import { indexedPng } from './indexed-png';
import { readPng, type StoredPicture } from './png-read';
import { paletteIndexPng, trueColourPng } from './png-write';

const read = async (bytes: Uint8Array) => {
  const picture = await readPng(bytes);
  if (typeof picture === 'string') throw new Error(picture);
  return picture;
};
/** Some bytes that repeat seldom. */
const bytes = (length: number, seed = 1) => Uint8Array.from({ length }, (_, at) => ((at + seed) * 2_654_435_761) >>> 24);

test.each([1, 3, 4] as const)(
  '8 bits in %i samples, as another encoder writes them, and as another decoder reads ours',
  async (channels) => {
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 20 }),
        fc.nat(999),
        async (width, height, seed) => {
          const data = bytes(width * height * channels, seed);
          // Adaptive filters, so that all five kinds come up.
          const file = await sharp(data, { raw: { width, height, channels } })
            .png({ adaptiveFiltering: true, progressive: seed % 2 === 0 })
            .toBuffer();
          const picture = await read(file);
          const expected = PNG.sync.read(file);
          expect([picture.width, picture.height, picture.wide]).toEqual([width, height, null]);
          expect(Buffer.from(picture.data).equals(expected.data)).toBe(true);
          const again = PNG.sync.read(Buffer.from(await trueColourPng(picture)));
          expect(again.data.equals(expected.data)).toBe(true);
        },
      ),
      { numRuns: 30 },
    );
  },
);

test.each([1, 2, 3, 4] as const)('16 bits in %i samples, whole and rounded to 8', async (channels) => {
  const [width, height] = [7, 5];
  const data = Uint16Array.from({ length: width * height * channels }, (_, at) => ((at + 3) * 40_503) & 0xffff);
  for (const interlace of ['null', 'Adam7'] as const) {
    const picture = await read(encode({ width, height, data, channels, depth: 16 }, { interlace }));
    const four = (at: number, most: number) => {
      const [one, two, three, alpha] = data.subarray(at * channels) as unknown as number[];
      return channels === 1
        ? [one, one, one, most]
        : channels === 2
          ? [one, one, one, two]
          : [one, two, three, channels === 4 ? alpha : most];
    };
    const expected = Array.from({ length: width * height }, (_, at) => four(at, 0xffff)).flat();
    expect([...picture.wide!]).toEqual(expected);
    expect([...picture.data]).toEqual(expected.map((value) => Math.round(value! / 257)));
    // And as another decoder reads what we write of it.
    const { data: raw } = await sharp(Buffer.from(await trueColourPng(picture)))
      .ensureAlpha()
      .toColourspace('rgb16')
      .raw({ depth: 'ushort' })
      .toBuffer({ resolveWithObject: true });
    expect([...new Uint16Array(raw.buffer, raw.byteOffset, raw.length / 2)]).toEqual(expected);
  }
});

test('an index keeps its palette in order, with its opacities, in every depth', async () => {
  const palette = Array.from({ length: 16 }, (_, at) => [at * 16, 255 - at, at, at === 3 ? 0 : at === 5 ? 128 : 255]);
  const places = Uint8Array.from({ length: 35 }, (_, at) => (at * 7) % 16);
  for (const file of [indexedPng(7, palette, places), await paletteIndexPng(7, 5, palette, places)]) {
    const picture = await read(file);
    expect(picture.palette).toEqual(palette);
    expect([...picture.data]).toEqual([...places].flatMap((place) => palette[place]!));
    expect(PNG.sync.read(Buffer.from(file)).data.equals(Buffer.from(picture.data))).toBe(true);
  }
  for (const colours of [2, 4, 16, 200]) {
    const raw = Uint8Array.from({ length: 64 * 3 }, (_, at) => (Math.floor(at / 3) % colours) * (at % 3 === 0 ? 1 : 3));
    const file = await sharp(raw, { raw: { width: 8, height: 8, channels: 3 } })
      .png({ palette: true, colours, dither: 0, effort: 1 })
      .toBuffer();
    expect(Buffer.from((await read(file)).data).equals(PNG.sync.read(file).data)).toBe(true);
  }
});

test('one colour that is transparent, in grey and in true colour', async () => {
  for (const [type, samples, key] of [
    [0, 1, [0, 7]],
    [2, 3, [0, 1, 0, 2, 0, 3]],
  ] as const) {
    const raw = samples === 1 ? [7, 8] : [1, 2, 3, 1, 2, 4];
    const body = fileOf([
      ['IHDR', [0, 0, 0, 2, 0, 0, 0, 1, 8, type, 0, 0, 0]],
      ['tRNS', [...key]],
      ['IDAT', [...zlib([0, ...raw])]],
    ]);
    const alphas = (data: Uint8Array) => [...data].filter((_, at) => at % 4 === 3);
    const picture = await read(body);
    expect(alphas(picture.data)).toEqual(alphas(PNG.sync.read(Buffer.from(body)).data));
    // The values below the transparency are the file's own.
    expect([...picture.data]).toEqual(samples === 1 ? [7, 7, 7, 0, 8, 8, 8, 255] : [1, 2, 3, 0, 1, 2, 4, 255]);
  }
});

test('a profile or a gamma is told and not applied', async () => {
  const plain = await sharp(bytes(12), { raw: { width: 2, height: 2, channels: 3 } })
    .png()
    .toBuffer();
  const withProfile = await sharp(bytes(12), { raw: { width: 2, height: 2, channels: 3 } })
    .withIccProfile('p3')
    .png()
    .toBuffer();
  const [picture, bare] = [await read(withProfile), await read(plain)];
  expect(picture.notes).toEqual([
    expect.stringMatching(/^It has a colour profile \(.+\), which is not applied: the values are taken as they are stored\.$/),
  ]);
  expect([...picture.data]).toEqual([...PNG.sync.read(withProfile).data]);
  expect(bare.notes).toEqual([]);
});

const zlib = (rows: ArrayLike<number>) => deflateSync(Uint8Array.from(rows));

/** A file of these chunks, put together by the published layout. */
function fileOf(chunks: readonly (readonly [string, readonly number[]])[]): Uint8Array {
  const parts = [...chunks, ['IEND', []] as const].flatMap(([kind, body]) => {
    const named = Buffer.from([...Buffer.from(kind), ...body]);
    const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(body.length);
    sum.writeUInt32BE(crc32(named));
    return [length, named, sum];
  });
  return Uint8Array.from(Buffer.concat([Buffer.from('\x89PNG\r\n\x1a\n', 'latin1'), ...parts]));
}

const good = () => encode({ width: 20, height: 20, data: bytes(1_600), channels: 4 });
const changed = (change: (file: Uint8Array) => void) => {
  const file = good();
  change(file);
  return file;
};

test.each([
  ['no PNG', () => new TextEncoder().encode('GIF89a'), 'this is no PNG; hand in a PNG.'],
  ['cut off', () => good().subarray(0, 400), 'this PNG is cut off before its end; save it again.'],
  ['cut off in its header', () => good().subarray(0, 20), 'this PNG is cut off within its header; save it again.'],
  [
    'a changed byte',
    () => changed((file) => void (file[60]! ^= 1)),
    'this PNG is damaged (the check sum of its IDAT is wrong); save it again.',
  ],
  [
    'animated',
    () =>
      fileOf([
        ['IHDR', [0, 0, 0, 1, 0, 0, 0, 1, 8, 0, 0, 0, 0]],
        ['acTL', [0, 0, 0, 1, 0, 0, 0, 0]],
      ]),
    'this PNG is animated; hand in its frames as a file each.',
  ],
  [
    'a size of nothing',
    () => fileOf([['IHDR', [0, 0, 0, 0, 0, 0, 0, 1, 8, 0, 0, 0, 0]]]),
    'this PNG has a damaged header; save it again.',
  ],
  [
    'a depth that there is not',
    () => fileOf([['IHDR', [0, 0, 0, 1, 0, 0, 0, 1, 4, 6, 0, 0, 0]]]),
    'this PNG has a damaged header; save it again.',
  ],
  [
    'a claim of gigabytes',
    () => fileOf([['IHDR', [0, 1, 0, 0, 0, 1, 0, 0, 8, 6, 0, 0, 0]]]),
    'this PNG claims 65536 by 65536 pixels; up to 64 million are taken. Make it smaller first.',
  ],
  [
    'no palette',
    () => fileOf([['IHDR', [0, 0, 0, 1, 0, 0, 0, 1, 8, 3, 0, 0, 0]]]),
    'this PNG should have a palette and has none; save it again.',
  ],
  [
    'too few pixels',
    () =>
      fileOf([
        ['IHDR', [0, 0, 0, 2, 0, 0, 0, 2, 8, 0, 0, 0, 0]],
        ['IDAT', [...zlib([0, 1, 2])]],
      ]),
    'this PNG is damaged: it holds fewer pixels than it says; save it again.',
  ],
  [
    'a filter that there is not',
    () =>
      fileOf([
        ['IHDR', [0, 0, 0, 1, 0, 0, 0, 1, 8, 0, 0, 0, 0]],
        ['IDAT', [...zlib([9, 1])]],
      ]),
    'this PNG is damaged (a row has a filter that there is not); save it again.',
  ],
])('%s: one sentence', async (_what, file, sentence) => {
  expect(await readPng(file())).toBe(sentence);
});

test('what inflates to far more than its header says is not inflated further', async () => {
  const bomb = fileOf([
    ['IHDR', [0, 0, 0, 1, 0, 0, 0, 1, 8, 0, 0, 0, 0]],
    ['IDAT', [...zlib(new Uint8Array(50_000_000))]],
  ]);
  const before = process.memoryUsage().arrayBuffers;
  expect(((await readPng(bomb)) as StoredPicture).data).toHaveLength(4);
  expect(process.memoryUsage().arrayBuffers - before).toBeLessThan(20_000_000);
});
