import fc from 'fast-check';
import { flatBlocks } from './blocks';
import { meanColour, pixelAt, type Pixels } from './pixels';

const colour = fc.tuple(fc.nat(255), fc.nat(255), fc.nat(255));
const WHITE = [255, 255, 255] as const;

/** A grid of blocks with a gap about each, drawn pixel by pixel. */
function drawn(
  columns: number,
  rows: number,
  size: number,
  gap: number,
  at: (column: number, row: number) => readonly number[],
): Pixels {
  const step = size + gap;
  const [width, height] = [columns * step + gap, rows * step + gap];
  const data = new Uint8Array(width * height * 4);
  for (let n = 0; n < width * height; n++) {
    const [x, y] = [n % width, Math.floor(n / width)];
    const inGap = x % step < gap || y % step < gap;
    data.set([...(inGap ? WHITE : at(Math.floor(x / step), Math.floor(y / step))), 255], n * 4);
  }
  return { width, height, data };
}
const codes = (picture: Pixels) => flatBlocks(picture)?.map(({ x, y }) => pixelAt(picture, x, y)) ?? null;
const hexOf = (rgb: readonly number[]) => '#' + rgb.map((value) => value.toString(16).padStart(2, '0')).join('');

test('any grid with gaps is read block by block, whatever its size', () => {
  const shape = fc.record({
    columns: fc.integer({ min: 2, max: 8 }),
    rows: fc.integer({ min: 2, max: 7 }),
    size: fc.integer({ min: 4, max: 24 }),
    gap: fc.integer({ min: 1, max: 3 }),
  });
  fc.assert(
    fc.property(shape, fc.array(colour, { minLength: 56, maxLength: 56 }), ({ columns, rows, size, gap }, colours) => {
      // White blocks at the end would be taken for places left empty.
      const list = colours.map(([r, g, b]) => [r, g, Math.min(b, 250)] as const);
      const expected = list.slice(0, columns * rows).map(hexOf);
      fc.pre(new Set(expected).size > 3);
      expect(codes(drawn(columns, rows, size, gap, (column, row) => list[row * columns + column]!))).toEqual(expected);
    }),
    { numRuns: 60 },
  );
});

test('blocks that alternate are blocks, not gaps', () => {
  const two = ['#ffffff', '#da452c'].map((hex) => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)));
  const stripes = drawn(5, 1, 10, 0, (column) => two[column % 2]!);
  expect(codes(stripes)).toEqual(['#ffffff', '#da452c', '#ffffff', '#da452c', '#ffffff']);
});

test('a photograph, noise and a flat picture are no palettes', () => {
  const noise = new Uint8Array(64 * 64 * 4).map((_, at) => (at * 7_919) % 256);
  expect(flatBlocks({ width: 64, height: 64, data: noise })).toBeNull();
  expect(flatBlocks({ width: 40, height: 40, data: new Uint8Array(40 * 40 * 4).fill(255) })).toBeNull();
  expect(flatBlocks({ width: 0, height: 0, data: new Uint8Array() })).toBeNull();
});

test('a mean is taken of light, not of codes, and of opaque pixels alone', () => {
  const data = Uint8Array.from([0, 0, 0, 255, 255, 255, 255, 255, 255, 0, 0, 0]);
  // Half of the light of white is sRGB 188 (IEC 61966-2-1).
  expect(meanColour({ width: 3, height: 1, data })).toBe('#bcbcbc');
  expect(meanColour({ width: 1, height: 1, data: Uint8Array.from([255, 0, 0, 0]) })).toBeNull();
});
