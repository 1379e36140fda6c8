import { apply } from '../brand/commands/apply';
import { Brand, emptyBrand } from '../brand/document/document';
import { houseDifferences, takeHouse } from '../brand/tools/house-set';
import { STARTING_SET } from './house-starters';

test('the set that Breakwater comes with has a palette for each kind of work, and a brand can begin with it', () => {
  expect(STARTING_SET.palettes.map(({ kind }) => kind)).toEqual(['brand', 'brand', 'categorical', 'sequential', 'diverging']);
  const empty = emptyBrand('b', 'B');
  const all = new Set(houseDifferences(empty, STARTING_SET).map(({ id }) => id));
  const applied = apply(empty, takeHouse(empty, STARTING_SET, all));
  expect(applied.ok && Brand.parse(applied.brand).palettes).toEqual(STARTING_SET.palettes);
});
