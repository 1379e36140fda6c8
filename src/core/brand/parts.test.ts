/** The smaller parts of a brand by exact outcomes: data fields, grounds, removals, states, options, files of palettes. */
import { fewTokens } from '../../../tests/few-tokens';
import { apply } from './apply';
import { canonical } from './canonical';
import type { Command, Step } from './commands';
import { assignments, firstSeries, mergedValues, readValues, tokensBelow } from './data-fields';
import { compareBrands } from './compare';
import { Brand, LIMITS, serialiseBrand, type DataField, type Palette, type Token } from './document';
import { groundsOf } from './grounds';
import { clashes, named } from './naming';
import { PaletteFile, paletteFileName, serialisePalette } from './palette-file';
import { removalSteps, unlinkSteps } from './remove-tokens';
import { renameTokens } from './rename-tokens';
import { stateFamilies, stateTokens } from './state-tokens';
import { copyTheme, shiftTheme, takeDerived } from './theme-edits';
import { followedOptions } from './token-options';
import { likelyRole } from './token-role';
import { orphanTokens, unusedSwatches, usesOf } from './where-used';

const changed = (brand: Brand, path: string, change: Partial<Token>): Brand => ({
  ...brand,
  tokens: brand.tokens.map((token) => (token.path === path ? { ...token, ...change } : token)),
});
const paths = (tokens: readonly Token[]) => tokens.map(({ path }) => path);
const after = (brand: Brand, command: Command): Brand => {
  const result = apply(brand, command);
  if (!result.ok) throw new Error(result.refusal);
  return result.brand;
};

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

test('a text stands on what it names, in that order, or on every surface', () => {
  const brand = fewTokens({ page: '#fff', panel: '#eee', text: '#000' }, { page: 'surface', panel: 'surface', text: 'text' });
  const [page, , text] = brand.tokens;
  expect(paths(groundsOf(brand, text!))).toEqual(['page', 'panel']);
  expect(paths(groundsOf(brand, { ...text!, on: ['panel', 'gone', 'page'] }))).toEqual(['panel', 'page']);
  expect(paths(groundsOf({ ...brand, tokens: [page!] }, text!))).toEqual(['page']);
});

