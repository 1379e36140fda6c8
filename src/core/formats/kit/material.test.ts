import { fewTokens } from '../../../../tests/few-tokens';
import type { Brand } from '../../brand/document/document';
import { fitted, partColours, partOptions } from './fitted-tokens';
import { darkest } from './dark-theme';
import { material, type Material, type Target } from './material';
import type { Choices } from './choices';
import { withinDepth } from './colour-depth';

const told = ({ findings }: Pick<Material, 'findings'>) => findings.map(({ severity, message }) => `${severity}: ${message}`);
const rules = ({ findings }: Pick<Material, 'findings'>) => findings.map(({ rule }) => rule);
const shown = ({ themes }: Pick<Material, 'themes'>) =>
  themes.map(({ identifier, tokens }) => [
    identifier,
    ...tokens.map(({ identifier: name, colour }) => `${name} ${colour.hex}${colour.alpha < 1 ? ` ${colour.alpha}` : ''}`),
  ]);
const made = (brand: Brand, choices?: Choices, target?: Target) => material(brand, brand.themes, choices, target);

const brand = fewTokens(
  {
    'surface.page': ['#ffffff', '#000000'],
    'text.body': ['#101010', '#eeeeee'],
    'text.link': ['{text.body}', '#88bbff'],
    'text.link.hover': ['#333333', '#99ccff'],
    veil: ['#ff000080', '#ff000080'],
  },
  { 'surface.page': 'surface', 'text.body': 'text' },
);

test('every token of every theme, in the order of the brand, with its alias followed', () => {
  expect(shown(made(brand))).toEqual([
    [
      'day',
      'surface-page #ffffff',
      'text-body #101010',
      'text-link #101010',
      'text-link-hover #333333',
      `veil #ff0000 ${128 / 255}`,
    ],
    [
      'night',
      'surface-page #000000',
      'text-body #eeeeee',
      'text-link #88bbff',
      'text-link-hover #99ccff',
      `veil #ff0000 ${128 / 255}`,
    ],
  ]);
  expect(made(brand).findings).toEqual([]);
});

test.each<[string, Choices, string[]]>([
  ['a group is what lies below it and what has its name', { group: 'text.link' }, ['text-link', 'text-link-hover']],
  ['a group is no beginning of a word', { group: 'text.li' }, []],
  ['left out is a group with all below it', { without: ['text.link', ''] }, ['surface-page', 'text-body', 'veil']],
  ['a group without one of its own', { group: 'text', without: ['text.link.hover'] }, ['text-body', 'text-link']],
  ['by name', { order: 'name' }, ['surface-page', 'text-body', 'text-link', 'text-link-hover', 'veil']],
  [
    'from light to dark',
    { order: 'lightness', without: ['veil'] },
    ['surface-page', 'text-link-hover', 'text-body', 'text-link'],
  ],
  ['named another way', { group: 'text.link', naming: 'camel', prefix: 'v1-' }, ['v1TextLink', 'v1TextLinkHover']],
])('%s', (_name, choices, names) => {
  expect(made(brand, choices).themes[0]!.tokens.map(({ identifier }) => identifier)).toEqual(names);
});

test('by name is by the name that is written', () => {
  const ordered = fewTokens({ b: '#111111', a: '#222222', C: '#333333' });
  expect(shown(made(ordered, { order: 'name' }))).toEqual([['day', 'a #222222', 'b #111111', 'c #333333']]);
});

test('a translucent colour is laid over the first surface of its own theme, and said so where nobody asked', () => {
  const laid = 'warning: Translucent, and this file holds no opacity, so laid over the first surface: veil.';
  for (const [choices, target, notes] of [
    [{ group: 'veil' }, { opaque: true }, [laid]],
    [{ group: 'veil', alpha: 'flat' }, {}, []],
    [{ group: 'veil', alpha: 'flat' }, { opaque: true }, []],
  ] as const) {
    const result = made(brand, choices, target);
    expect([shown(result), told(result)]).toEqual([
      [
        ['day', 'veil #ff7f7f'],
        ['night', 'veil #800000'],
      ],
      notes,
    ]);
  }
  const nowhere = fewTokens({ veil: '#ff000080' });
  expect(shown(made(nowhere, { alpha: 'flat' }))).toEqual([['day', 'veil #ff7f7f']]);
});

