import { Brand, emptyBrand } from '../document/document';
import type { Token, TokenValue } from '../document/token-shape';
import fc from 'fast-check';
import { changedToken, fewTokens } from '../../../../tests/few-tokens';
import { partOfDemo } from '../../../../tests/part-of-demo';
import { anyCommand, commandFor } from '../../../../tests/random-commands';
import { apply } from '../commands/apply';
import { brokenTrail, resolveTheme, swatchesOf, tokensUsing, trailOf } from './resolve';

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
      const keys = new Map(tokens.map((token) => [token.id, order.next().value]));
      const shuffled = [...tokens].sort((one, two) => keys.get(one.id)! - keys.get(two.id)!);
      const resolved = resolveTheme(brandOf(...shuffled), 'day');
      tokens.forEach((token, at) => expect(resolved.get(token.id)!.colour!.hex).toBe(follow(at)));
      expect([...resolved.keys()]).toEqual(shuffled.map(({ id }) => id));
    }),
  );
});

test('after any edits, what is resolved anew with what was known before is what is resolved from nothing', () => {
  const seen = (brand: Brand) =>
    brand.themes.map(({ id }) =>
      [...resolveTheme(brand, id).values()].map((resolved) => [resolved.colour?.css, ...trailOf(resolved, id)].join(' ')),
    );
  fc.assert(
    fc.property(fc.array(anyCommand, { maxLength: 8 }), (picks) => {
      let brand = partOfDemo;
      seen(brand);
      for (const pick of picks) {
        const result = apply(brand, commandFor(brand, pick));
        if (!result.ok) continue;
        brand = result.brand;
        // A copy shares nothing with what was resolved before.
        expect(seen(brand)).toEqual(seen(structuredClone(brand)));
        seen(brand);
      }
    }),
    { numRuns: 25 },
  );
});

test('of a document that shares all but one swatch, only what comes to that swatch is another', () => {
  const chain = Array.from({ length: 10 }, (_, at) => token(`c${at}`, at === 9 ? { swatch: 's' } : { token: `c${at + 1}` }));
  const others = Array.from({ length: 30 }, (_, at) => token(`o${at}`, { colour: 'red' }));
  const brand = brandOf(...chain, token('apart', { colour: 'red' }), ...others);
  const before = resolveTheme(brand, 'day');
  const [palette] = brand.palettes;
  const edited = { ...brand, palettes: [{ ...palette!, swatches: [{ ...palette!.swatches[0]!, value: '#ff0000' }] }] };
  const after = resolveTheme(edited, 'day');
  expect(chain.map(({ id }) => after.get(id)!.colour!.hex)).toEqual(chain.map(() => '#ff0000'));
  expect(after.get('apart')).toBe(before.get('apart'));
});

test('a chain as long as a brand may be does not overflow', () => {
  const chain = Array.from({ length: 10_000 }, (_, at) =>
    token(`c${at}`, at === 9_999 ? { swatch: 's' } : { token: `c${at + 1}` }),
  );
  expect(resolveTheme(brandOf(...chain), 'day').get('c0')!.colour).not.toBeNull();
  expect(Brand.safeParse(brandOf(...chain)).success).toBe(true);
});

test('a state without a value of its own goes by its rule, and lacks a colour with what it is made from', () => {
  const rule = { state: 'hover' as const, of: 'a', surface: 'b', step: 0.06, chroma: 1, least: 1 };
  const shownWith = (...tokens: Token[]) =>
    resolveTheme(brandOf({ ...token('h'), rule }, ...tokens), 'day').get('h')!.colour?.hex;
  expect(shownWith(token('a', { colour: '#006871' }), token('b', { colour: '#ffffff' }))).toBe('#005760');
  expect(shownWith(token('a', { colour: '#006871' }), token('b'))).toBeUndefined();
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

describe('the way to a colour', () => {
  const chain = fewTokens({ a: '{b}', b: '{c}', c: '{d}', d: '{e}', e: '{f}', f: [undefined] as never, g: '{h}', h: '#123456' });
  const linked: Brand = {
    ...changedToken(fewTokens({ one: '#111111', two: '{one}', three: '{two}' }), 'one', { values: { day: { swatch: 's' } } }),
    palettes: brandOf().palettes,
  };
  const at = (path: string, brand: Brand = chain) => resolveTheme(brand, 'day').get(path)!;

  test('in words, and the first four steps of one that leads nowhere', () => {
    expect([trailOf(at('g'), 'day'), trailOf(at('a'), 'day', 2)]).toEqual([
      ['g', 'h', '#123456'],
      ['a', 'b'],
    ]);
    expect(['a', 'c', 'e', 'f'].map((path) => brokenTrail(at(path), 'day'))).toEqual([
      'a → b → c → d → … → nothing',
      'c → d → e → f → nothing',
      'e → f → nothing',
      '',
    ]);
    expect(trailOf(resolveTheme(linked, 'day').get('one')!, 'day')).toEqual(['one', 'Core / Keel']);
  });

  test('tokens that come to another, in any theme and by rule, once each', () => {
    const using = (target: { swatch: string } | { token: string }, tokens = linked.tokens) =>
      tokensUsing(tokens, target).map(({ id }) => id);
    expect([using({ swatch: 's' }), using({ swatch: 'other' }), using({ token: 'two' })]).toEqual([
      ['one', 'two', 'three'],
      [],
      ['three'],
    ]);
    const rule = { state: 'hover' as const, of: 'one', surface: 'two', step: 0.1, chroma: 1, least: 1 };
    const byRule = [...linked.tokens, { ...token('state'), rule }];
    expect(using({ token: 'two' }, byRule).sort()).toEqual(['state', 'three']);
  });
});
