import { tokenize, tokenTypes } from 'css-tree/tokenizer';
import { CSS_FUNCTIONS } from '../colour/spaces';
import { readLiteral } from './literal';
import { commentOccurrences, step, type Occurrence, type OnPlace, type Scan, type Step } from './occurrence';
import { problem, type Problem } from './problem';
import type { SourceText, Span } from './source-text';

/** Properties whose plain words may be colour names; elsewhere `tan` or `plum` may be a name of something else. */
const MAY_NAME = /^(?:--|\$|@)|color|background|border|outline|fill|stroke|shadow|gradient|decoration|column-rule|caret|accent/i;
const FUNCTIONS: ReadonlySet<string> = new Set(CSS_FUNCTIONS);

/** Deeper than this no style sheet is nested. */
const DEEPEST = 200;
const MOST_PROBLEMS = 20;
/** Selectors are shown to people; of a longer one this is enough to know it by. */
const LONGEST_SELECTOR = 120;

/** A colour of a style sheet; the last step of its way is the property. */
export interface CssOccurrence extends Occurrence {
  /** Whether it is all that a custom property holds. */
  readonly whole: boolean;
}

export interface CssScan extends Scan {
  readonly occurrences: readonly CssOccurrence[];
}

/** A statement that has begun: until it ends, it may still be a declaration or the selector of a block. */
interface Statement {
  from: number;
  /** What stands before the first colon, and where its value begins; none before there is a colon. */
  property: string;
  value: number;
  /** What may be colours in it, should it turn out to be a declaration. */
  readonly found: Span[];
}

/**
 * Every colour of a style sheet, or of a part of the source that is one: CSS, and the languages that are compiled to it. It
 * goes by the tokens alone (CSS Syntax Level 3, section 4) and keeps no tree, so that size and faults do no harm.
 * @param context `declarationList` for the inside of a style attribute
 */
