import { guessColumns, MOST_ROWS, readData, type DataTable } from './read-data';

const read = (text: string) => readData('a.csv', new TextEncoder().encode(text));
const table = (text: string) => {
  const found = read(text);
  if (typeof found === 'string') throw new Error(found);
  return found;
};
const told = ({ columns }: DataTable) =>
  columns.map(({ name, kind, values, texts }) => `${name} ${kind} ${values ? [...values].join(' ') : texts.join(' ')}`);

test.each<[string, string, string[]]>([
  ['commas and points', 'route,late\nKelp,1.5\nMill,12\n', ['route words Kelp Mill', 'late numbers 1.5 12']],
  [
    'semicolons and decimal commas',
    'route;late\nKelp;1,5\nMill;1.212,25\n',
    ['route words Kelp Mill', 'late numbers 1.5 1212.25'],
  ],
  ['tabs', 'route\tlate\nKelp\t3\n', ['route words Kelp', 'late numbers 3']],
  ['a byte order mark', '\ufeffroute,late\nKelp,3\n', ['route words Kelp', 'late numbers 3']],
  [
    'quotes, and decimal commas within them',
    '"route","late"\n"Kelp, north","1,5"\n"Mill","2,25"\n',
    ['route words Kelp, north Mill', 'late numbers 1.5 2.25'],
  ],
  [
    'thousands, currencies, percent and minus',
    'a,b,c\n"1,200",€ 3,4 %\n"12,000",−2,5%\n',
    ['a numbers 1200 12000', 'b numbers 3 -2', 'c numbers 4 5'],
  ],
  [
    'dates as in ISO 8601, and with dots',
    'day,d\n2026-01-31,1.2.2026\n2026-02-01,28.2.2026\n',
    [`day dates ${Date.UTC(2026, 0, 31)} ${Date.UTC(2026, 1, 1)}`, `d dates ${Date.UTC(2026, 1, 1)} ${Date.UTC(2026, 1, 28)}`],
  ],
  ['no head', 'Kelp,3\nMill,4\n', ['Column 1 words Kelp Mill', 'Column 2 numbers 3 4']],
  ['the same name twice, and none', 'a,a,\nx,y,z\n', ['Column 1 words a x', 'Column 2 words a y', 'Column 3 words  z']],
  ['empty cells among numbers', 'n\n1\n\n3\n', ['n numbers 1 3']],
])('%s', (_what, text, expected) => {
  expect(told(table(text))).toEqual(expected);
});

test('rows of other lengths are read, and that is said', () => {
  const { columns, notes } = table('a,b\n1\n2,3,4\n5,6\n');
  expect(columns.map(({ texts }) => texts.join('|'))).toEqual(['1|2|5', '|3|6']);
  expect(notes).toEqual([
    '1 row has more cells than there are columns; what stands beyond is left out.',
    '1 row has fewer cells than there are columns; what is missing counts as empty.',
  ]);
});

test('of a million rows the first are used, and that is said; what is nothing to draw is said too', () => {
  const { rows, notes } = table(`a\n${'1\n'.repeat(1_000_000)}`);
  expect([rows, notes]).toEqual([MOST_ROWS, ['Only the first 200,000 rows are used.']]);
  expect(read('')).toBe('a.csv is empty; there is nothing to draw.');
  expect(readData('a.bin', Uint8Array.of(0, 1, 2, 0))).toBe('a.bin is no text; give a CSV file.');
});

test('columns are guessed: what repeats as categories, the brand’s own first; numbers as values; dates to go along', () => {
  const data = table(
    'id,boat,line,day,late\nx1,A,Kelp,2026-01-01,3\nx2,B,Mill,2026-01-02,4\nx3,A,Kelp,2026-01-03,5\nx4,B,Mill,2026-01-04,5\n',
  );
  expect(guessColumns(data)).toMatchObject({ value: 4, along: 3 });
  expect(guessColumns(data, [{ name: 'Route', values: ['Kelp', 'Mill'] }])).toEqual({
    category: 2,
    value: 4,
    along: 3,
    against: null,
  });
  expect(guessColumns(table('n\n1\n2\n'))).toEqual({ category: null, value: 0, along: null, against: null });
  expect(guessColumns(table('w,a,b\nk,1,2\nk,3,4\n'))).toMatchObject({ value: 1, along: 2, against: null });
  expect(guessColumns(table('w,d,a,b\nk,2026-01-01,1,2\nk,2026-01-02,3,4\n'))).toMatchObject({ value: 2, along: 1, against: 3 });
  expect(guessColumns(table('w\na\na\n'))).toEqual({ category: 0, value: null, along: null, against: null });
});
