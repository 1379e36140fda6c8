import { unmarked, type Mark } from './marks';
import { type Finding } from '../../findings/finding';
import { about } from './options';
import { z } from 'zod';
import type { Family } from '../../base/families';
import type { Brand } from '../../brand/document/document';
import type { Theme } from '../../brand/document/theme-shape';
import type { Token } from '../../brand/document/token-shape';

export interface WrittenFile {
  /** Relative path with `/`, safe on every file system; lower-case, but for what an organisation called its own files. */
  readonly path: string;
  readonly mediaType: string;
  readonly bytes: Uint8Array;
  /** Where which token stands, in order; none in files that are no text, and in templates. */
  readonly marks?: readonly Mark[];
}

export interface Written {
  readonly files: readonly WrittenFile[];
  readonly findings: readonly Finding[];
}

/** When what reads a file looks at a new one, and what a person has to do: common practice. */
export const RELOADS = {
  load: 'Read each time: load it again, and the new colours are there.',
  start: 'Read at start only: put the new file in place of the old one and start the program again.',
  build: 'Read when the product is built: put the new file in place of the old one and build again.',
  import: 'Read once, when somebody imports it: import the new file in place of the old one.',
} as const;

/** One kind of file that is written: what it is called, its options, and its writer. */
export interface Format<Options extends z.ZodObject = z.ZodObject> {
  readonly id: string;
  readonly title: string;
  readonly family: Family;
  /** With their dot. */
  readonly extensions: readonly string[];
  /** One sentence: where such a file goes. */
  readonly purpose: string;
  /** What reads it, in a few words that begin with a capital. */
  readonly readBy: string;
  /** Whether it always holds colours beyond sRGB; others may have an option of that name. */
  readonly wide?: true;
  /** When what reads it looks at a new file. */
  readonly reload: keyof typeof RELOADS;
  /** Texts, numbers, yes or no, one of several words, or lists; each with a meta made by `about`. */
  readonly options: Options;
  /**
   * Deterministic: the same brand, themes and options give the same bytes.
   * @param version of the release that it is for, MAJOR.MINOR.PATCH; most formats do not name it
   */
  readonly write: (brand: Brand, themes: readonly Theme[], options: z.output<Options>, version: string) => Written;
  /** A line of comment in its language; absent where it has none. Files with the option `comments` begin with what is known of the palettes. */
  readonly comment?: (line: string) => string;
  /** The tokens that `write` writes, or whose swatches it does. */
  readonly tokensWritten: (tokens: readonly Token[], options: z.output<Options>) => readonly Token[];
}

/** What files that are for no release are said to be of. */
export const NO_RELEASE = '0.0.0';

/** For formats that leave nothing out. */
export function allTokens(tokens: readonly Token[]): readonly Token[] {
  return tokens;
}

/** Of every format: where its files lie among the others, so that two of a kind can be shipped. */
const folder = z
  .string()
  .max(80)
  .regex(
    /^([a-z0-9][a-z0-9_-]*(\/[a-z0-9][a-z0-9_-]*)*)?$/,
    'A folder is lower-case letters, digits, hyphens and underscores, such as site/v1.',
  )
  .default('')
  .meta(about({ title: 'Folder of its own', description: 'none' }));

/** Keeps the options' type from the schema through to the writer. */
export function defineFormat<Options extends z.ZodObject>(format: Format<Options>): Format {
  return { ...format, options: format.options.extend({ folder }) } as unknown as Format;
}

/** A text as a file; the colours marked in it become its marks. */
export function textFile(path: string, mediaType: string, marked: string): WrittenFile {
  const { text, marks } = unmarked(marked);
  return { path, mediaType, bytes: new TextEncoder().encode(text), ...(marks.length > 0 && { marks }) };
}
