import type { PALETTE_KINDS, PaletteOrigin } from '../brand/document/palette-shape';
import { LIMITS } from '../brand/document/fields';
import { shownHex, readColour, type ReadColour } from '../colour/read';
import { problem, type Problem } from '../source/problem';
import type { Place, Span } from '../source/source-text';

/** More than this is not a palette; what follows is left unread, counted and said. */
export const ENTRY_LIMIT = 20_000;

/** Why something that was read deserves a second look, or is left out. */
export type DoubtKind =
  | 'duplicate'
  | 'near'
  | 'length'
  | 'no colour'
  | 'bare'
  | 'unreadable'
  | 'ambiguous'
  | 'outside'
  | 'translucent'
  | 'approximate'
  | 'disagrees'
  | 'apart';

export interface Doubt {
  readonly kind: DoubtKind;
  /** One sentence. */
  readonly reason: string;
}

/** A design token as its file names it. */
export interface NamedToken {
  /** Group names and its own, with dots between, as they stand in the file. */
  readonly path: string;
  /** Path of the token it points at; null when it holds a colour itself. */
  readonly alias: string | null;
  readonly description: string;
}

/** A token with the colour it comes to in the end. */
export interface ReadToken extends NamedToken {
  readonly hex: string;
  readonly alpha: number;
}

/** One thing that stands in a source: a colour, or a place where one could have been. */
export interface Entry extends Place {
  /** Where it stands: units of a text, bytes of any other file; null where there is no such place, as in a picture. */
  readonly span: Span | null;
  /** The characters that were read, or the start of the line when nothing was. */
  readonly text: string;
  /** The name that stands beside it, else its code; empty when it has neither. */
  readonly name: string;
  /** The colour as it was read once, with its authored text; null when there is none. */
  readonly colour: ReadColour | null;
  /** What is doubtful; what is left out has its reason here. */
  readonly doubts: readonly Doubt[];
  /** Whether it is taken unless somebody says otherwise. */
  readonly take: boolean;
  /** Index of its palette in the intake; null for what goes into none, such as an alias. */
  readonly palette: number | null;
  /** What else an ambiguous code may mean. */
  readonly other?: ReadColour;
  /** The design token that this colour is the value of. */
  readonly token?: NamedToken;
  /** Label of the row it stands in, where the source has rows. */
  readonly row?: string;
  /** Where else in the source the same stands: further uses, or other notations of it. */
  readonly also?: readonly Span[];
}

/** An entry that is a colour. */
export type ColourEntry = Entry & { readonly colour: ReadColour };

export type PaletteKind = (typeof PALETTE_KINDS)[number];

/** A palette of an intake, its colours apart. */
export interface PaletteHead {
  readonly name: string;
  readonly kind: PaletteKind;
  /** What it is for and who made it, where the file says so. */
  readonly about?: PaletteOrigin;
}

/** What a reader understood of a file. Nothing is guessed silently, and nothing is lost: see `entryCount`. */
export interface Intake {
  /** Id of the reader. */
  readonly format: string;
  readonly palettes: readonly PaletteHead[];
  /** In the source's order; those of one palette together. */
  readonly entries: readonly Entry[];
  readonly tokens: readonly ReadToken[];
  /** What is wrong with the file itself, and entries of which nothing but their number can be told. */
  readonly problems: readonly Problem[];
}

/** A palette of an intake with its colours. */
export interface ReadPalette {
  readonly name: string;
  readonly kind: PaletteKind;
  /** Whether it is taken; one that is only offered, such as a workbook's theme, is not. */
  readonly taken: boolean;
  readonly swatches: readonly ColourEntry[];
}

/** What an entry is made from, where its palette is said elsewhere. */
export type EntryParts = Omit<Entry, 'palette'>;

type EntryGiven = { readonly line: number } & Partial<Omit<EntryParts, 'colour' | 'take' | 'line'>>;

/** A colour as a reader found it, to be taken. A name that is missing is its code. */
export function taken(colour: ReadColour, { name = '', text = colour.css, doubts = [], ...rest }: EntryGiven): EntryParts {
  const given = tidyName(name) || shownHex(colour);
  return {
    span: null,
    column: 0,
    ...rest,
    name: given,
    text: tidyName(text),
    colour,
    doubts: withCut(colour, doubts),
    take: true,
  };
}

/** What a reader leaves out, with its reason. One that has a colour may still be ticked by a person. */
export function leftOut(
  colour: ReadColour | null,
  reason: Doubt,
  { name = '', text = '', doubts = [], ...rest }: EntryGiven,
): EntryParts {
  return {
    span: null,
    column: 0,
    ...rest,
    name: tidyName(name) || (colour ? colour.hex : ''),
    text: tidyName(text),
    colour,
    doubts: [...doubts, reason],
    take: false,
  };
}

function withCut(colour: ReadColour, doubts: readonly Doubt[]): readonly Doubt[] {
  if (!colour.cut) return doubts;
  return [...doubts, doubt('outside', `Beyond the range of its notation, and cut off at ${colour.hex} as browsers do.`)];
}

/** CSS of which it is certain that it is a colour. */
export function certain(css: string): ReadColour {
  return readColour(css)!;
}

