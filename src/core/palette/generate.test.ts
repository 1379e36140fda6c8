import fc from 'fast-check';
import { deltaEOk } from '../colour/difference';
import { readColour } from '../colour/read';
import { generate, midway, type Roll } from './generate';

const share = fc.double({ min: 0, max: 1, noNaN: true });
const rolls: fc.Arbitrary<Roll> = fc.record({
  seed: fc.integer({ min: 0, max: 0x7fffffff }),
  mood: fc.record({ lightness: share, chroma: share, spread: share }),
  places: fc.array(fc.option(fc.constantFrom('#1f6f78', 'oklch(0.7 0.1 60)', '#ffffff'), { nil: null, freq: 3 }), {
    minLength: 2,
    maxLength: 16,
  }),
});

test('the same seed gives the same colours, and what is locked stays as it was written', () => {
  fc.assert(
    fc.property(rolls, (roll) => {
      const colours = generate(roll);
      expect(generate(roll)).toEqual(colours);
      roll.places.forEach((kept, at) => kept !== null && expect(colours[at]).toBe(kept));
      for (const css of colours) expect(readColour(css)).not.toBeNull();
    }),
  );
});

test('seeds side by side give different sets, and colours that can be told apart', () => {
  const mood = { lightness: 0.62, chroma: 0.7, spread: 1 };
  const sets = Array.from({ length: 60 }, (_, seed) => generate({ seed, mood, places: Array<null>(8).fill(null) }));
  expect(new Set(sets.map(([first]) => first)).size).toBeGreaterThan(55);
  for (const set of sets) {
    const nearest = Math.min(...set.flatMap((one, at) => set.slice(at + 1).map((two) => deltaEOk(one, two))));
    // Three times what is just noticeable (CSS Color 4: 0.02).
    expect(nearest).toBeGreaterThan(0.06);
  }
});

test('the mood is heard: grey without chroma, one hue without spread, light when light', () => {
  const places = Array<null>(6).fill(null);
  for (let seed = 1; seed < 30; seed++) {
    const read = (mood: Roll['mood']) => generate({ seed, mood, places }).map((css) => readColour(css)!.oklch);
    for (const [, c] of read({ lightness: 0.5, chroma: 0, spread: 1 })) expect(c).toBeLessThan(0.003);
    const hues = read({ lightness: 0.6, chroma: 0.6, spread: 0 }).map(([, , h]) => h);
    for (const hue of hues) expect(Math.abs(((hue - hues[0]! + 540) % 360) - 180)).toBeLessThan(8);
    for (const [l] of read({ lightness: 0.9, chroma: 0.5, spread: 1 })) expect(l).toBeGreaterThan(0.6);
  }
});

test('midway between two is as far from one as from the other', () => {
  expect(midway('#000000', '#ffffff')).toBe('#636363');
  fc.assert(
    fc.property(
      fc.constantFrom('#1f6f78', '#da452c', '#f0bb3b'),
      fc.constantFrom('#162631', '#ddf0ee', '#6b46a0'),
      (one, two) => {
        const middle = midway(one, two);
        expect(Math.abs(deltaEOk(one, middle) - deltaEOk(two, middle))).toBeLessThan(0.02);
      },
    ),
  );
});
