import fc from 'fast-check';
import { differenceCiede2000 } from 'culori';
import { hexColour } from '../../../../tests/arbitrary-colours';
import { changedToken, fewTokens } from '../../../../tests/few-tokens';
import { apply } from '../commands/apply';
import { colourOfSwatches, coloursOfTheme, laidBeside } from './beside';
import type { Brand } from '../document/document';
import type { Palette } from '../document/palette-shape';
import type { Theme } from '../document/theme-shape';
import { resolveTheme } from './resolve';
import { takeEarlierTheme, takePalette, takeTheme } from '../tools/take-beside';

const list = (colours: Readonly<Record<string, string>>) =>
  colourOfSwatches(Object.entries(colours).map(([name, value]) => ({ id: name, name, value })));
const words = (rows: ReturnType<typeof laidBeside>) =>
  rows.map(({ one, two, fate }) => `${one?.name ?? '-'} ${two?.name ?? '-'} ${fate}`);

test('by name, what came, went, moved and stayed is told', () => {
  const rows = laidBeside(
    list({ Teal: '#006d77', Sand: '#c8a97e', Gone: '#123456', Foam: '#edf6f9' }),
    list({ foam: '#edf6f9', New: '#222', TEAL: '#0a7a84', Sand: '#c8a97e80' }),
    'name',
  );
  expect(words(rows)).toEqual(['Teal TEAL moved', 'Sand Sand moved', 'Gone - went', 'Foam foam same', '- New came']);
  expect(rows[0]!.distance).toBeCloseTo(differenceCiede2000()('#006d77', '#0a7a84'), 0);
});

test('by nearest, equal colours come first and then the closest two; each is used once', () => {
  const rows = laidBeside(
    list({ a: '#ff0000', b: '#00ff00', c: '#0000ff' }),
    list({ x: '#0000f0', y: '#ff0000', z: '#ff1111' }),
    'nearest',
  );
  expect(words(rows)).toEqual(['a y same', 'b z moved', 'c x moved']);
  const some = fc.array(hexColour, { maxLength: 30 });
  fc.assert(
    fc.property(some, some, fc.constantFrom('name' as const, 'nearest' as const), (one, two, by) => {
      const [left, right] = [one, two].map((hexes) =>
        colourOfSwatches(hexes.map((value, at) => ({ id: `${at}`, name: `n${at % 7}`, value }))),
      );
      const beside = laidBeside(left!, right!, by);
      expect(beside.flatMap((row) => row.one ?? [])).toEqual(left);
      expect(beside.flatMap((row) => row.two ?? []).sort((a, b) => Number(a.id) - Number(b.id))).toEqual(right);
      if (by === 'nearest') expect(beside.filter(({ two: other }) => other).length).toBe(right!.length);
      const paired = beside.filter((row) => row.one && row.two).length;
      if (by === 'nearest') expect(paired).toBe(Math.min(left!.length, right!.length));
    }),
  );
});

const palette: Palette = {
  id: 'p',
  name: 'Core',
  kind: 'brand',
  swatches: [
    { id: 's1', name: 'Teal', value: '#006d77', locked: false },
    { id: 's2', name: 'Sand', value: '#c8a97e', locked: true },
    { id: 's3', name: 'Used', value: '#333333', locked: false },
    { id: 's4', name: 'Free', value: '#444444', locked: false },
  ],
};
const few = fewTokens({ page: ['#fff', '#111'], ink: ['#222', '#eee'], link: '{ink}' }, { page: 'surface', ink: 'text' });
const brand: Brand = changedToken({ ...few, palettes: [palette] }, 'ink', {
  values: { day: { swatch: 's3' }, night: { swatch: 's1' } },
});
let next = 0;
const newId = () => `n${next++}`;
const done = (from: Brand, command: Parameters<typeof apply>[1] | null) => {
  const applied = apply(from, command!);
  if (!applied.ok) throw new Error(applied.refusal);
  return applied.brand;
};

