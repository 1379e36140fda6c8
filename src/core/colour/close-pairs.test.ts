import fc from 'fast-check';
import { closePairs } from './close-pairs';
import { ciede2000 } from './difference';
import { srgbToLabD65, type LabD65 } from './lab';

const shown = fc.tuple(...([0, 1, 2] as const).map(() => fc.integer({ min: 0, max: 255 })));
const lab = ([r, g, b]: readonly number[]): LabD65 => srgbToLabD65([r! / 255, g! / 255, b! / 255]);
/** Crowds of colours, so that some are close: one anywhere and others some steps from it. */
const crowds = fc
  .array(
    fc.tuple(shown, fc.array(fc.tuple(...([0, 1, 2] as const).map(() => fc.integer({ min: -9, max: 9 }))), { maxLength: 12 })),
    {
      minLength: 10,
      maxLength: 30,
    },
  )
  .map((list) =>
    list.flatMap(([middle, near]) => [
      lab(middle),
      ...near.map((off) => lab(middle.map((channel, at) => Math.min(255, Math.max(0, channel + off[at]!))))),
    ]),
  );

test('the pairs are those that comparing every pair finds, in the same order', () => {
  fc.assert(
    fc.property(crowds, fc.constantFrom(0.5, 1, 3, 8), (labs, limit) => {
      const all = labs.flatMap((one, a) =>
        labs.flatMap((two, b) =>
          b > a && ciede2000(one, two) < limit ? [{ one: a, two: b, distance: ciede2000(one, two) }] : [],
        ),
      );
      all.sort((a, b) => a.distance - b.distance || a.one - b.one || a.two - b.two);
      expect(closePairs(labs, limit)).toEqual(all);
      expect(closePairs(labs, limit, 5)).toEqual(all.slice(0, 5));
    }),
  );
});

test('blues, where the formula turns hue and chroma into each other, are found too', () => {
  const blues = Array.from({ length: 1_200 }, (_, at) => lab([(at * 7) % 90, (at * 13) % 110, 255 - ((at * 29) % 120)]));
  const found = new Set(closePairs(blues, 2).map(({ one, two }) => `${one} ${two}`));
  let missed = 0;
  for (let one = 0; one < blues.length; one += 3) {
    for (let two = one + 1; two < blues.length; two++)
      if (ciede2000(blues[one]!, blues[two]!) < 2 && !found.has(`${one} ${two}`)) missed++;
  }
  expect(missed).toBe(0);
});
