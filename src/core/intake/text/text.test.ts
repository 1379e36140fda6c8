import { OpenFile } from '../reader';
import { ENTRY_LIMIT, type EntryParts } from '../intake';
import { readText } from './lines';
import { text } from './text';

const all = (source: string) => readText(source).entries;
const short = ({ line, name, colour, doubts }: EntryParts) => {
  const hex = colour?.hex ?? null;
  return [line, name === hex ? '' : name, hex, doubts.at(-1)?.kind ?? null];
};

test.each([
  ['Keel: #162631', [[1, 'Keel', '#162631', null]]],
  ['  --foam: #ddf0ee;', [[1, 'foam', '#ddf0ee', null]]],
  ['$lamp: F0BB3B', [[1, 'lamp', '#f0bb3b', 'bare']]],
  ['| Buoy | #da452c | alarm |', [[1, 'Buoy', '#da452c', null]]],
  ['Rope\tc1a68', [[1, 'Rope', null, 'length']]],
  ['#12345', [[1, '', null, 'length']]],
  ['#12345g', [[1, '', null, 'unreadable']]],
  ['1. 006871 Harbour', [[1, 'Harbour', '#006871', 'bare']]],
  ['rgb(31 111 120) Sound', [[1, 'Sound', '#1f6f78', null]]],
  ['rgb(31 111) Sound', [[1, 'Sound', null, 'unreadable']]],
  ['31, 111, 120', [[1, '', '#1f6f78', null]]],
  ['Fog 211 216 220', [[1, 'Fog', '#d3d8dc', null]]],
  ['Sky: teal', [[1, 'Sky', '#008080', null]]],
  ['0x1F6F78', [[1, '', '#1f6f78', null]]],
  ['0x801F6F78 veil', [[1, 'veil', '#1f6f78', 'ambiguous']]],
  ['0.12 0.43 0.47 Sound', [[1, 'Sound', '#1f6e78', null]]],
  ['Sound 12% 43% 47%', [[1, 'Sound', '#1f6e78', null]]],
  ['R 31 G 111 B 120', [[1, '', '#1f6f78', null]]],
  ['RGB(31/111/120) Sound', [[1, 'Sound', '#1f6f78', null]]],
  ['Harbour: C 100 M 8 Y 0 K 56', [[1, 'Harbour', '#006770', 'approximate']]],
  ['cmyk(0, 50%, 100%, 0) Lamp', [[1, 'Lamp', '#ff8000', 'approximate']]],
  ['HSB 10 50 50', [[1, '', '#804a40', null]]],
  // CSS Color 4's own example of lab(), from memory, spelled as print shops do.
  ['L* 29.2345 a* 39.3825 b* 20.0664', [[1, '', '#7d2329', null]]],
  ['Lab 29.2345 39.3825 20.0664 Wine', [[1, 'Wine', '#7d2329', null]]],
  ['Shoal        489498', [[1, 'Shoal', '#489498', 'bare']]],
  ['1 0 0', [[1, '', '#ff0000', 'ambiguous']]],
  ['Deck #9f5b51 C 0 M 43 Y 49 K 38', [[1, 'Deck', '#9f5b51', null]]],
  ['Pier 7, platform 12, 1999', [[1, '', null, 'no colour']]],
  ['fff', [[1, '', '#ffffff', 'bare']]],
  ['The facade of a decade, 202611 sailings', [[1, '', null, 'no colour']]],
  ['red sails in the sunset', [[1, '', null, 'no colour']]],
  ['|---|---|', []],
  [
    '196ea9, db5d2c',
    [
      [1, '', '#196ea9', 'bare'],
      [1, '', '#db5d2c', 'bare'],
    ],
  ],
  [
    '["6b46a0","dab33a"]',
    [
      [1, '', '#6b46a0', 'bare'],
      [1, '', '#dab33a', 'bare'],
    ],
  ],
  [
    '#fff\n\n#FFFFFF',
    [
      [1, '', '#ffffff', null],
      [3, '', '#ffffff', 'duplicate'],
    ],
  ],
] as [string, unknown[]][])('%j', (source, expected) => {
  expect(all(source).map(short)).toEqual(expected);
});

test('line and column count from 1, also in one long line', () => {
  const long = `${'x'.repeat(9_000)} #162631`;
  expect(
    all(`a\r\nb: #006871\n${long}`)
      .filter(({ colour }) => colour)
      .map(({ line, column }) => [line, column]),
  ).toEqual([
    [2, 4],
    [3, 9_002],
  ]);
});

test('five megabytes are read in bounded time, whatever they are made of', () => {
  const pieces = [
    '#162631 Keel\n',
    '('.repeat(50),
    '1 2 ',
    'rgb(',
    'abcdef',
    '0x',
    ': ',
    '\t',
    '#',
    '1' + ' '.repeat(3_000),
    'C' + ' '.repeat(3_000),
    'lab 1' + ' '.repeat(3_000),
  ];
  for (const piece of pieces) {
    // A pattern that backtracks would take hours.
    const { entries } = readText(piece.repeat(Math.ceil((5 * 1024 * 1024) / piece.length)));
    expect(entries.length).toBeLessThanOrEqual(ENTRY_LIMIT);
  }
}, 600_000);

test('bytes that are no text are left to other readers', () => {
  expect(text.read(new OpenFile({ name: 'x', bytes: new Uint8Array([1, 0, 2]) }), {})).toBeNull();
});
