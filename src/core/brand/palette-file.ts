import { z } from 'zod';
import { slug } from '../base/words';
import { Palette, Swatch } from './document';

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

/** What the file of a palette is called. */
export function paletteFileName(palette: Palette): string {
  return `${slug(palette.name)}.palette.json`;
}
