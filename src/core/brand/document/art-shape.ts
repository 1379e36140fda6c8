import { z } from 'zod';
import { EntityId as id, FileHash, LIMITS, name, releasePath } from './fields';

const rgbHex = z.string().regex(/^#[0-9a-f]{6}$/, 'A colour of a picture is written #rrggbb.');

/** How a sheet is divided into tiles, in pixels. */
export const TileGrid = z.strictObject({
  width: z.int().min(1, 'A tile is at least one pixel wide.').max(4_096),
  height: z.int().min(1, 'A tile is at least one pixel high.').max(4_096),
  /** Before the first tile, on the left and above. */
  margin: z.int().min(0).max(256),
  /** Between two tiles. */
  spacing: z.int().min(0).max(256),
});

/** Where the colours of art go. */
export const ColourTable = z.strictObject({
  /** Id of the palette. */
  palette: id,
  /** Colours that go to a swatch of their own choice; `to` is its id. All others go to the nearest. */
  map: z.array(z.strictObject({ from: rgbHex, to: id })).max(LIMITS.artColours),
  /** The colour that becomes transparent. */
  key: rgbHex.optional(),
  /** Whether the darker of two shades of a material stays the darker. */
  keepOrder: z.boolean(),
  dither: z.enum(['none', 'ordered', 'diffusion']),
  /** At most so many colours of the palette are used. */
  limit: z.int().min(1).max(LIMITS.artColours).optional(),
});

/** Pictures of pixels that are brought into a palette: sheets of sprites, or the frames of an animation. */
export const Art = z.strictObject({
  id,
  /** Where it is written in a release, without an ending, such as `art/ferry`. */
  path: releasePath,
  /** The pictures as they were drawn, kept beside the brand. */
  sheets: z
    .array(z.strictObject({ picture: FileHash, name, width: z.int().min(1), height: z.int().min(1) }))
    .min(1)
    .max(LIMITS.sheets),
  grid: TileGrid,
  /** Tiles that belong together, by their numbers from 0 through all sheets; each group is a file. None: the sheets are written whole. */
  groups: z.array(z.strictObject({ name, tiles: z.array(z.int().min(0)).min(1).max(LIMITS.tiles) })).max(LIMITS.tileGroups),
  table: ColourTable,
  /** Whether it is written as indexed PNG, with the palette in its order. */
  indexed: z.boolean(),
  /** How long a frame is shown, in milliseconds. */
  pace: z.int().min(20).max(5_000),
});

export type Art = z.infer<typeof Art>;
export type ColourTable = z.infer<typeof ColourTable>;
export type TileGrid = z.infer<typeof TileGrid>;
