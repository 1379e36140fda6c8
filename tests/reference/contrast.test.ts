import { contrastRatio, nearestPassing, relativeLuminance } from '@/core/colour/contrast';
import { readColour } from '@/core/colour/read';
import { bytesOf } from '@/core/colour/integers';
import { contrastEnhanced } from '@/core/findings/contrast-enhanced';
import { contrastGraphic } from '@/core/findings/contrast-graphic';
import { contrastText } from '@/core/findings/contrast-text';
import axe from 'axe-core';
import Color from 'colorjs.io';
import fc from 'fast-check';
import { fewTokens } from '../few-tokens';

const read = (css: string) => readColour(css)!;
const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);

test.each([
  // WCAG 2.2, definition "contrast ratio": from 1 to 21.
  ['#000000', '#ffffff', 21],
  ['#ffffff', '#ffffff', 1],
  // Common practice: the greys on either side of 4.5 on white.
  ['#777777', '#ffffff', 4.478],
  ['#767676', '#ffffff', 4.542],
  // Pure red and blue on white, from memory of the W3C's texts.
  ['#ff0000', '#ffffff', 3.998],
  ['#0000ff', '#ffffff', 8.592],
])('contrast of %s on %s is %d', (text, ground, expected) => {
  expect(contrastRatio(read(text), read(ground))).toBeCloseTo(expected, 3);
});

test('luminance of the primaries is the weights of WCAG 2.2', () => {
  expect([relativeLuminance([1, 0, 0]), relativeLuminance([0, 1, 0]), relativeLuminance([0, 0, 1])]).toEqual([
    0.2126, 0.7152, 0.0722,
  ]);
});

test('agrees with an independent library (colorjs.io, WCAG21)', () => {
  fc.assert(
    fc.property(hex, hex, (one, two) => {
      // That library takes luminance from XYZ with more digits than WCAG's weights have.
      const other = new Color(one).contrast(two, 'WCAG21');
      expect(Math.abs(contrastRatio(read(one), read(two)) / other - 1)).toBeLessThan(5e-4);
    }),
  );
});

/** The part of axe-core, the checker of web pages, that its own rules measure contrast with; its types leave it out. */
const { Color: Seen, getContrast } = (
  axe as unknown as {
    commons: {
      color: {
        Color: new (red: number, green: number, blue: number, alpha: number) => object;
        getContrast: (ground: object, text: object) => number;
      };
    };
  }
).commons.color;
const seen = (css: string) => {
  const [r, g, b] = bytesOf(read(css));
  return new Seen(r, g, b, 1);
};

test('the rules find a text or a graphic exactly where axe-core measures less than 4.5, 7 and 3 to 1', () => {
  fc.assert(
    fc.property(hex, hex, (one, two) => {
      const brand = fewTokens(
        { 'surface.page': two, 'text.default': one, 'border.focus': one },
        { 'surface.page': 'surface', 'text.default': 'text', 'border.focus': 'border' },
      );
      const ratio = getContrast(seen(two), seen(one));
      const found = [contrastText, contrastEnhanced, contrastGraphic].map((rule) => rule.find(brand, {}).length > 0);
      // Below 4.5 it is told once, as the error.
      expect(found).toEqual([ratio < 4.5, ratio >= 4.5 && ratio < 7, ratio < 3]);
    }),
  );
});

test('the proposal passes on every ground, keeps the hue, and no nearer lightness does', () => {
  fc.assert(
    fc.property(hex, hex, (text, ground) => {
      const grounds = [read(ground)];
      const found = nearestPassing(read(text), grounds, 4.5);
      // Some text always passes on a single ground: black or white does.
      expect(found).not.toBeNull();
      expect(contrastRatio(found!, grounds[0]!)).toBeGreaterThanOrEqual(4.5);
      const [l, c, h] = read(text).oklch;
      const distance = Math.abs(found!.oklch[0] - l);
      for (const nearer of [l - distance + 0.01, l + distance - 0.01]) {
        if (Math.abs(nearer - l) >= distance || nearer < 0 || nearer > 1) continue;
        const candidate = read(read(`oklch(${nearer} ${c} ${h})`).hex);
        // Rounding to 8 bits moves a dark colour's lightness by up to a hundredth.
        if (Math.abs(nearer - l) < distance - 0.02) expect(contrastRatio(candidate, grounds[0]!)).toBeLessThan(4.5);
      }
    }),
    { numRuns: 60 },
  );
});

test('says so when no lightness passes on all grounds', () => {
  expect(nearestPassing(read('#800'), [read('#000'), read('#fff'), read('#777')], 4.5)).toBeNull();
});
