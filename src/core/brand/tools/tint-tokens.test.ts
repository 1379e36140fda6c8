import { interpolateWithPremultipliedAlpha, formatHex8 } from 'culori';
import fc from 'fast-check';
import { changedToken, fewTokens } from '../../../../tests/few-tokens';
import { hexColour } from '../../../../tests/arbitrary-colours';
import { contrastRatio } from '../../colour/contrast';
import { readColour } from '../../colour/read';
import { apply } from '../commands/apply';
import type { Brand } from '../document/document';
import { resolveTheme } from '../reading/resolve';
import { tintColour } from '../reading/tint-rule';
import { leastOnTints, mostReadable, tintCommand, tintGroups, tintsOf, type Tints } from './tint-tokens';

test('a tint is what color-mix in OKLab gives (CSS Color 5; culori), but for rounding', () => {
  fc.assert(
    fc.property(
      hexColour,
      hexColour,
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.boolean(),
      (colour, surface, strength, isClear) => {
        const over = isClear ? `${colour}80` : colour;
        const made = tintColour(readColour(over)!, readColour(surface)!, strength);
        const expected = readColour(formatHex8(interpolateWithPremultipliedAlpha([surface, over], 'oklab')(strength))!)!;
        const far = Math.max(...[0, 1, 2].map((at) => Math.abs(made.rgb[at]! - expected.rgb[at]!) * 255));
        expect(far).toBeLessThanOrEqual(1);
        expect(Math.abs(made.alpha - expected.alpha)).toBeLessThanOrEqual(1.01 / 255);
      },
    ),
  );
});

const brand: Brand = {
  ...fewTokens(
    {
      panel: ['#ffffff', '#101010'],
      'text.default': ['#222222', '#eeeeee'],
      'route.north': ['#1f6fb0', '#5fa8e0'],
      'route.mill': ['#d95f1a', '#e08a50'],
      'route.weir': '#111111',
    },
    { panel: 'surface', 'text.default': 'text', 'route.north': 'data', 'route.mill': 'data', 'route.weir': 'data' },
  ),
  fields: [{ id: 'f', name: 'Route', group: 'route', values: [{ text: 'North Skerry' }, { text: 'Mill Quay' }] }],
};
const [group] = tintGroups(brand);
let next = 0;
const set = (from: Brand, tints: Tints | null) => {
  const command = tintCommand(from, group!, tints, 'text-default', () => `n${next++}`);
  const applied = command && apply(from, command);
  if (applied && !applied.ok) throw new Error(applied.refusal);
  return { command, brand: applied ? applied.brand : from, inverse: applied?.inverse };
};
const paths = ({ tokens }: Brand) => tokens.slice(5).map(({ path }) => path);

test('headers are tinted, and rows where all are; each by rule in every theme, following its item', () => {
  expect([group!.name, group!.items.map(({ name }) => name)]).toEqual(['Route', ['North Skerry', 'Mill Quay']]);
  expect(tintsOf(brand, group!)).toBeNull();
  const tints: Tints = { strength: 0.25, tinted: 'headers', surface: 'panel' };
  const heads = set(brand, tints);
  expect(paths(heads.brand)).toEqual(['route-tint.header.north', 'route-tint.header.mill']);
  expect(tintsOf(heads.brand, group!)).toEqual(tints);
  expect(set(heads.brand, tints).command).toBeNull();
  for (const theme of ['day', 'night']) {
    const resolved = resolveTheme(heads.brand, theme);
    const [item, panel] = ['route-north', 'panel'].map((id) => resolved.get(id)!.colour!);
    expect(resolved.get(heads.brand.tokens[5]!.id)!.colour!.hex).toBe(tintColour(item!, panel!, 0.25).hex);
  }
  const all = set(heads.brand, { ...tints, tinted: 'all', strength: 0.6 });
  expect(paths(all.brand)).toHaveLength(4);
  expect(tintsOf(all.brand, group!)).toEqual({ ...tints, tinted: 'all', strength: 0.6 });
  // What there was keeps its id, so that whoever uses it keeps it; what is no longer tinted goes, and undoing brings it back.
  const back = set(all.brand, tints);
  expect(back.brand.tokens).toEqual(heads.brand.tokens);
  const undone = apply(back.brand, back.inverse!);
  expect(undone.ok && undone.brand).toEqual(all.brand);
  expect(paths(set(all.brand, null).brand)).toEqual([]);
});

test.each(['kebab', 'camel', 'dots'] as const)(
  'in %s, and of an item called header, headers and rows are told apart',
  (naming) => {
    const odd = { ...changedToken(brand, 'route.north', { path: 'route.header' }), naming };
    const [items] = tintGroups(odd);
    const tints: Tints = { strength: 0.3, tinted: 'all', surface: 'panel' };
    const tinted = apply(
      odd,
      tintCommand(odd, items!, tints, undefined, () => `o${next++}`)!,
    );
    if (!tinted.ok) throw new Error(tinted.refusal);
    expect(tintsOf(tinted.brand, items!)).toEqual(tints);
    const fewer = tintCommand(tinted.brand, items!, { ...tints, tinted: 'headers' }, undefined, () => `o${next++}`)!;
    expect(fewer.steps).toEqual([{ do: 'token.remove', ids: [expect.any(String), expect.any(String)] }]);
    const left = apply(tinted.brand, fewer);
    expect(left.ok && tintsOf(left.brand, items!)).toEqual({ ...tints, tinted: 'headers' });
  },
);

test('a text that names what it is set on is set on the tints too', () => {
  const named = changedToken(brand, 'text.default', { on: ['panel'] });
  const tinted = set(named, { strength: 0.5, tinted: 'headers', surface: 'panel' }).brand;
  expect(tinted.tokens[1]!.on).toEqual(['panel', tinted.tokens[5]!.id, tinted.tokens[6]!.id]);
  expect(set(tinted, null).brand.tokens[1]!.on).toEqual(['panel']);
});

test('legibility is told for the worst item, and how strong a tint may be', () => {
  const least = leastOnTints(brand, 'day', group!, { strength: 1, surface: 'panel' }, 'text-default')!;
  expect(least.item).toBe('North Skerry');
  expect(least.ratio).toBeCloseTo(contrastRatio(readColour('#222222')!, readColour('#1f6fb0')!), 10);
  const most = mostReadable(brand, ['day', 'night'], group!, 'panel', 'text-default', 4.5)!;
  const at = (strength: number) =>
    Math.min(
      ...['day', 'night'].map(
        (theme) => leastOnTints(brand, theme, group!, { strength, surface: 'panel' }, 'text-default')!.ratio,
      ),
    );
  expect([at(most) >= 4.5, at(most + 0.01) >= 4.5]).toEqual([true, false]);
  const grey = changedToken(brand, 'text.default', { values: { day: { colour: '#cccccc' } } });
  expect(mostReadable(grey, ['day'], group!, 'panel', 'text-default', 4.5)).toBeNull();
});

test('groups of categories that no field draws from can be tinted as well; a scale cannot', () => {
  expect(tintGroups({ ...brand, fields: [] }).map(({ name, path, items }) => [name, path, items.length])).toEqual([
    ['route', 'route-tint', 3],
  ]);
  expect(tintGroups(fewTokens({ page: '#fff' }, { page: 'surface' }))).toEqual([]);
});