export function scanCss(
  source: SourceText,
  part: Span = { from: 0, to: source.text.length },
  context: 'stylesheet' | 'declarationList' = 'stylesheet',
  onPlace?: OnPlace,
): CssScan {
  const text = source.textOf(part);
  const problems: Problem[] = [];
  const occurrences: CssOccurrence[] = [];
  const blocks: { readonly step: Step; readonly counts: Map<string, number> }[] = [];
  const top = new Map<string, number>();
  /** How many brackets and blocks are open; within round and square ones nothing ends a statement. */
  let depth = 0;
  let brackets = 0;
  let tooDeep = false;
  let statement: Statement | null = null;
  let remarkUntil = -1;
  const path = () => blocks.map(({ step: each }) => each);
  const tell = (message: string, at: number) => {
    if (problems.length < MOST_PROBLEMS) problems.push(problem(message, source.placeOf(part.from + at), 'warning'));
  };

  const finish = (end: number) => {
    const done = statement;
    statement = null;
    brackets = 0;
    if (!done) return;
    if (done.value < 0) {
      const isPlain = /^[a-z-]/i.test(text.slice(done.from, done.from + 1));
      if (isPlain && (blocks.length > 0 || context === 'declarationList')) tell('This is no CSS: a colon is missing.', done.from);
      // A mixin's or a function's arguments may be colours.
      if (text[done.from] !== '@') return;
    }
    const { property } = done;
    const counts = blocks.at(-1)?.counts ?? top;
    const all = trimmed(text, done.value < 0 ? done.from : done.value, end);
    for (const { from, to } of done.found) {
      if (/^[a-z]+$/i.test(text.slice(from, to)) && !MAY_NAME.test(property)) continue;
      const literal = readLiteral(text.slice(from, to));
      if (!literal) continue;
      const whole = property.startsWith('--') && all.from === from && all.to === to;
      const number = (counts.get(property) ?? 0) + 1;
      counts.set(property, number);
      const here = [...path(), step(property, number === 1 ? null : number)];
      occurrences.push({ span: { from: part.from + from, to: part.from + to }, path: here, literal, aside: null, whole });
    }
  };
  const remark = (from: number, to: number) => {
    for (const found of commentOccurrences(text.slice(from, to), part.from + from, path()))
      occurrences.push({ ...found, whole: false });
  };
  const nest = (by: 1 | -1) => {
    depth = Math.max(0, depth + by);
    tooDeep ||= depth > DEEPEST;
  };

  /** The end of a function that is a colour, in which nothing else is looked for. */
  let insideUntil = -1;
  tokenize(text, (type, start, end) => {
    if (tooDeep || start < remarkUntil) return;
    onPlace?.(part.from + start);
    if (type === tokenTypes.Comment) return remark(start, end);
    if (type === tokenTypes.WhiteSpace) return;
    // Two slashes begin a comment in the languages that are compiled; in CSS they mean nothing.
    if (type === tokenTypes.Delim && text.startsWith('//', start)) {
      remarkUntil = lineEnd(text, start);
      return remark(start, remarkUntil);
    }
    if (start < insideUntil) {
      if (type === tokenTypes.RightParenthesis) nest(-1);
      return;
    }
    switch (type) {
      case tokenTypes.LeftCurlyBracket: {
        nest(1);
        const selector = statement
          ? text.slice(statement.from, start).replace(/\s+/g, ' ').trim().slice(0, LONGEST_SELECTOR)
          : '';
        const counts = blocks.at(-1)?.counts ?? top;
        const number = (counts.get(selector) ?? 0) + 1;
        counts.set(selector, number);
        blocks.push({ step: step(selector, number === 1 ? null : number), counts: new Map() });
        statement = null;
        brackets = 0;
        return;
      }
      case tokenTypes.RightCurlyBracket:
        nest(-1);
        finish(start);
        blocks.pop();
        return;
      case tokenTypes.Semicolon:
        if (brackets === 0) finish(start);
        return;
    }
    statement ??= { from: start, property: '', value: -1, found: [] };
    switch (type) {
      case tokenTypes.Colon:
        // Within brackets each colon begins anew: the entries of a map.
        if (statement.value < 0 || brackets > 0) {
          statement.property ||= text.slice(statement.from, start).trim();
          statement.value = end;
        }
        return;
      case tokenTypes.LeftParenthesis:
      case tokenTypes.LeftSquareBracket:
        brackets++;
        return nest(1);
      case tokenTypes.RightParenthesis:
      case tokenTypes.RightSquareBracket:
        brackets = Math.max(0, brackets - 1);
        return nest(-1);
      case tokenTypes.Function: {
        nest(1);
        if (!FUNCTIONS.has(text.slice(start, end - 1).toLowerCase())) {
          brackets++;
          return;
        }
        const close = text.indexOf(')', end);
        insideUntil = close < 0 ? text.length : close + 1;
        statement.found.push({ from: start, to: insideUntil });
        return;
      }
      case tokenTypes.Hash:
        statement.found.push({ from: start, to: end });
        return;
      case tokenTypes.Ident:
        if (statement.value >= 0 && !/^(?:transparent|currentcolor)$/i.test(text.slice(start, end)))
          statement.found.push({ from: start, to: end });
    }
  });
  if (tooDeep) {
    const message = `This style sheet is nested more than ${DEEPEST} levels deep, so it was not read.`;
    return { occurrences: [], problems: [problem(message, source.placeOf(part.from))] };
  }
  finish(text.length);
  return { occurrences: occurrences.sort((one, two) => one.span.from - two.span.from), problems };
}

function trimmed(text: string, from: number, to: number): Span {
  const inner = text.slice(from, to);
  const start = from + inner.length - inner.trimStart().length;
  return { from: start, to: start + inner.trim().length };
}

function lineEnd(text: string, from: number): number {
  const end = text.slice(from, from + 10_000).search(/[\r\n]/);
  return end < 0 ? text.length : from + end;
}
