import { z } from 'zod';
import { isStorable, UNSTORABLE } from '../../base/storable';
import { readColour } from '../../colour/read';

/** Bounds of a brand document. They keep every edit, file and page within reach of one browser tab. */
export const LIMITS = {
  name: 120,
  description: 2_000,
  note: 500,
  link: 300,
  colour: 128,
  path: 200,
  palettes: 500,
  swatches: 20_000,
  themes: 16,
  tokens: 10_000,
  destinations: 100,
  fields: 100,
  fieldValues: 2_000,
  carried: 20_000,
  carriedText: 50_000,
  grafts: 50,
  bindings: 10_000,
  slotKey: 500,
  /** Of a host, or of a picture, as it is kept beside the document. */
  fileBytes: 20 * 1024 * 1024,
  art: 50,
  sheets: 64,
  tileGroups: 64,
  tiles: 4_096,
  artColours: 4_096,
  acceptances: 2_000,
  findingKey: 2_000,
} as const;

/** Ids are keys of records, so a name that every object has already ("constructor") is none. */
export const EntityId = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9_-]{0,39}$/, 'An id has 1 to 40 letters, digits, hyphens or underscores.')
  .refine((text) => !(text in {}), 'This id is reserved.');
const CONTROL = /[\u0000-\u001f\u007f]/;
/** A text that people or other programs wrote, with line breaks and whatever else can be kept. */
export const text = (most: number) => z.string().max(most).refine(isStorable, UNSTORABLE);
/** What people call something. */
export const name = z
  .string()
  .trim()
  .min(1, 'A name needs at least one character.')
  .max(LIMITS.name, `A name has at most ${LIMITS.name} characters.`)
  .refine((given) => !CONTROL.test(given), 'A name has no line breaks or control characters.')
  .refine(isStorable, UNSTORABLE);
/** An authored CSS colour. */
export const colour = z
  .string()
  .trim()
  .max(LIMITS.colour, `A colour has at most ${LIMITS.colour} characters.`)
  .refine((css) => readColour(css) !== null, {
    error: (issue) => `“${String(issue.input)}” is not a CSS colour. Try #1f6f78, teal or oklch(0.5 0.1 200).`,
  });

/** SHA-256 of a file's bytes, in lower-case hex. */
export const FileHash = z.string().regex(/^[0-9a-f]{64}$/);

/** A path below the folder of a release: words with slashes between, none of which leads upwards. */
export const releasePath = z
  .string()
  .max(LIMITS.path)
  .regex(
    /^(?!.*(?:^|\/)\.)[\p{L}\p{N} ._()+@-]+(?:\/[\p{L}\p{N} ._()+@-]+)*$/u,
    'A file is named by letters, digits and . _ - with slashes between folders, and no part begins with a dot.',
  );
