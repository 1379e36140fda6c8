import { fewTokens } from '../../../tests/few-tokens';
import { OFF_BRAND, offBrand, type OffBrand } from './off-brand';

const brand = fewTokens({ page: '#ffffff', ink: '#162631', lamp: '#f0bb3b' });

/** A picture of one colour with rectangles of others. */
function drawn(
  width: number,
  height: number,
  ground: number,
  ...boxes: readonly (readonly [number, number, number, number, number])[]
) {
  const pixels = new Uint32Array(width * height).fill(ground);
  for (const [x, y, w, h, word] of boxes)
    for (let row = y; row < y + h; row++) pixels.fill(word, row * width + x, row * width + x + w);
  return { width, height, data: new Uint8Array(pixels.buffer) };
}
/** `#rrggbb` as it lies in memory, opaque. */
const word = (hex: string) =>
  (0xff000000 | (parseInt(hex.slice(5), 16) << 16) | (parseInt(hex.slice(3, 5), 16) << 8) | parseInt(hex.slice(1, 3), 16)) >>> 0;

test('each colour of a picture is told with its share and the brand’s nearest; what is off-brand is outlined, the largest first', () => {
  const picture = drawn(
    240,
    120,
    word('#ffffff'),
    [24, 24, 48, 36, word('#cc00cc')],
    [120, 60, 24, 24, word('#00aa00')],
    [200, 10, 20, 20, word('#f0bb3c')],
  );
  const found = offBrand(brand, picture) as OffBrand;
  expect(found.colours.map(({ hex, nearest }) => [hex, nearest.hex])).toEqual([
    ['#ffffff', '#ffffff'],
    ['#cc00cc', expect.any(String)],
    ['#00aa00', expect.any(String)],
    ['#f0bb3c', '#f0bb3b'],
  ]);
  expect(found.areas.map(({ area, colour }) => [area, colour.hex])).toEqual([
    [{ x: 24, y: 24, width: 48, height: 36 }, '#cc00cc'],
    [{ x: 120, y: 60, width: 24, height: 24 }, '#00aa00'],
  ]);
  expect(found.areas[0]!.share).toBeCloseTo((48 * 36) / (240 * 120));
  expect(found.onBrand).toBeCloseTo(1 - (48 * 36 + 24 * 24) / (240 * 120));
  for (const { hex, distance } of found.colours)
    expect([hex, distance > OFF_BRAND]).toEqual([hex, hex === '#cc00cc' || hex === '#00aa00']);
});

test('a picture with no pixel of the brand is one area; a thin line is none; a transparent one, and a brand without colours, are said', () => {
  const none = offBrand(brand, drawn(50, 30, word('#cc00cc'))) as OffBrand;
  expect([none.onBrand, none.areas.map(({ area }) => area)]).toEqual([0, [{ x: 0, y: 0, width: 50, height: 30 }]]);
  const line = offBrand(brand, drawn(60, 60, word('#ffffff'), [0, 30, 60, 2, word('#cc00cc')])) as OffBrand;
  expect(line.areas).toEqual([]);
  expect(offBrand(brand, drawn(4, 4, 0))).toBe('This picture is wholly transparent.');
  expect(offBrand(fewTokens({}), drawn(4, 4, word('#ffffff')))).toBe('The brand has no colours to compare a picture with yet.');
});
