import { CSS_FUNCTIONS } from '../colour/spaces';
import { codeLiteral, integerLiteral, numbersLiteral, readLiteral, type Literal } from './literal';
import type { Problem } from './problem';
import type { Span } from './source-text';
import { isForPeople } from './speaks-of-colour';

/** One step on the way from the outside of a structure to a place in it. All that stands below it shares it. */
export interface Step {
  /** An element, `@attribute`, key, section, selector or property; nothing for an entry of a list. */
  readonly key: string;
  /** Which it is, from 1, of those with the same key beside each other; null where a key stands once. */
  readonly at: number | null;
  /** What it calls itself, by an attribute or a member such as `name` or `id`. */
  label: string;
  /** All of it, where it may be repeated as it stands: an element, an entry of a list. */
  extent: Span | null;
}

/** A colour that stands in a source, and where in its structure. */
export interface Occurrence {
  readonly span: Span;
  /** From the outside in. */
  readonly path: readonly Step[];
  readonly literal: Literal;
  /** Why it is probably only spoken of: it stands in a comment, or among the words of a sentence. */
  readonly aside: 'comment' | 'prose' | null;
}

/** What a scanner saw: every colour of the source in its order, and what it could not make out. */
export interface Scan {
  readonly occurrences: readonly Occurrence[];
  readonly problems: readonly Problem[];
}

/** Told the place in the text that a scan has come to; places come in order, or nearly. */
export type OnPlace = (at: number) => void;

export function step(key: string, at: number | null = null, extent: Span | null = null): Step {
  return { key, at, label: '', extent };
}

/**
 * `settings/berth[3]/@fill`, `series/colours[2]`: keys from the outside in, with the number of those that are repeated.
 * @param starred index of the step whose number is left open, as `[*]`, or as `*` behind a key that ends in one
 */
export function pathText(path: readonly Step[], starred = -1): string {
  let text = '';
  for (const [index, { key, at }] of path.entries()) {
    const star = index === starred;
    if (text !== '' && key !== '') text += '/';
    text += star && at === null ? key.replace(/\d+$/, '*') : key;
    if (at !== null) text += star ? '[*]' : `[${at}]`;
  }
  return text;
}

/** A longer line was written by no person; only codes and functions are looked for in it, and no structure. */
export const LONGEST_LINE = 10_000;

