import { demo } from '../../../../tests/harsh-brand';
import { hardPairs } from '../../palette/categorical';
import { apply } from '../commands/apply';
import { assignments, tokensBelow } from '../reading/data-fields';
import { extendField, lackOf } from './extend-field';
import { tokensOfSwatches } from './tokens-of-swatches';

let count = 0;
const newId = () => `new${++count}`;
const [field] = demo.fields;

test('every value that had no colour gets a swatch, a token with its name in every theme, and undo takes it all back', () => {
  const { given, bare } = lackOf(demo, field!, 'day');
  expect([given.length, bare]).toEqual([8, ['Quarry Steps', 'Low Light', 'Gannet Head']]);
  const command = extendField(demo, field!, 'day', ['#111111', '#222222', '#333333'], newId);
  const after = apply(demo, command);
  if (!after.ok) throw new Error(after.refusal);
  const tokens = tokensBelow(after.brand.tokens, 'route').slice(-3);
  expect(tokens.map(({ path, role }) => [path, role])).toEqual([
    ['route.quarry-steps', 'data'],
    ['route.low-light', 'data'],
    ['route.gannet-head', 'data'],
  ]);
  const palette = after.brand.palettes.find(({ name }) => name === 'Route lines')!;
  expect(palette.swatches.slice(-3).map(({ name, value }) => [name, value])).toEqual([
    ['Quarry Steps', '#111111'],
    ['Low Light', '#222222'],
    ['Gannet Head', '#333333'],
  ]);
  expect(assignments(after.brand, field!).every(({ token }) => token)).toBe(true);
  expect(tokens[0]!.values.day).toEqual({ swatch: palette.swatches.at(-3)!.id });
  // In every theme; one that was derived has what its recipe makes of them.
  for (const token of tokens) expect(Object.keys(token.values).sort()).toEqual(demo.themes.map(({ id }) => id).sort());
  for (const { id, derived } of demo.themes) if (derived) expect(tokens[0]!.values[id]).toMatchObject({ derived: true });
  const back = apply(after.brand, after.inverse);
  expect(back.ok && back.brand).toEqual(demo);
});

test('where the group has no palette one is made, and where it has no tokens there is nothing to be told apart from', () => {
  const own = { ...field!, group: 'harbour', values: [{ text: 'A' }, { text: 'B' }] };
  expect(lackOf(demo, own, 'day')).toEqual({ given: [], bare: ['A', 'B'] });
  const brand = { ...demo, fields: [own] };
  const after = apply(brand, extendField(brand, own, 'day', ['#111111'], newId));
  expect(after.ok && after.brand.palettes.at(-1)).toMatchObject({
    name: 'Route',
    kind: 'categorical',
    swatches: [{ name: 'A' }],
  });
  expect(after.ok && assignments(after.brand, own).map(({ token }) => token?.path ?? null)).toEqual(['harbour.a', null]);
});

test('a row becomes a group of tokens: each after its swatch, in every theme; paths that are taken get a number', () => {
  const [palette] = demo.palettes;
  const { tokens } = tokensOfSwatches(demo, palette!, palette!.swatches.slice(0, 2), 'route', newId);
  expect(tokens.map(({ path }) => path)).toEqual(['route.harbour', 'route.shoal']);
  expect(tokens[0]!.values).toEqual(Object.fromEntries(demo.themes.map(({ id }) => [id, { swatch: palette!.swatches[0]!.id }])));
  const again = { ...demo, tokens: [...demo.tokens, ...tokens] };
  const paths = tokensOfSwatches(again, palette!, palette!.swatches.slice(0, 1), 'route', newId).tokens.map(({ path }) => path);
  expect(paths).toEqual(['route.harbour-2']);
});

test('pairs that are hard to tell apart are told with the eyes for which they are', () => {
  expect(hardPairs(['#d00000', '#007000', '#0000ff'], ['protan'], 1)).toEqual([]);
  const [pair, ...others] = hardPairs(['#0000ff', '#b08000', '#708000'], ['protan', 'deutan'], 10);
  expect([pair!.one, pair!.two, pair!.vision === 'normal', others]).toEqual([1, 2, false, []]);
});
