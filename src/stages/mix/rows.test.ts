import { type Brand, emptyBrand, serialiseBrand } from '@/core/brand/document/document';
import type { Palette, Swatch } from '@/core/brand/document/palette-shape';
import fc from 'fast-check';
import { apply } from '@/core/brand/commands/apply';
import { Command } from '@/core/brand/commands/commands';
import { chosenIn, choice, clicked } from './chosen';
import { cellSize } from './grid-view';
import { addRow, dissolveRow, makeRow, moveRow, renameRow, rowsOf, sharedStart } from './rows';

/** A palette from a text: "a b | Water: c d" is two swatches without a row and two in the row Water. */
function paletteOf(text: string): Palette {
  const swatches = text.split(' | ').flatMap((part) => {
    const [names, row] = part.includes(': ') ? [part.split(': ')[1]!, part.split(': ')[0]!] : [part, undefined];
    return names.split(' ').map((name): Swatch => {
      return { id: name, name, value: '#808080', locked: false, ...(row !== undefined && { row }) };
    });
  });
  return { id: 'p', name: 'P', kind: 'loose', swatches };
}

function textOf(palette: Palette): string {
  return rowsOf(palette)
    .map(({ label, swatches }) => (label === null ? '' : `${label}: `) + swatches.map(({ name }) => name).join(' '))
    .join(' | ');
}

/** What a command makes of the palette; taken back, it must be what it was. */
function after(text: string, edit: (palette: Palette) => Command | null): string {
  const brand: Brand = { ...emptyBrand('b', 'B'), palettes: [paletteOf(text)] };
  const command = edit(brand.palettes[0]!);
  if (!command) return text;
  const done = apply(brand, Command.parse(command));
  if (!done.ok) throw new Error(done.refusal);
  const undone = apply(done.brand, done.inverse);
  expect(undone.ok && serialiseBrand(undone.brand)).toBe(serialiseBrand(brand));
  return textOf(done.brand.palettes[0]!);
}

const pick = (palette: Palette, names: string) => palette.swatches.filter(({ name }) => names.split(' ').includes(name));

test.each([
  // What is chosen, before, and after it became a row.
  ['a b', 'a b c', 'Row: a b | c'],
  ['b', 'a b c', 'a | Row: b | Row 2: c'],
  ['a c', 'a b c', 'Row: a c | b'],
  ['c d', 'a b | Water: c d e', 'a b | Row: c d | Water: e'],
  ['d', 'Water: c d e', 'Water: c | Row: d | Water 2: e'],
  ['b d', 'a b | Water: c d e', 'a | Row: b d | Water: c e'],
  ['a', 'a | Row: b', 'Row 2: a | Row: b'],
])('%s of “%s” as a row of its own: “%s”', (names, before, expected) => {
  expect(after(before, (palette) => makeRow(palette, pick(palette, names)))).toBe(expected);
});

test.each([
  ['Tide', 1, 'a | Tide: b | Water: c d', 'a | Water: c d | Tide: b'],
  ['Tide', -1, 'a | Tide: b | Water: c d', 'Tide: b | a | Water: c d'],
  ['Water', 1, 'a | Tide: b | Water: c d', 'a | Tide: b | Water: c d'],
  ['Water', -2, 'a | Tide: b | Water: c d', 'Water: c d | a | Tide: b'],
  ['Gone', 1, 'a | Tide: b', 'a | Tide: b'],
])('row %s moved by %i', (label, by, before, expected) => {
  expect(after(before, (palette) => moveRow(palette, label, by))).toBe(expected);
});

test('a row is renamed, never to a name another has; dissolved; and a new one stands at the end', () => {
  const second = (palette: Palette) => rowsOf(palette)[1]!;
  expect(after('a | Tide: b', (palette) => renameRow(palette, second(palette), 'Ebb'))).toBe('a | Ebb: b');
  expect(after('Ebb: a | Tide: b', (palette) => renameRow(palette, second(palette), 'Ebb'))).toBe('Ebb: a | Ebb 2: b');
  expect(after('a | Tide: b', (palette) => dissolveRow(second(palette)))).toBe('a b');
  const made = [{ name: 'x', value: '#111111' }];
  expect(after('Tide: a', (palette) => addRow(palette, 'Tide', made))).toBe('Tide: a | Tide 2: x');
  expect(after('a', (palette) => addRow(palette, 'x'.repeat(300), made))).toMatch(/^a \| x{116}: x$/);
});

