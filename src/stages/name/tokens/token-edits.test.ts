import { readFileSync } from 'node:fs';
import { apply } from '@/core/brand/apply';
import type { Command } from '@/core/brand/commands';
import { Brand } from '@/core/brand/document';
import { resolveTheme } from '@/core/brand/resolve';
import { copyTheme } from '@/core/brand/theme-edits';
import { newToken, setValue } from './token-edits';
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
  const token = run(command).tokens.find((one) => one.id === id)!;
  expect([token.role, token.values]).toEqual([role, { day: { swatch: 'core-foam' }, night: { swatch: 'core-foam' } }]);
});

test('a theme made from another shows the same colours, and is then its own', () => {
  const brand = run(copyTheme(demo, 'night', 'dusk', 'Dusk'));
  const hexes = (theme: string) => [...resolveTheme(brand, theme).values()].map(({ colour }) => colour?.hex);
  expect(hexes('dusk')).toEqual(hexes('night'));
  const token = brand.tokens.find(({ path }) => path === 'surface.page')!;
  const result = apply(brand, setValue([token], 'dusk', { colour: '#223344' }));
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
