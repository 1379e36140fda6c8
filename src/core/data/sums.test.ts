import fc from 'fast-check';
import { placesAlong, colourAlong } from './by-value';
import { fromField, fromPalette } from './category-colours';
import { readData, type DataTable } from './read-data';
import { MOST_CATEGORIES, sumUp } from './sums';
import { fewTokens } from '../../../tests/few-tokens';
import type { Brand } from '../brand/document/document';
import type { Palette } from '../brand/document/palette-shape';

const table = (text: string) => readData('a.csv', new TextEncoder().encode(text)) as DataTable;

test('rows are summed by category and along, the greatest first; without a value they are counted', () => {
  const data = table('r,m,n\nKelp,2026-01,3\nMill,2026-02,4\nKelp,2026-02,2\nMill,2026-01,\n');
  const { categories, places } = sumUp(data, { category: 0, value: 2, along: 1, against: null });
  expect(places).toEqual(['2026-01', '2026-02']);
  expect(categories.map(({ name, sum, rows, along }) => [name, sum, rows, [...along]])).toEqual([
    ['Kelp', 5, 2, [3, 2]],
    ['Mill', 4, 2, [0, 4]],
  ]);
  expect(sumUp(data, { category: 0, value: 2, along: 1, against: null }).bins.filter(({ rows: count }) => count > 0)).toEqual([
    { from: 2, to: 2.1, rows: 1 },
    { from: 3, to: expect.closeTo(3.1), rows: 1 },
    { from: expect.closeTo(3.9), to: expect.closeTo(4), rows: 1 },
  ]);
  expect(sumUp(data, { category: 0, value: null, along: null, against: null }).categories.map(({ sum }) => sum)).toEqual([2, 2]);
  expect(
    sumUp(data, { category: null, value: 2, along: null, against: null }).categories.map(({ name, sum }) => [name, sum]),
  ).toEqual([['All', 9]]);
});

test('single rows are points by two amounts, evenly taken where there are very many; of small categories with what they are put together in', () => {
  const columns = { category: 0, value: 1, along: null, against: 2 };
  const points = (rows: readonly string[]) => sumUp(table(`r,y,x\n${rows.join('\n')}\n`), columns);
  expect(points(['Kelp,1,10', 'Mill,5,20', 'Kelp,,30', 'Kelp,2,']).points).toEqual([
    { x: 10, y: 1, category: 1 },
    { x: 20, y: 5, category: 0 },
  ]);
  const many = points(Array.from({ length: 10_000 }, (_, at) => `c${at % 50},${at},${-at}`));
  expect(many.points).toHaveLength(2_000);
  expect([many.points[0]!.y, many.points.at(-1)!.y]).toEqual([0, 9_995]);
  expect(new Set(many.points.map(({ category }) => category)).size).toBeLessThanOrEqual(MOST_CATEGORIES);
  expect(sumUp(table('r,y\nKelp,1\n'), { ...columns, against: null }).points).toEqual([]);
});

test('whatever is chosen, nothing is lost: the sums of all categories, and of all places, are those of the column', () => {
  const rows = fc.array(
    fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: -50, max: 50 }), fc.integer({ min: 0, max: 300 })),
    { minLength: 1 },
  );
  fc.assert(
    fc.property(rows, (cells) => {
      const data = table(`r,n,x\n${cells.map(([r, n, x]) => `c${r},${n},${x}`).join('\n')}\n`);
      const { categories } = sumUp(data, { category: 0, value: 1, along: 2, against: null });
      const whole = cells.reduce((sum, [, n]) => sum + n, 0);
      expect(categories.length).toBeLessThanOrEqual(MOST_CATEGORIES);
      expect(categories.reduce((sum, each) => sum + each.sum, 0)).toBeCloseTo(whole);
      expect(categories.reduce((sum, { along }) => sum + along.reduce((a, b) => a + b, 0), 0)).toBeCloseTo(whole);
      expect(categories.reduce((sum, each) => sum + each.rows, 0)).toBe(cells.length);
      expect(sumUp(data, { category: 0, value: 1, along: 2, against: null }).bins.reduce((sum, bin) => sum + bin.rows, 0)).toBe(
        cells.length,
      );
    }),
  );
});

const palette: Palette = {
  id: 'p',
  name: 'Three',
  kind: 'categorical',
  swatches: ['#110000', '#220000', '#330000'].map((value, at) => ({ id: `s${at}`, name: value, value, locked: false })),
};

test('where categories outnumber colours the consumer repeats them, or fills in its own; each is told', () => {
  const names = ['a', 'b', 'c', 'd', 'e'];
  expect(fromPalette(palette, names, 'repeats').map(({ hex, how }) => `${hex} ${how}`)).toEqual([
    '#110000 given',
    '#220000 given',
    '#330000 given',
    '#110000 repeated',
    '#220000 repeated',
  ]);
  expect(
    fromPalette(palette, names, 'fills in')
      .slice(3)
      .map(({ hex, how }) => `${hex} ${how}`),
  ).toEqual(['#1f77b4 filled in', '#ff7f0e filled in']);
  expect(fromPalette({ ...palette, swatches: [] }, ['a'], 'repeats')[0]!.how).toBe('filled in');
});

test('a pinned category has its colour whatever the order; one that the field does not know takes what is free', () => {
  const brand: Brand = {
    ...fewTokens({ 'r.a': '#110000', 'r.b': '#220000', 'r.c': '#330000' }, { 'r.a': 'data', 'r.b': 'data', 'r.c': 'data' }),
    fields: [{ id: 'f', name: 'R', group: 'r', values: [{ text: 'Kelp', token: 'r-c' }, { text: 'Mill' }] }],
  };
  expect(
    fromField(brand, brand.fields[0]!, 'day', ['New', 'Mill', 'Kelp', 'More'], 'repeats').map(
      ({ name, hex, how }) => `${name} ${hex} ${how}`,
    ),
  ).toEqual(['New #220000 given', 'Mill #110000 given', 'Kelp #330000 pinned', 'More #110000 repeated']);
});

test('values go along a palette by how much they are or by their place, in classes or not, about a middle', () => {
  const values = [0, 1, 2, 10, NaN];
  const places = (by: 'value' | 'rank', classes: number | null, middle: number | null) =>
    placesAlong(values, { by, classes, middle }).map((place) => Math.round(place * 100) / 100);
  expect(places('value', null, null)).toEqual([0, 0.1, 0.2, 1, NaN]);
  expect(places('rank', null, null)).toEqual([0, 0.33, 0.67, 1, NaN]);
  expect(places('value', 2, null)).toEqual([0, 0, 0, 1, NaN]);
  expect(places('value', null, 2)).toEqual([0, 0.25, 0.5, 1, NaN]);
  expect(placesAlong([5, 5], { by: 'value', classes: null, middle: null })).toEqual([0.5, 0.5]);
});

test('a colour along a palette is its own at each of its places, and between them in between', () => {
  const hexes = ['#000000', '#808080', '#ffffff'];
  expect([0, 0.5, 1].map((place) => colourAlong(hexes, place))).toEqual(hexes);
  expect(colourAlong(['#123456'], 0.3)).toBe('#123456');
  const mixed = parseInt(colourAlong(hexes, 0.25).slice(1, 3), 16);
  expect(mixed > 0x20 && mixed < 0x60).toBe(true);
});
