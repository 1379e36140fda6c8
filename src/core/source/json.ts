import { createScanner, parseTree, printParseErrorCode, type Node, type ParseError } from 'jsonc-parser';
import { numbersLiteral } from './literal';
import { COLOURED, literalsIn, occurrencesOf, type Occurrence, type Scan } from './occurrence';
import { problem, type Problem } from './problem';
import type { SourceText } from './source-text';

/** Deeper than this no configuration file is nested, and every walk of the tree may recurse. */
const DEEPEST = 200;

export interface JsonText {
  /** null when nothing could be read. */
  readonly root: Node | null;
  /** What is wrong with it; what came before the fault is in the tree. */
  readonly problems: readonly Problem[];
}

/** Reads JSON into a tree that knows its places. Never throws; comments and trailing commas are let pass. */
export function readJson(source: SourceText): JsonText {
  const { text } = source;
  const tooDeep = firstTooDeep(text);
  if (tooDeep !== null) {
    const message = `This JSON is nested more than ${DEEPEST} levels deep; no settings file is, so it was not read.`;
    return { root: null, problems: [problem(message, source.placeOf(tooDeep))] };
  }
  const errors: ParseError[] = [];
  const root = parseTree(text, errors, { allowTrailingComma: true }) ?? null;
  const problems = errors
    .slice(0, 3)
    .map(({ error, offset }) =>
      problem(`This JSON is damaged here (${printParseErrorCode(error)}); what came before is read.`, source.placeOf(offset)),
    );
  return { root, problems };
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

export interface Member {
  readonly key: string;
  readonly value: Node;
  /** Where the key begins. */
  readonly offset: number;
}

interface Members {
  readonly list: readonly Member[];
  /** The first of each key. */
  readonly byKey: ReadonlyMap<string, Node>;
}

const known = new WeakMap<Node, Members>();

/** Once for each object: references lead to the same ones again and again. */
function membersKnown(node: Node): Members {
  let members = known.get(node);
  if (!members) {
    const list = (node.type === 'object' ? (node.children ?? []) : []).flatMap(({ children }): Member[] => {
      const [key, value] = children ?? [];
      return key && value ? [{ key: String(key.value), value, offset: key.offset }] : [];
    });
    const byKey = new Map<string, Node>();
    for (const { key, value } of list) if (!byKey.has(key)) byKey.set(key, value);
    known.set(node, (members = { list, byKey }));
  }
  return members;
}

/** An object's members in their order; none for any other node. */
export function membersOf(node: Node): readonly Member[] {
  return membersKnown(node).list;
}

export function memberOf(node: Node, key: string): Node | undefined {
  return membersKnown(node).byKey.get(key);
}

/** Every colour of a JSON document: strings, numbers of a list under a key that speaks of colour, and comments. */
export function scanJson(source: SourceText): Scan {
  const { root, problems } = readJson(source);
  const occurrences: Occurrence[] = [];
  const visit = (node: Node, path: readonly string[], key: string) => {
    const span = { from: node.offset, to: node.offset + node.length };
    if (typeof node.value === 'string') {
      const inner = { from: span.from + 1, to: span.to - 1 };
      occurrences.push(...occurrencesOf(node.value, inner, source.textOf(inner), path, COLOURED.test(key)));
    } else if (node.type === 'array') {
      const literal = COLOURED.test(key) ? numberList(source, node) : null;
      if (literal) occurrences.push({ ...literal, path });
      else node.children?.forEach((child, at) => visit(child, [...path, String(at)], key));
    } else for (const member of membersOf(node)) visit(member.value, [...path, member.key], member.key);
  };
  if (root) visit(root, [], '');
  const scanner = createScanner(source.text, false);
  for (scanner.scan(); scanner.getTokenLength() > 0; scanner.scan()) {
    const [from, to] = [scanner.getTokenOffset(), scanner.getTokenOffset() + scanner.getTokenLength()];
    if (source.text[from] !== '/') continue;
    for (const found of literalsIn(source.text.slice(from, to), from)) occurrences.push({ ...found, path: [], comment: true });
  }
  return { occurrences: occurrences.sort((one, two) => one.span.from - two.span.from), problems };
}

/** How a list's three or four numbers can be a colour: as bytes where one of them is more than 1 and all are whole, else as shares of 1. */
export function numberRange({ children = [] }: Node): 'bytes' | 'shares' | null {
  const values = children.map(({ value }): unknown => value);
  if (values.length < 3 || values.length > 4 || !values.every((value): value is number => typeof value === 'number')) return null;
  const colours = values.slice(0, 3);
  const most = Math.max(...colours);
  if (Math.min(...colours) < 0 || most > 255) return null;
  if (most <= 1) return 'shares';
  return colours.every(Number.isInteger) ? 'bytes' : null;
}

/** A list of numbers as the colour that it is, from its first number to its last; null when it can be none. */
export function numberList(source: SourceText, node: Node): Omit<Occurrence, 'path'> | null {
  const range = numberRange(node);
  if (!range) return null;
  const [first, last] = [node.children![0]!, node.children!.at(-1)!];
  const span = { from: first.offset, to: last.offset + last.length };
  const literal = numbersLiteral(source.textOf(span), range);
  return literal && { span, literal, comment: false };
}