const CODES = String.raw`(?<![\w&#$])(?:#|&H|\$|0[xX])[0-9a-fA-F]{3,8}(?![\w-])`;
const FUNCTIONS = String.raw`(?<![\w-])(?:${CSS_FUNCTIONS.join('|')})\([^()\r\n]{1,120}\)`;
const LITERAL = new RegExp(`${CODES}|${FUNCTIONS}`, 'gi');
/** Whether a text could hold a code or a function at all; most of a settings file's texts cannot. */
const SIGNS = /[#$(]|&H|0x/i;
/** Digits that are a colour's behind `0x`, `&H` and `$`; fewer may be any number. */
const WHOLE = /^(?:0x|&H|\$)(?:[0-9a-f]{6}|[0-9a-f]{8})$/i;

/** Codes and CSS functions in a stretch of text, wherever they stand in it. @param from place of the stretch in the source */
export function* literalsIn(text: string, from = 0): Generator<{ span: Span; literal: Literal }> {
  if (!SIGNS.test(text)) return;
  for (const { index, 0: found } of text.matchAll(LITERAL)) {
    const prefix = /^(?:#|0x|&H|\$)/i.exec(found)?.[0] ?? '';
    if (prefix !== '' && prefix !== '#' && !WHOLE.test(found)) continue;
    const literal = prefix === '' ? readLiteral(found) : codeLiteral(found, prefix, found.slice(prefix.length), 'rgba');
    if (literal) yield { span: { from: from + index, to: from + index + found.length }, literal };
    else if (prefix === '') {
      // A function of a program's that is called like one of CSS: `Color("#1f6f78")`.
      const open = found.indexOf('(') + 1;
      yield* literalsIn(found.slice(open, -1), from + index + open);
    }
  }
}

const NUMBER = String.raw`\d*\.?\d+`;
/** Three or four numbers with commas, semicolons or white space between, and brackets about them or not. */
const TUPLE = new RegExp(
  String.raw`^[([{]?\s*(${NUMBER}(?:\s*[,;]\s*|\s+)${NUMBER}(?:\s*[,;]\s*|\s+)${NUMBER}(?:(?:\s*[,;]\s*|\s+)${NUMBER})?)\s*[)\]}]?$`,
);

/**
 * How three or four numbers can be a colour: as shares of 1 where none is more, else as bytes; null when they cannot.
 * @param numbers a fourth is opacity
 */
export function rangeOf(numbers: readonly number[]): 'bytes' | 'shares' | null {
  if (numbers.length < 3 || numbers.length > 4) return null;
  const channels = numbers.slice(0, 3);
  const most = Math.max(...channels);
  if (Math.min(...channels) < 0 || most > 255) return null;
  if (most <= 1) return 'shares';
  return channels.every(Number.isInteger) ? 'bytes' : null;
}

/** What a value that is a colour in figures is, where its key speaks of colour: a tuple, a whole number, or bare hex digits. */
function figures(text: string): { lead: number; literal: Literal } | null {
  const [, tuple] = TUPLE.exec(text) ?? [];
  if (tuple !== undefined) {
    const range = rangeOf(tuple.match(new RegExp(NUMBER, 'g'))!.map(Number));
    const literal = range && numbersLiteral(tuple, range);
    return literal && { lead: text.indexOf(tuple), literal };
  }
  const literal = /^-?\d{4,10}$/.test(text)
    ? integerLiteral(text, 'rgb')
    : /^(?:[0-9a-f]{6}|[0-9a-f]{8})$/i.test(text)
      ? codeLiteral(text, '', text, 'rgba')
      : null;
  return literal && { lead: 0, literal };
}

/** What is needed to know what a value may be. */
export interface Valued {
  /** The value as the structure means it, and as it stands in the source. */
  readonly value: string;
  readonly raw: string;
  readonly from: number;
  readonly path: readonly Step[];
  readonly key: string;
  /** Whether its key speaks of colour, so that names and figures may be one. */
  readonly coloured: boolean;
}

/** The colours of one value: the whole of it where that is one, else the codes and functions that stand in it. */
export function valueOccurrences({ value, raw, from, path, key, coloured }: Valued): Occurrence[] {
  if (!coloured && !SIGNS.test(raw)) return [];
  const text = value.trim();
  if (text.length <= 128) {
    const word = /^[a-z]+$/i.test(text);
    const mayBeOne = !word || (coloured && !/^(?:transparent|currentcolor)$/i.test(text));
    const literal = mayBeOne ? readLiteral(text) : null;
    const whole = literal ? { lead: 0, literal } : coloured ? figures(text) : null;
    if (whole) {
      const lead = raw.indexOf(text);
      const start = from + Math.max(0, lead) + whole.lead;
      // Written with escapes: then it is all of the stretch that says it.
      const span = lead < 0 ? { from, to: from + raw.length } : { from: start, to: start + whole.literal.text.length };
      return [{ span, path, literal: whole.literal, aside: null }];
    }
  }
  const found = [...literalsIn(raw, from)];
  if (found.length === 0) return [];
  const aside = isProse(text) || isForPeople(key) ? 'prose' : null;
  return found.map(({ span, literal }) => ({ span, path, literal, aside }));
}

/** Four words in a row, with codes between them or not. */
const SENTENCE = /(?:^|[\s,.;(“"'])\p{L}[\p{L}’'-]*,?(?:(?: #[0-9a-f]{3,8},?)? \p{L}[\p{L}’'-]*,?){3}/iu;

/** Whether a text is a sentence rather than a value: no notation of a style has so many words in a row. */
export function isProse(text: string): boolean {
  return SENTENCE.test(text);
}

/** The colours of a comment. */
export function commentOccurrences(text: string, from: number, path: readonly Step[]): Occurrence[] {
  return Array.from(literalsIn(text, from), ({ span, literal }) => ({ span, path, literal, aside: 'comment' as const }));
}
