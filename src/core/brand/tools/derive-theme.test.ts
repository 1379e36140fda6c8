import { Brand, emptyBrand } from '../document/document';
import type { ThemeRecipe } from '../document/theme-shape';
import type { Token } from '../document/token-shape';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { anyColour } from '../../../../tests/arbitrary-colours';
import { textPairs } from '../../findings/contrast';
import { apply } from '../commands/apply';
import { deriveTheme, recipeFor, RECIPES } from './derive-theme';
import { newId } from '../document/identity';
import { resolveTheme } from '../reading/resolve';
import { copyTheme, shiftTheme, takeDerived } from './theme-edits';

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));

function done(brand: Brand, command: Parameters<typeof apply>[1]): Brand {
  const result = apply(brand, command);
  if (!result.ok) throw new Error(result.refusal);
  return result.brand;
}

function derived(brand: Brand, recipe: ThemeRecipe) {
  const made = deriveTheme(brand, 'day', null, recipe);
  return { made, brand: done(brand, takeDerived(brand, 'day', { id: 'made', name: 'Made' }, recipe, made)) };
}

/** Surfaces, and texts on some of them; the last ones are aliases, so that one colour is both. */
const anyBrand = fc
  .record({
    surfaces: fc.array(anyColour, { minLength: 1, maxLength: 4 }),
    texts: fc.array(fc.tuple(anyColour, fc.array(fc.nat(3), { maxLength: 3 }), fc.boolean()), { minLength: 1, maxLength: 5 }),
  })
  .map(({ surfaces, texts }): Brand => {
    const token = (id: string, role: Token['role'], value: Token['values'][string], on: string[]): Token => ({
      id,
      path: `${role}.${id}`,
      role,
      description: '',
      on,
      values: { day: value },
    });
    return {
      ...emptyBrand('b', 'B'),
      tokens: [
        ...surfaces.map((colour, at) => token(`s${at}`, 'surface', { colour }, [])),
        ...texts.map(([colour, on, alias], at) =>
          token(
            `t${at}`,
            'text',
            alias ? { token: `s${at % surfaces.length}` } : { colour },
            on.map((n) => `s${n % surfaces.length}`),
          ),
        ),
      ],
    };
  });

