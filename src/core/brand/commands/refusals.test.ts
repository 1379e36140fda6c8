/** What a brand does not take, and the sentence it says: in commands and in files. */
import { changedToken, fewTokens } from '../../../../tests/few-tokens';
import { apply } from './apply';
import { touchedBy } from './table-step';
import type { Command, Step } from './commands';
import { Brand } from '../document/document';
import { ringWords } from '../document/circles';
import type { Token } from '../document/token-shape';
import { LIMITS } from '../document/fields';

const swatch = (id: string, value = '#111111') => ({ id, name: `Swatch ${id}`, value, locked: false });
const small: Brand = {
  ...fewTokens({ one: ['#111111', '#222222'], two: ['{one}', '{one}'], three: ['{two}', '#333333'] }),
  palettes: [
    { id: 'p', name: 'P', kind: 'loose', swatches: [swatch('a'), swatch('b'), swatch('c')] },
    { id: 'q', name: 'Q', kind: 'loose', swatches: [] },
  ],
  destinations: [{ id: 'd', name: 'D', format: 'css', options: {} }],
  fields: [{ id: 'f', name: 'Route', group: 'x', values: [{ text: 'North', token: 'three' }] }],
};
const linked = changedToken(small, 'one', { values: { ...small.tokens[0]!.values, day: { swatch: 'a' } } });
const command = (...steps: Step[]): Command => ({ label: 'x', steps });
const refusal = (brand: Brand, ...steps: Step[]) => {
  const result = apply(brand, command(...steps));
  return result.ok ? null : result.refusal;
};
const token = (id: string, over: Partial<Token> = {}): Token => ({
  id,
  path: id,
  role: 'other',
  description: '',
  on: [],
  values: {},
  ...over,
});
const rule = { state: 'hover' as const, of: 'one', surface: 'two', step: 0.1, chroma: 1, least: 1 };

