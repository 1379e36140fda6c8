import fc from 'fast-check';
import { anyColour, hexColour } from '../../../tests/arbitrary-colours';
import { contrastRatio, relativeLuminance } from '../colour/contrast';
import { readColour } from '../colour/read';
import { MOST_TINT, neutrals } from './neutrals';
import { SHADE_LABELS, shades } from './shades';

const paper = readColour('#ffffff')!;
const onPaper = (css: string) => contrastRatio(readColour(css)!, paper);

test('the base stands in its own ladder untouched, at the nearest step, and luminance only ever falls', () => {
  fc.assert(
    fc.property(anyColour, fc.integer({ min: 2, max: 24 }), (base, count) => {
      const ladder = shades(
        base,
        Array.from({ length: count }, (_, at) => `${at}`),
      );
      expect(ladder.filter((step) => step.base)).toMatchObject([{ value: base }]);
      const luminance = ladder.map(({ value }) => relativeLuminance(readColour(value)!.rgb));
      luminance.slice(1).forEach((value, at) => expect(value).toBeLessThanOrEqual(luminance[at]! + 1e-3));
    }),
  );
});

test('600 of every hue carries the same contrast on paper, and reads there as text (WCAG 2.2, 1.4.3)', () => {
  fc.assert(
    fc.property(hexColour, (base) => {
      for (const { label, value, base: isBase } of shades(base)) {
        if (isBase || !['500', '600', '700', '800'].includes(label)) continue;
        const expected = { 500: 3.37, 600: 4.73, 700: 6.6, 800: 8.98 }[label]!;
        expect(Math.abs(onPaper(value) / expected - 1)).toBeLessThan(0.03);
      }
    }),
  );
});

test('the hue stays, and chroma keeps its share of what sRGB has', () => {
  for (const base of ['#1f6f78', '#c0392b', '#f0b93a', '#5b3fa0']) {
    const hue = readColour(base)!.oklch[2];
    for (const { value } of shades(base)) {
      const [, c, h] = readColour(value)!.oklch;
      expect(c).toBeGreaterThan(0.005);
      expect(Math.abs(((h - hue + 540) % 360) - 180)).toBeLessThan(8);
    }
  }
});

test('five greys from cold to warm, of the same lightness step by step', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 359 }), fc.double({ min: 0, max: MOST_TINT, noNaN: true }), (hue, tint) => {
      const sets = neutrals(hue, tint);
      expect(sets).toHaveLength(5);
      for (const { values } of sets) {
        expect(values).toHaveLength(SHADE_LABELS.length);
        values.forEach((css, at) => {
          expect(readColour(css)!.oklch[1]).toBeLessThan(tint + 0.006);
          expect(Math.abs(onPaper(css) / onPaper(sets[0]!.values[at]!) - 1)).toBeLessThan(0.03);
        });
      }
    }),
    { numRuns: 30 },
  );
});
