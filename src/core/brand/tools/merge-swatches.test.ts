import { Brand, emptyBrand, serialiseBrand } from '../document/document';
import type { Swatch } from '../document/palette-shape';
import type { Token } from '../document/token-shape';
import { spokenOf } from '../reading/where-used';
import { mergeSwatches } from './merge-swatches';
import { apply } from '../commands/apply';

const swatch = (id: string): Swatch => ({ id, name: id, value: '#006871', locked: false });
const token = (id: string, values: Token['values']): Token => ({ id, path: id, role: 'other', description: '', on: [], values });
const brand = Brand.parse({
  ...emptyBrand('b', 'B'),
  themes: [
    { id: 'day', name: 'Day' },
    { id: 'night', name: 'Night' },
  ],
  palettes: [{ id: 'p', name: 'P', kind: 'loose', swatches: ['a', 'b', 'c', 'd'].map(swatch) }],
  tokens: [
    token('one', { day: { swatch: 'a' }, night: { swatch: 'b' } }),
    token('two', { day: { token: 'one' }, night: { colour: '#fff' } }),
    token('three', { day: { swatch: 'c' } }),
  ],
});

test('tokens of a swatch that is merged point at the one it is merged into, in every theme; undone, all is as it was', () => {
  const steps = mergeSwatches(brand, new Map([['a', 'd'], ['b', 'd']])); // prettier-ignore
  const done = apply(brand, { label: 'Merge', steps });
  if (!done.ok) throw new Error(done.refusal);
  expect(done.brand.palettes[0]!.swatches.map(({ id }) => id)).toEqual(['c', 'd']);
  expect(done.brand.tokens.map(({ values }) => values)).toEqual([
    { day: { swatch: 'd' }, night: { swatch: 'd' } },
    { day: { token: 'one' }, night: { colour: '#fff' } },
    { day: { swatch: 'c' } },
  ]);
  expect(() => Brand.parse(done.brand)).not.toThrow();
  const undone = apply(done.brand, done.inverse);
  expect(undone.ok && serialiseBrand(undone.brand)).toBe(serialiseBrand(brand));
});

test('nothing to merge is nothing to do; used is what anything speaks of straight', () => {
  expect(mergeSwatches(brand, new Map())).toEqual([]);
  expect([...spokenOf(brand, 'swatch')].sort()).toEqual(['a', 'b', 'c']);
});
