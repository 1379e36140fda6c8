import { z } from 'zod';
import type { Brand, PALETTE_KINDS, Theme, Token } from '../../brand/document';
import type { CellRange } from '../../intake/tables/cell-range';
import type { Pixels } from '../../image/pixels';

/** Something a reader or writer has to say about a file. Lines and columns count from 1. */
export interface Problem {
  readonly severity: 'error' | 'warning';
  readonly line: number;
  readonly column: number;
  /** One sentence: what, and what to do. */
  readonly message: string;
}

/** Why something that was read deserves a second look. */
export type DoubtKind =
  'duplicate' | 'near' | 'length' | 'no colour' | 'bare' | 'unreadable' | 'ambiguous' | 'outside' | 'translucent' | 'approximate';

export interface Doubt {
  readonly kind: DoubtKind;
  /** One sentence. */
  readonly reason: string;
}

/** One thing found in a source: a colour, or a place where one could have been. */
export interface Found {
  /** From 1. In a source without lines, a swatch file say, the entry's number. */
  readonly line: number;
  /** From 1; 0 in a source without columns. */
  readonly column: number;
  /** The characters that were read, or the start of the line when nothing was. */
  readonly text: string;
  /** The name that stands beside it, or an empty string. */
  readonly name: string;
  /** The colour as the source has it, in CSS; null when there is none. */
  readonly css: string | null;
  readonly doubts: readonly Doubt[];
  /** What else an ambiguous code may mean, in CSS. */
  readonly other?: string;
  /** The design token that this colour is the value of. */
  readonly token?: NamedToken;
  /** Label of the row it stands in, where the source has rows. */
  readonly row?: string;
}

/** A design token as its file names it. */
export interface NamedToken {
  /** Group names and its own, with dots between, as they stand in the file. */
  readonly path: string;
  /** Path of the token it points at; null when it holds a colour itself. */
  readonly alias: string | null;
  readonly description: string;
}

export interface ReadSwatch extends Found {
  readonly css: string;
  /** Lower-case `#rrggbb` as an 8-bit sRGB screen shows it. */
  readonly hex: string;
  /** Opacity, 0..1. */
  readonly alpha: number;
}

export interface ReadPalette {
  readonly name: string;
  readonly kind: (typeof PALETTE_KINDS)[number];
  readonly swatches: readonly ReadSwatch[];
}

/** A token with the colour it comes to in the end. */
export interface ReadToken extends NamedToken {
  readonly hex: string;
  readonly alpha: number;
}

/** What a reader understood of a file. Nothing is guessed silently: what was doubtful says so. */
export interface Reading {
  readonly format: string;
  readonly palettes: readonly ReadPalette[];
  readonly tokens: readonly ReadToken[];
  /** Tokens that point at others: to be taken as tokens, for they add no swatch of their own. */
  readonly aliases: readonly ReadSwatch[];
  /** What was left out: repeated in a text, no colour, unreadable. A person may still take what has a colour. */
  readonly skipped: readonly Found[];
  /** What is wrong with the file itself. */
  readonly problems: readonly Problem[];
}

/** A file as it arrives. Its name may be a path. */
export interface SourceFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** What a reader may need of the place it runs in. */
export interface ReadTools {
  /** Called now and then with the share read, 0..1. */
  readonly onProgress?: (share: number) => void;
  /** Decodes a PNG, JPEG, GIF or WebP. @throws when it is damaged */
  readonly decode?: (bytes: Uint8Array) => Promise<Pixels>;
  /** Of a table only these cells. */
  readonly range?: CellRange;
}

export interface WrittenFile {
  /** Relative path with `/`, lower-case, safe on every file system. */
  readonly path: string;
  readonly mediaType: string;
  readonly bytes: Uint8Array;
}

export interface Written {
  readonly files: readonly WrittenFile[];
  readonly problems: readonly { readonly severity: 'error' | 'warning'; readonly message: string }[];
}

export type Family =
  'brand' | 'tokens' | 'swatches' | 'table' | 'image' | 'dashboard' | 'style framework' | 'game engine' | 'interface' | 'text';

/** What the families are called, in the order in which most people ask for them. */
export const FAMILY_TITLES: Readonly<Record<Family, string>> = {
  dashboard: 'Dashboards and charts',
  'style framework': 'Sites and style frameworks',
  'game engine': 'Games',
  interface: 'Software and systems',
  tokens: 'Token pipelines',
  swatches: 'Swatches in other programs',
  table: 'Tables',
  image: 'Pictures and drawings',
  text: 'Anything else',
  brand: 'Breakwater',
};

/** When a file's reader takes a new one in, and what is to be done: common practice. */
export const TAKEN = {
  load: 'Read each time: load it again, and the new colours are there.',
  start: 'Read at start only: put the new file in place of the old one and start the program again.',
  build: 'Read when the product is built: put the new file in place of the old one and build again.',
  import: 'Read once, when somebody imports it: import the new file in place of the old one.',
} as const;

/** One file format, whole: what it is called, its options, its reader and its writer. */
export interface Format<Options extends z.ZodObject = z.ZodObject> {
  readonly id: string;
  readonly title: string;
  readonly family: Family;
  /** With their dot. */
  readonly extensions: readonly string[];
  /** One sentence: where such a file goes. */
  readonly purpose: string;
  /** What reads it, in a few words that begin with a capital; only of formats that are written. */
  readonly readBy?: string;
  /** When its reader takes a new file in; only of formats that are written. */
  readonly taken?: keyof typeof TAKEN;
  /** Whether eight digits begin with the opacity (`#aarrggbb`, `0xaarrggbb`), where no option `bytes` says so. */
  readonly opacityFirst?: true;
  /**
   * Texts, yes or no, one of several words, or lists; each with `meta`: its title, as description what it means to leave
   * it as it is, and for one of several words what each `says`. `names` tells what a text or list holds: `tokens` the path
   * of a token or group, and `groups` several, which follow when those are renamed; `themes` and `theme` ids of themes;
   * `source` the text of a template.
   */
  readonly options: Options;
  /** Never throws: a damaged file gives what could be read of it, with the problem. @returns null when the bytes are not of this format at all. */
  readonly read?: (file: SourceFile, tools: ReadTools) => Reading | null | Promise<Reading | null>;
  /** Deterministic: the same brand, themes and options give the same bytes. */
  readonly write?: (brand: Brand, themes: readonly Theme[], options: z.output<Options>) => Written;
  /** The tokens that `write` writes; absent where that is every one. */
  readonly reach?: (tokens: readonly Token[], options: z.output<Options>) => readonly Token[];
}

/** Of every format that is written: where its files lie among the others, so that two of a kind can be shipped. */
const folder = z
  .string()
  .max(80)
  .regex(
    /^([a-z0-9][a-z0-9_-]*(\/[a-z0-9][a-z0-9_-]*)*)?$/,
    'A folder is lower-case letters, digits, hyphens and underscores, such as site/v1.',
  )
  .default('')
  .meta({ title: 'Folder of its own', description: 'none' });

/** Keeps the options' type from the schema through to the writer. */
export function defineFormat<Options extends z.ZodObject>(format: Format<Options>): Format {
  const options = format.write ? format.options.extend({ folder }) : format.options;
  return { ...format, options } as unknown as Format;
}

/** A name as a lower-case word for file names and identifiers: letters, digits and single hyphens. */
export function slug(name: string): string {
  return (
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '') || 'unnamed'
  );
}

export function textFile(path: string, mediaType: string, text: string): WrittenFile {
  return { path, mediaType, bytes: new TextEncoder().encode(text) };
}
