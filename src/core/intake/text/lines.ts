import { literals } from './literals';
import { shownKey, readColour } from '../../colour/read';
import { doubt, EntryList, leftOut, taken, type EntryParts } from '../intake';
import type { Problem } from '../../source/problem';
import { spelled, type LineMatch } from './spelled';
import { styleGuide } from './style-guide';
import { linesOf } from './text-lines';
import { textTables } from './text-table';

const CELL = /[^\t|;,]+/g;

/**
 * Reads colours out of any text: hex with or without `#`, CSS colour functions, `0xRRGGBB` and `0xAARRGGBB`, numbers in
 * 0..255, 0..1 and percent, CMYK, HSB and Lab spelled out, colour names standing alone, lists, tables with headings, and
 * the blocks of style guides. Lines without a colour and repeated colours are told too, so that nothing is dropped silently.
 * @param onProgress called now and then with the share read, 0..1
 */
export function readText(text: string, onProgress?: (share: number) => void): { entries: EntryParts[]; problems: Problem[] } {
  const { lines, more } = linesOf(text);
  const tables = textTables(lines);
  const guide = styleGuide(lines.map((line, at) => (tables.used.has(at) ? { ...line, text: '' } : line)));
  const whole = [...tables.entries, ...guide.entries].sort((one, two) => one.line - two.line || one.column - two.column);
  const list = new EntryList();
  const firstLine = new Map<string, number>();
  let next = 0;
  for (const [at, { number, from, text: line }] of lines.entries()) {
    if (onProgress && at % 2_000 === 0) onProgress(at / lines.length);
    while (next < whole.length && whole[next]!.line <= number) {
      const entry = whole[next++]!;
      list.add(() => withRepeat(entry, firstLine));
    }
    if (tables.used.has(at) || guide.used.has(at)) continue;
    // A minified file may be one line of megabytes: a piece at a time keeps every pattern's work bounded.
    for (const piece of inPieces(line)) {
      // What follows the limit is counted by lines: reading them would cost as much again.
      if (list.full) {
        if (line.trim() !== '') list.skip();
        break;
      }
      for (const { at: start, name, ...match } of readLine(piece.text)) {
        list.add(() => {
          const place = { line: number, column: piece.start + start + 1, name, text: match.text };
          const span = { from: from + piece.start + start, to: from + piece.start + start + match.text.length };
          const parts = { ...place, span, ...(match.other && { other: match.other }) };
          const { colour, doubts } = match;
          return colour ? withRepeat(taken(colour, { ...parts, doubts }), firstLine) : leftOut(null, doubts[0]!, parts);
        });
      }
    }
  }
  if (more > 0) list.skip(more);
  return { entries: list.entries, problems: [...tables.problems, ...list.problems()] };
}

/** An entry of a text, left out when its colour has stood before. */
function withRepeat(entry: EntryParts, firstLine: Map<string, number>): EntryParts {
  if (!entry.colour || !entry.take) return entry;
  const key = shownKey(entry.colour);
  const earlier = firstLine.get(key);
  if (earlier === undefined) {
    firstLine.set(key, entry.line);
    return entry;
  }
  return { ...entry, take: false, doubts: [...entry.doubts, doubt('duplicate', `The same colour as on line ${earlier}.`)] };
}

type NamedMatch = LineMatch & { readonly name: string };

function* inPieces(line: string): Generator<{ text: string; start: number }> {
  const LENGTH = 4_000;
  let start = 0;
  while (line.length - start > LENGTH) {
    const space = line.slice(start, start + LENGTH).search(/[\s,;}][^\s,;}]*$/);
    const end = start + (space > 0 ? space + 1 : LENGTH);
    yield { text: line.slice(start, end), start };
    start = end;
  }
  yield { text: line.slice(start), start };
}

function readLine(line: string): NamedMatch[] {
  if (line.trim() === '' || /^[\s|:+=-]+$/.test(line)) return [];
  const matches = [...literals(line)];
  if (matches.length === 0) matches.push(...spelled(line));
  if (matches.length === 0) matches.push(...named(line));
  if (matches.length === 0) {
    const at = line.search(/\S/);
    return [
      { at, text: line.trim().slice(0, 80), name: '', colour: null, doubts: [doubt('no colour', 'No colour on this line.')] },
    ];
  }
  return matches.map((match, at) => ({ ...match, name: nameBeside(line, matches, at) }));
}

/** CSS colour names, where a cell or the value behind a colon is nothing else. Prose that mentions a colour is prose. */
function* named(line: string): Generator<LineMatch> {
  for (const cell of line.matchAll(CELL)) {
    const match = cell[0].match(/^(?:.*[:=])?\s*["'`]?([a-z]{3,24})["'`]?\s*$/i);
    const colour = match && readColour(match[1]!.toLowerCase());
    if (!colour) continue;
    yield { at: cell.index + cell[0].lastIndexOf(match[1]!), text: match[1]!, colour, doubts: [] };
  }
}

/** The words before a colour back to the previous one; behind it when there are none and it is the line's only colour. */
function nameBeside(line: string, matches: readonly LineMatch[], at: number): string {
  const match = matches[at]!;
  const previous = matches[at - 1];
  const start = previous ? previous.at + previous.text.length : 0;
  const before = firstColumn(line.slice(start, match.at));
  if (before !== '' || matches.length > 1) return before;
  return trimName(line.slice(match.at + match.text.length));
}

/** Of several columns before a code the first that has a word in it: ink numbers and other notations may follow it. */
function firstColumn(text: string): string {
  const columns = text.split(/\t|\||\s{3,}/).filter((column) => column.trim() !== '');
  const worded =
    columns.length > 2 || columns.some((column) => /^[\s\d.,%/]+$/.test(column))
      ? columns.find((column) => /\p{L}/u.test(column))
      : undefined;
  return trimName(worded ?? text);
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
