import { z } from 'zod';
import { Swatch } from '../brand/document/palette-shape';
import { EntityId } from '../brand/document/fields';

/** What a palette on the shelf is for: the four that charts and interfaces know, and the depths of game palettes. */
export const SHELF_KINDS = ['categorical', 'sequential', 'diverging', 'interface', 'game'] as const;
export type ShelfKind = (typeof SHELF_KINDS)[number];

/** Bounds of what an organisation puts on its shelf. */
export const SHELF_LIMITS = { palettes: 500, colours: 256, tags: 12, tag: 30, note: 500 } as const;

const tag = z
  .string()
  .trim()
  .toLowerCase()
  .min(1)
  .max(SHELF_LIMITS.tag, `A tag has at most ${SHELF_LIMITS.tag} characters.`)
  .regex(/^[\p{L}\p{N} -]+$/u, 'A tag is letters, digits, spaces and hyphens.');

/** What somebody gives when they put a palette on the shelf. */
export const ShelfEntry = z.strictObject({
  name: Swatch.shape.name,
  kind: z.enum(SHELF_KINDS),
  tags: z.array(tag).max(SHELF_LIMITS.tags, `A palette has at most ${SHELF_LIMITS.tags} tags.`),
  /** Who made it. */
  maker: Swatch.shape.name,
  note: z.string().trim().max(SHELF_LIMITS.note, `A note has at most ${SHELF_LIMITS.note} characters.`),
  colours: z
    .array(Swatch.pick({ name: true, value: true, row: true }))
    .min(1, 'There is no colour in this palette to put on the shelf.')
    .max(SHELF_LIMITS.colours, `A palette on the shelf holds at most ${SHELF_LIMITS.colours} colours.`),
});
export type ShelfEntry = z.infer<typeof ShelfEntry>;

/** A palette to start from, with who made it. */
export const ShelfPalette = ShelfEntry.extend({ id: EntityId });
export type ShelfPalette = z.infer<typeof ShelfPalette>;
