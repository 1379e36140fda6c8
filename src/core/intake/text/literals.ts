import { readColour } from '../../colour/read';
import { CSS_FUNCTIONS } from '../../colour/spaces';
import { doubt, type Doubt } from '../intake';
import { HEX_WORDS } from './hex-words';
import { spelled, type LineMatch } from './spelled';

// A hash code of any length (so that wrong lengths are caught), a colour function, 0xRRGGBB, or bare hex digits.
const LITERAL = new RegExp(
  String.raw`#[0-9a-z]+|\b(?:${CSS_FUNCTIONS.join('|')})\([^()\n]{1,120}\)|\b0x(?:[0-9a-f]{8}|[0-9a-f]{6})\b|(?<![\w#.-])[0-9a-f]{3,8}(?![\w.-])`,
  'gi',
);

/** The codes and colour functions of a line, and what is nearly one, in their order. */
export function* literals(line: string): Generator<LineMatch> {
  for (const { index: at, 0: text } of line.matchAll(LITERAL)) {
    if (text.startsWith('#')) {
      // "#3 of the list" and "#deck" are no codes: only hex digits, or one slip among six, count as an attempt.
      const digits = text.slice(1);
      if (!/^[0-9a-f]+$/i.test(digits)) {
        if (digits.length === 6 && /^[0-9a-f]*[g-z][0-9a-f]*$/i.test(digits)) {
          const wrong = digits.match(/[g-z]/i)![0];
          yield nothing(at, text, doubt('unreadable', `“${wrong}” is not a hex digit.`));
        }
        continue;
      }
      const colour = readColour(text);
      if (colour) yield { at, text, colour, doubts: [] };
      else if (digits.length > 1) yield nothing(at, text, wrongLength(digits.length));
    } else if (text.includes('(')) {
      // Print shops and programs write functions that CSS does not: RGB(31/111/120).
      const colour = readColour(text);
      const [meant] = colour ? [{ at, text, colour, doubts: [] }] : spelled(text);
      yield meant ? { ...meant, at, text } : nothing(at, text, doubt('unreadable', `“${text}” is not a colour CSS knows.`));
    } else if (/^0x/i.test(text)) {
      yield programmers(at, text);
    } else {
      const bare = bareHex(line, text, at);
      if (bare) yield bare;
    }
  }
}

function nothing(at: number, text: string, reason: Doubt): LineMatch {
  return { at, text, colour: null, doubts: [reason] };
}

/** `0xRRGGBB`, or eight digits of which the first or the last two are opacity: programs differ, so both are offered. */
function programmers(at: number, text: string): LineMatch {
  const digits = text.slice(2).toLowerCase();
  if (digits.length === 6) return { at, text, colour: readColour(`#${digits}`), doubts: [] };
  const [first, last] = [shortest(digits.slice(2) + digits.slice(0, 2)), shortest(digits)];
  const colour = readColour(first);
  if (first === last) return { at, text, colour, doubts: [] };
  const reason = `Opacity read first; read last it is ${last}.`;
  return { at, text, colour, doubts: [doubt('ambiguous', reason)], other: readColour(last)! };
}

/** Eight digits without an opacity that says nothing. */
function shortest(digits: string): string {
  return `#${digits.endsWith('ff') ? digits.slice(0, 6) : digits}`;
}

/**
 * Hex digits without `#`: a colour where digits and letters mix, or where they stand as an item of their own.
 * Otherwise they may be a word ("decade") or a number ("202611 sailings").
 */
function bareHex(line: string, text: string, at: number): LineMatch | null {
  if (HEX_WORDS.has(text.toLowerCase())) return null;
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
  if (isCode) {
    const colour = readColour(`#${text.toLowerCase()}`);
    return { at, text, colour, doubts: [doubt('bare', 'The # is missing, otherwise plain.')] };
  }
  return mixed && item && (text.length === 5 || text.length === 7) ? nothing(at, text, wrongLength(text.length)) : null;
}

/** @param figure whether it stands in a cell as a number */
export function wrongLength(digits: number, figure = false): Doubt {
  const zeros = figure && digits < 6 ? ' A spreadsheet takes zeros off the front of a number.' : '';
  return doubt('length', `A hex code has 3, 4, 6 or 8 digits; this has ${digits}.${zeros}`);
}
