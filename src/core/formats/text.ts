import { z } from 'zod';
import { readColour, type ReadColour } from '../colour/read';
import { defineFormat, type Problem, type ReadSwatch } from './format';

/** Why a line of the catch deserves a second look. */
export type Doubt = 'duplicate' | 'length' | 'no colour' | 'bare' | 'unreadable';

/** One thing found in a text: a colour, or a line that should perhaps have been one. */
export interface CatchLine {
  /** Place in the catch, from 0. */
  readonly index: number;
  /** Line and column in the text, from 1. */
  readonly line: number;
  readonly column: number;
  /** The characters that were read, or the start of the line when nothing was. */
  readonly text: string;
  /** The name that stands beside the colour, or an empty string. */
  readonly name: string;
  readonly colour: ReadColour | null;
  readonly doubt: Doubt | null;
  /** The doubt in one sentence; empty without one. */
  readonly reason: string;
}

/** The longest text that is read, in bytes of UTF-8. */
export const TEXT_LIMIT = 5 * 1024 * 1024;
/** More than this is not a palette; what follows is left unread and said so. */
export const CATCH_LIMIT = 20_000;

// A hash code of any length (so that wrong lengths are caught), a colour function, 0xRRGGBB, or bare hex digits.
const LITERAL =
  /#[0-9a-z]+|\b(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\([^()\n]{1,120}\)|\b0x[0-9a-f]{6}\b|(?<![\w#.-])[0-9a-f]{3,8}(?![\w.-])/gi;
const TRIPLE = /(?<![\d.])(\d{1,3})\s*[,;\s]\s*(\d{1,3})\s*[,;\s]\s*(\d{1,3})(?![\d.])/g;
const CELL = /[^\t|;,]+/g;

/**
 * Reads colours out of any text: hex with or without `#`, CSS colour functions, `0xRRGGBB`, `r, g, b` in 0..255,
 * colour names standing alone, lists and tables. Each keeps its line, column and the name beside it.
 * Lines without a colour are in the catch as well, with the reason, so that nothing is dropped silently.
 * @param onProgress called now and then with the share read, 0..1
 */
export function catchColours(text: string, onProgress?: (share: number) => void): CatchLine[] {
  const lines = text.split(/\r\n|\r|\n/);
  const found: CatchLine[] = [];
  const firstLine = new Map<string, number>();
  for (let at = 0; at < lines.length; at++) {
    if (onProgress && at % 2_000 === 0) onProgress(at / lines.length);
    // A minified file may be one line of megabytes: a piece at a time keeps every pattern's work bounded.
    for (const piece of inPieces(lines[at]!)) {
      for (const match of readLine(piece.text)) {
        if (found.length >= CATCH_LIMIT) return found;
        const line: CatchLine = { ...match, index: found.length, line: at + 1, column: piece.column + match.column };
        const key = line.colour && line.colour.hex + line.colour.alpha;
        const earlier = key ? firstLine.get(key) : undefined;
        if (key && earlier === undefined) firstLine.set(key, at + 1);
        found.push(
          earlier === undefined || line.doubt === 'unreadable'
            ? line
            : { ...line, doubt: 'duplicate', reason: `The same colour as on line ${earlier}.` },
        );
      }
    }
  }
  return found;
}

type LineMatch = Omit<CatchLine, 'index' | 'line'>;

function* inPieces(line: string): Generator<{ text: string; column: number }> {
  const LENGTH = 4_000;
  let start = 0;
  while (line.length - start > LENGTH) {
    const space = line.slice(start, start + LENGTH).search(/[\s,;}][^\s,;}]*$/);
    const end = start + (space > 0 ? space + 1 : LENGTH);
    yield { text: line.slice(start, end), column: start };
    start = end;
  }
  yield { text: line.slice(start), column: start };
}

function readLine(line: string): LineMatch[] {
  if (line.trim() === '' || /^[\s|:+=-]+$/.test(line)) return [];
  const matches = [...literals(line)];
  if (matches.length === 0) matches.push(...triples(line));
  if (matches.length === 0) matches.push(...named(line));
  if (matches.length === 0) {
    const column = line.search(/\S/) + 1;
    return [
      { column, text: line.trim().slice(0, 80), name: '', colour: null, doubt: 'no colour', reason: 'No colour on this line.' },
    ];
  }
  return matches.map((match, at) => ({ ...match, name: nameBeside(line, matches, at) }));
}

function* literals(line: string): Generator<LineMatch> {
  for (const match of line.matchAll(LITERAL)) {
    const text = match[0];
    const column = match.index + 1;
    if (text.startsWith('#')) {
      // "#3 of the list" and "#deck" are no codes: only hex digits, or one slip among six, count as an attempt.
      const digits = text.slice(1);
      if (!/^[0-9a-f]+$/i.test(digits)) {
        if (digits.length === 6 && /^[0-9a-f]*[g-z][0-9a-f]*$/i.test(digits)) {
          const wrong = digits.match(/[g-z]/i)![0];
          yield { column, text, name: '', colour: null, doubt: 'unreadable', reason: `“${wrong}” is not a hex digit.` };
        }
        continue;
      }
      const colour = readColour(text);
      if (colour) yield { column, text, name: '', colour, doubt: null, reason: '' };
      else if (digits.length > 1) {
        yield { column, text, name: '', colour: null, doubt: 'length', reason: wrongLength(digits.length) };
      }
    } else if (text.includes('(')) {
      const colour = readColour(text);
      yield colour
        ? { column, text, name: '', colour, doubt: null, reason: '' }
        : { column, text, name: '', colour: null, doubt: 'unreadable', reason: `“${text}” is not a colour CSS knows.` };
    } else if (/^0x/i.test(text)) {
      yield { column, text, name: '', colour: readColour('#' + text.slice(2)), doubt: null, reason: '' };
    } else {
      const bare = bareHex(line, text, match.index);
      if (bare) yield { column, text, name: '', ...bare };
    }
  }
}

