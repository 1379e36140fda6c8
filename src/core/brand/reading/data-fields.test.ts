import { fewTokens } from '../../../../tests/few-tokens';
import { assignments, firstSeries, mergedValues, tokensBelow } from './data-fields';
import type { DataField } from '../document/data-shape';
import type { Token } from '../document/token-shape';

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

  test('a value whose name is a token’s of the group has that one; the others go in order through the rest', () => {
    expect(told({ text: 'x' }, { text: 'A' }, { text: 'y' }, { text: ' b ' })).toEqual([
      'x route.c',
      'A route.a',
      'y none',
      ' b  route.b',
    ]);
    // A pin comes before a name.
    expect(told({ text: 'A' }, { text: 'x', token: 'route-a' })).toEqual(['A route.b', 'x route.a pinned']);
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