test('a palette takes the colours beside it in one step; names, places, locks and what tokens use stay', () => {
  const rows = laidBeside(
    colourOfSwatches(palette.swatches),
    list({ teal: '#118a96', Sand: '#000000', Extra: 'rebeccapurple' }),
    'name',
  );
  const after = done(brand, takePalette(brand, palette, rows, newId, 'Take it'));
  expect(after.palettes[0]!.swatches.map(({ id, name, value }) => `${id} ${name} ${value}`)).toEqual([
    's1 Teal #118a96',
    's2 Sand #c8a97e',
    's3 Used #333333',
    'n0 Extra rebeccapurple',
  ]);
  const same = laidBeside(colourOfSwatches(palette.swatches), colourOfSwatches(palette.swatches), 'nearest');
  expect(takePalette(brand, palette, same, newId, 'Nothing')).toBeNull();
});

const hexes = (of: Brand, theme: string) => coloursOfTheme(of, theme).map(({ name, colour }) => `${name} ${colour?.hex}`);
const [day, night] = brand.themes as [Theme, Theme];

test('a theme takes the values of another, links and all', () => {
  const after = done(brand, takeTheme(brand, day, night, 'Take Night into Day'));
  expect(hexes(after, 'day')).toEqual(hexes(brand, 'night'));
  expect(after.tokens[1]!.values.day).toEqual({ swatch: 's1' });
  expect(takeTheme(after, day, night, 'Again')).toBeNull();
});

test('a theme is brought back to what it was: swatches, values, rules and tokens that have gone since', () => {
  const rule = { state: 'hover', of: 'page', surface: 'ink', step: 0.1, chroma: 1, least: 1 } as const;
  const then = done(brand, {
    label: '',
    steps: [
      {
        do: 'token.add',
        tokens: [{ id: 'h', path: 'page.hover', role: 'state', description: '', on: [], values: {}, rule }],
        before: null,
      },
      {
        do: 'token.add',
        tokens: [{ ...brand.tokens[2]!, id: 'old', path: 'old', values: { day: { token: 'link' } } }],
        before: null,
      },
    ],
  });
  const since = done(then, {
    label: '',
    steps: [
      { do: 'token.remove', ids: ['old'] },
      { do: 'swatch.edit', id: 's3', set: { value: '#990000' } },
      { do: 'token.set', id: 'page', set: { day: { colour: '#fafafa' }, night: { colour: '#000' } } },
      { do: 'token.edit', id: 'h', set: { rule: { ...rule, step: 0.3 } } },
      { do: 'token.add', tokens: [{ ...brand.tokens[0]!, id: 'new', path: 'new' }], before: null },
    ],
  });
  const back = done(since, takeEarlierTheme(since, then, day, 'Take release 1 into Day'));
  expect(hexes(back, 'day').sort()).toEqual([...hexes(then, 'day'), 'new #ffffff'].sort());
  expect([back.tokens.find(({ id }) => id === 'ink')!.values.day, back.palettes[0]!.swatches[2]!.value]).toEqual([
    { swatch: 's3' },
    '#333333',
  ]);
  // The other theme keeps what it was given since, but for the swatches they share.
  expect(resolveTheme(back, 'night').get('page')!.colour!.hex).toBe('#000000');
  expect(takeEarlierTheme(back, then, day, 'Again')).toBeNull();
  // What it pointed at is gone: the colour itself.
  const bare = done(since, {
    label: '',
    steps: [
      { do: 'token.set', id: 'ink', set: { day: { colour: '#101010' } } },
      { do: 'swatch.remove', ids: ['s3'] },
    ],
  });
  const again = done(bare, takeEarlierTheme(bare, then, day, 'Take it'));
  expect(again.tokens.find(({ id }) => id === 'ink')!.values.day).toEqual({ colour: '#333333' });
});
