import { apply } from '../commands/apply';
import { emptyBrand, type Brand } from '../document/document';
import { followingName, withFollowingNames } from './following-names';

test.each([
  ['a code', '#c63f8e', '#c63f8e', '#1f6f78', '#1f6f78'],
  ['one in capitals', '#C63F8E', '#c63f8e', '#1f6f78', '#1F6F78'],
  ['one of another colour', '#abc', '#c63f8e', 'teal', '#008080'],
  ['a plain name', 'Vivid red', '#8b0000', '#00008b', 'Very deep blue'],
  ['a name that somebody gave', 'Harbour', '#c63f8e', '#1f6f78', null],
  ['a plain name of another colour', 'Vivid red', '#00ff00', '#00008b', null],
])('%s', (_what, name, was, now, expected) => {
  expect(followingName(name, was, now)).toBe(expected);
});

test('the name goes with the colour in one step, and both come back together', () => {
  const swatch = (id: string, name: string) => ({ id, name, value: '#c63f8e', locked: false });
  const brand: Brand = {
    ...emptyBrand('b', 'B'),
    palettes: [{ id: 'p', name: 'P', kind: 'loose', swatches: [swatch('one', '#c63f8e'), swatch('two', 'Harbour')] }],
  };
  const edit = (id: string, set: object) => ({ do: 'swatch.edit' as const, id, set });
  const command = { label: 'x', steps: [edit('one', { value: '#111111' }), edit('two', { value: '#222222' })] };
  const named = withFollowingNames(brand, command);
  expect(named.steps).toEqual([edit('one', { value: '#111111', name: '#111111' }), command.steps[1]]);
  const applied = apply(brand, named);
  expect(applied.ok && apply(applied.brand, applied.inverse)).toMatchObject({ brand });
  const chosen = { label: 'x', steps: [edit('one', { value: '#111111', name: 'Pitch' })] };
  expect(withFollowingNames(brand, chosen)).toBe(chosen);
});
