import fc from 'fast-check';
import { anyColour } from '../../../tests/arbitrary-colours';
import { deltaE2000 } from '../colour/difference';
import { readColour } from '../colour/read';
import { evenness } from './evenness';
import { settle, settledShare } from './settle';

const palette = fc.array(fc.record({ value: anyColour, locked: fc.boolean() }), { maxLength: 14 });
const shown = (css: string) => readColour(css)!.hex;

test('settling never lowers evenness, moves none farther than the limit and no locked one at all', () => {
  fc.assert(
    fc.property(palette, fc.integer({ min: 1, max: 12 }), fc.double({ min: 0, max: 1, noNaN: true }), (colours, limit, share) => {
      const whole = settle(colours, limit);
      for (const { values, moved, before, after } of [whole, settledShare(colours, whole, share)]) {
        expect(values).toHaveLength(colours.length);
        expect(after?.score ?? 0).toBeGreaterThanOrEqual(before?.score ?? 0);
        values.forEach((css, at) => {
          expect(moved[at]).toBeCloseTo(deltaE2000(shown(colours[at]!.value), shown(css)), 6);
          expect(moved[at]).toBeLessThanOrEqual(limit + 0.3);
          if (colours[at]!.locked) expect(css).toBe(colours[at]!.value);
          expect(readColour(css)!.alpha).toBeCloseTo(readColour(colours[at]!.value)!.alpha, 2);
        });
      }
    }),
    { numRuns: 40 },
  );
});

test('settling again from the same origins changes almost nothing (ΔE2000 below 1)', () => {
  fc.assert(
    fc.property(palette, (colours) => {
      const { values } = settle(colours);
      const again = settle(colours.map(({ value, locked }, at) => ({ value: values[at]!, origin: value, locked })));
      again.values.forEach((css, at) => expect(deltaE2000(shown(css), shown(values[at]!))).toBeLessThan(1));
    }),
    { numRuns: 30 },
  );
});

test('its order does not matter to the score', () => {
  fc.assert(
    fc.property(fc.array(anyColour, { minLength: 1, maxLength: 10 }), (colours) => {
      expect(evenness([...colours].reverse())!.score).toBeCloseTo(evenness(colours)!.score, 9);
    }),
  );
});

test('strong saturation is tamed, not greyed', () => {
  const strong = ['#ff0000', '#00ff00', '#0000ff', '#ffff00', '#ff00ff', '#00ffff'];
  const chroma = (colours: readonly string[]) =>
    colours.reduce((sum, css) => sum + readColour(css)!.oklch[1], 0) / colours.length;
  const { values } = settle(strong.map((value) => ({ value, locked: false })));
  expect(chroma(values)).toBeLessThan(0.95 * chroma(strong));
  expect(chroma(values)).toBeGreaterThan(0.6 * chroma(strong));
});

test('none, one, all alike, all locked', () => {
  expect(settle([])).toEqual({ values: [], moved: [], before: null, after: null });
  expect(evenness(['#2c965d'])!.score).toBe(100);
  expect(evenness(['#2c965d', '#2c965d'])!.parts.separation).toBe(0);
  const locked = ['#ff0000', '#fe0000', '#111111'].map((value) => ({ value, locked: true }));
  expect(settle(locked).values).toEqual(['#ff0000', '#fe0000', '#111111']);
});

test('hues on a template of Cohen-Or et al. score full, hues by chance do not; even angles count too', () => {
  const at = (...hues: number[]) => evenness(hues.map((hue) => `oklch(0.7 0.09 ${hue})`))!.parts.hues;
  expect(at(20, 25, 200, 205)).toBeGreaterThan(95); // I
  expect(at(0, 40, 80, 180)).toBeGreaterThan(95); // Y
  expect(at(10, 70, 130, 190, 250, 310)).toBeGreaterThan(85); // six at equal angles
  expect(at(0, 52, 99, 170, 205, 291, 330)).toBeLessThan(60);
});
