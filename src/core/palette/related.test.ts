import fc from 'fast-check';
import { readColour } from '../colour/read';
import { relatedSets } from './related';

const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);
const byId = (colours: string[]) =>
  new Map(relatedSets(colours).map(({ id, colours: set }) => [id, set.map((code) => readColour(code)!.oklch)]));

test('muted, vivid, dark and light sets keep count and order, and are what they say', () => {
  fc.assert(
    fc.property(fc.array(hex, { minLength: 1, maxLength: 12 }), (colours) => {
      const sets = byId(colours);
      const found = sets.get('found')!;
      for (const id of ['muted', 'vivid', 'dark', 'light']) expect(sets.get(id)).toHaveLength(found.length);
      found.forEach(([l, c], at) => {
        expect(sets.get('muted')![at]![1]).toBeLessThanOrEqual(c + 0.004);
        expect(sets.get('dark')![at]![0]).toBeLessThan(0.57);
        expect(sets.get('light')![at]![0]).toBeGreaterThan(0.69);
        expect(Math.abs(sets.get('vivid')![at]![0] - l)).toBeLessThan(0.03);
      });
    }),
  );
});

test('harmonies turn the leading hue by what their names say, at the same lightness', () => {
  const sets = byId(['#8a6d3b', '#000000']);
  const [[l, , h]] = sets.get('found')! as [[number, number, number]];
  const wanted = { complement: [0, 180], triad: [0, 120, 240], tetrad: [0, 90, 180, 270], split: [0, 150, 210] };
  for (const [id, turns] of Object.entries(wanted)) {
    turns.forEach((turn, at) => {
      const off = (sets.get(id)![at]![2] - h - turn + 900) % 360;
      // Clipping what is left outside the gamut may turn a hue by a degree or two.
      expect(Math.abs(off - 180)).toBeLessThan(4);
    });
  }
  for (const id of ['complement', 'triad', 'split', 'analogous'])
    for (const colour of sets.get(id)!) expect(Math.abs(colour[0] - l)).toBeLessThan(0.02);
});

test('nothing has no relations', () => {
  expect(relatedSets([])).toEqual([]);
});