interface PaletteParts extends PaletteHead {
  readonly entries: readonly EntryParts[];
}

/** An intake of palettes. Those in which there is no colour at all are no palettes: their entries belong to none. */
export function intakeOf(format: string, palettes: readonly PaletteParts[], problems: readonly Problem[] = []): Intake {
  const heads: PaletteHead[] = [];
  const entries = palettes.flatMap(({ entries: parts, ...head }) => {
    const coloured = parts.some(({ colour }) => colour !== null);
    if (coloured) heads.push(head);
    const palette = coloured ? heads.length - 1 : null;
    return parts.map((entry): Entry => ({ ...entry, palette }));
  });
  return { format, palettes: heads, entries, tokens: [], problems };
}

/** The answer to a file of this format in which nothing can be read. */
export function unreadable(format: string, message: string, place?: Place): Intake {
  return intakeOf(format, [], [problem(message, place)]);
}

/** The palettes with their colours: what is taken of each, or all of one that is only offered. */
export function palettesOf({ palettes, entries }: Intake): ReadPalette[] {
  const byPalette = palettes.map((): ColourEntry[] => []);
  for (const entry of entries) if (entry.colour && entry.palette !== null) byPalette[entry.palette]!.push(entry as ColourEntry);
  return palettes.map(({ name, kind }, at) => {
    const all = byPalette[at]!;
    const chosen = all.filter(({ take }) => take);
    return { name, kind, taken: chosen.length > 0, swatches: chosen.length > 0 ? chosen : all };
  });
}

/** Entries as a reader finds them, up to the limit; those beyond are only counted, for a file may have millions. */
export class EntryList {
  readonly entries: EntryParts[] = [];
  private beyond = 0;
  private place: Place | undefined;

  /** Whether further ones are only counted. */
  get full(): boolean {
    return this.entries.length >= ENTRY_LIMIT;
  }

  /** @param make is not called when the list is full */
  add(make: () => EntryParts): void {
    if (this.full) this.skip();
    else this.entries.push(make());
  }

  /** Counts entries that are not read. */
  skip(count = 1, place?: Place): void {
    this.beyond += count;
    this.place ??= place;
  }

  /** What is said of those beyond the limit. */
  problems(): Problem[] {
    return this.beyond > 0 ? [stopped(this.beyond, this.place ?? this.entries.at(-1))] : [];
  }
}

/** How many entries of its source an intake accounts for: taken, left out with a reason, or reported. */
export function entryCount({ entries, problems }: Intake): number {
  const standing = entries.reduce((sum, { also }) => sum + 1 + (also?.length ?? 0), 0);
  return problems.reduce((sum, problem) => sum + (problem.entries ?? 0), standing);
}

/** At most so many entries as a page can show; how many more there are is said. */
export function bounded(intake: Intake): Intake {
  const { entries, problems } = intake;
  const shown = problems.slice(0, ENTRY_LIMIT);
  if (entries.length <= ENTRY_LIMIT) return { ...intake, problems: shown };
  const more = entries.length - ENTRY_LIMIT;
  return { ...intake, entries: entries.slice(0, ENTRY_LIMIT), problems: [stopped(more, entries[ENTRY_LIMIT]), ...shown] };
}

/** What is said of entries beyond the limit. */
export function stopped(more: number, place?: Place): Problem {
  const left = more === 1 ? '1 more is not' : `${more} more are not`;
  const message = `Reading stopped after ${ENTRY_LIMIT} entries; ${left} here. Give the file in parts.`;
  return problem(message, place, 'warning', more);
}

export function doubt(kind: DoubtKind, reason: string): Doubt {
  return { kind, reason };
}

/** Everything an intake has to say, in the file's order: its problems, and every doubt as a warning. */
export function problemsOf({ entries, problems }: Intake): Problem[] {
  const doubts = entries.flatMap(({ line, column, text, doubts: all }) =>
    all.map(({ reason }) => problem(text ? `${text}: ${reason}` : reason, { line, column: Math.max(1, column) }, 'warning')),
  );
  return [...problems, ...doubts].sort((one, two) => one.line - two.line || one.column - two.column);
}

/** The palette's name when the file has none inside: its own, without folder and extension. */
export function nameOfFile(path: string): string {
  return tidyName(path.replace(/^.*[\\/]/, '').replace(/(?<=.)\.[^.]+$/, '')) || 'Gathered';
}

/** Nothing to tidy: most texts of a large file are short codes. */
const PLAIN_NAME = /^[!-~]{0,120}$/;

/** A name as a brand keeps it: no control characters (a file may hold any), single spaces, at most 120 characters. */
export function tidyName(raw: string): string {
  if (PLAIN_NAME.test(raw)) return raw;
  return (
    raw
      .slice(0, LIMITS.name * 4)
      .replace(/[\u0000-\u001f\u007f-\u009f]+/g, ' ')
      .replace(/\s+/g, ' ')
      .trim()
      .slice(0, LIMITS.name)
      // The cut may fall within a character of two units.
      .replace(/[\ud800-\udbff]$/, '')
      .trim()
  );
}
