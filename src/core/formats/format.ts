import type { z } from 'zod';
import type { Brand, PALETTE_KINDS, Theme } from '../brand/document';

/** Something a reader or writer has to say about a file. Lines and columns count from 1. */
export interface Problem {
  readonly severity: 'error' | 'warning';
  readonly line: number;
  readonly column: number;
  /** One sentence: what, and what to do. */
  readonly message: string;
}

export interface ReadSwatch {
  readonly name: string;
  /** The colour as the file has it, in CSS. */
  readonly css: string;
  /** Lower-case `#rrggbb` as an 8-bit sRGB screen shows it. */
  readonly hex: string;
  /** Opacity, 0..1. */
  readonly alpha: number;
}

export interface ReadToken {
  readonly path: string;
  readonly hex: string;
  readonly alpha: number;
  /** Path of the token it points at, or null. */
  readonly alias: string | null;
}

/** What a reader understood of a file. Nothing is guessed silently: what was doubtful is among the problems. */
export interface Reading {
  readonly format: string;
  readonly palettes: readonly {
    readonly name: string;
    readonly kind: (typeof PALETTE_KINDS)[number];
    readonly swatches: readonly ReadSwatch[];
  }[];
  readonly tokens: readonly ReadToken[];
  readonly problems: readonly Problem[];
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

export type Family = 'brand' | 'dashboard' | 'style framework' | 'game engine' | 'interface' | 'text';

/** One file format, whole: what it is called, its options, its reader and its writer. */
export interface Format<Options extends z.ZodObject = z.ZodObject> {
  readonly id: string;
  readonly title: string;
  readonly family: Family;
  /** With their dot. */
  readonly extensions: readonly string[];
  /** One sentence: where such a file goes. */
  readonly purpose: string;
  /** Texts, each with `meta`: its title, and as description what it means to leave it empty. */
  readonly options: Options;
  /** @returns null when the bytes are not of this format at all. */
  readonly read?: (file: { name: string; bytes: Uint8Array }) => Reading | null;
  /** Deterministic: the same brand, themes and options give the same bytes. */
  readonly write?: (brand: Brand, themes: readonly Theme[], options: z.output<Options>) => Written;
}

/** Keeps the options' type from the schema through to the writer. */
export function defineFormat<Options extends z.ZodObject>(format: Format<Options>): Format {
  return format as unknown as Format;
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