describe('removing and unlinking', () => {
  const rule = { state: 'hover' as const, of: 'base', surface: 'page', step: 0.06, chroma: 1, least: 1 };
  const plain = fewTokens({
    base: ['#336699', '#6699cc'],
    page: ['#ffffff', '#000000'],
    link: ['{base}', '#123456'],
    hover: [undefined, '#abcdef'],
    text: ['#000', '#fff'],
    old: ['#111', '#222'],
    far: ['{link}', '{link}'],
    lost: ['{gone}', undefined],
  });
  const brand: Brand = {
    ...changed(changed(changed(plain, 'hover', { rule }), 'text', { on: ['base', 'page'] }), 'old', {
      deprecated: { note: 'x', use: 'base' },
    }),
    fields: [
      { id: 'f', name: 'F', group: 'g', values: [{ text: 'A', token: 'base' }, { text: 'B' }, { text: 'C', token: 'page' }] },
      { id: 'h', name: 'H', group: 'g', values: [{ text: 'A' }] },
    ],
  };

  test('what is tied to a token that goes keeps its colour and loses the tie', () => {
    expect(removalSteps(brand, ['base'])).toEqual([
      { do: 'token.set', id: 'link', set: { day: { colour: '#336699' } } },
      { do: 'token.set', id: 'hover', set: { day: { colour: expect.stringMatching(/^#[0-9a-f]{6}$/) } } },
      { do: 'token.edit', id: 'hover', set: { rule: null } },
      { do: 'token.edit', id: 'text', set: { on: ['page'] } },
      { do: 'token.edit', id: 'old', set: { deprecated: { note: 'x' } } },
      { do: 'field.edit', id: 'f', set: { values: [{ text: 'A' }, { text: 'B' }, { text: 'C', token: 'page' }] } },
      { do: 'token.remove', ids: ['base'] },
    ]);
    // What goes together is not loosened from one another.
    expect(removalSteps(brand, ['far'])).toEqual([{ do: 'token.remove', ids: ['far'] }]);
    expect(removalSteps(brand, ['link', 'far'])).toEqual([{ do: 'token.remove', ids: ['link', 'far'] }]);
    // Without a colour there is none to keep.
    expect(removalSteps(brand, ['gone'])).toEqual([
      { do: 'token.set', id: 'lost', set: { day: null } },
      { do: 'token.remove', ids: ['gone'] },
    ]);
  });

  test('a token unlinked has colours of its own, and no rule once that is so in every theme', () => {
    const steps = (path: string, themes: string[]) =>
      unlinkSteps(
        brand,
        brand.tokens.filter((token) => token.path === path),
        themes,
      );
    expect(steps('link', ['day', 'night'])).toEqual([{ do: 'token.set', id: 'link', set: { day: { colour: '#336699' } } }]);
    expect(steps('hover', ['day', 'night'])).toEqual([
      { do: 'token.set', id: 'hover', set: { day: { colour: expect.any(String) } } },
      { do: 'token.edit', id: 'hover', set: { rule: null } },
    ]);
    expect([steps('hover', ['night']), steps('base', ['day', 'night']), steps('lost', ['day'])]).toEqual([[], [], []]);
  });

  test('uses of a token and of a swatch; what nothing uses', () => {
    const swatches = ['s', 't'].map((id) => ({ id, name: id, value: '#111', locked: false }));
    const linked: Brand = {
      ...changed(brand, 'base', { values: { day: { swatch: 's' } } }),
      palettes: [{ id: 'p', name: 'P', kind: 'loose', swatches }],
      destinations: ['d', 'e'].map((id) => ({ id, name: id, format: id, options: {} })),
    };
    const written = (all: Brand, { id }: { id: string }) =>
      all.tokens.filter((token) => (id === 'd' ? token.path === 'far' : token.path === 'page'));
    const uses = (target: { swatch: string } | { token: string }) => {
      const { tokens, destinations, fields } = usesOf(linked, target, written);
      return [paths(tokens), destinations.map(({ id }) => id), fields.map(({ id }) => id)];
    };
    expect(uses({ swatch: 's' })).toEqual([expect.arrayContaining(['base', 'link', 'far', 'hover']), ['d'], ['f']]);
    expect(uses({ swatch: 't' })).toEqual([[], [], []]);
    expect(uses({ token: 'page' })).toEqual([['hover'], ['e'], ['f']]);
    expect(uses({ token: 'far' })).toEqual([[], ['d'], []]);
    expect(unusedSwatches(linked).map(({ id }) => id)).toEqual(['t']);
    expect(paths(orphanTokens(linked, written))).toEqual(['hover', 'text', 'old', 'lost']);
    expect(orphanTokens({ ...linked, destinations: [] }, written)).toEqual([]);
  });
});

describe('states', () => {
  const brand = fewTokens({ 'action.confirm.rest': '#336699', plain: '#111111' });
  const made = (path: string, text?: string) => {
    let next = 0;
    const base = brand.tokens.find((token) => token.path === path)!;
    return stateTokens(base, 'page', text, ['hover', 'disabled'], () => `n${next++}`);
  };

  test('are tokens without values, made by rule in every theme; what is disabled need not be read', () => {
    const [hover, disabled] = made('action.confirm.rest', 'on-action');
    expect(hover).toEqual({
      id: 'n0',
      path: 'action.confirm.hover',
      role: 'state',
      description: '',
      on: [],
      values: {},
      rule: {
        state: 'hover',
        of: 'action-confirm-rest',
        surface: 'page',
        text: 'on-action',
        step: expect.any(Number),
        chroma: expect.any(Number),
        least: expect.any(Number),
      },
    });
    expect([disabled!.path, disabled!.rule!.text, 'text' in disabled!.rule!]).toEqual([
      'action.confirm.disabled',
      undefined,
      false,
    ]);
    expect(made('plain').map(({ path, rule }) => [path, 'text' in rule!])).toEqual([
      ['plain.hover', false],
      ['plain.disabled', false],
    ]);
  });

  test('stand together with what they are states of', () => {
    const all = {
      ...brand,
      tokens: [
        ...brand.tokens,
        ...made('plain'),
        ...made('action.confirm.rest').map((token) => ({ ...token, id: `x${token.id}` })),
      ],
    };
    expect(stateFamilies(all).map(({ base, states }) => [base.path, ...paths(states)])).toEqual([
      ['plain', 'plain.hover', 'plain.disabled'],
      ['action.confirm.rest', 'action.confirm.hover', 'action.confirm.disabled'],
    ]);
  });
});

describe('themes', () => {
  const brand = fewTokens(
    { page: ['#ffffff', '#202020'], text: ['#303030', undefined], link: ['{text}', '#88bbff'] },
    { page: 'surface', text: 'text' },
  );
  const recipe = { flip: true, low: 0.1, high: 0.9, chroma: 0.5, red: 0, least: 1, most: 21 };

  test('one is copied after its source, with its values and what it is derived from', () => {
    expect(copyTheme(brand, 'day', 'dusk', 'Dusk')).toEqual({
      label: 'Add the theme Dusk',
      steps: [
        {
          do: 'theme.add',
          theme: { id: 'dusk', name: 'Dusk' },
          before: 'night',
          values: { page: { colour: '#ffffff' }, text: { colour: '#303030' }, link: { token: 'text' } },
        },
      ],
    });
    const derived = { ...brand, themes: [brand.themes[0]!, { ...brand.themes[1]!, derived: { from: 'day', recipe } }] };
    expect(copyTheme(derived, 'night', 'n2', 'N').steps).toEqual([
      {
        do: 'theme.add',
        theme: { id: 'n2', name: 'N', derived: { from: 'day', recipe } },
        before: null,
        values: { page: { colour: '#202020' }, link: { colour: '#88bbff' } },
      },
    ]);
  });

  test('what is derived becomes a new theme, or only what is different in one that is there', () => {
    const values = { page: { colour: '#202020' }, text: { colour: '#ffffff' } };
    const made = { values } as unknown as Parameters<typeof takeDerived>[4];
    const derived = { from: 'day', recipe };
    expect(takeDerived(brand, 'day', { id: 'new', name: 'New' }, recipe, made)).toEqual({
      label: 'Derive New',
      steps: [{ do: 'theme.add', theme: { id: 'new', name: 'New', derived }, before: null, values }],
    });
    expect(takeDerived(brand, 'day', { id: 'night', name: 'Night' }, recipe, made)).toEqual({
      label: 'Derive Night again',
      steps: [
        { do: 'theme.edit', id: 'night', set: { derived } },
        { do: 'token.set', id: 'text', set: { night: { colour: '#ffffff' } } },
      ],
    });
  });

  test('one is dimmed and lifted by a step: a derived one by its range, any other colour by colour', () => {
    const dimmed = shiftTheme(brand, 'day', 'dim');
    expect([dimmed.label, shiftTheme(brand, 'day', 'lift').label]).toEqual(['Dim Day', 'Lift Day']);
    const { tokens } = after(brand, dimmed);
    const page = (tokens[0]!.values.day as { colour: string }).colour;
    expect(page).toMatch(/^#e[def]/);
    // An alias stays one.
    expect(tokens[2]!.values.day).toEqual({ token: 'text' });
    const derived = { ...brand, themes: [brand.themes[0]!, { ...brand.themes[1]!, derived: { from: 'day', recipe } }] };
    const range = (by: 'dim' | 'lift') => {
      const command = shiftTheme(derived, 'night', by);
      const [first] = command.steps as [Step & { do: 'theme.edit' }];
      const { low, high } = first.set.derived!.recipe;
      return [command.label, low, high];
    };
    expect([range('dim'), range('lift')]).toEqual([
      ['Dim Night', 0.075, 0.85],
      ['Lift Night', 0.125, 0.95],
    ]);
    // Whose source is gone is shifted like any other.
    const orphan = { ...brand, themes: [brand.themes[0]!, { ...brand.themes[1]!, derived: { from: 'gone', recipe } }] };
    expect(shiftTheme(orphan, 'night', 'lift').steps.every((step) => step.do === 'token.set')).toBe(true);
  });
});

test('renaming follows into the options that speak of paths, and into no others', () => {
  const follow = (path: string) => (path === 'a' ? 'b' : undefined);
  expect(followedOptions({ group: 'a', prefix: 'a', without: ['a', 'c'], dk1: 'a' }, follow)).toEqual({
    group: 'b',
    prefix: 'a',
    without: ['b', 'c'],
    dk1: 'b',
  });
  expect(followedOptions({ group: 'c', prefix: 'a', without: ['c'], order: 'a' }, follow)).toBeNull();
  expect([followedOptions({ without: 'a' }, follow), followedOptions({ group: ['a'] }, follow)]).toEqual([null, null]);
});

test('the first word of a path says its likely role', () => {
  const role = {
    'Surface.page': 'surface',
    'background.x': 'surface',
    'text.a': 'text',
    'border.a': 'border',
    'accent.a': 'accent',
    'brand.a': 'accent',
    'action.a': 'state',
    'state.a': 'state',
    'status.a': 'status',
    'data.a': 'data',
    'route.a': 'data',
    'series.a': 'data',
    'my.text': 'other',
    constructor: 'other',
  };
  expect(Object.fromEntries(Object.keys(role).map((path) => [path, likelyRole(path)]))).toEqual(role);
});

test('a palette is handed on without ids and notes of settling, and the same one is the same bytes', () => {
  const palette: Palette = {
    id: 'p',
    name: 'Late boats',
    kind: 'categorical',
    swatches: [
      { id: 'a', name: 'Keel', value: '#162631', locked: true, row: 'Dark' },
      { id: 'b', name: 'Foam', value: '#ddf0ee', locked: false, settled: { from: '#123', to: '#456' } },
    ],
  };
  const text = serialisePalette(palette, ' Ida ');
  expect(JSON.parse(text)).toEqual({
    format: 'breakwater-palette',
    version: 1,
    name: 'Late boats',
    kind: 'categorical',
    maker: 'Ida',
    swatches: [
      { name: 'Keel', value: '#162631', locked: true, row: 'Dark' },
      { name: 'Foam', value: '#ddf0ee', locked: false },
    ],
  });
  expect([text.endsWith('}\n'), text.includes('\n  "version": 1,'), paletteFileName(palette)]).toEqual([
    true,
    true,
    'late-boats.palette.json',
  ]);
  const accepts = (change: object) => PaletteFile.safeParse({ ...(JSON.parse(text) as object), ...change }).success;
  expect([
    accepts({}),
    accepts({ version: 2 }),
    accepts({ format: 'x' }),
    accepts({ more: 1 }),
    accepts({ maker: 'x'.repeat(121) }),
  ]).toEqual([true, false, false, false, false]);
});

test('equal values have one text, whatever the order of their keys; lists keep theirs', () => {
  expect(canonical({ b: 1, a: { d: [2, 1], c: null } })).toBe('{"a":{"c":null,"d":[2,1]},"b":1}');
  expect(canonical([{ z: 1, y: 2 }])).toBe('[{"y":2,"z":1}]');
});

test('a brand file: keys in the order of the schema, values in that of the themes, two spaces, an end of line', () => {
  const brand = fewTokens({ one: ['#111111', '#222222'] });
  const shuffled = {
    ...brand,
    tokens: [{ ...brand.tokens[0]!, values: { night: { colour: '#222222' }, day: { colour: '#111111' } } }],
  };
  const text = serialiseBrand({ ...shuffled, themes: brand.themes });
  expect(text).toBe(serialiseBrand(brand));
  expect(
    text.startsWith('{\n  "format": "breakwater-brand",\n  "version": 1,\n  "id": "b",\n  "name": "Few",\n  "palettes": []'),
  ).toBe(true);
  expect(text.indexOf('"day": {')).toBeLessThan(text.indexOf('"night": {'));
  expect(text.endsWith('}\n')).toBe(true);
  expect(Brand.parse(JSON.parse(text))).toEqual(brand);
});

test('paths in each convention, and those that some destination would merge', () => {
  const conventions = (path: string) => (['kebab', 'camel', 'dots'] as const).map((naming) => named(path, naming));
  expect(conventions('text.onHeader')).toEqual(['text.on-header', 'text.onHeader', 'text.on.header']);
  expect(conventions('Surface.Page_two')).toEqual(['surface.page-two', 'surface.pageTwo', 'surface.page.two']);
  const found = clashes(fewTokens({ 'a.b': '#111', c: '#111', 'A.b': '#111', ab: '#111', 'a-b': '#111' }).tokens);
  expect(found.map(({ one, two, by }) => `${one.path} ${two.path} ${by}`)).toEqual([
    'a.b A.b case',
    'a.b ab separators',
    'a.b a-b separators',
  ]);
});

test('a group renamed whole takes the fields that speak of it along, and nothing to rename is said', () => {
  const brand: Brand = {
    ...fewTokens({ 'route.a': '#111', 'route.b': '#222' }),
    fields: [{ id: 'f', name: 'F', group: 'route', values: [] }],
  };
  expect(
    renameTokens(
      brand,
      new Map([
        ['route.a', 'way.a'],
        ['route.b', 'way.b'],
      ]),
      'Rename',
    ),
  ).toEqual({
    label: 'Rename',
    steps: [
      { do: 'token.edit', id: 'route-a', set: { path: 'way.a' } },
      { do: 'token.edit', id: 'route-b', set: { path: 'way.b' } },
      { do: 'field.edit', id: 'f', set: { group: 'way' }, was: { group: 'route' } },
    ],
  });
  expect(renameTokens(brand, new Map([['route.a', 'route.a']]), 'x')).toEqual({ refusal: 'That is the path it has already.' });
  expect(renameTokens(brand, new Map([['route.a', 'a b']]), 'x')).toEqual({
    refusal: expect.stringContaining('“a b”: A token path is words'),
  });
});

test('differences: a value counts in the themes both have; a destination, a field and the brand itself count too', () => {
  const brand: Brand = {
    ...fewTokens({ a: ['#111', '#222'] }),
    destinations: [{ id: 'd', name: 'D', format: 'css', options: {} }],
  };
  const kinds = (now: Brand) => compareBrands(brand, now).map(({ kind, what, name }) => `${kind} ${what} ${name}`);
  expect(kinds(changed(brand, 'a', { values: { ...brand.tokens[0]!.values, night: { colour: '#333' } } }))).toEqual([
    'changed token a',
  ]);
  expect(kinds({ ...brand, destinations: [{ ...brand.destinations[0]!, format: 'sass' }] })).toEqual(['changed destination D']);
  expect(kinds({ ...brand, name: 'Other' })).toEqual(['changed brand Other']);
  // Copied and unchanged is no difference; neither are the values of a theme that is new, for the theme is.
  expect(kinds(structuredClone(brand))).toEqual([]);
  const dusk = changed({ ...brand, themes: [...brand.themes, { id: 'dusk', name: 'Dusk' }] }, 'a', {
    values: { ...brand.tokens[0]!.values, dusk: { colour: '#444' } },
  });
  expect(kinds(dusk)).toEqual(['added theme Dusk']);
});