const REFUSED: [Brand, Step, string][] = [
  [small, { do: 'palette.edit', id: 'x', set: {} }, 'That palette is no longer there; somebody may have deleted it.'],
  [small, { do: 'palette.remove', id: 'x' }, 'That palette is no longer there; somebody may have deleted it.'],
  [small, { do: 'palette.move', id: 'x', before: null }, 'That palette is no longer there; somebody may have deleted it.'],
  [
    small,
    { do: 'swatch.add', palette: 'x', swatches: [], before: null },
    'That palette is no longer there; somebody may have deleted it.',
  ],
  [
    small,
    { do: 'swatch.move', ids: ['a'], palette: 'x', before: null },
    'That palette is no longer there; somebody may have deleted it.',
  ],
  [small, { do: 'swatch.remove', ids: ['a', 'x'] }, 'That swatch is no longer there; somebody may have deleted it.'],
  [small, { do: 'swatch.edit', id: 'x', set: { name: 'y' } }, 'That swatch is no longer there; somebody may have deleted it.'],
  [small, { do: 'theme.edit', id: 'x', set: {} }, 'That theme is no longer there; somebody may have deleted it.'],
  [small, { do: 'theme.remove', id: 'x' }, 'That theme is no longer there; somebody may have deleted it.'],
  [small, { do: 'theme.move', id: 'x', before: null }, 'That theme is no longer there; somebody may have deleted it.'],
  [small, { do: 'token.set', id: 'x', set: {} }, 'That token is no longer there; somebody may have deleted it.'],
  [small, { do: 'token.edit', id: 'x', set: {} }, 'That token is no longer there; somebody may have deleted it.'],
  [small, { do: 'token.remove', ids: ['x'] }, 'That token is no longer there; somebody may have deleted it.'],
  [small, { do: 'token.move', ids: ['x'], before: null }, 'That token is no longer there; somebody may have deleted it.'],
  [small, { do: 'destination.edit', id: 'x', set: {} }, 'That destination is no longer there; somebody may have deleted it.'],
  [small, { do: 'destination.remove', id: 'x' }, 'That destination is no longer there; somebody may have deleted it.'],
  [small, { do: 'field.edit', id: 'x', set: {} }, 'That field is no longer there; somebody may have deleted it.'],
  [small, { do: 'field.remove', id: 'x' }, 'That field is no longer there; somebody may have deleted it.'],
  [
    small,
    { do: 'token.set', id: 'one', set: { day: { token: 'x' } } },
    'That token is no longer there; somebody may have deleted it.',
  ],
  [
    small,
    { do: 'token.set', id: 'one', set: { day: { swatch: 'x' } } },
    'That swatch is no longer there; somebody may have deleted it.',
  ],
  [
    small,
    { do: 'token.set', id: 'one', set: { dusk: { colour: '#fff' } } },
    'That theme is no longer there; somebody may have deleted it.',
  ],
  [
    small,
    { do: 'token.edit', id: 'one', set: { deprecated: { note: '', use: 'x' } } },
    'That token is no longer there; somebody may have deleted it.',
  ],
  [
    small,
    { do: 'token.edit', id: 'three', set: { rule: { ...rule, text: 'x' } } },
    'That token is no longer there; somebody may have deleted it.',
  ],
  [
    small,
    { do: 'field.edit', id: 'f', set: { values: [{ text: 'South', token: 'x' }] } },
    'The token that South is pinned to is no longer there; somebody may have deleted it.',
  ],
  [
    small,
    { do: 'field.add', field: { ...small.fields[0]!, id: 'g', values: [{ text: 'West', token: 'x' }] }, before: null },
    'The token that West is pinned to is no longer there; somebody may have deleted it.',
  ],
  [linked, { do: 'swatch.remove', ids: ['a'] }, 'Swatch a cannot go while one points there. Unlink first.'],
  [linked, { do: 'swatch.remove', ids: ['a', 'b'] }, 'These swatches cannot go while one points there. Unlink first.'],
  [linked, { do: 'palette.remove', id: 'p' }, 'These swatches cannot go while one points there. Unlink first.'],
  [small, { do: 'token.remove', ids: ['one'] }, 'one cannot go while two uses it. Unlink first.'],
  [small, { do: 'token.remove', ids: ['three'] }, 'three cannot go while North of Route is pinned to it. Unpin it first.'],
  [
    small,
    { do: 'token.add', tokens: [token('new', { path: 'two' })], before: null },
    'There is a token two already. Choose another path.',
  ],
  [
    small,
    { do: 'token.add', tokens: [token('n', { values: { dusk: { colour: '#fff' } } })], before: null },
    'That theme is no longer there; somebody may have deleted it.',
  ],
  [
    small,
    { do: 'token.set', id: 'one', set: { day: { token: 'three' } } },
    'That would go round in a circle: one → three → two → one. Point it at something else.',
  ],
  [
    small,
    { do: 'palette.add', palette: { id: 'a', name: 'A', kind: 'loose', swatches: [] }, before: null },
    'This is in the brand already.',
  ],
  [
    small,
    { do: 'palette.add', palette: { id: 'n', name: 'A', kind: 'loose', swatches: [swatch('m'), swatch('m')] }, before: null },
    'This is in the brand already.',
  ],
  [small, { do: 'theme.add', theme: { id: 'f', name: 'F' }, before: null, values: {} }, 'This is in the brand already.'],
  [
    small,
    { do: 'destination.add', destination: { id: 'one', name: 'F', format: 'css', options: {} }, before: null },
    'This is in the brand already.',
  ],
  [
    small,
    { do: 'field.add', field: { id: 'd', name: 'F', group: 'x', values: [] }, before: null },
    'This is in the brand already.',
  ],
  [
    small,
    { do: 'theme.edit', id: 'day', set: { name: 'A' }, was: { name: 'B' } },
    'Day has been changed since, so the later change was left as it is.',
  ],
  [
    small,
    { do: 'token.set', id: 'one', set: { day: null }, was: { day: { colour: '#999999' } } },
    'one has been changed since, so the later change was left as it is.',
  ],
  [
    { ...small, themes: small.themes.slice(0, 1) },
    { do: 'theme.remove', id: 'day' },
    'Day is the only theme; a brand keeps at least one.',
  ],
];

test.each(REFUSED.map(([brand, step, sentence]) => [step.do, sentence, brand, step] as const))(
  '%s: %s',
  (_do, sentence, brand, step) => {
    expect(refusal(brand, step)).toBe(sentence);
  },
);

test('of many who use a token three are named', () => {
  const users = ['u1', 'u2', 'u3', 'u4', 'u5'].map((id) => token(id, { on: ['three'] }));
  const brand = { ...small, fields: [], tokens: [...small.tokens, ...users] };
  expect(refusal(brand, { do: 'token.remove', ids: ['three'] })).toBe(
    'three cannot go while u1, u2, u3 and 2 more use it. Unlink first.',
  );
  expect(refusal({ ...brand, tokens: brand.tokens.slice(0, 6) }, { do: 'token.remove', ids: ['three'] })).toBe(
    'three cannot go while u1, u2, u3 use it. Unlink first.',
  );
});

