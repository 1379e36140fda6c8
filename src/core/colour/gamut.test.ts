import fc from 'fast-check';
import { converter } from 'culori';
import Color from 'colorjs.io';
import { isInside, maxChroma, showOklch } from './gamut';
import { hexOf, readColour } from './read';

const colours = fc.tuple(
  fc.double({ min: -0.2, max: 1.2, noNaN: true }),
  fc.double({ min: 0, max: 0.6, noNaN: true }),
  fc.double({ min: 0, max: 360, noNaN: true }),
);
const toOklch = converter('oklch');

test('whatever is asked for, a screen can show the answer, and it says how far away it is', () => {
  fc.assert(
    fc.property(colours, ([l, c, h]) => {
      const { rgb, clipped } = showOklch(l, c, h);
      expect(isInside(rgb)).toBe(true);
      const [r, g, b] = rgb;
      const lab = converter('oklab');
      const [asked, shown] = [lab({ mode: 'oklch', l, c, h }), lab({ mode: 'rgb', r, g, b })];
      const distance = Math.hypot(asked.l - shown.l, asked.a - shown.a, asked.b - shown.b);
      expect(Math.abs(clipped - (clipped === 0 ? 0 : distance))).toBeLessThan(1e-6);
    }),
  );
});

test('lightness stays within what cannot be noticed, and no colour comes out livelier than it was', () => {
  const inRange = colours.filter(([l]) => l > 0 && l < 1);
  fc.assert(
    fc.property(inRange, ([l, c, h]) => {
      const [r, g, b] = showOklch(l, c, h).rgb;
      const shown = toOklch({ mode: 'rgb', r, g, b });
      expect(Math.abs(shown.l - l)).toBeLessThan(0.0201);
      expect(shown.c).toBeLessThan(c + 0.0201);
    }),
  );
});

test('every 8-bit colour of a coarse cube goes to OKLCH and back unchanged', () => {
  const steps = [0, 1, 17, 64, 127, 128, 200, 254, 255];
  for (const r of steps) {
    for (const g of steps) {
      for (const b of steps) {
        const colour = readColour(`rgb(${r} ${g} ${b})`)!;
        expect(hexOf(showOklch(...colour.oklch).rgb)).toBe(colour.hex);
      }
    }
  }
});

test('beyond white is white and beyond black is black, whatever the chroma', () => {
  expect(showOklch(1.1, 0.3, 40)).toEqual({ rgb: [1, 1, 1], clipped: expect.closeTo(Math.hypot(0.1, 0.3), 9) });
  expect(showOklch(-0.1, 0.3, 40).rgb).toEqual([0, 0, 0]);
});

test('the most chroma of a hue is where an independent library sees the gamut end (colorjs.io)', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.2, max: 0.95, noNaN: true }), fc.integer({ min: 0, max: 359 }), (l, h) => {
      const most = maxChroma(l, h);
      const inside = (c: number) => new Color('oklch', [l, c, h]).inGamut('srgb', { epsilon: 1e-6 });
      expect([most > 0.005, inside(most - 1e-4), inside(most + 1e-4)]).toEqual([true, true, false]);
    }),
  );
  expect([maxChroma(0, 40), maxChroma(1, 40), maxChroma(-1, 40), maxChroma(2, 40)]).toEqual([0, 0, 0, 0]);
});
