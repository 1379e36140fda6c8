import { z } from 'zod';
import { EntityId as id, FileHash, LIMITS, name, releasePath, text } from './fields';

/** The place of a slot, or of a run of them, in the structure of its host. */
export const SlotKey = text(LIMITS.slotKey).regex(/^\//, 'The place of a slot begins with a slash.');

/** What a slot of a host is bound to. */
export const Binding = z.strictObject({
  to: z.union([z.strictObject({ swatch: id }), z.strictObject({ token: id })]),
  /** `#rrggbb` of the literal when it was bound, by which it may be known again in a newer host. */
  was: z.string().regex(/^#[0-9a-f]{6}$/),
  /** Id of the theme whose colour of a token is meant; absent: that of the graft. */
  theme: id.optional(),
});

/** A run of slots that takes a palette's colours in order. */
export const BankBinding = z.strictObject({
  palette: id,
  /** Whether it grows and shrinks with the palette. */
  resize: z.boolean(),
});

/** A file of the organisation's own in which only colours are replaced. The file itself is kept beside the brand. */
export const Graft = z.strictObject({
  id,
  /** Where it is written in a release, such as `planner/berths.xml`. */
  path: releasePath,
  host: z.strictObject({
    /** Of its bytes, by which it is kept. */
    sha256: FileHash,
    /** What the file was called, by whose ending it is read. */
    name,
    bytes: z.int().min(1).max(LIMITS.fileBytes),
  }),
  /** Id of the theme whose colours its tokens have; one that is gone stops a release. */
  theme: id,
  /** The order of bytes in its codes, where the file does not tell. */
  order: z.enum(['rgba', 'argb', 'bgra', 'abgr']).optional(),
  /** Whether colours in comments and sentences are slots too. */
  asides: z.literal(true).optional(),
  bindings: z.record(SlotKey, Binding),
  banks: z.record(SlotKey, BankBinding),
});

export type Graft = z.infer<typeof Graft>;
export type Binding = z.infer<typeof Binding>;
export type BankBinding = z.infer<typeof BankBinding>;
