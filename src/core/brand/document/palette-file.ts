import { z } from 'zod';
import { slug } from '../../base/words';
import { Palette, Swatch } from './palette-shape';
import { upgraded } from './versions';

/** One palette whole, as it can be handed on: its colours as they were authored, their names, rows and locks, and its maker. */
export const PaletteFile = z.strictObject({
  format: z.literal('breakwater-palette'),
  version: z.literal(2),
  name: Palette.shape.name,
  kind: Palette.shape.kind,
  note: Palette.shape.note,
  maker: Palette.shape.maker,
  swatches: z.array(Swatch.omit({ id: true, settled: true })).max(20_000),
});
/** A palette file as it was saved, by this version or the first, which knew a maker without a link. */
export const StoredPaletteFile = z.preprocess(
  (data) =>
    upgraded(data, (data as { version?: unknown } | null)?.version, {
      1: ({ maker, ...file }) => ({ ...file, ...(maker !== '' && { maker: { name: maker } }), version: 2 }),
    }),
  PaletteFile,
);
export type PaletteFile = z.infer<typeof PaletteFile>;

/**
 * Two-space indent, final newline; the same palette gives the same bytes.
 * @param handedOnBy stands as the maker of a palette that names none; may be empty
 */
export function serialisePalette({ name, kind, note, maker, swatches }: Palette, handedOnBy: string): string {
  const made = maker ?? (handedOnBy === '' ? undefined : { name: handedOnBy });
  const file: PaletteFile = {
    format: 'breakwater-palette',
    version: 2,
    name,
    kind,
    note,
    maker: made,
    swatches: swatches.map(withoutId),
  };
  return JSON.stringify(PaletteFile.parse(file), null, 2) + '\n';
}

function withoutId({ name, value, locked, row }: Swatch): PaletteFile['swatches'][number] {
  return { name, value, locked, ...(row !== undefined && { row }) };
}

/** What the file of a palette is called. */
export function paletteFileName(palette: Palette): string {
  return `${slug(palette.name)}.palette.json`;
}
