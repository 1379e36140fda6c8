/**
 * What is derived, filled in and made by rule from a fixed brand, to the last digit: what people have taken into their
 * brands is made again the same. Where that is changed on purpose, look at the new colours before you take them: jest -u.
 */
import { fewTokens } from '../../../../tests/few-tokens';
import { partOfDemo } from '../../../../tests/part-of-demo';
import { readColour } from '../../colour/read';
import { deriveTheme, RECIPES } from '../tools/derive-theme';
import type { Brand } from '../document/document';
import type { StateRule, TokenValue } from '../document/token-shape';
import { fillScaffold, type Guess } from '../tools/scaffold';
import { SCAFFOLDS } from '../tools/scaffolds';
import { stateColour } from '../reading/state-rule';

const valueText = (value: TokenValue) =>
  'colour' in value ? value.colour : 'token' in value ? `{${value.token}}` : `<${value.swatch}>`;

test.each(Object.entries(RECIPES))('a theme derived as %s', (_name, recipe) => {
  const { values, short, kept } = deriveTheme(partOfDemo, 'day', 'night', recipe);
  const told = [
    ...Object.entries(values).map(([id, value]) => `${id}: ${valueText(value)}`),
    ...short.map(
      ({ text, surface, needed, reached }) => `${text.path} on ${surface.path}: ${reached.toFixed(2)} of ${needed.toFixed(2)}`,
    ),
    `kept: ${kept}`,
  ];
  expect(told.join('\n')).toMatchSnapshot();
});

test('a theme derived with red light, and into one that is not there', () => {
  const told = (recipe: (typeof RECIPES)[keyof typeof RECIPES] | typeof own, to: string | null) =>
    Object.entries(deriveTheme(partOfDemo, 'day', to, recipe).values)
      .map(([id, value]) => `${id}: ${valueText(value)}`)
      .join('\n');
  const own = { flip: false, low: 0.3, high: 0.8, chroma: 0.05, red: 1, least: 3, most: 5 };
  expect(told(own, null)).toMatchSnapshot();
});

const bare: Brand = { ...partOfDemo, tokens: [], destinations: [], fields: [] };
const told = (guesses: readonly Guess[]) =>
  guesses.map(({ token, why, others }) => {
    const rule = token.rule ? ` ${JSON.stringify(token.rule)}` : '';
    return `${token.path} (${token.role}, ${token.on.join(' ')}) ${Object.values(token.values).slice(0, 1).map(valueText).join('')}${rule} | ${why} | ${others.map(({ name }) => name).join(', ')}`;
  });

test.each(SCAFFOLDS.map(({ id }) => id))(
  'the scaffold %s, filled from palettes, from none, and beside tokens that are there',
  (id) => {
    const fill = (brand: Brand) => {
      let next = 0;
      return told(fillScaffold(brand, id, () => `n${next++}`)).join('\n');
    };
    expect(fill(bare)).toMatchSnapshot();
    expect(fill({ ...bare, palettes: [] })).toMatchSnapshot();
    expect(fill(partOfDemo)).toMatchSnapshot();
  },
);

const rule = (over: Partial<StateRule>): StateRule => ({
  state: 'hover',
  of: 'a',
  surface: 'b',
  step: 0.06,
  chroma: 1,
  least: 1,
  ...over,
});
const read = (css: string) => readColour(css)!;

test.each<[of: string, surface: string, text: string | undefined, over: Partial<StateRule>, expected: string]>([
  ['#336699', '#ffffff', undefined, {}, '#215586'],
  ['#336699', '#000000', undefined, {}, '#4578ac'],
  ['#33669980', '#ffffff', undefined, {}, '#21558680'],
  ['#336699', '#ffffff', undefined, { step: -0.18, chroma: 0.3 }, '#8b9aaa'],
  ['#336699', '#ffffff', '#ffffff', { step: -0.06 }, '#4578ac'],
  ['#ffffff', '#000000', undefined, {}, '#ebebeb'],
  ['#000000', '#ffffff', undefined, {}, '#010101'],
  ['#777777', '#ffffff', undefined, { least: 7 }, '#585858'],
  ['#777777', '#ffffff', '#888888', { least: 3 }, '#666666'],
  ['#808080', '#808080', '#7f7f7f', { least: 21 }, '#000000'],
  ['#949494', '#ffffff', '#000000', { step: 0.12, least: 3 }, '#767676'],
  ['#336699', '#336699', undefined, { chroma: 1.25, least: 3 }, '#7bc0ff'],
])('a state of %s on %s under %s by %j is %s', (of, surface, text, over, expected) => {
  expect(
    stateColour({ of: read(of), surface: read(surface), text: text === undefined ? undefined : read(text) }, rule(over)).css,
  ).toBe(expected);
});

test('a dark theme of a few tokens, one of them translucent and one an alias', () => {
  const few = fewTokens(
    { page: '#ffffff', panel: '#eeeeee', text: '#202020', accent: '#cc3300', veil: '#00000080', link: '{accent}' },
    { page: 'surface', panel: 'surface', text: 'text', accent: 'accent' },
  );
  expect(
    Object.entries(deriveTheme(few, 'day', null, RECIPES.dark).values).map(([id, value]) => `${id} ${valueText(value)}`),
  ).toMatchSnapshot();
});
