import { fewTokens } from '../../../../tests/few-tokens';
import { LIMITS } from '../document/fields';
import { likelyChoice, readValues, valueTable } from './value-table';

const brand = fewTokens({ 'route.a': '#111', 'route.b': '#222', 'route.c': '#333' });
const choiceOf = (csv: string) => likelyChoice(brand, valueTable(csv));
const read = (csv: string) => readValues(brand, valueTable(csv), choiceOf(csv));
const texts = (csv: string) => read(csv).values.map(({ text }) => text);

test.each([
  ['one column without a heading', 'North\nSouth', { heading: false, values: 0, tokens: null }],
  ['one column with the usual heading', 'values\nNorth', { heading: true, values: 0, tokens: null }],
  ['a heading above numbers', 'Route,Trips\nNorth,12\nSouth,9', { heading: true, values: 0, tokens: null }],
  ['numbers first', 'Trips;Share;Route\n12;40 %;North\n9;"30,5 %";South', { heading: true, values: 2, tokens: null }],
  ['no heading, and numbers', '12\tNorth\n9\tSouth', { heading: false, values: 1, tokens: null }],
  ['values and their tokens', 'Place,Colour\nNorth,route.a\nSouth,', { heading: true, values: 0, tokens: 1 }],
  ['tokens first, without a heading', 'route.a,North\nroute.b,South', { heading: false, values: 1, tokens: 0 }],
  ['years are values where there is nothing else', '2024\n2025', { heading: false, values: 0, tokens: null }],
  ['nothing', '', { heading: false, values: 0, tokens: null }],
])('what a table holds is guessed: %s', (_name, csv, choice) => {
  expect(choiceOf(csv)).toEqual(choice);
});

test('each value once, pinned by path, named by its heading; what is wrong is told by line', () => {
  expect(read('Value,Token\nNorth,route.a\n\nSouth, \n ,x\nNorth,route.b\nEast,nowhere\nWest,  route.c ')).toEqual({
    name: 'Value',
    values: [{ text: 'North', token: 'route-a' }, { text: 'South' }, { text: 'East' }, { text: 'West', token: 'route-c' }],
    problems: ['Line 4 has no value and was left out.', 'Line 6: there is no token nowhere, so East is not pinned.'],
  });
  expect(read('values\nA\u0007\u0000B')).toMatchObject({ values: [{ text: 'A B' }], problems: [] });
  // Numbers are no tokens, and nobody is told that they are none.
  const numbers = valueTable('North,route.a\nSouth,12');
  expect(readValues(brand, numbers, { heading: false, values: 0, tokens: 1 })).toEqual({
    name: null,
    values: [{ text: 'North', token: 'route-a' }, { text: 'South' }],
    problems: [],
  });
});

test('a table of any size is bounded, and says so', () => {
  const long = 'x'.repeat(LIMITS.name + 1);
  expect(read(`${long}\n${long.slice(1)}`)).toMatchObject({
    values: [{ text: long.slice(1) }],
    problems: ['Line 1 is longer than 120 characters and was left out; shorten it.'],
  });
  const many = (count: number) => Array.from({ length: count }, (_, at) => `v${at}`).join('\n');
  expect([texts(many(1_999)).length, texts(many(2_001)).length]).toEqual([1_999, 2_000]);
  expect(read(many(2_001)).problems).toEqual(['A field has at most 2000 values; the rest was left out.']);
  // A thousand rows of a few values are those few values.
  expect(texts(`Route,Trips\n${'North,1\nSouth,2\n'.repeat(20_000)}`)).toEqual(['North', 'South']);
});
