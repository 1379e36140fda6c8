import fc from 'fast-check';
import { apply } from './apply';
import { Command, readyToSend, type Step } from './commands';
import { Brand, emptyBrand, serialiseBrand } from '../document/document';
import type { Swatch } from '../document/palette-shape';
import type { Token } from '../document/token-shape';
import { partOfDemo } from '../../../../tests/part-of-demo';
import { anyCommand, commandFor, runAll } from '../../../../tests/random-commands';

const swatch = (id: string, value = '#006871'): Swatch => ({ id, name: id, value, locked: false });
const token = (id: string, path: string, values: Token['values']): Token => ({
  id,
  path,
  role: 'other',
  description: '',
  on: [],
  values,
});
const doing = (...steps: Step[]): Command => Command.parse({ label: 'Test', steps });

function small(): Brand {
  const brand = emptyBrand('b', 'Small');
  return {
    ...brand,
    themes: [...brand.themes, { id: 'night', name: 'Night' }],
    palettes: [{ id: 'p', name: 'P', kind: 'loose', swatches: ['a', 'b', 'c', 'd'].map((id) => swatch(id)) }],
    tokens: [
      token('t1', 'one', { day: { swatch: 'a' }, night: { colour: '#fff' } }),
      token('t2', 'two', { day: { token: 't1' } }),
      token('t3', 'three', { day: { token: 't2' } }),
    ],
  };
}

test('ten thousand commands with repeated and edge values never give a brand that cannot be read', () => {
  const start = { ...small(), tokens: small().tokens.slice(0, 2) };
  const refused = new Set<string>();
  let brand = start;
  for (let at = 0; at < 10_000; at++) {
    if (at % 40 === 0) brand = start;
    const command = commandFor(brand, (at * 2_654_435_761) % 2_147_483_647);
    const result = apply(brand, command);
    if (result.ok) {
      const read = Brand.safeParse(JSON.parse(JSON.stringify(result.brand)));
      if (!read.success) throw new Error(`${JSON.stringify(command)}: ${read.error.message}`);
      // What is sent and read again is the very same, so that page and server have one document.
      if (at % 20 === 0) expect(read.data).toEqual(result.brand);
      brand = result.brand;
    } else refused.add(result.refusal.split(' ').slice(-3).join(' '));
  }
  expect(refused.size).toBeGreaterThan(5);
});

test('a token named twice is moved once, and one that is gone is nobody’s ground', () => {
  const twice = apply(small(), { label: 'x', steps: [{ do: 'token.move', ids: ['t1', 't3', 't1'], before: null }] });
  expect(twice.ok && twice.brand.tokens.map(({ id }) => id)).toEqual(['t2', 't1', 't3']);
  const edit = apply(small(), doing({ do: 'token.edit', id: 't1', set: { on: ['gone', 't2'] } }));
  expect(edit.ok && edit.brand.tokens[0]!.on).toEqual(['t2']);
  expect(edit.ok && apply(edit.brand, edit.inverse)).toMatchObject({ ok: true, brand: small() });
});

test('a page applies what the server will read: trimmed, and refused where the server would', () => {
  const edit = (name: string): Command => ({ label: 'x', steps: [{ do: 'palette.edit', id: 'p', set: { name } }] });
  expect(readyToSend(edit('  Ink '))).toEqual(edit('Ink'));
  expect(readyToSend(edit(' '))).toBe('A name needs at least one character.');
});

test('random commands and then their inverses give the first document back, byte for byte', () => {
  fc.assert(
    fc.property(fc.array(anyCommand, { minLength: 1, maxLength: 25 }), (picks) => {
      const { brand, inverses, applied } = runAll(partOfDemo, picks);
      expect(() => Brand.parse(brand)).not.toThrow();
      const back = inverses.reverse().reduce((current, inverse) => {
        const result = apply(current, inverse);
        if (!result.ok) throw new Error(result.refusal);
        return result.brand;
      }, brand);
      expect(serialiseBrand(back)).toBe(serialiseBrand(partOfDemo));
      // Refusals are part of the play, but a test of nothing but refusals would prove nothing.
      fc.pre(applied.length > 0);
    }),
    { numRuns: 150 },
  );
});

test('a command that is refused half-way changes nothing at all', () => {
  const brand = small();
  const before = serialiseBrand(brand);
  const result = apply(brand, doing({ do: 'swatch.edit', id: 'b', set: { value: 'red' } }, { do: 'swatch.remove', ids: ['a'] }));
  expect(result).toEqual({ ok: false, refusal: 'a cannot go while one points there. Unlink first.' });
  expect(serialiseBrand(brand)).toBe(before);
});

