import { CSS_FUNCTIONS } from '../colour/spaces';
import { codeLiteral, readLiteral, type ByteOrder, type Literal } from './literal';
import type { Problem } from './problem';
import type { Span } from './source-text';

/** A colour that stands in a source, and where in its structure. */
export interface Occurrence {
  readonly span: Span;
  /** From the outside in: keys and list numbers, elements and `@attribute`, section and key, property. */
  readonly path: readonly string[];
  readonly literal: Literal;
  /** Whether it stands in a comment. */
  readonly comment: boolean;
}

/** What a scanner saw: every colour of the source in its order, and what it could not make out. */
export interface Scan {
  readonly occurrences: readonly Occurrence[];
  readonly problems: readonly Problem[];
}

const CODES = String.raw`(?<![\w&#$])(?:#|&H|\$|0[xX])[0-9a-fA-F]{3,8}(?![\w-])`;
const FUNCTIONS = String.raw`(?<![\w-])(?:${CSS_FUNCTIONS.join('|')})\([^()\r\n]{1,120}\)`;
const LITERAL = new RegExp(`${CODES}|${FUNCTIONS}`, 'gi');
/** Digits that are a colour's behind `0x`, `&H` and `$`; fewer may be any number. */
const WHOLE = /^(?:0x|&H|\$)(?:[0-9a-f]{6}|[0-9a-f]{8})$/i;

/** Codes and CSS functions in a stretch of text, wherever they stand in it. @param from place of the stretch in the source */
export function* literalsIn(text: string, from = 0, order: ByteOrder = 'rgba'): Generator<{ span: Span; literal: Literal }> {
  for (const { index, 0: found } of text.matchAll(LITERAL)) {
    const prefix = /^(?:#|0x|&H|\$)/i.exec(found)?.[0] ?? '';
    if (prefix !== '' && prefix !== '#' && !WHOLE.test(found)) continue;
    const literal = prefix === '' ? readLiteral(found) : codeLiteral(found, prefix, found.slice(prefix.length), order);
    if (literal) yield { span: { from: from + index, to: from + index + found.length }, literal };
  }
}

/** A value of a structure as occurrences: the whole of it where that is a colour, also by name, else what stands in it. */
export function occurrencesOf(value: string, span: Span, raw: string, path: readonly string[], mayBeName: boolean): Occurrence[] {
  const trimmed = value.trim();
  const whole = trimmed.length <= 128 && (mayBeName || !/^[a-z]+$/i.test(trimmed)) ? readLiteral(trimmed) : null;
  if (whole) {
    const lead = raw.indexOf(trimmed);
    // Written with escapes: then it is the whole stretch that holds it.
    const place = lead < 0 ? span : { from: span.from + lead, to: span.from + lead + trimmed.length };
    return [{ span: place, path, literal: whole, comment: false }];
  }
  return [...literalsIn(raw, span.from)].map((found) => ({ ...found, path, comment: false }));
}

/** Keys and attributes in which a plain word may be the name of a colour, and numbers its channels. */
export const COLOURED =
  /colou?r|rgb|fill|stroke|ground|border|accent|palette|tint|ink|shade|swatch|(?:^|[^a-z])bg|(?:^|[^a-z])fg/i;
