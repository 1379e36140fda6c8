import { readFileSync } from 'node:fs';
import { textPairs } from '../../findings/contrast';
import { apply } from '../commands/apply';
import { assignments, mergedValues } from '../reading/data-fields';
import { Brand, emptyBrand, type Brand as BrandType } from '../document/document';
import { fillScaffold } from './scaffold';
import { SCAFFOLDS } from './scaffolds';
import { likelyChoice, readValues, valueTable } from '../reading/value-table';

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
const bare: BrandType = { ...demo, tokens: [], destinations: [], fields: [] };
let count = 0;
const newId = () => `n${count++}`;

describe.each(SCAFFOLDS.map(({ id }) => id))('the scaffold %s', (id) => {
  test.each([
    ['the demo’s palettes', bare],
    ['no palette at all', emptyBrand('b', 'B')],
  ])('filled from %s is a tree that holds together, each text readable, each guess with its reason', (_name, brand) => {
    const guesses = fillScaffold(brand, id, newId);
    expect(guesses.every(({ why }) => why.length > 10)).toBe(true);
    const result = apply(brand, {
      label: 'x',
      steps: [{ do: 'token.add', tokens: guesses.map(({ token }) => token), before: null }],
    });
    if (!result.ok) throw new Error(result.refusal);
    expect(textPairs(result.brand).filter(({ passes, text }) => !passes && text.path !== 'hud.dim')).toEqual([]);
    expect(fillScaffold(result.brand, id, newId)).toEqual([]);
  });
});

test('what fits is the obvious swatch, and tokens that are there are kept and built upon', () => {
  const swatchOf = (brand: BrandType, path: string) => {
    const value = fillScaffold(brand, 'interface', newId).find(({ token }) => token.path === path)?.token.values.day;
    return value && 'swatch' in value ? value.swatch : value;
  };
  expect(swatchOf(bare, 'surface.page')).toBe('core-foam');
  expect(swatchOf(bare, 'surface.panel')).toEqual({ colour: '#ffffff' });
  expect(swatchOf(bare, 'accent.primary.rest')).toBe('core-harbour');
  expect(swatchOf(bare, 'status.bad')).toBe('core-buoy');
  expect(swatchOf(demo, 'surface.page')).toBeUndefined();
  const hover = fillScaffold(demo, 'interface', newId).find(({ token }) => token.path === 'accent.primary.hover')!;
  expect(hover.token.rule!.surface).toBe('t-surface-page');
});

describe('values of the data', () => {
  const route = demo.fields[0]!;

  test('have the colour they are pinned to, the others the next free ones, and none when there is none left', () => {
    const given = assignments(demo, route).map(({ text, token }) => [text, token?.path]);
    expect(given).toContainEqual(['Tern Islet', 'route.tern-islet']);
    expect(given.slice(-3)).toEqual([
      ['Quarry Steps', undefined],
      ['Low Light', undefined],
      ['Gannet Head', undefined],
    ]);
    const paths = given.flatMap(([, path]) => path ?? []);
    expect(new Set(paths).size).toBe(paths.length);
    const moved = { ...route, values: [{ text: 'Newcomer' }, ...route.values] };
    expect(assignments(demo, moved).find(({ text }) => text === 'Tern Islet')!.token!.path).toBe('route.tern-islet');
  });

  test('come in by CSV, with pins by path; what cannot be read is told by its line', () => {
    const table = valueTable('value,token\nTern Islet,route.tern-islet\n"Reed, North",\nTern Islet,\nFar Point,route.nowhere\n');
    const { values, problems } = readValues(demo, table, likelyChoice(demo, table));
    expect(values).toEqual([{ text: 'Tern Islet', token: 't-route-tern-islet' }, { text: 'Reed, North' }, { text: 'Far Point' }]);
    expect(problems).toEqual(['Line 5: there is no token route.nowhere, so Far Point is not pinned.']);
    expect(mergedValues(route.values, [{ text: 'Mill Quay' }, { text: 'Far Point' }]).map(({ text }) => text)).toEqual([
      ...route.values.map(({ text }) => text),
      'Far Point',
    ]);
  });
});
