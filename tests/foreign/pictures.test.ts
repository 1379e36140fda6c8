/** Pictures drawn pixel by pixel with a library that is not ours (pngjs), also interlaced (PNG 3, 8.1). */
import { PNG } from 'pngjs';
import { deltaE2000 } from '@/core/colour/difference';
import { told } from './told';

type Rgb = readonly [number, number, number];

function png(width: number, height: number, at: (x: number, y: number) => Rgb | null): Uint8Array {
  const picture = new PNG({ width, height });
  for (let n = 0; n < width * height; n++) {
    const rgb = at(n % width, Math.floor(n / width));
    if (rgb) picture.data.set([...rgb, 255], n * 4);
  }
  return new Uint8Array(PNG.sync.write(picture));
}

const hex = (rgb: Rgb) => `#${rgb.map((value) => value.toString(16).padStart(2, '0')).join('')}`;
const many = (x: number, y: number): Rgb => [x * 13 + 7, y * 17 + 3, (x * y * 5 + 40) % 256];
const codes = async (name: string, bytes: Uint8Array) => (await told(name, bytes)).map((line) => line.split(' ')[1]);

test.each([
  [8, 7],
  [2, 2],
  [3, 1],
  [1, 9],
  [16, 14],
  [5, 12],
])('%d by %d pixels, each a colour: exact and row by row', async (width, height) => {
  const expected = Array.from({ length: width * height }, (_, n) => hex(many(n % width, Math.floor(n / width))));
  expect(await codes('x.png', png(width, height, many))).toEqual(expected);
});

test('blocks of two by two pixels, and a gap in the last row', async () => {
  const bytes = png(8, 4, (x, y) => (x > 5 && y > 1 ? null : many(x >> 1, y >> 1)));
  const expected = [0, 1].flatMap((y) => [0, 1, 2, 3].flatMap((x) => (x > 2 && y > 0 ? [] : [hex(many(x, y))])));
  expect(await codes('x.png', bytes)).toEqual(expected);
});

/** A four by four picture, interlaced by Adam7, as stored bytes: pngjs reads such files, and writes none. */
test('an interlaced picture is read like any other', async () => {
  const passes = [
    [0, 0, 8, 8],
    [4, 0, 8, 8],
    [0, 4, 4, 8],
    [2, 0, 4, 4],
    [0, 2, 2, 4],
    [1, 0, 2, 2],
    [0, 1, 1, 2],
  ] as const;
  const raw: number[] = [];
  for (const [left, top, across, down] of passes) {
    for (let y = top; y < 4; y += down) {
      const row: number[] = [];
      for (let x = left; x < 4; x += across) row.push(...many(x, y));
      if (row.length > 0) raw.push(0, ...row);
    }
  }
  const whole = PNG.sync.write(new PNG({ width: 4, height: 4 }), { colorType: 2 });
  const { deflateSync, crc32 } = (await import('node:zlib')) as typeof import('node:zlib') & { crc32?: (data: Buffer) => number };
  const chunk = (name: string, body: Buffer) => {
    const named = Buffer.concat([Buffer.from(name, 'latin1'), body]);
    const sum = Buffer.alloc(4);
    sum.writeUInt32BE(crc32 ? crc32(named) : crc(named));
    const length = Buffer.alloc(4);
    length.writeUInt32BE(body.length);
    return Buffer.concat([length, named, sum]);
  };
  const header = Buffer.from([0, 0, 0, 4, 0, 0, 0, 4, 8, 2, 0, 0, 1]);
  const file = Buffer.concat([
    whole.subarray(0, 8),
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(Buffer.from(raw))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
  const expected = Array.from({ length: 16 }, (_, n) => hex(many(n % 4, n >> 2)));
  expect(await codes('x.png', new Uint8Array(file))).toEqual(expected);
});

function crc(bytes: Uint8Array): number {
  let value = 0xffffffff;
  for (const byte of bytes) {
    value ^= byte;
    for (let bit = 0; bit < 8; bit++) value = value & 1 ? (value >>> 1) ^ 0xedb88320 : value >>> 1;
  }
  return (value ^ 0xffffffff) >>> 0;
}

test('minor accents come before the third shade of the same hue, without touching a dial', async () => {
  // Six shades of one blue on most of the area, and three accents of half a percent each.
  const shades: Rgb[] = [
    [16, 42, 92],
    [28, 66, 138],
    [44, 92, 178],
    [74, 124, 206],
    [118, 160, 226],
    [170, 200, 242],
  ];
  const accents: Rgb[] = [
    [218, 69, 44],
    [240, 187, 59],
    [46, 160, 84],
  ];
  const noise = (x: number, y: number) => ((x * 7 + y * 13) % 5) - 2;
  const bytes = png(120, 120, (x, y) => {
    const accent = y >= 110 && x < 30 ? accents[Math.floor(x / 10)]! : null;
    if (accent && y < 118) return accent;
    return shades[Math.min(5, Math.floor(y / 20))]!.map((value) => value + noise(x, y)) as unknown as Rgb;
  });
  const found = await codes('x.png', bytes);
  expect(found).toHaveLength(8);
  const placeOf = (rgb: Rgb) => found.findIndex((code) => deltaE2000(code!, hex(rgb)) < 6);
  const blues = found.flatMap((code, at) => (shades.some((rgb) => deltaE2000(code!, hex(rgb)) < 12) ? [at] : []));
  for (const accent of accents) {
    expect([hex(accent), placeOf(accent) >= 0, placeOf(accent) < (blues[2] ?? Infinity)]).toEqual([hex(accent), true, true]);
  }
});
