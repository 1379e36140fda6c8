import { fewTokens } from '../../../tests/few-tokens';
import { assignments, firstSeries, mergedValues, readValues, tokensBelow } from './data-fields';
import { LIMITS, type DataField, type Token } from './document';

const paths = (tokens: readonly Token[]) => tokens.map(({ path }) => path);

describe('data fields', () => {
  const brand = fewTokens({
    'route.a': '#111',
    'route.b': '#222',
    'route.c': '#333',
    'route.c.deep': '#444',
    route: '#555',
    other: '#666',
  });
  const field = (...values: DataField['values']): DataField => ({ id: 'f', name: 'Route', group: 'route', values });
  const told = (...values: DataField['values']) =>
    assignments(brand, field(...values)).map(
      ({ text, token, pinned }) => `${text} ${token?.path ?? 'none'}${pinned ? ' pinned' : ''}`,
    );

  test('take the tokens straight below their group, in order, but for those that a value is pinned to', () => {
    expect(paths(tokensBelow(brand.tokens, 'route'))).toEqual(['route.a', 'route.b', 'route.c']);
    expect([paths(tokensBelow(brand.tokens, '')), paths(tokensBelow(brand.tokens, 'route.c'))]).toEqual([[], ['route.c.deep']]);
    expect(
      told({ text: '1' }, { text: '2', token: 'route-a' }, { text: '3' }, { text: '4' }, { text: '5', token: 'gone' }),
    ).toEqual(['1 route.b', '2 route.a pinned', '3 route.c', '4 none', '5 none pinned']);
  });

  test('a chart takes the first group with several colours for data, else the first with one', () => {
    const series = (values: Record<string, string>) =>
      firstSeries(fewTokens(values, Object.fromEntries(Object.keys(values).map((path) => [path, 'data']))).tokens);
    expect(series({ 'one.a': '#111', 'two.a': '#111', 'two.b': '#111', 'three.a': '#111', 'three.b': '#111' })).toBe('two');
    expect([series({ 'one.a': '#111', 'two.a': '#111' }), series({ plain: '#111' }), series({})]).toEqual(['one', '', undefined]);
    expect(firstSeries(brand.tokens)).toBeUndefined();
  });

  test('values come from a table: each once, with or without a heading, pinned by path, and what is wrong is told by line', () => {
    expect(readValues(brand, 'Value,Token\nNorth,route.a\n\nSouth, \n ,x\nNorth,route.b\nEast,nowhere\nWest,  route.c ')).toEqual(
      {
        values: [{ text: 'North', token: 'route-a' }, { text: 'South' }, { text: 'East' }, { text: 'West', token: 'route-c' }],
        problems: ['Line 4 has no value and was left out.', 'Line 6: there is no token nowhere, so East is not pinned.'],
      },
    );
    expect(readValues(brand, 'values\nA\u0007\u0000B')).toEqual({ values: [{ text: 'A B' }], problems: [] });
    expect(readValues(brand, 'North')).toEqual({ values: [{ text: 'North' }], problems: [] });
    const long = 'x'.repeat(LIMITS.name + 1);
    expect(readValues(brand, `${long}\n${long.slice(1)}\nA,${long}`)).toEqual({
      values: [{ text: long.slice(1) }, { text: 'A' }],
      problems: [
        'Line 1 is longer than 120 characters and was left out; shorten it.',
        `Line 3: there is no token ${'x'.repeat(60)}, so A is not pinned.`,
      ],
    });
    const many = (count: number) => readValues(brand, Array.from({ length: count }, (_, at) => `v${at}`).join('\n'));
    expect([many(1_999).problems, many(2_000).values.length, many(2_001).values.length]).toEqual([[], 2_000, 2_000]);
    expect(many(2_001).problems).toEqual(['A field has at most 2000 values; the rest was left out.']);
  });

  test('new values join those there are: each keeps its place, and its pin unless another is given', () => {
    const had = [{ text: 'A', token: 'x' }, { text: 'B' }];
    expect(mergedValues(had, [{ text: 'A' }, { text: 'C' }, { text: 'B', token: 'y' }])).toEqual([
      { text: 'A', token: 'x' },
      { text: 'B', token: 'y' },
      { text: 'C' },
    ]);
    const many = Array.from({ length: 2_000 }, (_, at) => ({ text: `${at}` }));
    expect(mergedValues(many, [{ text: 'more' }])).toHaveLength(2_000);
  });
});