test('whatever is made a row, no swatch is lost, and what was together before and was not chosen stays in its order', () => {
  const some = fc.subarray(['a', 'b', 'c', 'd', 'e', 'f', 'g'], { minLength: 1 });
  fc.assert(
    fc.property(
      some,
      fc.constantFrom('a b c d e f g', 'a b | Water: c d e | Tide: f g', 'Water: a b c d | e f g'),
      (names, before) => {
        const text = after(before, (palette) => makeRow(palette, pick(palette, names.join(' '))));
        const rows = text.split(' | ').map((part) => part.replace(/^[^:]*: /, ''));
        expect(rows.join(' ').split(' ').sort().join('')).toBe('abcdefg');
        expect(rows).toContain(names.join(' '));
        expect(
          rows
            .join(' ')
            .split(' ')
            .filter((name) => !names.includes(name))
            .join(''),
        ).toBe('abcdefg'.replace(new RegExp(`[${names.join('')}]`, 'g'), ''));
      },
    ),
  );
});

test.each([
  ['Teal 50, Teal 100, Teal 900', 'Teal '],
  ['North Skerry 1, North Skerry 2', 'North Skerry '],
  ['North Skerry, North Point', 'North '],
  ['Teal, Teal 100', ''],
  ['Foam, Keel', ''],
  ['Alone 1', ''],
])('names %s begin with “%s”', (names, expected) => {
  const swatches = names.split(', ').map((name): Swatch => ({ id: name, name, value: '#808080', locked: false }));
  expect(sharedStart({ label: 'R', swatches })).toBe(expected);
  expect(sharedStart({ label: null, swatches })).toBe('');
});

test('a click chooses one, Shift all up to there, Ctrl one more or one less', () => {
  const palette = paletteOf('a b c d e');
  const start = chosenIn(palette, { swatch: 'b' });
  expect(clicked(palette, start, 'd', 'only')).toEqual({ swatch: 'd' });
  expect(clicked(palette, start, 'd', 'range')).toEqual({ swatch: 'b', also: ['c', 'd'] });
  expect(clicked(palette, start, 'a', 'range')).toEqual({ swatch: 'b', also: ['a'] });
  const two = clicked(palette, start, 'e', 'toggle');
  expect(two).toEqual({ swatch: 'e', also: ['b'] });
  expect(chosenIn(palette, two).all.map(({ id }) => id)).toEqual(['b', 'e']);
  expect(clicked(palette, chosenIn(palette, two), 'e', 'toggle')).toEqual({ swatch: 'b' });
  expect(clicked(palette, start, 'b', 'toggle')).toBeNull();
  expect(clicked(palette, chosenIn(palette, null), 'c', 'range')).toEqual({ swatch: 'c' });
  expect(chosenIn(palette, { token: 't' })).toEqual({ lead: undefined, all: [] });
  expect(choice('a', ['a'])).toEqual({ swatch: 'a' });
});

test('patches are as large as fits; a few more than fit, and a labelled row, keep to one line', () => {
  const fit = { zoom: null, names: true };
  expect(cellSize(756, 8, 0, fit)).toEqual({ columns: 9, patch: 112, words: 38 });
  expect(cellSize(756, 10, 0, fit)).toMatchObject({ columns: 11, words: 38 });
  expect(cellSize(756, 16, 0, fit)).toMatchObject({ columns: 9 });
  expect(cellSize(756, 30, 20, fit)).toMatchObject({ columns: 20, words: 0 });
  expect(cellSize(756, 128, 0, fit)).toMatchObject({ columns: 16, words: 0 });
  expect(cellSize(756, 8, 0, { zoom: 110, names: false })).toMatchObject({ columns: 6, words: 0 });
  expect(cellSize(756, 300, 200, { zoom: 18, names: true }).columns).toBe(36);
  expect(cellSize(10, 3, 0, fit).columns).toBeGreaterThan(0);
});
