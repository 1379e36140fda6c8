import Color from 'colorjs.io';
import { fromBytes, fromCmyk, fromHsb, fromLab, fromUnit } from './channel-values';
import { readColour } from './read';

test.each([
  [fromBytes(31, 111, 120), '#1f6f78'],
  [fromBytes(31, 111, 120, 255), '#1f6f78'],
  [fromBytes(31, 111, 120, 128), '#1f6f7880'],
  [fromBytes(0, 0, 0, 0), '#00000000'],
  // Floats of 32 bits and integers of 16 are the 8-bit value that they come from; others keep their digits.
  [fromUnit([31 / 255, 111 / 255, 120 / 255]), '#1f6f78'],
  [fromUnit([Math.fround(31 / 255), Math.fround(111 / 255), Math.fround(120 / 255)]), '#1f6f78'],
  [fromUnit([Math.round((65535 * 31) / 255) / 65535, 1, 0]), '#1fff00'],
  [fromUnit([0.5, 0.25, 1]), 'color(srgb 0.5 0.25 1)'],
  [fromUnit([31 / 255 + 3e-5, 0, 1]), 'color(srgb 0.1216 0 1)'],
  [fromUnit([256 / 255, 0, 0]), 'color(srgb 1.00392 0 0)'],
  [fromUnit([-1 / 255, 0, 0]), 'color(srgb -0.00392 0 0)'],
  [fromUnit([-1e-7, 0.123456789, 0]), 'color(srgb 0 0.12346 0)'],
  // CSS Color 5, the naive conversion: 1 - min(1, ink * (1 - black) + black).
  [fromCmyk(0, 0, 0, 0), '#ffffff'],
  [fromCmyk(1, 0, 0, 0), '#00ffff'],
  [fromCmyk(0, 0.5, 1, 0.5), '#804000'],
  [fromCmyk(0.2, 0.4, 0.6, 1), '#000000'],
  // The corners of the hexcone.
  [fromHsb(0, 1, 1), '#ff0000'],
  [fromHsb(120, 1, 1), '#00ff00'],
  [fromHsb(240, 0, 1), '#ffffff'],
  [fromHsb(210, 0.5, 0.4), 'color(srgb 0.2 0.3 0.4)'],
  [fromLab(54.2905, 80.8049, 69.891), 'lab(54.2905 80.8049 69.891)'],
  [fromLab(50, -0.000001, 1 / 3), 'lab(50 0 0.33333)'],
])('%s', (css, expected) => {
  expect(css).toBe(expected);
  expect(readColour(css)).not.toBeNull();
});

test('Lab of swatch files is that of CSS (colorjs.io)', () => {
  const [l, a, b] = new Color('#1f6f78').to('lab').coords as [number, number, number];
  expect(readColour(fromLab(l, a, b))!.hex).toBe('#1f6f78');
});
