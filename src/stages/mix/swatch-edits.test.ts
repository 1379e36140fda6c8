import { resolveTheme } from '@/core/brand/reading/resolve';
import { readFileSync } from 'node:fs';
import { apply } from '@/core/brand/commands/apply';
import type { Command } from '@/core/brand/commands/commands';
import { Brand, serialiseBrand } from '@/core/brand/document/document';
import { deleteSwatches, duplicateSwatches, insertSwatch, moveSwatches } from './swatch-edits';

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
const [core] = demo.palettes as [Brand['palettes'][number]];
const names = (command: Command | null) => {
  const result = apply(demo, command!);
  if (!result.ok) throw new Error(result.refusal);
  return result.brand.palettes[0]!.swatches.map(({ name }) => name);
};
const id = (name: string) => core.swatches.find((swatch) => swatch.name === name)!.id;

test.each([
  ['Harbour', 'Foam', 'Shoal Foam Harbour Keel Lamp Buoy Rope Mist'],
  ['Harbour', 'Mist', 'Shoal Foam Keel Lamp Buoy Rope Mist Harbour'],
  ['Mist', 'Harbour', 'Mist Harbour Shoal Foam Keel Lamp Buoy Rope'],
  ['Keel', 'Shoal', 'Harbour Keel Shoal Foam Lamp Buoy Rope Mist'],
])('%s dragged onto %s takes its place', (from, over, expected) => {
  expect(names(moveSwatches(core, [id(from)], id(from), id(over))).join(' ')).toBe(expected);
});

test('dropped where it was, nothing happens', () => {
  expect(moveSwatches(core, [id('Keel')], id('Keel'), id('Keel'))).toBeNull();
  expect(moveSwatches(core, [id('Keel')], id('Keel'), 'elsewhere')).toBeNull();
});

test('a swatch put between two is their mean, and has a plain name', () => {
  const { command, id: made } = insertSwatch(core, id('Keel'));
  expect(names(command)).toEqual(['Harbour', 'Shoal', 'Foam', 'Greyish greenish blue', 'Keel', 'Lamp', 'Buoy', 'Rope', 'Mist']);
  expect(command.steps[0]).toMatchObject({ swatches: [{ id: made, value: '#7a8b90' }] });
  // At an end, and in an empty palette, there is only one neighbour or none.
  expect(insertSwatch(core, null).command.steps[0]).toMatchObject({ swatches: [{ value: '#d3d8dc' }] });
  expect(insertSwatch({ ...core, swatches: [] }, null).command.steps[0]).toMatchObject({ swatches: [{ value: '#8a8a8a' }] });
});

test('a copy stands behind its original, unlocked', () => {
  const { command } = duplicateSwatches(core, [core.swatches[0]!]);
  expect(names(command).slice(0, 3)).toEqual(['Harbour', 'Harbour copy', 'Shoal']);
  expect(command.steps[0]).toMatchObject({ swatches: [{ value: '#006871', locked: false }] });
});

test('a deleted swatch leaves its colour with the tokens that had it, and one undo brings back the link', () => {
  const swatch = core.swatches.find(({ name }) => name === 'Foam')!;
  const result = apply(demo, deleteSwatches(demo, [swatch]));
  if (!result.ok) throw new Error(result.refusal);
  for (const theme of demo.themes) {
    const colours = (brand: Brand) => [...resolveTheme(brand, theme.id).values()].map(({ colour }) => colour!.hex);
    expect(colours(result.brand)).toEqual(colours(demo));
  }
  const back = apply(result.brand, result.inverse);
  expect(back.ok && serialiseBrand(back.brand)).toBe(serialiseBrand(demo));
});