test('what is outside sRGB is said, once, and at most four by name; who can hold it is told nothing', () => {
  const wide = 'color(display-p3 0 1 0)';
  const five = fewTokens(Object.fromEntries(['a', 'b', 'c', 'd', 'e'].map((path) => [path, [wide, wide]])));
  expect(told(made(five))).toEqual([
    'warning: Outside sRGB, and written as the nearest colour inside it: a, b, c, d and 1 more.',
  ]);
  expect(told(made(five, { without: ['e'] }))).toEqual([
    'warning: Outside sRGB, and written as the nearest colour inside it: a, b, c, d.',
  ]);
  expect(told(made(five, {}, { wide: true }))).toEqual([]);
  expect(rules(made(five))).toEqual(['gamut']);
});

test('nothing to write, a token without a colour and names that fall together are errors', () => {
  expect(told(made(fewTokens({})))).toEqual(['error: There are no tokens to write yet; name some first.']);
  expect(told(made(brand, { group: 'nowhere' }))).toEqual([
    'error: There is no token below nowhere; choose another group in the options.',
  ]);
  expect(told(made(fewTokens({ a: '#111111' }), { without: ['a'] }))).toEqual([
    'error: Every group is left out, so there is nothing to write; take one in again.',
  ]);
  const lost = made(fewTokens({ a: ['#111111', undefined], b: ['{a}', '{a}'] }));
  expect(told(lost)).toEqual([
    'error: a has no colour in Night; give it one.',
    'error: b has no colour in Night (b → a → nothing); give it one.',
  ]);
  expect([rules(lost), rules(made(fewTokens({})))]).toEqual([['no-colour', 'no-colour'], ['nothing-to-write']]);
  expect(lost.findings[1]!.subject).toEqual({ theme: 'night', tokens: ['b'] });
  expect(lost.themes[1]!.tokens).toEqual([]);
  expect(told(made(fewTokens({ 'a.b': '#111111', 'a-b': '#222222' })))).toEqual([
    'error: a.b and a-b would both be written as a-b; rename one.',
  ]);
  const twins = {
    ...fewTokens({ a: ['#111111', '#222222'] }),
    themes: [
      { id: 'day', name: 'Day' },
      { id: 'night', name: 'day!' },
    ],
  };
  expect(told(made(twins))).toEqual(['error: Day and day! would both be written as day; rename one.']);
});

