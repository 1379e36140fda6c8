import fc from 'fast-check';
import { emptyBrand, type Brand, type Token, type TokenValue } from './document';
import { resolveTheme, swatchesOf, tokensUsing, trailOf } from './resolve';

const token = (id: string, day?: TokenValue): Token => ({
  id,
  path: id,
  role: 'other',
  description: '',
  on: [],
  values: day ? { day } : {},
});

function brandOf(...tokens: Token[]): Brand {
  const swatches = [{ id: 's', name: 'Keel', value: 'oklch(0.26 0.04 240)', locked: false }];
  return { ...emptyBrand('b', 'B'), palettes: [{ id: 'p', name: 'Core', kind: 'brand', swatches }], tokens };
}

test('a chain ends at its swatch, and the way there is told', () => {
  const brand = brandOf(token('a', { token: 'b' }), token('b', { token: 'c' }), token('c', { swatch: 's' }));
  const resolved = resolveTheme(brand, 'day').get('a')!;
  expect([resolved.colour!.css, trailOf(resolved, 'day')]).toEqual(['oklch(0.26 0.04 240)', ['a', 'b', 'c', 'Core / Keel']]);
});

test.each([
  ['no value', [token('a')], ['a']],
  ['a target without a value', [token('a', { token: 'b' }), token('b')], ['a', 'b']],
  ['a target that is not there', [token('a', { token: 'zz' })], ['a']],
  ['a swatch that is not there', [token('a', { swatch: 'zz' })], ['a']],
  ['a circle, which no brand holds', [token('a', { token: 'b' }), token('b', { token: 'a' })], ['a', 'b']],
])('%s gives no colour, and neither a crash nor black', (_name, tokens, trail) => {
  const resolved = resolveTheme(brandOf(...tokens), 'day').get('a')!;
  expect([resolved.colour, trailOf(resolved, 'day')]).toEqual([null, trail]);
});

test('chains of any length and shape come to what following them by hand comes to', () => {
  // Each token points at an earlier one or has a colour: no circles by construction, in shuffled order.
  const links = fc.array(fc.option(fc.nat(), { nil: null }), { minLength: 1, maxLength: 40 });
  fc.assert(
    fc.property(links, fc.infiniteStream(fc.nat()), (targets, order) => {
      const colours = targets.map((target, at) => (target === null || at === 0 ? `#0000${(at + 16).toString(16)}` : null));
      const tokens = targets.map((target, at) =>
        token(`t${at}`, colours[at] ? { colour: colours[at] } : { token: `t${target! % at}` }),
      );
      const follow = (at: number): string => colours[at] ?? follow(targets[at]! % at);
      const keys = new Map(tokens.map((one) => [one.id, order.next().value]));
      const shuffled = [...tokens].sort((one, two) => keys.get(one.id)! - keys.get(two.id)!);
      const resolved = resolveTheme(brandOf(...shuffled), 'day');
      tokens.forEach((one, at) => expect(resolved.get(one.id)!.colour!.hex).toBe(follow(at)));
      expect([...resolved.keys()]).toEqual(shuffled.map(({ id }) => id));
    }),
  );
});

test('a document is resolved once', () => {
  const brand = brandOf(token('a', { swatch: 's' }));
  expect(resolveTheme(brand, 'day')).toBe(resolveTheme(brand, 'day'));
  expect(swatchesOf(brand)).toBe(swatchesOf(brand));
});

test('users are found through any number of aliases and in any theme', () => {
  const far = { ...token('far'), values: { night: { token: 'near' } } };
  const tokens = [far, token('near', { swatch: 's' }), token('other', { colour: 'red' }), token('on', { token: 'far' })];
  expect(tokensUsing(tokens, { swatch: 's' }).map(({ id }) => id)).toEqual(['far', 'near', 'on']);
  expect(tokensUsing(tokens, { token: 'near' }).map(({ id }) => id)).toEqual(['far', 'on']);
  expect(tokensUsing(tokens, { token: 'other' })).toEqual([]);
});
