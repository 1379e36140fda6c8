import Color from 'colorjs.io';
import fc from 'fast-check';
import { bytesToOklch, linearToByte } from './eight-bit';
import { bytesToOklab, encode, oklabToBytes } from './oklab';

test('linear light is the nearest byte, cut at both ends', () => {
  fc.assert(
    fc.property(fc.double({ min: -0.1, max: 1.1, noNaN: true }), (linear) => {
      expect(linearToByte(linear)).toBe(Math.round(255 * encode(Math.min(1, Math.max(0, linear)))));
    }),
  );
  expect([-1, 0, 1, 2, NaN].map(linearToByte)).toEqual([0, 0, 255, 255, 0]);
});

test('a picture’s greys have neither chroma nor hue, whatever stood there, and every hue lies round the circle', () => {
  const into = new Float64Array(9).fill(7);
  bytesToOklch([128, 128, 128, 255, 0, 255, 0, 0, 0], into);
  expect([...into.slice(0, 3), ...into.slice(6)]).toEqual([expect.closeTo(0.59987, 5), 0, 0, 0, 0, 0]);
  // Magenta: its hue is below a whole turn, not below nothing.
  expect([...into.slice(3, 6)]).toEqual(new Color('#ff00ff').to('oklch').coords.map((value) => expect.closeTo(value!, 9)));
});

test('bytes to OKLab and back, as an independent library has it (colorjs.io)', () => {
  fc.assert(
    fc.property(fc.tuple(fc.nat(255), fc.nat(255), fc.nat(255)), ([r, g, b]) => {
      const lab = bytesToOklab(r, g, b);
      const other = new Color('srgb', [r / 255, g / 255, b / 255]).to('oklab').coords;
      lab.forEach((value, at) => expect(value).toBeCloseTo(other[at]!, 9));
      expect(oklabToBytes(lab)).toEqual([r, g, b]);
    }),
  );
  expect(oklabToBytes([1.2, 0.1, 0])).toEqual([255, 255, 255]);
});
