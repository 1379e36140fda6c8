import { z } from 'zod';
import { readColour } from '../../colour/read';
import { defineFormat, type Found, type ReadSwatch } from '../../formats/kit/format';
import { spelled } from './spelled';
import { CATCH_LIMIT, doubt, nameOfFile, problem, readingOf, readSwatch } from '../reading';

// A hash code of any length (so that wrong lengths are caught), a colour function, 0xRRGGBB, or bare hex digits.
const LITERAL =
  /#[0-9a-z]+|\b(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\([^()\n]{1,120}\)|\b0x(?:[0-9a-f]{8}|[0-9a-f]{6})\b|(?<![\w#.-])[0-9a-f]{3,8}(?![\w.-])/gi;
const CELL = /[^\t|;,]+/g;

/**
 * Reads colours out of any text: hex with or without `#`, CSS colour functions, `0xRRGGBB` and `0xAARRGGBB`, numbers in
 * 0..255, 0..1 and percent, CMYK, HSB and Lab spelled out, colour names standing alone, lists and tables. Each keeps its
 * line, column and the name beside it. Lines without a colour and repeated colours are told too, so that nothing is
 * dropped silently.
 * @param onProgress called now and then with the share read, 0..1
 */
export function readText(
  text: string,
  onProgress?: (share: number) => void,
): { swatches: ReadSwatch[]; skipped: Found[]; cutAt: number | null } {
  const lines = text.split(/\r\n|\r|\n/);
  const swatches: ReadSwatch[] = [];
  const skipped: Found[] = [];
  const firstLine = new Map<string, number>();
  for (let at = 0; at < lines.length; at++) {
    if (onProgress && at % 2_000 === 0) onProgress(at / lines.length);
    // A minified file may be one line of megabytes: a piece at a time keeps every pattern's work bounded.
    for (const piece of inPieces(lines[at]!)) {
      for (const match of readLine(piece.text)) {
        if (swatches.length + skipped.length >= CATCH_LIMIT) return { swatches, skipped, cutAt: at + 1 };
        const found: Found = { ...match, line: at + 1, column: piece.column + match.column };
        if (found.css === null) {
          skipped.push(found);
          continue;
        }
        const swatch = readSwatch(found.css, found);
        const key = swatch.hex + swatch.alpha;
        const earlier = firstLine.get(key);
        if (earlier === undefined) {
          firstLine.set(key, at + 1);
          swatches.push(swatch);
        } else
          skipped.push({ ...swatch, doubts: [...swatch.doubts, doubt('duplicate', `The same colour as on line ${earlier}.`)] });
      }
    }
  }
  return { swatches, skipped, cutAt: null };
}

type LineMatch = Omit<Found, 'line'>;

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
  if (matches.length === 0) matches.push(...spelled(line));
  if (matches.length === 0) matches.push(...named(line));
  if (matches.length === 0) {
    const column = line.search(/\S/) + 1;
    return [nothing(column, line.trim().slice(0, 80), doubt('no colour', 'No colour on this line.'))];
  }
  return matches.map((match, at) => ({ ...match, name: nameBeside(line, matches, at) }));
}

const plain = (column: number, text: string, css: string): LineMatch => ({ column, text, name: '', css, doubts: [] });
const nothing = (column: number, text: string, ...doubts: Found['doubts']): LineMatch => ({
  column,
  text,
  name: '',
  css: null,
  doubts,
});

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
          yield nothing(column, text, doubt('unreadable', `“${wrong}” is not a hex digit.`));
        }
        continue;
      }
      if (readColour(text)) yield plain(column, text, text);
      else if (digits.length > 1) yield nothing(column, text, wrongLength(digits.length));
    } else if (text.includes('(')) {
      // Print shops and programs write functions that CSS does not: RGB(31/111/120).
      const [meant] = readColour(text) ? [plain(column, text, text)] : spelled(text);
      yield meant
        ? { ...meant, column, text }
        : nothing(column, text, doubt('unreadable', `“${text}” is not a colour CSS knows.`));
    } else if (/^0x/i.test(text)) {
      yield programmers(column, text);
    } else {
      const bare = bareHex(line, text, match.index);
      if (bare) yield { column, text, name: '', ...bare };
    }
  }
}

