import { readFile } from '../readers';
import type { Table } from './table';
import { tableEntries } from './table-entries';
import { certain } from '../intake';
import { coloursOf } from '../../../../tests/colours-of';

const table = (...rows: string[][]): Table => rows.map((row, at) => ({ line: at + 1, cells: row.map((text) => ({ text })) }));
const told = (read: Table) =>
  tableEntries(read).entries.map(({ name, colour, line, column, doubts }) => [
    name,
    colour?.css ?? doubts[0]!.kind,
    line,
    column,
  ]);
const found = (...rows: string[][]) => told(table(...rows));

test('a code is named by the words before it in its row, or behind it when nothing stands before', () => {
  expect(found(['Sound', '#1f6f78', 'water'], ['#da452c', 'Buoy'], ['Lamp', 'Glow', 'f0bb3b'])).toEqual([
    ['Sound', '#1f6f78', 1, 2],
    ['Buoy', '#da452c', 2, 1],
    ['Glow', '#f0bb3b', 3, 3],
  ]);
});

test('several codes in a row share the words before them', () => {
  expect(found(['Sea', '#102030', '#203040'])).toEqual([
    ['Sea', '#102030', 1, 2],
    ['Sea', '#203040', 1, 3],
  ]);
});

test('columns headed red, green and blue, in any order and with words or letters', () => {
  expect(found(['House'], ['B', 'G', 'R', 'Colour name'], ['120', '111', '31', 'Sound'])).toEqual([['Sound', '#1f6f78', 3, 3]]);
  expect(found(['Red', 'Green', 'Blue'], ['0.5', '0', '1'])).toEqual([['#8000ff', 'color(srgb 0.5 0 1)', 2, 1]]);
});

test('a row whose numbers are no channels is left out with its reason, and so is an empty one', () => {
  const rows = [
    ['R', 'G', 'B'],
    ['31', '999', '120'],
    ['1', '', '2'],
    ['', '', ''],
    ['1', '2', '3'],
  ];
  expect(found(...rows).map(([, css, line]) => [css, line])).toEqual([
    ['unreadable', 2],
    ['unreadable', 3],
    ['no colour', 4],
    ['#010203', 5],
  ]);
});

test('the fill of a cell counts before the word in it, and a band across a row is nobody’s colour', () => {
  const filled = (hex: string, text = '') => ({ text, fill: certain(hex) });
  expect(told([{ line: 1, cells: [filled('#1f6f78', 'Sound'), undefined, filled('#da452c')] }])).toEqual([
    ['Sound', '#1f6f78', 1, 1],
    ['#da452c', '#da452c', 1, 3],
  ]);
  expect(told([{ line: 1, cells: [filled('#1f6f78', 'red'), { text: 'Buoy' }] }])).toEqual([['red', '#1f6f78', 1, 1]]);
  const banded = ['Sound', '#1f6f78', '31'].map((text) => filled('#eeeeee', text));
  expect(told([{ line: 1, cells: banded }])).toEqual([['Sound', '#1f6f78', 1, 2]]);
  const [other] = tableEntries([{ line: 1, cells: [filled('#1f6f78', '#da452c')] }]).entries;
  expect([other!.colour!.hex, other!.doubts.map(({ reason }) => reason)]).toEqual([
    '#1f6f78',
    ['The code in it, #da452c, is another colour.'],
  ]);
});

const csv = (name: string, text: string) => readFile({ name, bytes: new TextEncoder().encode(text) });

test('CSV: quoted cells, semicolons, tabs, and a quotation mark out of place', async () => {
  const codes = async (name: string, text: string) =>
    coloursOf((await csv(name, text))!).flatMap(({ swatches }) => swatches.map((swatch) => [swatch.name, swatch.css]));
  expect(await codes('a.csv', 'name,hex\r\n"Sound, deep",#1f6f78\r\n')).toEqual([['Sound, deep', '#1f6f78']]);
  expect(await codes('a.csv', 'Sound;"31, 111, 120"\nBuoy;#da452c\n')).toEqual([
    ['Sound', '#1f6f78'],
    ['Buoy', '#da452c'],
  ]);
  expect(await codes('a.tsv', 'Sound\t#1f6f78\n')).toEqual([['Sound', '#1f6f78']]);
  expect((await csv('a.csv', 'Sound,"#1f6f78\nBuoy,#da452c\n'))!.problems[0]!.message).toContain(
    'quotation mark is out of place',
  );
});

test('a large table of figures is looked through for its one colour', () => {
  const figures = Array.from({ length: 5_000 }, (_, row) => Array.from({ length: 200 }, (__, at) => String(row * 31.7 + at)));
  figures[4_000]![100] = '#1f6f78';
  expect(found(...figures).map(([, css]) => css)).toContain('#1f6f78');
});
