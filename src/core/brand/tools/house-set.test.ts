import { apply } from '../commands/apply';
import type { Command } from '../commands/commands';
import { Brand, emptyBrand } from '../document/document';
import type { Palette } from '../document/palette-shape';
import { houseDifferences, houseStanding, pinHouse, takeHouse, type HouseSet } from './house-set';

const palette = (id: string, colours: Record<string, string>, name = id): Palette => ({
  id,
  name,
  kind: 'brand',
  swatches: Object.entries(colours).map(([swatch, value]) => ({ id: swatch, name: swatch.toUpperCase(), value, locked: false })),
});
const one: HouseSet = { number: 1, palettes: [palette('core', { sea: '#003344', sand: '#ccbb99' })] };
const two: HouseSet = {
  number: 2,
  palettes: [
    palette('core', { sea: '#004455', foam: '#eef4f4', sand: '#ccbb99' }, 'Core'),
    palette('greys', { mist: '#dddddd' }),
  ],
};
const isSame = (brand: Brand, set: HouseSet) => houseDifferences(brand, set).length === 0;

function after(brand: Brand, command: Command): Brand {
  const applied = apply(brand, command);
  if (!applied.ok) throw new Error(applied.refusal);
  // What comes out is a brand still.
  return Brand.parse(applied.brand);
}
const everything = (brand: Brand, set: HouseSet) => new Set(houseDifferences(brand, set).map(({ id }) => id));
const empty = emptyBrand('b', 'B');
const first = after(empty, takeHouse(empty, one, everything(empty, one)));

test('a brand that takes all of a house set has it, and of the next only what differs is told', () => {
  expect(isSame(first, one)).toBe(true);
  expect(first.palettes).toEqual(one.palettes);
  expect(houseDifferences(first, two).map(({ id, what, here, house }) => [id, what, here, house])).toEqual([
    ['core', 'palette', null, null],
    ['sea', 'swatch', '#003344', '#004455'],
    ['foam', 'swatch', null, '#eef4f4'],
    ['greys', 'palette', null, null],
  ]);
});

test('taken whole, swatches stand where they stand in the house, and what is the brand’s own stays', () => {
  const own = after(first, {
    label: 'Own',
    steps: [
      { do: 'swatch.add', palette: 'core', swatches: [{ id: 'own', name: 'Own', value: 'red', locked: false }], before: 'sand' },
    ],
  });
  const now = after(own, takeHouse(own, two, everything(own, two)));
  expect(isSame(now, two)).toBe(true);
  expect(now.palettes.map(({ name, swatches }) => [name, swatches.map(({ id }) => id)])).toEqual([
    ['Core', ['sea', 'own', 'foam', 'sand']],
    ['greys', ['mist']],
  ]);
});

test('taken in part, the rest stays as it is and is not told as new; the next set is', () => {
  const now = after(first, takeHouse(first, two, new Set(['sea'])));
  expect(houseDifferences(now, two).map(({ id }) => id)).toEqual(['core', 'foam', 'greys']);
  expect(houseStanding(now, two, 3)).toBe('decided');
  expect(houseStanding(now, { number: 3 }, 3)).toBe('behind');
  expect(houseStanding(first, two, 4)).toBe('behind');
  expect(houseStanding(empty, one, 1)).toBe('behind');
  expect(houseStanding(empty, { number: 0 }, 5)).toBe('decided');
});

test('a pinned brand is left alone until it is let go', () => {
  const pinned = after(first, pinHouse(first, 2, true));
  expect(houseStanding(pinned, { number: 9 }, 4)).toBe('pinned');
  expect(pinned.palettes).toBe(pinned.palettes);
  const free = after(pinned, pinHouse(pinned, 9, false));
  expect(houseStanding(free, { number: 9 }, 4)).toBe('behind');
});

test('a locked swatch takes the colour of the house and is locked again; a swatch that stands elsewhere is painted there', () => {
  const moved = after(first, {
    label: 'Test',
    steps: [
      { do: 'swatch.edit', id: 'sea', set: { locked: true } },
      { do: 'palette.add', palette: palette('mine', {}), before: null },
      { do: 'swatch.move', ids: ['sea'], palette: 'mine', before: null },
    ],
  });
  const now = after(moved, takeHouse(moved, two, new Set(['sea'])));
  expect(now.palettes[1]!.swatches).toEqual([{ id: 'sea', name: 'SEA', value: '#004455', locked: true }]);
});