/**
 * Hex digits without `#`: a colour where digits and letters mix, or where they stand as an item of their own.
 * Otherwise they may be a word ("decade") or a number ("202611 sailings").
 */
function bareHex(line: string, text: string, at: number): Pick<LineMatch, 'colour' | 'doubt' | 'reason'> | null {
  const before = line.slice(0, at).trimEnd();
  const after = line.slice(at + text.length).trimStart();
  const opens = before === '' || /[:=,;|([{"'`]$/.test(before) || line[at - 1] === '\t';
  const closes = after === '' || /^[,;|)\]}"'`]/.test(after) || line[at + text.length] === '\t';
  const numbered = /^\s*(?:[-*•]|\d+[.)])$/.test(before);
  const item = (opens && closes) || numbered;
  const mixed = /\d/.test(text) && /[a-f]/i.test(text);
  const whole = before === '' && after === '';
  const isCode =
    text.length === 6
      ? mixed || item
      : (text.length === 8 || text.length === 3) && ((mixed && item) || (whole && !/^\d+$/.test(text)));
  if (isCode) return { colour: readColour('#' + text), doubt: 'bare', reason: 'The # is missing, otherwise plain.' };
  if (mixed && item && (text.length === 5 || text.length === 7))
    return { colour: null, doubt: 'length', reason: wrongLength(text.length) };
  return null;
}

function wrongLength(digits: number): string {
  return `A hex code has 3, 4, 6 or 8 digits; this has ${digits}.`;
}

function* triples(line: string): Generator<LineMatch> {
  for (const match of line.matchAll(TRIPLE)) {
    const channels = match.slice(1, 4).map(Number);
    if (channels.some((channel) => channel > 255)) continue;
    const colour = readColour(`rgb(${channels.join(' ')})`);
    yield { column: match.index + 1, text: match[0], name: '', colour, doubt: null, reason: '' };
  }
}

/** CSS colour names, where a cell or the value behind a colon is nothing else. Prose that mentions a colour is prose. */
function* named(line: string): Generator<LineMatch> {
  for (const cell of line.matchAll(CELL)) {
    const match = cell[0].match(/^(?:.*[:=])?\s*["'`]?([a-z]{3,24})["'`]?\s*$/i);
    const colour = match && readColour(match[1]!.toLowerCase());
    if (!colour) continue;
    const column = cell.index + cell[0].lastIndexOf(match[1]!) + 1;
    yield { column, text: match[1]!, name: '', colour, doubt: null, reason: '' };
  }
}

/** The words before a colour back to the previous one; behind it when there are none and it is the line's only colour. */
function nameBeside(line: string, matches: readonly LineMatch[], at: number): string {
  const match = matches[at]!;
  const previous = matches[at - 1];
  const start = previous ? previous.column - 1 + previous.text.length : 0;
  const before = tidyName(line.slice(start, match.column - 1));
  if (before !== '' || matches.length > 1) return before;
  return tidyName(line.slice(match.column - 1 + match.text.length));
}

function tidyName(raw: string): string {
  return raw
    .replace(/[|\t"'`{}[\]();,<>]+/g, ' ')
    .replace(/^\s*(?:[-*•]\s+|\d+[.)]\s+|[$@]|--)+/, '')
    .replace(/[\s:=–—-]+$/, '')
    .replace(/^[\s:=–—-]+/, '')
    .replace(/\s+/g, ' ')
    .trim()
    .slice(0, 120);
}

/** The name a swatch gets from its line: the one beside it, or else its hex. */
export function swatchName(line: CatchLine): string {
  return line.name || line.colour?.hex || line.text;
}

/** What a swatch made from a line keeps as its authored value. */
export function authoredValue(line: CatchLine): string {
  const { text, colour } = line;
  return colour && /^(?:#|[a-z]+(?:\(|$))/i.test(text) && readColour(text) ? text : (colour?.hex ?? text);
}

export const text = defineFormat({
  id: 'text',
  title: 'Any text with colours in it',
  family: 'text',
  extensions: ['.txt', '.md', '.csv', '.tsv', '.css', '.scss', '.json'],
  purpose: 'For pasting: lists, tables, style guides, code.',
  options: z.strictObject({}),
  read({ name, bytes }) {
    // A NUL byte means that this is no text at all.
    if (bytes.includes(0)) return null;
    const lines = catchColours(new TextDecoder().decode(bytes));
    const swatches = lines.flatMap((line): ReadSwatch[] =>
      line.colour && line.doubt !== 'duplicate'
        ? [{ name: swatchName(line), css: authoredValue(line), hex: line.colour.hex, alpha: line.colour.alpha }]
        : [],
    );
    const problems = lines.flatMap((line): Problem[] =>
      line.doubt ? [{ severity: 'warning', line: line.line, column: line.column, message: `${line.text}: ${line.reason}` }] : [],
    );
    if (lines.length >= CATCH_LIMIT) {
      const last = lines.at(-1)!;
      problems.push({
        severity: 'error',
        line: last.line,
        column: last.column,
        message: `Reading stopped after ${CATCH_LIMIT} entries; split the file.`,
      });
    }
    if (swatches.length === 0) return { format: 'text', palettes: [], tokens: [], problems };
    const paletteName = name.replace(/^.*[\\/]/, '').replace(/\.[^.]+$/, '') || 'Pasted';
    return { format: 'text', palettes: [{ name: paletteName, kind: 'loose', swatches }], tokens: [], problems };
  },
});
