import { fewTokens } from '../../../../tests/few-tokens';
import { readFileSync } from 'node:fs';
import { apply } from '../commands/apply';
import { Brand } from '../document/document';
import { removalSteps, unlinkSteps } from './remove-tokens';
import { renamesOf, renameTokens } from './rename-tokens';
import { resolveTheme } from '../reading/resolve';

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
const carrying: Brand = {
  ...demo,
  carried: [
    {
      path: ['edge', 'card'],
      json: '{"$type":"border","$value":{"color":"{border.default}","width":"{space.1}"}}',
      before: null,
    },
  ],
};

function done(brand: Brand, steps: Parameters<typeof apply>[1]['steps']): Brand {
  const result = apply(brand, { label: 'x', steps });
  if (!result.ok) throw new Error(result.refusal);
  return Brand.parse(result.brand);
}
function renamed(brand: Brand, what: 'token' | 'group', from: string, to: string): Brand {
  const command = renameTokens(brand, renamesOf(brand, what, from, to), 'x');
  if ('refusal' in command) throw new Error(command.refusal);
  return done(brand, command.steps);
}
const hexes = (brand: Brand) =>
  brand.themes.map(({ id }) => brand.tokens.map((token) => resolveTheme(brand, id).get(token.id)!.colour!.hex));
const paths = (brand: Brand) => brand.tokens.map(({ path }) => path);

test('a group is renamed with all below it; destinations, fields and what is carried follow, no colour changes', () => {
  const brand = renamed(renamed(carrying, 'group', 'route', 'line.ferry'), 'group', 'border', 'edge');
  expect(paths(brand).filter((path) => path.startsWith('line.ferry.'))).toHaveLength(8);
  expect(paths(brand).some((path) => path.startsWith('route.'))).toBe(false);
  expect(brand.destinations[0]!.options).toMatchObject({ series: 'line.ferry', scale: 'sea-state', lines: 'edge.default' });
  expect(brand.fields[0]!.group).toBe('line.ferry');
  const classes = renamed(brand, 'group', 'gauge', 'dial').destinations.find(({ format }) => format === 'utilities')!;
  expect(classes.options.without).toEqual(['console', 'dial', 'hud', 'mark', 'terminal', 'trainer']);
  expect(brand.carried[0]!.json).toContain('"{edge.default}","width":"{space.1}"');
  expect(hexes(brand)).toEqual(hexes(carrying));
});

test('a token alone is renamed; its group and its namesakes are not', () => {
  const brand = renamed(demo, 'token', 'route.mill-quay', 'harbour.mill-quay');
  expect(brand.destinations[0]!.options).toMatchObject({ series: 'route' });
  expect(brand.fields[0]!.group).toBe('route');
});

test('two tokens may change places, and a name that is taken or is none is refused with a sentence', () => {
  const swap = new Map([
    ['status.alert', 'status.on-time'],
    ['status.on-time', 'status.alert'],
  ]);
  const command = renameTokens(demo, swap, 'x');
  expect('steps' in command && apply(demo, command).ok).toBe(true);
  const taken = renameTokens(demo, renamesOf(demo, 'token', 'status.alert', 'status.on-time'), 'x');
  expect('steps' in taken && apply(demo, taken)).toMatchObject({
    ok: false,
    refusal: expect.stringContaining('status.on-time already'),
  });
  for (const path of ['text.{soft}', '$text.soft', 'text..soft', 'text soft'])
    expect(renameTokens(demo, renamesOf(demo, 'token', 'text.soft', path), 'x')).toMatchObject({
      refusal: expect.stringContaining(path),
    });
  expect(renameTokens(demo, renamesOf(demo, 'token', 'text.soft', '$soft'), 'x')).toMatchObject({
    refusal: expect.stringContaining('reserved by the design token standard'),
  });
});

test('tokens that others use can go: the others keep their colours and lose the tie', () => {
  const gone = ['t-brand-primary', 't-surface-panel', 't-route-tern-islet'];
  const brand = done(demo, removalSteps(demo, gone));
  const left = demo.tokens.filter(({ id }) => !gone.includes(id));
  for (const { id: theme } of demo.themes) {
    const [before, after] = [resolveTheme(demo, theme), resolveTheme(brand, theme)];
    expect(left.map(({ id }) => after.get(id)!.colour!.hex)).toEqual(left.map(({ id }) => before.get(id)!.colour!.hex));
  }
  expect(brand.fields[0]!.values.find(({ text }) => text === 'Tern Islet')).toEqual({ text: 'Tern Islet' });
});

test('unlinked, everything has colours of its own and looks as before', () => {
  const brand = done(
    demo,
    unlinkSteps(
      demo,
      demo.tokens,
      demo.themes.map(({ id }) => id),
    ),
  );
  expect(brand.tokens.every(({ values, rule }) => !rule && Object.values(values).every((value) => 'colour' in value))).toBe(true);
  expect(hexes(brand)).toEqual(hexes(demo));
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
