import { EASINGS, farEnd, ramp, type Ramp, RAMP_SPACES } from './ramp';
import fc from 'fast-check';
import { anyColour, hexColour } from '../../../tests/arbitrary-colours';
import { deltaE2000 } from '../colour/difference';
import { readColour } from '../colour/read';

const plain: Omit<Ramp, 'from' | 'to' | 'count'> = { space: 'oklch', hue: 'shorter', easing: 'even', perceived: true };
const lightness = (css: string) => readColour(css)!.oklch[0];
const steps = (colours: readonly string[]) => colours.slice(1).map((css, at) => deltaE2000(colours[at]!, css));

test('the far end goes three quarters of the way to white by itself, a quarter of the chroma kept (common practice)', () => {
  const start = readColour('#2c965d')!;
  const [l, c, h] = readColour(farEnd(start, { towards: 'white', way: 0.75, chroma: 0.25 }))!.oklch;
  expect(l).toBeCloseTo(start.oklch[0] + (1 - start.oklch[0]) * 0.75, 2);
  expect(c).toBeCloseTo(start.oklch[1] * 0.25, 2);
  expect(Math.abs(h - start.oklch[2])).toBeLessThan(2);
});

test('any two ends in any space: as many colours as asked for, ends as authored, all of them colours', () => {
  const wish = fc.record({
    from: anyColour,
    to: anyColour.map((pinned) => ({ pinned })),
    count: fc.integer({ min: 2, max: 32 }),
    space: fc.constantFrom(...RAMP_SPACES),
    hue: fc.constantFrom('shorter' as const, 'longer' as const),
    easing: fc.constantFrom(...EASINGS),
    perceived: fc.boolean(),
  });
  fc.assert(
    fc.property(wish, (wished) => {
      const colours = ramp(wished);
      expect([colours.length, colours[0], colours.at(-1)]).toEqual([wished.count, wished.from, wished.to.pinned]);
      for (const css of colours) expect(readColour(css)?.oklch.every(Number.isFinite)).toBe(true);
    }),
  );
});

test('steps to white are equal to the eye, and lightness only ever rises', () => {
  fc.assert(
    fc.property(
      hexColour.filter((hex) => lightness(hex) < 0.8),
      fc.integer({ min: 3, max: 9 }),
      (from, count) => {
        const colours = ramp({ ...plain, from, to: { towards: 'white', way: 0.9, chroma: 0.3 }, count });
        const apart = steps(colours);
        // Rounding to 8 bits moves each end of a step by up to about half a ΔE2000 in the dark.
        expect(Math.max(...apart) - Math.min(...apart)).toBeLessThan(1.3);
        colours.slice(1).forEach((css, at) => expect(lightness(css)).toBeGreaterThan(lightness(colours[at]!)));
      },
    ),
  );
});

test('equal ends, greys and the longer way round', () => {
  expect(ramp({ ...plain, from: '#808080', to: { pinned: '#808080' }, count: 3, hue: 'longer' })).toEqual(
    Array(3).fill('#808080'),
  );
  // A grey takes the other end's hue and so stays on it.
  const [, middle] = ramp({ ...plain, from: '#808080', to: { pinned: '#dd3333' }, count: 3 });
  expect(Math.abs(readColour(middle!)!.oklch[2] - readColour('#dd3333')!.oklch[2])).toBeLessThan(3);
  const ends = { from: '#dd3333', to: { pinned: '#ddaa33' }, count: 3 };
  const hueOf = (hue: 'shorter' | 'longer') => readColour(ramp({ ...plain, ...ends, hue, perceived: false })[1]!)!.oklch[2];
  expect(Math.abs(hueOf('longer') - hueOf('shorter'))).toBeGreaterThan(120);
  expect(
    ramp({ ...plain, from: '#ff000080', to: { pinned: '#0000ff' }, count: 3, space: 'linear', perceived: false })[1],
  ).toHaveLength(9);
});
