import { readFile } from '../../formats/registry';
import { tableColours } from './table';

const table = (...rows: string[][]) => rows.map((row) => row.map((text) => ({ text })));
const found = (...rows: string[][]) =>
  tableColours(table(...rows)).swatches.map(({ name, css, line, column }) => [name, css, line, column]);

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

test('a row whose numbers are no channels is left out with its reason', () => {
  const { swatches, skipped } = tableColours(
    table(['R', 'G', 'B'], ['31', '999', '120'], ['1', '', '2'], ['', '', ''], ['1', '2', '3']),
  );
  expect(swatches.map(({ css }) => css)).toEqual(['#010203']);
  expect(skipped.map(({ line, doubts }) => [line, doubts[0]!.kind])).toEqual([
    [2, 'unreadable'],
    [3, 'unreadable'],
  ]);
});

test('fills count only where no cell has a code', () => {
  const filled = [[{ text: 'Sound', fill: '#1f6f78' }, undefined, { text: '', fill: '#da452c' }]];
  expect(tableColours(filled).swatches.map(({ name, css, column }) => [name, css, column])).toEqual([
    ['Sound', '#1f6f78', 1],
    ['#da452c', '#da452c', 3],
  ]);
  expect(tableColours([...filled, [{ text: '#102030' }]]).swatches.map(({ css }) => css)).toEqual(['#102030']);
});

const csv = (name: string, text: string) => readFile({ name, bytes: new TextEncoder().encode(text) });

test('CSV: quoted cells, semicolons, tabs, and a quotation mark out of place', async () => {
  const codes = async (name: string, text: string) =>
    (await csv(name, text))!.palettes.flatMap(({ swatches }) => swatches.map((one) => [one.name, one.css]));
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