test('a circle is refused with its path spelled out', () => {
  const result = apply(small(), doing({ do: 'token.set', id: 't1', set: { day: { token: 't3' } } }));
  expect(result).toMatchObject({ ok: false, refusal: expect.stringContaining('one → three → two → one') });
});

test('undoing does not overwrite what somebody else has done since', () => {
  const mine = apply(small(), doing({ do: 'swatch.edit', id: 'b', set: { value: '#111111' } }));
  if (!mine.ok) throw new Error(mine.refusal);
  const theirs = apply(mine.brand, doing({ do: 'swatch.edit', id: 'b', set: { value: '#222222' } }));
  if (!theirs.ok) throw new Error(theirs.refusal);
  expect(apply(theirs.brand, mine.inverse)).toEqual({
    ok: false,
    refusal: 'b has been changed since, so the later change was left as it is.',
  });
});

test('many swatches are edited at once, one of them twice and another given a row, and all of it is undone', () => {
  const edit = (id: string, set: Extract<Step, { do: 'swatch.edit' }>['set']): Step => ({ do: 'swatch.edit', id, set });
  const steps = [
    edit('a', { value: '#111' }),
    edit('d', { row: 'R' }),
    edit('a', { value: '#222', name: 'A' }),
    edit('b', { locked: true }),
  ];
  const done = apply(small(), doing(...steps));
  if (!done.ok) throw new Error(done.refusal);
  expect(done.brand.palettes[0]!.swatches).toEqual([
    { ...swatch('a', '#222'), name: 'A' },
    { ...swatch('b'), locked: true },
    swatch('c'),
    { ...swatch('d'), row: 'R' },
  ]);
  const undone = apply(done.brand, Command.parse(done.inverse));
  expect(undone.ok && serialiseBrand(undone.brand)).toBe(serialiseBrand(small()));
  const late = apply(small(), doing(edit('a', { value: '#111' }), edit('gone', { value: '#222' })));
  expect(late).toMatchObject({ ok: false, refusal: expect.stringContaining('no longer there') });
});

test('several swatches move together and keep their places when it is undone', () => {
  const moved = apply(small(), doing({ do: 'swatch.move', ids: ['d', 'b'], palette: 'p', before: 'a' }));
  if (!moved.ok) throw new Error(moved.refusal);
  expect(moved.brand.palettes[0]!.swatches.map(({ id }) => id)).toEqual(['d', 'b', 'a', 'c']);
  const back = apply(moved.brand, moved.inverse);
  expect(back.ok && serialiseBrand(back.brand)).toBe(serialiseBrand(small()));
});

test.each([
  [
    'a locked swatch keeps its colour',
    { ...small(), palettes: [{ ...small().palettes[0]!, swatches: [{ ...swatch('a'), locked: true }] }], tokens: [] },
    { do: 'swatch.edit', id: 'a', set: { value: 'red' } },
    'locked',
  ],
  ['a path is used once', small(), { do: 'token.edit', id: 't2', set: { path: 'one' } }, 'already'],
  [
    'a brand keeps a theme',
    { ...small(), themes: [{ id: 'day', name: 'Day' }] },
    { do: 'theme.remove', id: 'day' },
    'only theme',
  ],
  ['a token in use stays', small(), { do: 'token.remove', ids: ['t1'] }, 'two uses it'],
  ['what is gone cannot be edited', small(), { do: 'swatch.edit', id: 'zz', set: { name: 'x' } }, 'no longer there'],
  ['nothing comes twice', small(), { do: 'swatch.add', palette: 'p', swatches: [swatch('a')], before: null }, 'already'],
] as [string, Brand, Step, string][])('%s', (_name, brand, step, words) => {
  expect(apply(brand, doing(step))).toMatchObject({ ok: false, refusal: expect.stringContaining(words) });
});

test.each(['__proto__', 'constructor', 'a b', '', '-a', 'x'.repeat(41)])('%j is no id', (id) => {
  expect(Command.safeParse({ label: 'x', steps: [{ do: 'palette.remove', id }] }).success).toBe(false);
});

test('a brand file with loose ends is refused with where and what', () => {
  const broken = {
    ...small(),
    tokens: [token('t1', 'one', { day: { token: 't2' } }), token('t2', 'two', { day: { token: 't1' }, dusk: { swatch: 'zz' } })],
  };
  const messages = Brand.safeParse(broken).error?.issues.map((issue) => issue.message);
  expect(messages).toEqual(
    expect.arrayContaining([
      expect.stringContaining('circle: one → two → one'),
      expect.stringContaining('swatch that is not there'),
    ]),
  );
});
