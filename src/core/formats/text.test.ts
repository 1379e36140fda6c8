import { catchColours, text, type CatchLine } from './text';

const short = (line: CatchLine) => [line.line, line.name, line.colour?.hex ?? null, line.doubt];

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
  expect(catchColours(source).map(short)).toEqual(expected);
});

test('line and column count from 1, also in one long line', () => {
  const long = `${'x'.repeat(9_000)} #162631`;
  expect(
    catchColours(`a\r\nb: #006871\n${long}`)
      .filter((line) => line.colour)
      .map(({ line, column }) => [line, column]),
  ).toEqual([
    [2, 4],
    [3, 9_002],
  ]);
});

test('five megabytes are read in bounded time, whatever they are made of', () => {
  const pieces = ['#162631 Keel\n', '('.repeat(50), '1 2 ', 'rgb(', 'abcdef', '0x', ': ', '\t', '#'];
  for (const piece of pieces) {
    const started = performance.now();
    catchColours(piece.repeat(Math.ceil((5 * 1024 * 1024) / piece.length)));
    // No figure of speed: a pattern that backtracks would take hours.
    expect(performance.now() - started).toBeLessThan(60_000);
  }
}, 600_000);

test('bytes that are no text are left to other readers', () => {
  expect(text.read!({ name: 'x', bytes: new Uint8Array([1, 0, 2]) })).toBeNull();
});
