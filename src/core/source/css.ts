import type { CssNode } from 'css-tree';
import parse from 'css-tree/parser';
import walk from 'css-tree/walker';
import { CSS_FUNCTIONS } from '../colour/spaces';
import { readLiteral } from './literal';
import { literalsIn, type Occurrence, type Scan } from './occurrence';
import { problem, type Problem } from './problem';
import type { SourceText, Span } from './source-text';

/** Properties whose plain words may be colour names; elsewhere `tan` or `plum` may be a name of something else. */
const MAY_NAME = /^--|color|background|border|outline|fill|stroke|shadow|gradient|decoration|column-rule|caret|accent/;
const FUNCTION = new RegExp(`^(?:${CSS_FUNCTIONS.join('|')})$`, 'i');

/** Deeper than this no style sheet is nested, and the parser recurses. */
const DEEPEST = 200;
const MOST_PROBLEMS = 20;

/** A colour of a style sheet; its path is the property, or the comment it stands in has none. */
export interface CssOccurrence extends Occurrence {
  /** Whether it is all that a custom property holds. */
  readonly whole: boolean;
}

export interface CssScan extends Scan {
  readonly occurrences: readonly CssOccurrence[];
}

/**
 * Every colour of a style sheet, or of a part of the source that is one.
 * @param context `declarationList` for the inside of a style attribute
 */
export function scanCss(
  source: SourceText,
  part: Span = { from: 0, to: source.text.length },
  context: 'stylesheet' | 'declarationList' = 'stylesheet',
): CssScan {
  const text = source.textOf(part);
  if (isTooDeep(text)) {
    const message = `This style sheet is nested more than ${DEEPEST} levels deep, so it was not read.`;
    return { occurrences: [], problems: [problem(message, source.placeOf(part.from))] };
  }
  const problems: Problem[] = [];
  const occurrences: CssOccurrence[] = [];
  const put = (from: number, to: number, property: string, whole: boolean) => {
    const literal = readLiteral(text.slice(from, to));
    if (literal)
      occurrences.push({
        span: { from: part.from + from, to: part.from + to },
        path: [property],
        literal,
        comment: false,
        whole,
      });
  };
  const sheet = parse(text, {
    context,
    positions: true,
    parseCustomProperty: true,
    onParseError: ({ message, offset }) => {
      if (problems.length < MOST_PROBLEMS)
        problems.push(problem(`This is no CSS: ${message}.`, source.placeOf(part.from + offset), 'warning'));
    },
    onComment: (_comment, { start, end }) => {
      for (const found of literalsIn(text.slice(start.offset, end.offset), part.from + start.offset))
        occurrences.push({ ...found, path: [], comment: true, whole: false });
    },
  });
  let property = '';
  let value: Span | null = null;
  walk(sheet, {
    enter(node: CssNode) {
      const [from, to] = [node.loc?.start.offset ?? 0, node.loc?.end.offset ?? 0];
      if (node.type === 'Declaration') {
        property = node.property;
        const { loc } = node.value;
        value = property.startsWith('--') && loc ? trimmed(text, loc.start.offset, loc.end.offset) : null;
      } else if (property === '') return;
      else if (node.type === 'Hash' || (node.type === 'Function' && FUNCTION.test(node.name)))
        put(from, to, property, value?.from === from && value.to === to);
      else if (node.type === 'Identifier' && MAY_NAME.test(property) && /^[a-z]+$/i.test(node.name)) {
        if (!/^(?:transparent|currentcolor)$/i.test(node.name)) put(from, to, property, value?.from === from && value.to === to);
      }
    },
    leave(node: CssNode) {
      if (node.type === 'Declaration') property = '';
    },
  });
  return { occurrences: occurrences.sort((one, two) => one.span.from - two.span.from), problems };
}

function trimmed(text: string, from: number, to: number): Span {
  const inner = text.slice(from, to);
  const start = from + inner.length - inner.trimStart().length;
  return { from: start, to: start + inner.trim().length };
}

function isTooDeep(text: string): boolean {
  let depth = 0;
  for (const character of text) {
    if (character === '(' || character === '{' || character === '[') depth++;
    else if ((character === ')' || character === '}' || character === ']') && depth > 0) depth--;
    if (depth > DEEPEST) return true;
  }
  return false;
}
