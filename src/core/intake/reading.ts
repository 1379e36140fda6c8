import { LIMITS } from '../brand/document';
import { readColour } from '../colour/read';
import type { Doubt, Found, Problem, ReadPalette, ReadSwatch, Reading } from '../formats/kit/format';

/** More than this is not a palette; what follows is left unread and said so. */
export const CATCH_LIMIT = 20_000;

/** A swatch as a reader found it. `css` must be a colour. */
export function readSwatch(
  css: string,
  { name, line, column = 0, text = css, doubts = [], ...rest }: Partial<Omit<Found, 'css'>> & { name: string; line: number },
): ReadSwatch {
  const { hex, alpha } = readColour(css)!;
  const clean = tidyName(name) || hex;
  return { ...rest, name: clean, css, hex, alpha, line, column, text: tidyName(text), doubts };
}

/** A reading of palettes alone. */
export function readingOf(format: string, palettes: readonly ReadPalette[], problems: readonly Problem[] = []): Reading {
  const filled = palettes.filter(({ swatches }) => swatches.length > 0);
  return { format, palettes: filled, tokens: [], aliases: [], skipped: [], problems };
}

/** The answer to a file of this format in which nothing can be read. */
export function unreadable(format: string, message: string, line = 1, column = 1): Reading {
  return readingOf(format, [], [problem(message, line, column)]);
}

export function problem(message: string, line = 1, column = 1, severity: Problem['severity'] = 'error'): Problem {
  return { severity, line, column, message };
}

export function doubt(kind: Doubt['kind'], reason: string): Doubt {
  return { kind, reason };
}

/** Everything a reading has to say, in the file's order: its problems, and every doubt as a warning. */
export function problemsOf(reading: Reading): Problem[] {
  const found: readonly Found[] = [
    ...reading.palettes.flatMap(({ swatches }) => swatches),
    ...reading.aliases,
    ...reading.skipped,
  ];
  const doubts = found.flatMap(({ line, column, text, doubts: all }) =>
    all.map(({ reason }) => problem(`${text}: ${reason}`, line, Math.max(1, column), 'warning')),
  );
  return [...reading.problems, ...doubts].sort((one, two) => one.line - two.line || one.column - two.column);
}

/** The palette's name when the file has none inside: its own, without folder and extension. */
export function nameOfFile(path: string): string {
  return tidyName(path.replace(/^.*[\\/]/, '').replace(/(?<=.)\.[^.]+$/, '')) || 'Gathered';
}

/** A name as a brand keeps it: no control characters (a file may hold any), single spaces, at most 120 characters. */
export function tidyName(raw: string): string {
  return (
    raw
      .replace(/[\u0000-\u001f\u007f-\u009f]+/g, ' ')
      .replace(/\s+/g, ' ')
      .trim()
      .slice(0, LIMITS.name)
      // The cut may fall within a character of two units.
      .replace(/[\ud800-\udbff]$/, '')
      .trim()
  );
}
