import { createScanner, parseTree, printParseErrorCode, type Node, type ParseError } from 'jsonc-parser';
import type { Problem } from '../formats/kit/format';
import { problem } from '../intake/reading';

/** Deeper than this no configuration file is nested, and every walk of the tree may recurse. */
const DEEPEST = 200;

export interface JsonText {
  /** null when nothing could be read. */
  readonly root: Node | null;
  /** What is wrong with it; what came before the fault is in the tree. */
  readonly problems: readonly Problem[];
  /** Line and column of a place in the text, from 1. */
  readonly placeOf: (offset: number) => { line: number; column: number };
}

/** Reads JSON into a tree that knows its places. Never throws; comments and trailing commas are let pass. */
export function readJson(text: string): JsonText {
  const starts = [0];
  for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) starts.push(at + 1);
  const placeOf = (offset: number) => {
    let [low, high] = [0, starts.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (starts[middle]! <= offset) low = middle;
      else high = middle - 1;
    }
    return { line: low + 1, column: offset - starts[low]! + 1 };
  };
  const tooDeep = firstTooDeep(text);
  if (tooDeep !== null) {
    const { line, column } = placeOf(tooDeep);
    const message = `This JSON is nested more than ${DEEPEST} levels deep; no settings file is, so it was not read.`;
    return { root: null, problems: [problem(message, line, column)], placeOf };
  }
  const errors: ParseError[] = [];
  const root = parseTree(text, errors, { allowTrailingComma: true }) ?? null;
  const problems = errors.slice(0, 3).map(({ error, offset }) => {
    const { line, column } = placeOf(offset);
    return problem(`This JSON is damaged here (${printParseErrorCode(error)}); what came before is read.`, line, column);
  });
  return { root, problems, placeOf };
}

function firstTooDeep(text: string): number | null {
  const scanner = createScanner(text, true);
  let depth = 0;
  for (scanner.scan(); scanner.getTokenLength() > 0; scanner.scan()) {
    const at = scanner.getTokenOffset();
    const first = text[at];
    if (first === '{' || first === '[') depth++;
    else if (first === '}' || first === ']') depth--;
    if (depth > DEEPEST) return at;
  }
  return null;
}

/** An object's members in their order; none for any other node. */
export function membersOf(node: Node): { key: string; value: Node; offset: number }[] {
  if (node.type !== 'object') return [];
  return (node.children ?? []).flatMap(({ children }) => {
    const [key, value] = children ?? [];
    return key && value ? [{ key: String(key.value), value, offset: key.offset }] : [];
  });
}

export function memberOf(node: Node, key: string): Node | undefined {
  return membersOf(node).find((member) => member.key === key)?.value;
}
