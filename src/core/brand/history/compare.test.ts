import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { changedToken, fewTokens } from '../../../../tests/few-tokens';
import { partOfDemo } from '../../../../tests/part-of-demo';
import { anyCommand, runAll } from '../../../../tests/random-commands';
import { apply } from '../commands/apply';
import type { Step } from '../commands/commands';
import { compareBrands } from './compare';
import { Brand, serialiseBrand } from '../document/document';

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));

function after(...steps: Step[]): Brand {
  const result = apply(demo, { label: 'x', steps });
  if (!result.ok) throw new Error(result.refusal);
  return result.brand;
}

test.each([
  ['a new colour', [{ do: 'swatch.edit', id: 'core-foam', set: { value: '#eeeeee' } }], ['changed swatch Foam']],
  ['a new name', [{ do: 'token.edit', id: 't-text-soft', set: { path: 'text.quiet' } }], ['renamed token text.quiet']],
  [
    'an order',
    [{ do: 'swatch.move', ids: ['core-mist'], palette: 'core', before: 'core-harbour' }],
    ['changed palette Quillhaven core'],
  ],
  [
    'something new',
    [{ do: 'theme.add', theme: { id: 'evening', name: 'Dusk' }, before: null, values: {} }],
    ['added theme Dusk'],
  ],
  ['something gone', [{ do: 'destination.remove', id: 'd-game' }], ['removed destination Deckhand trainer']],
  ['the brand’s name', [{ do: 'brand.edit', set: { name: 'Ferries' } }], ['renamed brand Ferries']],
] as [string, Step[], string[]][])('%s is one difference', (_name, steps, expected) => {
  expect(compareBrands(demo, after(...steps)).map(({ kind, what, name }) => `${kind} ${what} ${name}`)).toEqual(expected);
});

test('what is edited and edited back is no difference, nor is another order of keys', () => {
  const there = { do: 'swatch.edit', id: 'core-foam', set: { value: '#eeeeee' } } as const;
  const back = { do: 'swatch.edit', id: 'core-foam', set: { value: '#ddf0ee' } } as const;
  expect(compareBrands(demo, after(there, back))).toEqual([]);
  const turned = (value: unknown): unknown =>
    Array.isArray(value)
      ? value.map(turned)
      : value !== null && typeof value === 'object'
        ? Object.fromEntries(
            Object.entries(value)
              .reverse()
              .map(([key, part]) => [key, turned(part)]),
          )
        : value;
  expect(compareBrands(turned(demo) as Brand, demo)).toEqual([]);
});

test('before the first release everything is new', () => {
  const differences = compareBrands(null, demo);
  expect(new Set(differences.map(({ kind }) => kind))).toEqual(new Set(['added']));
  expect(differences).toHaveLength(1 + 6 + 58 + 4 + 159 + 8 + 2 + 2);
});

test('there is no difference only between two that are the same, in whatever they were changed', () => {
  const some = fc.array(anyCommand, { maxLength: 6 });
  fc.assert(
    fc.property(some, some, (first, second) => {
      const then = runAll(partOfDemo, first).brand;
      const now = runAll(then, second).brand;
      const differences = compareBrands(then, now);
      expect(differences.length === 0).toBe(serialiseBrand(then) === serialiseBrand(now));
      expect(new Set(differences.map(({ id }) => id)).size).toBe(differences.length);
    }),
    { numRuns: 150 },
  );
});

test('another first theme is told with what it does to files, also when one came before it or the first has gone', () => {
  const root = (...steps: Step[]) => compareBrands(demo, after(...steps)).find(({ id }) => id === 'order.theme');
  expect(root({ do: 'theme.move', id: 'day', before: 'night' })).toMatchObject({
    kind: 'reordered',
    what: 'theme',
    name: 'Themes',
    effect:
      ':root of style sheets is now Dusk, no longer Day, and so are files of one theme. Now Dusk, Day, Night bridge, High contrast; before, Day, Dusk, Night bridge, High contrast.',
  });
  expect(root({ do: 'theme.add', theme: { id: 'dawn', name: 'Dawn' }, before: 'day', values: {} })?.effect).toContain('Dawn');
  expect(root({ do: 'theme.remove', id: 'day' })?.effect).toContain('now Dusk');
  expect(root({ do: 'theme.remove', id: 'dusk' })).toBeUndefined();
});

test('both directions find the same things, with added and removed exchanged', () => {
  fc.assert(
    fc.property(fc.array(anyCommand, { maxLength: 12 }), (picks) => {
      const { brand } = runAll(demo, picks);
      const exchange = {
        added: 'removed',
        removed: 'added',
        changed: 'changed',
        renamed: 'renamed',
        reordered: 'reordered',
      } as const;
      const there = compareBrands(demo, brand).map(({ id, kind }) => `${id} ${kind}`);
      const back = compareBrands(brand, demo).map(({ id, kind }) => `${id} ${exchange[kind]}`);
      expect(there.sort()).toEqual(back.sort());
    }),
    { numRuns: 60 },
  );
});

test('differences: a value counts in the themes both have; a destination, a field and the brand itself count too', () => {
  const brand: Brand = {
    ...fewTokens({ a: ['#111', '#222'] }),
    destinations: [{ id: 'd', name: 'D', format: 'css', options: {} }],
  };
  const kinds = (now: Brand) => compareBrands(brand, now).map(({ kind, what, name }) => `${kind} ${what} ${name}`);
  expect(kinds(changedToken(brand, 'a', { values: { ...brand.tokens[0]!.values, night: { colour: '#333' } } }))).toEqual([
    'changed token a',
  ]);
  expect(kinds({ ...brand, destinations: [{ ...brand.destinations[0]!, format: 'sass' }] })).toEqual(['changed destination D']);
  expect(kinds({ ...brand, name: 'Other' })).toEqual(['renamed brand Other']);
  expect(kinds({ ...brand, tokens: [], destinations: [] })).toEqual(['removed token a', 'removed destination D']);
  expect(compareBrands(null, brand).map(({ kind, what }) => `${kind} ${what}`)).toEqual([
    'added brand',
    'added theme',
    'added theme',
    'added token',
    'added destination',
  ]);
  // Copied and unchanged is no difference; neither are the values of a theme that is new, for the theme is.
  expect(kinds(structuredClone(brand))).toEqual([]);
  const dusk = changedToken({ ...brand, themes: [...brand.themes, { id: 'dusk', name: 'Dusk' }] }, 'a', {
    values: { ...brand.tokens[0]!.values, dusk: { colour: '#444' } },
  });
  expect(kinds(dusk)).toEqual(['added theme Dusk']);
});
