import type { CssNode } from 'css-tree';
import generate from 'css-tree/generator';
import parse from 'css-tree/parser';
import walk from 'css-tree/walker';
import type { Problem } from '../../formats/kit/format';
import { problem } from '../reading';
import type { Uses } from './uses';

/** Properties whose plain words may be colour names; elsewhere `tan` or `plum` may be a name of something else. */
const MAY_NAME = /^--|color|background|border|outline|fill|stroke|shadow|gradient|decoration|column-rule|caret|accent/;
const FUNCTION = /^(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)$/i;

/** Deeper than this no style sheet is nested, and the parser recurses. */
const DEEPEST = 200;

/**
 * The colours of a style sheet into `uses`. A custom property that is nothing but a colour names it; all others count
 * as uses. @returns what the parser could not make out
 */
export function cssColours(source: string, uses: Uses, first = { line: 1, column: 1 }): Problem[] {
  if (isTooDeep(source)) {
    return [
      problem(`This style sheet is nested more than ${DEEPEST} levels deep, so it was not read.`, first.line, first.column),
    ];
  }
  const problems: Problem[] = [];
  const sheet = parse(source, {
    positions: true,
    parseCustomProperty: true,
    onParseError: ({ message, line, column }) => {
      if (problems.length < 20) problems.push(problem(`This is no CSS: ${message}.`, line + first.line - 1, column, 'warning'));
    },
  });
  let property = '';
  let named = false;
  walk(sheet, {
    enter(node: CssNode) {
      const line = (node.loc?.start.line ?? 1) + first.line - 1;
      const column = node.loc?.start.column ?? 1;
      if (node.type === 'Declaration') {
        property = node.property;
        const whole = generate(node.value).trim();
        named = property.startsWith('--') && uses.name(whole, property.slice(2), line, column);
      } else if (named || property === '') return;
      else if (node.type === 'Hash') uses.add(`#${node.value}`, property, line, column);
      else if (node.type === 'Identifier' && MAY_NAME.test(property) && /^[a-z]+$/i.test(node.name)) {
        if (!/^(?:transparent|currentcolor)$/i.test(node.name)) uses.add(node.name.toLowerCase(), property, line, column);
      } else if (node.type === 'Function' && FUNCTION.test(node.name)) uses.add(generate(node), property, line, column);
    },
    leave(node: CssNode) {
      if (node.type === 'Declaration') property = '';
    },
  });
  return problems;
}

function isTooDeep(source: string): boolean {
  let depth = 0;
  for (const character of source) {
    if (character === '(' || character === '{' || character === '[') depth++;
    else if ((character === ')' || character === '}' || character === ']') && depth > 0) depth--;
    if (depth > DEEPEST) return true;
  }
  return false;
}
