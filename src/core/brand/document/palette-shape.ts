import { z } from 'zod';
import { colour, EntityId as id, FileHash, LIMITS, name, text } from './fields';

export const PALETTE_KINDS = ['brand', 'categorical', 'sequential', 'diverging', 'loose'] as const;

/** A colour in a palette, kept exactly as it was authored. */
export const Swatch = z.strictObject({
  id,
  name,
  /** Authored CSS colour. */
  value: colour,
  /** A locked swatch refuses a new value until it is unlocked. */
  locked: z.boolean(),
  /** Label of the row it stands in. Neighbours with the same label are one row; those without follow each other freely. */
  row: name.optional(),
  /** Where settling started from, and the value it gave. Once the value is another, this no longer counts. */
  settled: z.strictObject({ from: colour, to: colour }).optional(),
});

/** What a palette was made from: a picture kept beside the brand, by its SHA-256, a palette of the shelf, or a palette file. */
export const PaletteSource = z.union([
  z.strictObject({ picture: FileHash, name }),
  z.strictObject({ shelf: id, name }),
  z.strictObject({ file: name }),
]);

/** Who made a palette, and where to find more of it. The address is shown and never fetched. */
export const PaletteMaker = z.strictObject({
  name,
  link: z
    .url({
      protocol: /^https?$/,
      hostname: z.regexes.domain,
      error: 'A link is an address such as https://example.org/palettes.',
    })
    .max(LIMITS.link, `A link has at most ${LIMITS.link} characters.`)
    .optional(),
});

export const Palette = z.strictObject({
  id,
  name,
  kind: z.enum(PALETTE_KINDS),
  /** What it is for, in a sentence or two. */
  note: text(LIMITS.note).optional(),
  maker: PaletteMaker.optional(),
  source: PaletteSource.optional(),
  swatches: z.array(Swatch).max(LIMITS.swatches, `A palette holds at most ${LIMITS.swatches} swatches.`),
});

export type Swatch = z.infer<typeof Swatch>;
export type PaletteSource = z.infer<typeof PaletteSource>;
export type PaletteMaker = z.infer<typeof PaletteMaker>;
export type Palette = z.infer<typeof Palette>;
/** What is known of a palette besides its colours. */
export type PaletteOrigin = Pick<Palette, 'note' | 'maker' | 'source'>;
