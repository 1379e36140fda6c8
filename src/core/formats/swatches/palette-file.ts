import { z } from 'zod';
import { Palette, Swatch } from '../../brand/document';
import { defineFormat, slug, type Problem } from '../kit/format';
import { eachPalette, paletteOptions } from './palette-files';
import { readingOf, readSwatch } from '../../intake/reading';

/** One palette whole, as it can be handed on: its colours as they were authored, their names, rows and locks, and its maker. */
export const PaletteFile = z.strictObject({
  format: z.literal('breakwater-palette'),
  version: z.literal(1),
  name: Palette.shape.name,
  kind: Palette.shape.kind,
  maker: z.string().trim().max(120),
  swatches: z.array(Swatch.omit({ id: true, settled: true })).max(20_000),
});
export type PaletteFile = z.infer<typeof PaletteFile>;

/** Two-space indent, final newline; the same palette gives the same bytes. */
export function serialisePalette({ name, kind, swatches }: Palette, maker: string): string {
  const file: PaletteFile = { format: 'breakwater-palette', version: 1, name, kind, maker, swatches: swatches.map(withoutId) };
  return JSON.stringify(PaletteFile.parse(file), null, 2) + '\n';
}

function withoutId({ name, value, locked, row }: Swatch): PaletteFile['swatches'][number] {
  return { name, value, locked, ...(row !== undefined && { row }) };
}

/** @returns null when the text is no palette file at all; a damaged one gives sentences with their places */
export function parsePalette(text: string): { palette: PaletteFile } | { problems: Problem[] } | null {
  if (!/^\s*\{/.test(text) || !text.includes('"breakwater-palette"')) return null;
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    return { problems: [{ severity: 'error', line: 1, column: 1, message: `This is not JSON: ${(error as Error).message}.` }] };
  }
  const parsed = PaletteFile.safeParse(data);
  if (parsed.success) return { palette: parsed.data };
  return {
    problems: parsed.error.issues.slice(0, 50).map((issue): Problem => {
      const place = issue.path.length > 0 ? `At ${issue.path.join('.')}: ` : '';
      return { severity: 'error', line: 1, column: 1, message: place + issue.message };
    }),
  };
}

export const paletteFile = defineFormat({
  id: 'palette',
  title: 'Breakwater palette file',
  family: 'swatches',
  extensions: ['.palette.json'],
  purpose: 'One palette to hand on, whole: authored colours, names, rows, locks and its maker.',
  readBy: 'Breakwater itself, palette by palette',
  taken: 'import',
  options: paletteOptions.extend({
    maker: z.string().trim().max(120).default('').meta({ title: 'Made by', description: 'nobody named' }),
  }),
  read({ bytes }) {
    const parsed = parsePalette(new TextDecoder().decode(bytes));
    if (!parsed) return null;
    if ('problems' in parsed) return readingOf('palette', [], parsed.problems);
    const { name, kind, swatches } = parsed.palette;
    const read = swatches.map((swatch, at) =>
      readSwatch(swatch.value, { name: swatch.name, line: at + 1, ...(swatch.row !== undefined && { row: swatch.row }) }),
    );
    return readingOf('palette', [{ name, kind, swatches: read }]);
  },
  write(brand, _themes, { maker, ...options }) {
    const place = { folder: 'palettes', extension: '.palette.json', mediaType: 'application/json' };
    return eachPalette(brand, options, place, (palette) => new TextEncoder().encode(serialisePalette(palette, maker)));
  },
});

/** What the file of a palette is called. */
export function paletteFileName(palette: Palette): string {
  return `${slug(palette.name)}.palette.json`;
}