/** `0xRRGGBB`, or eight digits of which the first or the last two are opacity: programs differ, so both are offered. */
function programmers(column: number, text: string): LineMatch {
  const digits = text.slice(2).toLowerCase();
  if (digits.length === 6) return plain(column, text, `#${digits}`);
  const [first, last] = [shortest(digits.slice(2) + digits.slice(0, 2)), shortest(digits)];
  if (first === last) return plain(column, text, first);
  const reason = `Opacity read first; read last it is ${last}.`;
  return { ...plain(column, text, first), doubts: [doubt('ambiguous', reason)], other: last };
}

/** Eight digits without an opacity that says nothing. */
function shortest(digits: string): string {
  return `#${digits.endsWith('ff') ? digits.slice(0, 6) : digits}`;
}

/**
 * Hex digits without `#`: a colour where digits and letters mix, or where they stand as an item of their own.
 * Otherwise they may be a word ("decade") or a number ("202611 sailings").
 */
function bareHex(line: string, text: string, at: number): Pick<LineMatch, 'css' | 'doubts'> | null {
  const before = line.slice(0, at).trimEnd();
  const after = line.slice(at + text.length).trimStart();
  // A tab, or two spaces and more, part the columns of a list.
  const opens = before === '' || /[:=,;|([{"'`]$/.test(before) || /\t$| {2}$/.test(line.slice(0, at));
  const closes = after === '' || /^[,;|)\]}"'`]/.test(after) || line[at + text.length] === '\t';
  const numbered = /^\s*(?:[-*•]|\d+[.)])$/.test(before);
  const item = (opens && closes) || numbered;
  const mixed = /\d/.test(text) && /[a-f]/i.test(text);
  const whole = before === '' && after === '';
  const isCode =
    text.length === 6
      ? mixed || item
      : (text.length === 8 || text.length === 3) && ((mixed && item) || (whole && !/^\d+$/.test(text)));
  if (isCode) return { css: `#${text.toLowerCase()}`, doubts: [doubt('bare', 'The # is missing, otherwise plain.')] };
  if (mixed && item && (text.length === 5 || text.length === 7)) return { css: null, doubts: [wrongLength(text.length)] };
  return null;
}

function wrongLength(digits: number) {
  return doubt('length', `A hex code has 3, 4, 6 or 8 digits; this has ${digits}.`);
}

/** CSS colour names, where a cell or the value behind a colon is nothing else. Prose that mentions a colour is prose. */
function* named(line: string): Generator<LineMatch> {
  for (const cell of line.matchAll(CELL)) {
    const match = cell[0].match(/^(?:.*[:=])?\s*["'`]?([a-z]{3,24})["'`]?\s*$/i);
    if (!match || !readColour(match[1]!.toLowerCase())) continue;
    const column = cell.index + cell[0].lastIndexOf(match[1]!) + 1;
    yield plain(column, match[1]!, match[1]!);
  }
}

/** The words before a colour back to the previous one; behind it when there are none and it is the line's only colour. */
function nameBeside(line: string, matches: readonly LineMatch[], at: number): string {
  const match = matches[at]!;
  const previous = matches[at - 1];
  const start = previous ? previous.column - 1 + previous.text.length : 0;
  const before = trimName(line.slice(start, match.column - 1));
  if (before !== '' || matches.length > 1) return before;
  return trimName(line.slice(match.column - 1 + match.text.length));
}

function trimName(raw: string): string {
  return raw
    .replace(/[|\t"'`{}[\]();,<>]+/g, ' ')
    .replace(/^\s*(?:[-*•]\s+|\d+[.)]\s+|[$@]|--)+/, '')
    .replace(/[\s:=–—-]+$/, '')
    .replace(/^[\s:=–—-]+/, '')
    .replace(/\s+/g, ' ')
    .trim()
    .slice(0, 120);
}

export const text = defineFormat({
  id: 'text',
  title: 'Any text with colours in it',
  family: 'text',
  extensions: ['.txt', '.md', '.scss'],
  purpose: 'For pasting: lists, tables, style guides, code.',
  options: z.strictObject({}),
  read({ name, bytes }, { onProgress }) {
    // A NUL byte means that this is no text at all.
    if (bytes.includes(0)) return null;
    const { swatches, skipped, cutAt } = readText(new TextDecoder().decode(bytes), onProgress);
    const problems = cutAt === null ? [] : [problem(`Reading stopped after ${CATCH_LIMIT} entries; split the text.`, cutAt)];
    return { ...readingOf('text', [{ name: nameOfFile(name), kind: 'loose', swatches }], problems), skipped };
  },
});
