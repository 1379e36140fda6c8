import fc from 'fast-check';
import { anyColour, hexColour } from '../../../tests/arbitrary-colours';
import { contrastRatio } from '../colour/contrast';
import { deltaE2000 } from '../colour/difference';
import { readColour } from '../colour/read';
import type { Vision } from '../colour/vision';
import { categorical, hardestPair, type Categorical } from './categorical';
import { diverging, sequential } from './series';

const lightness = (css: string) => readColour(css)!.oklch[0];
const steps = (colours: readonly string[]) => colours.slice(1).map((css, at) => deltaE2000(colours[at]!, css));
const spread = (values: readonly number[]) => Math.max(...values) - Math.min(...values);

const falling = fc.record({
  count: fc.integer({ min: 3, max: 12 }),
  light: fc.constant(0.97),
  dark: fc.constant(0.3),
  first: fc.constantFrom('light' as const, 'dark' as const),
  chroma: fc.constant(1),
});

test('a sequential series falls strictly in lightness, whatever its hues', () => {
  fc.assert(
    fc.property(fc.array(anyColour, { minLength: 1, maxLength: 4 }), falling, (hues, wish) => {
      const colours = sequential({ ...wish, hues });
      const light = wish.first === 'light' ? colours : [...colours].reverse();
      expect(light).toHaveLength(wish.count);
      light.slice(1).forEach((css, at) => expect(lightness(css)).toBeLessThan(lightness(light[at]!)));
    }),
  );
});

test('a sequential series has steps of equal ΔE2000 over hues up to 140° apart', () => {
  const stop = fc.tuple(fc.integer({ min: 5, max: 95 }), fc.integer({ min: 2, max: 35 }), fc.integer({ max: 140, min: 0 }));
  const hues = fc
    .tuple(fc.integer({ min: 0, max: 359 }), fc.array(stop, { minLength: 1, maxLength: 4 }))
    .map(([from, list]) => list.map(([l, c, on]) => `oklch(${l}% ${c / 100} ${(from + on) % 360})`));
  fc.assert(
    fc.property(hues, falling, (list, wish) => {
      const apart = steps(sequential({ ...wish, hues: list }));
      // Rounding to 8 bits moves each end by up to half a ΔE2000.
      expect(spread(apart)).toBeLessThan(1.2 + 0.08 * Math.max(...apart));
    }),
  );
});

test('a diverging series has arms of equal lightness about its middle, odd or even', () => {
  fc.assert(
    fc.property(hexColour, hexColour, fc.integer({ min: 3, max: 12 }), (low, high, count) => {
      const colours = diverging({ low, high, count, middle: 0.96, end: 0.4, tint: 0 });
      expect(colours).toHaveLength(count);
      colours.forEach((css, at) => {
        expect(Math.abs(lightness(css) - lightness(colours[count - 1 - at]!))).toBeLessThan(0.006);
        if (at < count / 2 - 1) expect(lightness(css)).toBeLessThan(lightness(colours[at + 1]!) + 1e-9);
      });
      if (count % 2 === 1) expect(readColour(colours[(count - 1) / 2]!)!.oklch[1]).toBeLessThan(0.003);
    }),
  );
  const [tinted] = diverging({ low: '#006699', high: '#a0400a', count: 3, middle: 0.96, end: 0.4, tint: 0.03 }).slice(1);
  expect(readColour(tinted!)!.oklch[1]).toBeGreaterThan(0.015);
});

const visions: readonly Vision[] = ['protan', 'deutan', 'tritan'];
const wish: Categorical = {
  count: 8,
  given: [],
  ground: '#ffffff',
  contrast: 3,
  visions,
  lightness: [0.42, 0.82],
  liveliness: 0.5,
};
const least = (colours: readonly string[]) => hardestPair(colours, ['normal', ...visions])?.distance ?? Infinity;

test('categories: each new colour shows on the ground, the first n are the best of the first n + 1', () => {
  for (const ground of ['#ffffff', '#10202c']) {
    const { colours, closest } = categorical({ ...wish, liveliness: 1, ground });
    expect(colours).toHaveLength(8);
    expect(closest!.distance).toBeCloseTo(least(colours), 9);
    for (const css of colours) expect(contrastRatio(readColour(css)!, readColour(ground)!)).toBeGreaterThanOrEqual(3);
    for (let n = 2; n < 8; n++) {
      const others = Array.from({ length: n + 1 }, (_, out) => least(colours.slice(0, n + 1).filter((_, at) => at !== out)));
      expect(least(colours.slice(0, n))).toBeCloseTo(Math.max(...others), 9);
    }
  }
});

test('on white eight stand as far apart as a published scheme does, or farther, for everybody', () => {
  // ColorBrewer's Dark2 (Harrower and Brewer 2003), eight classes, from memory.
  const dark2 = ['#1b9e77', '#d95f02', '#7570b3', '#e7298a', '#66a61e', '#e6ab02', '#a6761d', '#666666'];
  expect(categorical({ ...wish, liveliness: 1 }).closest!.distance).toBeGreaterThan(1.5 * least(dark2));
});

test('a set is extended without moving a colour of it; what cannot be reached is told by the distance', () => {
  const given = ['#196ea9', '#db5d2c', '#2c965d', '#6b46a0', '#dab33a', '#00635f', '#d375a4', '#694323'];
  // Only the liveliest, so that the search is short.
  const short = { ...wish, liveliness: 1 };
  const { colours } = categorical({ ...short, given, count: 12 });
  expect(colours.slice(0, 8)).toEqual(given);
  expect(new Set(colours).size).toBe(12);
  expect(categorical({ ...short, given, count: 5 }).colours).toEqual(given);
  const many = categorical({ ...short, visions: [], count: 24 });
  expect(many.colours).toHaveLength(24);
  expect(many.closest!.distance).toBeLessThan(20);
  // No colour at all has 21:1 on a middle grey.
  expect(categorical({ ...short, ground: '#777777', contrast: 21 })).toEqual({ colours: [], closest: null });
});
