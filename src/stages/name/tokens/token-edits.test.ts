import { readFileSync } from 'node:fs';
import { apply } from '@/core/brand/commands/apply';
import type { Command } from '@/core/brand/commands/commands';
import { Brand } from '@/core/brand/document/document';
import { resolveTheme } from '@/core/brand/reading/resolve';
import { copyTheme } from '@/core/brand/tools/theme-edits';
import { fillDown, link, moveInto, newToken, pasteColumn, setValue, unlink } from './token-edits';
import { filtered, treeRows } from './tree-rows';
import { valueOptions } from '@/ui/token-field/value-options';

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
const run = (command: Command) => {
  const result = apply(demo, command);
  if (!result.ok) throw new Error(result.refusal);
  return result.brand;
};

test.each([
  ['text.quiet', 'text'],
  ['Surface.raised', 'surface'],
  ['route.tern-islet-2', 'data'],
  ['whatever', 'other'],
])('%s gets the role %s, and its value in every theme', (path, role) => {
  const { command, id } = newToken(demo, path, { swatch: 'core-foam' });
  const token = run(command).tokens.find((token) => token.id === id)!;
  expect([token.role, token.values]).toEqual([
    role,
    Object.fromEntries(demo.themes.map(({ id }) => [id, { swatch: 'core-foam' }])),
  ]);
});

test('a theme made from another shows the same colours, and is then its own', () => {
  const brand = run(copyTheme(demo, 'night', 'evening', 'Evening'));
  const hexes = (theme: string) => [...resolveTheme(brand, theme).values()].map(({ colour }) => colour?.hex);
  expect(hexes('evening')).toEqual(hexes('night'));
  const token = brand.tokens.find(({ path }) => path === 'surface.page')!;
  const result = apply(brand, setValue([token], 'evening', { colour: '#223344' }));
  expect(result.ok && resolveTheme(result.brand, 'night').get(token.id)!.colour!.hex).toBe('#120b09');
});

describe('completion', () => {
  const labels = (typed: string) => valueOptions(demo, 'day', typed).map(({ kind, label }) => `${kind}: ${label}`);

  test('finds swatches by palette, name and code, and tokens by path', () => {
    expect(labels('mill')).toEqual(['swatch: Route lines / Mill Quay', 'token: route.mill-quay']);
    expect(labels('route mill')[0]).toBe('swatch: Route lines / Mill Quay');
    expect(labels('#489498')).toEqual(['own colour: #489498', 'swatch: Quillhaven core / Shoal']);
  });

  test('takes any colour as it is typed, and nothing that is none', () => {
    expect(labels('oklch(0.5 0.1 200)')[0]).toBe('own colour: oklch(0.5 0.1 200)');
    expect(labels('no such thing')).toEqual([]);
  });

  test('shows both kinds when nothing is typed, and not without end', () => {
    const kinds = valueOptions(demo, 'day', '').map(({ kind }) => kind);
    expect(new Set(kinds)).toEqual(new Set(['swatch', 'token']));
    expect(kinds.length).toBeLessThanOrEqual(80);
  });
});

describe('the table', () => {
  const byPath = (brand: Brand, path: string) => brand.tokens.find((token) => token.path === path)!;
  const below = ['text.default', 'text.soft', 'text.link'].map((path) => byPath(demo, path));

  test('a column of colours, paths and names of swatches is pasted; what is none of them is told', () => {
    const { command, unread } = pasteColumn(demo, below, 'day', '#123\r\n{brand.primary}\r\nno such thing\r\n');
    expect(unread).toEqual(['no such thing']);
    const brand = run(command!);
    expect(below.map(({ path }) => byPath(brand, path).values.day)).toEqual([
      { colour: '#123' },
      { token: 't-brand-primary' },
      byPath(demo, 'text.link').values.day,
    ]);
    expect(pasteColumn(demo, below, 'day', 'Mill Quay\tmore\n\n489498').command!.steps).toMatchObject([
      { set: { day: { swatch: 'route-mill-quay' } } },
      { set: { day: { colour: '#489498' } } },
    ]);
    expect(pasteColumn(demo, below, 'day', '').command).toBeNull();
  });

  test('the first value is filled down; a derived one becomes a choice', () => {
    const brand = run(fillDown(demo, below, 'dusk')!);
    expect(byPath(demo, 'text.default').values.dusk!.derived).toBe(true);
    expect(byPath(brand, 'text.soft').values.dusk).toEqual({ colour: expect.stringMatching(/^#/) });
    expect(fillDown(demo, below.slice(0, 1), 'day')).toBeNull();
  });

  test('linked, a colour is the swatch that shows it; unlinked, it is its own again', () => {
    const loose = run(unlink(demo, below, ['day'])!);
    expect(byPath(loose, 'text.link').values.day).toEqual({ colour: '#006871' });
    const result = apply(
      loose,
      link(
        loose,
        below.map(({ path }) => byPath(loose, path)),
        ['day'],
      )!,
    );
    expect(result.ok && byPath(result.brand, 'text.soft').values.day).toEqual({ swatch: 'core-shoal' });
  });

  test('a token moves into another group, a group not into itself', () => {
    const moved = moveInto(demo, 'token', 'text.link', 'action');
    expect('steps' in moved && moved.steps[0]).toMatchObject({ set: { path: 'action.link' } });
    expect(moveInto(demo, 'group', 'action', 'action.confirm')).toEqual({ refusal: 'action cannot be moved into itself.' });
  });

  test('rows are a tree in the order of the first tokens; a filter takes every word', () => {
    const tokens = ['b.two', 'a', 'b.one', 'b.deep.x', 'c.y'].map((path) => ({ ...below[0]!, id: path, path }));
    const lines = (folded: string[] = []) =>
      treeRows(tokens, new Set(folded)).map((row) =>
        'group' in row ? `${'  '.repeat(row.depth)}${row.label}/ ${row.count}` : `${'  '.repeat(row.depth)}${row.label}`,
      );
    expect(lines()).toEqual(['b/ 3', '  two', '  one', '  deep/ 1', '    x', 'a', 'c/ 1', '  y']);
    expect(lines(['b'])).toEqual(['b/ 3', 'a', 'c/ 1', '  y']);
    expect(filtered(demo.tokens, 'confirm state HOVER').map(({ path }) => path)).toEqual(['action.confirm.hover']);
  });
});