test.each<[keyof typeof LIMITS, (count: number) => Brand, Step]>([
  [
    'palettes',
    (count) => ({ ...small, palettes: Array.from({ length: count }, (_, at) => ({ ...small.palettes[1]!, id: `p${at}` })) }),
    { do: 'palette.add', palette: { id: 'new', name: 'N', kind: 'loose', swatches: [] }, before: null },
  ],
  [
    'swatches',
    (count) => ({
      ...small,
      palettes: [{ ...small.palettes[0]!, swatches: Array.from({ length: count }, (_, at) => swatch(`s${at}`)) }],
    }),
    { do: 'swatch.add', palette: 'p', swatches: [swatch('new')], before: null },
  ],
  [
    'swatches',
    (count) => ({
      ...small,
      palettes: [{ ...small.palettes[0]!, swatches: Array.from({ length: count }, (_, at) => swatch(`s${at}`)) }],
    }),
    { do: 'palette.add', palette: { id: 'new', name: 'N', kind: 'loose', swatches: [swatch('n')] }, before: null },
  ],
  [
    'themes',
    (count) => ({ ...small, tokens: [], themes: Array.from({ length: count }, (_, at) => ({ id: `t${at}`, name: 'T' })) }),
    { do: 'theme.add', theme: { id: 'new', name: 'N' }, before: null, values: {} },
  ],
  [
    'tokens',
    (count) => ({ ...small, fields: [], tokens: Array.from({ length: count }, (_, at) => token(`t${at}`)) }),
    { do: 'token.add', tokens: [token('new')], before: null },
  ],
  [
    'destinations',
    (count) => ({
      ...small,
      destinations: Array.from({ length: count }, (_, at) => ({ ...small.destinations[0]!, id: `d${at}` })),
    }),
    { do: 'destination.add', destination: { id: 'new', name: 'N', format: 'css', options: {} }, before: null },
  ],
  [
    'fields',
    (count) => ({ ...small, fields: Array.from({ length: count }, (_, at) => ({ ...small.fields[0]!, id: `f${at}` })) }),
    { do: 'field.add', field: { id: 'new', name: 'N', group: 'x', values: [] }, before: null },
  ],
])('%s: as many as a brand holds, and no more', (what, brand, step) => {
  expect(refusal(brand(LIMITS[what] - 1), step)).toBeNull();
  expect(refusal(brand(LIMITS[what]), step)).toMatch(new RegExp(`${LIMITS[what]} ${what}`));
});

test('everything a command touches, once', () => {
  const touched = (...steps: Step[]) => touchedBy(command(...steps));
  expect(
    touched(
      { do: 'swatch.remove', ids: ['a', 'b'] },
      { do: 'swatch.edit', id: 'b', set: {} },
      { do: 'swatch.add', palette: 'p', swatches: [swatch('s1'), swatch('s2')], before: null },
      { do: 'token.add', tokens: [token('t1'), token('t2')], before: null },
      { do: 'palette.add', palette: { id: 'pp', name: 'P', kind: 'loose', swatches: [swatch('inside')] }, before: null },
      { do: 'theme.add', theme: { id: 'th', name: 'T' }, before: null, values: {} },
      { do: 'destination.add', destination: small.destinations[0]!, before: null },
      { do: 'field.add', field: small.fields[0]!, before: null },
      { do: 'brand.edit', set: {} },
    ),
  ).toEqual(['a', 'b', 's1', 's2', 't1', 't2', 'pp', 'th', 'd', 'f']);
});

test('a brand file with loose ends says each and where', () => {
  const broken = {
    ...small,
    palettes: [{ ...small.palettes[0]!, swatches: [swatch('a'), swatch('a')] }],
    themes: [...small.themes, { id: 'p', name: 'P' }],
    destinations: [{ ...small.destinations[0]!, id: 'one' }],
    fields: [{ ...small.fields[0]!, id: 'day', values: [{ text: 'x', token: 'gone' }] }],
    tokens: [
      token('one', {
        path: 'same',
        on: ['gone'],
        values: { day: { swatch: 'gone' }, night: { token: 'gone' }, dusk: { colour: '#fff' } },
      }),
      token('two', { path: 'same', rule: { ...rule, text: 'gone' }, deprecated: { note: '', use: 'gone' } }),
    ],
  };
  const issues = Brand.safeParse(broken).error!.issues.map(({ message, path, code }) => `${code} ${path.join('.')}: ${message}`);
  expect(issues).toEqual([
    'custom palettes.0.swatches.1: The id a is used twice.',
    'custom themes.2: The id p is used twice.',
    'custom destinations.0: The id one is used twice.',
    'custom fields.0: The id day is used twice.',
    'custom tokens.1.path: The token path same is used twice.',
    'custom tokens.0.on.0: same points at a token that is not there.',
    'custom tokens.0.values.day: same points at a swatch that is not there.',
    'custom tokens.0.values.night: same points at a token that is not there.',
    'custom tokens.0.values.dusk: same has a value for a theme that is not there.',
    'custom tokens.1.rule: same points at a token that is not there.',
    'custom tokens.1.deprecated.use: same points at a token that is not there.',
    'custom fields.0.values.0.token: Route points at a token that is not there.',
    // Once for each theme.
    ...Array(3).fill('custom tokens: These tokens point at each other in a circle: same → same.'),
  ]);
  expect(Brand.safeParse({ ...small, themes: [] }).error!.issues.map(({ message }) => message)).toContain(
    'A brand has at least one theme.',
  );
  expect(Brand.safeParse(small).success).toBe(true);
});

test('a circle of thousands is told by its first three', () => {
  expect(ringWords(['a', 'b', 'a'])).toBe('a → b → a');
  expect(ringWords(['a', 'b', 'c', 'a'])).toBe('a → b → c → a');
  expect(ringWords(['a', 'b', 'c', 'd', 'e', 'a'])).toBe('a → b → c → 2 more → a');
});