describe.each(Object.entries(RECIPES))('the recipe %s', (_name, recipe) => {
  test('keeps every text as readable as it was, within its bounds, or says which it cannot', () => {
    fc.assert(
      fc.property(anyBrand, (source) => {
        const { brand, made } = derived(source, recipe);
        const short = new Set(made.short.map(({ text, surface }) => `${text.id} ${surface.id}`));
        const before = new Map(textPairs(source).map((pair) => [`${pair.text.id} ${pair.surface.id}`, pair.ratio]));
        const root = (token: Token) => {
          const value = token.values.day!;
          return 'token' in value ? value.token : token.id;
        };
        for (const { text, surface, ratio } of textPairs(brand, [brand.themes.at(-1)!])) {
          const had = before.get(`${text.id} ${surface.id}`)!;
          const needed = Math.max(recipe.least, Math.min(made.most, had));
          if (root(text) === root(surface) || short.has(`${root(text)} ${root(surface)}`)) continue;
          expect(ratio).toBeGreaterThan(needed * 0.98);
        }
      }),
      { numRuns: 60 },
    );
  });

  test('falls short of nothing where each text has a ground of its own', () => {
    fc.assert(
      fc.property(anyColour, anyColour, (ground, ink) => {
        const some = anyOf(ground, ink);
        // Up to 7:1 is reached on some ground; beyond that the range itself is too narrow.
        const bounded = {
          ...recipe,
          most: Math.min(recipe.most, 7),
          high: Math.max(recipe.high, 0.9),
          low: Math.min(recipe.low, 0.2),
        };
        expect(derived(some, bounded).made.short).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });
});

describe('surfaces by height', () => {
  const NAMES = ['page', 'panel', 'raised'] as const;
  /** Three surfaces, light or dark, a bar of the other kind, and a text on each. */
  const anyHeights = fc
    .record({
      isDark: fc.boolean(),
      lightness: fc.array(fc.double({ min: 0, max: 0.14, noNaN: true }), { minLength: 3, maxLength: 3 }),
      hue: fc.nat(359),
    })
    .map(({ isDark, lightness, hue }) => {
      const grey = (l: number) => ({ day: { colour: `oklch(${l} 0.01 ${hue})` } });
      const token = (id: string, role: Token['role'], values: Token['values'], on: string[] = []): Token => ({
        id,
        path: `${role}.${id}`,
        role,
        description: '',
        on,
        values,
      });
      // As in most dark themes, what is higher is lighter already.
      const shades = isDark ? [...lightness].sort((one, two) => one - two).map((l) => 0.16 + l) : lightness.map((l) => 1 - l);
      const bar = isDark ? 0.9 : 0.3;
      return {
        isDark,
        brand: {
          ...emptyBrand('b', 'B'),
          tokens: [
            ...NAMES.map((name, at) => token(name, 'surface', grey(shades[at]!))),
            token('bar', 'surface', grey(bar)),
            token('ink', 'text', grey(isDark ? 0.95 : 0.15), [...NAMES]),
            token('on-bar', 'text', grey(isDark ? 0.15 : 0.97), ['bar']),
          ],
        } as Brand,
      };
    });

  test.each(Object.entries(RECIPES))(
    'with %s: one order, none darker than the darkest, dark never made light',
    (_name, plain) => {
      fc.assert(
        fc.property(anyHeights, ({ brand, isDark }) => {
          const recipe = recipeFor(plain, brand, 'day');
          expect(recipe.flip).toBe(plain.flip && !isDark);
          const made = derived(brand, recipe);
          const lightness = (id: string, theme = 'made') => resolveTheme(made.brand, theme).get(id)!.colour!.oklch[0];
          const [page, panel, raised] = NAMES.map((name) => lightness(name));
          for (const name of [...NAMES, 'bar']) expect(lightness(name)).toBeGreaterThan(recipe.low - 0.01);
          if (isDark || recipe.flip) {
            expect(panel! - page!).toBeGreaterThan(-0.005);
            expect(raised! - panel!).toBeGreaterThan(-0.005);
            expect(page).toBeLessThan(0.45);
            expect(page).toBeLessThan(Math.max(recipe.low + 0.005, isDark ? lightness('page', 'day') + 0.005 : 1));
          }
          // A bar of the other kind stays what it is, and its text with it.
          expect(lightness('bar') < 0.5).toBe(!isDark || recipe.high < 0.5);
          expect(made.made.short).toEqual([]);
        }),
        { numRuns: 40 },
      );
    },
  );

  test('in a theme made dark, each is lighter than what it lies on by a step that can be seen', () => {
    const { brand } = derived(demo, RECIPES.dark);
    const lightness = ['t-surface-page', 't-surface-panel'].map((id) => resolveTheme(brand, 'made').get(id)!.colour!.oklch[0]);
    expect(lightness[1]! - lightness[0]!).toBeGreaterThan(0.01);
  });
});

function anyOf(ground: string, ink: string): Brand {
  const token = { description: '', on: [] };
  return {
    ...emptyBrand('b', 'B'),
    tokens: [
      { ...token, id: 's', path: 's', role: 'surface', values: { day: { colour: ground } } },
      { ...token, id: 't', path: 't', role: 'text', values: { day: { colour: ink } } },
    ],
  };
}

test('flipped, light and dark change places and hues stay', () => {
  const { brand } = derived(demo, RECIPES.dark);
  const [day, dark] = [resolveTheme(brand, 'day'), resolveTheme(brand, 'made')];
  for (const { token, colour } of day.values()) {
    const flipped = dark.get(token.id)!.colour!;
    if (token.role === 'surface' && colour!.oklch[0] > 0.8) expect(flipped.oklch[0]).toBeLessThan(0.4);
    // A colour that is nearly grey by eight bits has no hue to speak of.
    if (token.rule || Math.min(colour!.oklch[1], flipped.oklch[1]) < 0.06) continue;
    expect(Math.abs(((flipped.oklch[2] - colour!.oklch[2] + 540) % 360) - 180)).toBeLessThan(12);
  }
});

test('for eyes used to the dark nothing is bright, and nearly no blue light is left', () => {
  const { brand } = derived(demo, RECIPES.night);
  const night = [...resolveTheme(brand, 'made').values()].filter(
    ({ token }) => token.role === 'surface' || token.role === 'text',
  );
  const light = (theme: string, channel: number) =>
    night.reduce((sum, { token }) => sum + resolveTheme(brand, theme).get(token.id)!.colour!.rgb[channel]! ** 2.2, 0);
  expect(light('made', 2) / light('made', 0)).toBeLessThan(0.6);
  expect(light('made', 2)).toBeLessThan(light('day', 2) / 2);
});

test('what a person chose stays when the theme is derived again; the rest follows', () => {
  const { brand } = derived(demo, RECIPES.dark);
  const chosen = done(brand, {
    label: 'x',
    steps: [
      { do: 'token.set', id: 't-surface-page', set: { made: { colour: '#123456' } } },
      { do: 'swatch.edit', id: 'core-keel', set: { value: '#402010', locked: false } },
    ],
  });
  const again = deriveTheme(chosen, 'day', 'made', RECIPES.dark);
  expect(again.kept).toBe(1);
  const after = done(chosen, takeDerived(chosen, 'day', { id: 'made', name: 'Made' }, RECIPES.dark, again));
  expect(resolveTheme(after, 'made').get('t-surface-page')!.colour!.hex).toBe('#123456');
  expect(after.tokens.find(({ path }) => path === 'text.default')!.values.made).not.toEqual(
    brand.tokens.find(({ path }) => path === 'text.default')!.values.made,
  );
  expect(
    takeDerived(after, 'day', { id: 'made', name: 'Made' }, RECIPES.dark, deriveTheme(after, 'day', 'made', RECIPES.dark)).steps,
  ).toHaveLength(1);
});

test('a theme is dimmed and lifted by a step; a derived one stays derived', () => {
  const lightness = (brand: Brand, theme: string) =>
    [...resolveTheme(brand, theme).values()].reduce((sum, { colour }) => sum + colour!.oklch[0], 0);
  for (const theme of ['day', 'dusk']) {
    expect(lightness(done(demo, shiftTheme(demo, theme, 'dim')), theme)).toBeLessThan(lightness(demo, theme));
    expect(lightness(done(demo, shiftTheme(demo, theme, 'lift')), theme)).toBeGreaterThan(lightness(demo, theme));
  }
  const dimmed = done(demo, shiftTheme(demo, 'dusk', 'dim'));
  expect(dimmed.themes.find(({ id }) => id === 'dusk')!.derived!.recipe.high).toBeLessThan(0.96);
});

test('a copy stands after its source, and shows the same', () => {
  const brand = done(demo, copyTheme(demo, 'dusk', newId(), 'Dusk copy'));
  expect(brand.themes.map(({ name }) => name)).toEqual(['Day', 'Dusk', 'Dusk copy', 'Night bridge', 'High contrast']);
});
