import fc from 'fast-check';
import { anyColour } from '../../../tests/arbitrary-colours';
import { deltaE2000 } from '../colour/difference';
import { bytesToOklab } from '../colour/oklab';
import { byte, readColour } from '../colour/read';
import { evenness } from './evenness';
import { runsOf, smoothness } from './runs';
import { sequential } from './series';
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

describe('what belongs together', () => {
  const bytes = (css: string) => bytesToOklab(...(readColour(css)!.rgb.map(byte) as [number, number, number]));
  const lightness = (colours: readonly string[]) => colours.map((css) => bytes(css)[0]);
  const falls = (values: readonly number[]) => values.every((value, at) => at === 0 || value < values[at - 1]!);
  /** Ramps as Mix makes them, of any hue. */
  const ramp = fc
    .tuple(fc.integer({ min: 0, max: 359 }), fc.integer({ min: -80, max: 80 }), fc.integer({ min: 3, max: 11 }))
    .map(([hue, turn, count]) =>
      sequential({
        hues: [`oklch(0.6 0.1 ${hue})`, `oklch(0.4 0.1 ${(hue + turn + 360) % 360})`],
        count,
        light: 0.94,
        dark: 0.3,
        first: 'light',
        chroma: 1,
      }),
    );

  test('a sequential palette, or rows that are ramps, keep their order and never lose smoothness', () => {
    fc.assert(
      fc.property(
        fc.array(ramp, { minLength: 1, maxLength: 3 }),
        fc.boolean(),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (ramps, isOne, share) => {
          const rows = isOne ? [ramps[0]!] : ramps;
          const swatches = rows.flatMap((colours, at) => colours.map((value) => ({ value, locked: false, row: `Row ${at}` })));
          const runs = runsOf(isOne ? 'sequential' : 'brand', swatches);
          expect(runs).toHaveLength(rows.length);
          const whole = settle(swatches, 6, runs);
          for (const { values, moved, before, after } of [whole, settledShare(swatches, whole, share, runs)]) {
            expect(after!.score).toBeGreaterThanOrEqual(before!.score);
            expect(Math.max(...moved)).toBeLessThanOrEqual(6.3);
            for (const { members } of runs) {
              const [then, now] = [members.map((at) => swatches[at]!.value), members.map((at) => values[at]!)];
              expect(falls(lightness(now))).toBe(true);
              expect(smoothness(now.map(bytes))).toBeGreaterThanOrEqual(smoothness(then.map(bytes)));
            }
          }
        },
      ),
      { numRuns: 25 },
    );
  });

  test('which runs a palette has', () => {
    const of = (kind: string, ...colours: (string | [string, string])[]) =>
      runsOf(
        kind,
        colours.map((given) => (typeof given === 'string' ? { value: given } : { value: given[0], row: given[1] })),
      );
    expect(of('sequential', '#fff', '#888', '#000')).toEqual([{ members: [0, 1, 2], arms: [[0, 1, 2]] }]);
    expect(of('sequential', '#fff', '#000')).toEqual([]);
    expect(of('diverging', '#100', '#a55', '#eee', '#55a', '#001')).toEqual([
      {
        members: [0, 1, 2, 3, 4],
        arms: [
          [0, 1, 2],
          [2, 3, 4],
        ],
      },
    ]);
    const rows: [string, string][] = [
      ['#000', 'a'],
      ['#888', 'a'],
      ['#fff', 'a'],
      ['#000', 'b'],
      ['#fff', 'b'],
      ['#888', 'b'],
      ['#111', 'c'],
      ['#eee', 'c'],
    ];
    expect(of('brand', ...rows, '#123456').map(({ members }) => members)).toEqual([[0, 1, 2]]);
  });

  test('a run with a locked colour stays; a zigzag is no smooth way', () => {
    const swatches = ['#e8f2fb', '#8fb4d9', '#1f4e79', '#0a1f33'].map((value, at) => ({ value, locked: at === 2 }));
    const runs = runsOf('sequential', swatches);
    expect(settle(swatches, 6, runs).values).toEqual(swatches.map(({ value }) => value));
    expect(
      smoothness([
        [0.2, 0, 0],
        [0.5, 0, 0],
        [0.8, 0, 0],
      ]),
    ).toBe(100);
    expect(
      smoothness([
        [0.2, 0, 0],
        [0.3, 0.1, 0],
        [0.4, -0.1, 0],
        [0.5, 0.1, 0],
      ]),
    ).toBe(0);
    expect(evenness(['#000', '#888', '#fff'])!.parts.smoothness).toBeNull();
  });
});
