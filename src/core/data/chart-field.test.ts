import { fewTokens } from '../../../tests/few-tokens';
import { fromField } from './category-colours';
import { apply } from '../brand/commands/apply';
import { fieldWith, pinCategory } from './chart-field';
import type { Brand } from '../brand/document/document';
import type { Palette } from '../brand/document/palette-shape';
import { extendField } from '../brand/tools/extend-field';

const palette: Palette = {
  id: 'p',
  name: 'Three',
  kind: 'categorical',
  swatches: ['#110000', '#220000', '#330000'].map((value, at) => ({ id: `s${at}`, name: `S${at}`, value, locked: false })),
};
const brand: Brand = { ...fewTokens({ page: '#ffffff' }, { page: 'surface' }), palettes: [palette] };
const counter = () => {
  let number = 0;
  return () => `n${number++}`;
};
const run = (of: Brand, steps: Parameters<typeof apply>[1]) => {
  const result = apply(of, steps);
  if (!result.ok) throw new Error(result.refusal);
  return result.brand;
};
const colours = (of: Brand, names: readonly string[]) =>
  fromField(of, of.fields[0]!, 'day', names, 'repeats').map(({ name, hex, how }) => `${name} ${hex} ${how}`);

test('categories of a palette become a field with tokens, which keep the colours that they had; then more can be added', () => {
  const names = ['Kelp', 'Mill', 'Skerry', 'Lantern', 'Tern'];
  const made = fieldWith(brand, { palette }, 'Route', names, counter());
  expect(colours(made.brand, names)).toEqual([
    'Kelp #110000 pinned',
    'Mill #220000 pinned',
    'Skerry #330000 pinned',
    'Lantern #110000 repeated',
    'Tern #220000 repeated',
  ]);
  const command = extendField(made.brand, made.field, 'day', ['#445500', '#0066aa'], counter2());
  const extended = run(brand, { ...command, steps: [...made.steps, ...command.steps] });
  expect(colours(extended, names).slice(3)).toEqual(['Lantern #445500 given', 'Tern #0066aa given']);
  expect(extended.palettes[0]!.swatches.map(({ name }) => name)).toEqual(['S0', 'S1', 'S2', 'Lantern', 'Tern']);
});
function counter2() {
  let number = 0;
  return () => `m${number++}`;
}

test('a swatch given to a category is pinned, stays whatever the order, and is taken from whoever had it', () => {
  const names = ['Kelp', 'Mill', 'Skerry'];
  const made = fieldWith(brand, { palette }, 'Route', names, counter());
  const pinned = run(brand, pinCategory(made, 'Skerry', 's0', counter2()));
  expect(colours(pinned, ['Skerry', 'Mill', 'Kelp'])).toEqual([
    'Skerry #110000 pinned',
    'Mill #220000 pinned',
    'Kelp #330000 given',
  ]);
});

test('a field learns the categories that it lacks; with all of them nothing is changed; a group that is taken is not joined', () => {
  const made = fieldWith(brand, { palette }, 'Page', ['a', 'b'], counter());
  expect(made.field.group).toBe('page-2');
  const again = fieldWith(made.brand, { field: made.field }, 'Page', ['b', 'c'], counter2());
  expect(again.field.values.map(({ text }) => text)).toEqual(['a', 'b', 'c']);
  expect(fieldWith(again.brand, { field: again.field }, 'Page', ['c'], counter2()).steps).toEqual([]);
});
