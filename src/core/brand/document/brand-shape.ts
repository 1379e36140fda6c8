import { z } from 'zod';
import { Acceptance } from './acceptance-shape';
import { Art } from './art-shape';
import { Carried, DataField } from './data-shape';
import { Destination } from './destination-shape';
import { EntityId as id, FileHash, LIMITS, name } from './fields';
import { Graft } from './graft-shape';
import { Palette } from './palette-shape';
import { Theme } from './theme-shape';
import { Token } from './token-shape';
import { BRAND_VERSION } from './versions';

/** How the words within one step of a path are joined: `on-header`, `onHeader`, or each word a step of its own. */
export const NAMINGS = ['kebab', 'camel', 'dots'] as const;
export type Naming = (typeof NAMINGS)[number];

/** The shape of a brand document. What holds between its parts besides is checked by `document.ts`. */
export const BrandShape = z.strictObject({
  format: z.literal('breakwater-brand'),
  version: z.literal(BRAND_VERSION, {
    error: ({ input }) =>
      Number(input) > BRAND_VERSION
        ? `This brand is of version ${Number(input)}, and up to ${BRAND_VERSION} can be read here; take a newer Breakwater.`
        : `A brand says its version, a number from 1 to ${BRAND_VERSION}.`,
  }),
  id,
  name,
  palettes: z.array(Palette).max(LIMITS.palettes),
  themes: z.array(Theme).min(1, 'A brand has at least one theme.').max(LIMITS.themes),
  tokens: z.array(Token).max(LIMITS.tokens),
  destinations: z.array(Destination).max(LIMITS.destinations),
  grafts: z.array(Graft).max(LIMITS.grafts),
  art: z.array(Art).max(LIMITS.art),
  fields: z.array(DataField).max(LIMITS.fields),
  carried: z.array(Carried).max(LIMITS.carried),
  /** Findings that may stand. */
  acceptances: z.array(Acceptance).max(LIMITS.acceptances),
  naming: z.enum(NAMINGS).optional(),
  /** The number of the house set that it was last brought up to or compared with; pinned, it stays as it is whatever becomes of the house. */
  house: z.strictObject({ number: z.int().min(0), pinned: z.literal(true).optional() }).optional(),
  /** The printing condition: an ICC profile kept beside the brand, and what it calls itself. */
  print: z.strictObject({ profile: FileHash, name }).optional(),
  /** A picture kept beside the brand that stands at the head of its sheet, and what its file was called. */
  logo: z.strictObject({ picture: FileHash, name }).optional(),
});

export type Brand = z.infer<typeof BrandShape>;