describe('a target with few colours', () => {
  const greys = fewTokens({
    a: '#000000',
    b: '#010101',
    c: '#404040',
    d: '#808080',
    e: '#c0c0c0',
    f: '#ffffff',
    g: '#ffffff',
    h: '#01010180',
  });
  const within = (depth: string, beyond: 'stop' | 'reduce' = 'stop', what = greys) => withinDepth(made(what), { depth, beyond });

  test('with no more than it holds, and with any number, nothing is touched', () => {
    const six = fewTokens({ a: '#000000', b: '#404040', c: '#808080', d: '#ffffff', e: '#ffffff' });
    expect([shown(within('4', 'stop', six)), told(within('4', 'stop', six))]).toEqual([shown(made(six)), []]);
    expect([shown(within('any')), told(within('any'))]).toEqual([shown(made(greys)), []]);
  });

  test('more stop the release, and it is said what would be lost', () => {
    const stopped = within('4');
    expect(shown(stopped)).toEqual(shown(made(greys)));
    expect(told(stopped)).toEqual([
      expect.stringMatching(
        /^error: Day has 7 colours, and the target holds 4\. Leave some out, or let near colours be one: that would write 3 of them as a near one, at most \d+\.\d ΔE2000 away \(#[0-9a-f]{6} as #[0-9a-f]{6}\)\.$/,
      ),
    ]);
    expect(stopped.findings[0]).toMatchObject({ rule: 'depth', subject: { theme: 'day' }, data: { value: 7, limit: 4 } });
  });

  test('or near ones become one, with their own opacity', () => {
    // The one that moves farthest is named.
    expect(told(within('4'))[0]).toContain('at most 14.1 ΔE2000 away (#c0c0c0 as #ffffff)');
    const reduced = within('4', 'reduce');
    const colours = reduced.themes[0]!.tokens.map(({ colour }) => colour);
    expect(new Set(colours.map(({ hex }) => hex)).size).toBeLessThanOrEqual(4);
    expect(colours[0]!.hex).toBe(colours[1]!.hex);
    expect(colours.at(-1)!.alpha).toBe(128 / 255);
    expect(told(reduced)).toEqual([
      expect.stringMatching(/^warning: Day has 7 colours, and the target holds 4, so it has 3 of them as a near one, at most /),
    ]);
  });
});

describe('parts of a framework', () => {
  const parts = {
    series: { title: 'Primary', words: ['primary', 'brand'] },
    scale: { title: 'Danger', words: ['danger'], role: 'status' },
    ground: { title: 'Page', words: ['page'], role: 'surface' },
  } as const;
  const brand = fewTokens(
    { 'text.on-danger': '#ffffff', 'brand.x': '#111111', 'status.danger': '#cc0000', 'panel.raised': '#eeeeee' },
    { 'text.on-danger': 'text', 'status.danger': 'status', 'panel.raised': 'surface' },
  );
  const none = { series: '', scale: '', ground: '' };
  const found = (options: typeof none, tokens = brand.tokens) => {
    const { parts: taken, findings } = fitted(parts, options, tokens);
    return [Object.fromEntries([...taken].map(([part, { path }]) => [part, path])), told({ findings })];
  };

  test('are filled by words, those of the fitting role first, then by role', () => {
    expect(found(none)).toEqual([{ series: 'brand.x', scale: 'status.danger', ground: 'panel.raised' }, []]);
    // A word that stands earlier in the list counts for more than a token that does.
    const both = [...brand.tokens, { ...brand.tokens[1]!, id: 'p', path: 'my-primary' }];
    expect(found(none, both)[0]).toMatchObject({ series: 'my-primary' });
    expect(found(none, brand.tokens.slice(0, 1))).toEqual([{ scale: 'text.on-danger' }, []]);
  });

  test('or by name, and a name that is not there is an error', () => {
    expect(found({ ...none, series: 'panel.raised' })[0]).toMatchObject({ series: 'panel.raised' });
    expect(found({ ...none, series: 'panel' })).toEqual([
      { scale: 'status.danger', ground: 'panel.raised' },
      ['error: Primary is taken from panel, and there is no such token; choose another.'],
    ]);
  });

  test('have the colours of a theme, but for tokens that are left out', () => {
    const { parts: taken } = fitted(parts, none, brand.tokens);
    const [theme] = material(brand, brand.themes, { without: ['panel'] }).themes;
    expect([...partColours(theme!, taken)].map(([part, { colour }]) => [part, colour.hex])).toEqual([
      ['series', '#111111'],
      ['scale', '#cc0000'],
    ]);
  });

  test('are offered as options, empty where nobody names one', () => {
    const options = partOptions(parts);
    expect(Object.keys(options)).toEqual(['series', 'scale', 'ground']);
    expect([options.series.parse(undefined), options.series.meta()]).toEqual([
      '',
      { title: 'Primary', description: 'found by its name or role', names: 'tokens' },
    ]);
  });
});

test('the dark theme is the one named, else the first after the first whose first surface is dark', () => {
  const three = fewTokens(
    { text: ['#fff', '#fff', '#fff'], page: ['#000000', '#bbbbbb', '#111111'], panel: ['#000', '#000', '#000'] },
    { page: 'surface', panel: 'surface' },
  );
  const { themes } = made(three);
  const id = (named: string, brand = three) => darkest(brand, made(brand).themes, named)?.theme.id;
  expect([id(''), id('night'), id('day'), id('none')]).toEqual(['dusk', 'night', 'day', undefined]);
  expect(darkest(three, themes.slice(0, 2), '')).toBeUndefined();
  expect(id('', fewTokens({ page: ['#000', '#000'] }))).toBeUndefined();
  expect(id('', fewTokens({ page: ['#fff', undefined] }, { page: 'surface' }))).toBeUndefined();
});
