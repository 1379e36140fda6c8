/** What the brand ships, brought in again: through the files themselves, as another tool would hand them back. */
import { resolveTheme } from '@/core/brand/reading/resolve';
import { readFile } from '@/core/intake/readers';
import { readFileSync } from 'node:fs';
import { apply } from '@/core/brand/commands/apply';
import { bringIn, type Arrivals, type Route } from '@/core/intake/bring-in';
import { Brand, emptyBrand } from '@/core/brand/document/document';
import type { Palette } from '@/core/brand/document/palette-shape';
import { coloursOf } from '../colours-of';
import { catchOf } from '@/core/intake/catch';
import { writeDestination } from '@/core/formats/registry';
import { STARTERS } from '@/core/shelf/starters';

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
let count = 0;
const newId = () => `id${++count}`;

/** One file as the page takes it: read, laid into a catch, all that is ticked brought in. */
async function arrivalsOf(name: string, bytes: Uint8Array, themes: string[] | null, routeOf: (group: string) => Route) {
  const lines = catchOf((await readFile({ name, bytes }))!).filter(({ take, colour }) => take && colour);
  const groups = [...new Set(lines.filter(({ token }) => !token?.alias).map(({ palette }) => palette))];
  const arrivals: Arrivals = {
    themes,
    groups: groups.map((group) => ({
      route: routeOf(group),
      kind: 'loose',
      swatches: lines
        .filter(({ palette, token }) => palette === group && !token?.alias)
        .map(({ name: label, colour, token }) => ({ name: label, value: colour!.css, ...(token && { token }) })),
    })),
    aliases: lines.flatMap(({ token, colour }) => (token?.alias ? [{ ...token, alias: token.alias, value: colour!.css }] : [])),
  };
  return arrivals;
}

function bring(brand: Brand, arrivals: Arrivals): Brand {
  const { command, notes } = bringIn(brand, arrivals, newId);
  expect(notes).toEqual([]);
  const applied = apply(brand, command!);
  if (!applied.ok) throw new Error(applied.refusal);
  return Brand.parse(applied.brand);
}

const shown = (brand: Brand, theme: string) =>
  new Map(
    [...resolveTheme(brand, theme).values()].map(({ token, colour }) => [token.path, colour && [colour.hex, colour.alpha]]),
  );

test('token files of every theme, brought into an empty brand, show what the brand shows, aliases among them', async () => {
  let copy: Brand = { ...emptyBrand('copy', 'Copy'), themes: demo.themes };
  for (const theme of demo.themes) {
    const [file] = writeDestination(demo, { name: 't', format: 'dtcg', options: {} }, [theme]).files;
    copy = bring(copy, await arrivalsOf(file!.path, file!.bytes, [theme.id], (name) => ({ to: 'new', name })));
  }
  for (const theme of demo.themes) expect(shown(copy, theme.id)).toEqual(shown(demo, theme.id));
  const aliases = (brand: Brand) =>
    brand.tokens.filter(({ values }) => values.day && 'token' in values.day).map(({ path }) => path);
  expect(aliases(copy).sort()).toEqual(aliases(demo).sort());
  expect(copy.tokens.map(({ description }) => description).join('')).not.toBe('');
});

const swatchFiles = demo.palettes.flatMap((palette) =>
  ['ase', 'gpl', 'soc', 'csv', 'xlsx'].map((format): [string, string, Palette] => [palette.name, format, palette]),
);

test.each(swatchFiles)('%s as %s, put in place of itself, changes nothing', async (_name, format, palette) => {
  const [file] = writeDestination(demo, { name: 'x', format, options: { palette: palette.name } }).files;
  const arrivals = await arrivalsOf(file!.path, file!.bytes, null, () => ({ to: 'replace', palette: palette.id }));
  const { command, replacements } = bringIn(demo, arrivals, newId);
  expect(replacements[0]!.rows.map(({ fate }) => fate)).toEqual(palette.swatches.map(() => 'same'));
  expect(command).toBeNull();
});

test('every palette of the shelf goes into a brand, out as a swatch file, and comes back the same', async () => {
  for (const { name, colours } of STARTERS) {
    const brand = bring(emptyBrand('shelf', 'Shelf'), {
      themes: null,
      aliases: [],
      groups: [{ route: { to: 'new', name }, kind: 'loose', swatches: colours }],
    });
    const [file] = writeDestination(brand, { name: 'x', format: 'gpl', options: {} }).files;
    const palettes = coloursOf((await readFile({ name: file!.path, bytes: file!.bytes }))!);
    expect(palettes).toHaveLength(1);
    expect(palettes[0]!.name).toBe(name);
    expect(palettes[0]!.swatches.map((swatch) => ({ name: swatch.name, value: swatch.css }))).toEqual(colours);
  }
});
