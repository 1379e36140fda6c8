import {
  createScanner,
  parseTree,
  printParseErrorCode,
  visit,
  type Node,
  type ParseError,
  type ParseErrorCode,
} from 'jsonc-parser';
import { numbersLiteral, type Literal } from './literal';
import {
  commentOccurrences,
  rangeOf,
  step,
  valueOccurrences,
  type Occurrence,
  type OnPlace,
  type Scan,
  type Step,
} from './occurrence';
import { problem, type Problem } from './problem';
import type { Place, SourceText, Span } from './source-text';
import { speaksOfColour } from './speaks-of-colour';

/** Deeper than this no configuration file is nested, and every walk of the tree may recurse. */
const DEEPEST = 200;
const TOO_DEEP = `This JSON is nested more than ${DEEPEST} levels deep; no settings file is, so it was not read.`;
/** Values, keys and signs of a document that becomes a tree: the most colours that are read, with all that could stand around them. */
const MOST_PARTS = 1_200_000;
const TOO_MANY = `This JSON has more than ${MOST_PARTS.toLocaleString('en')} values, keys and signs, and was not read; take out what is no colour.`;
const MOST_PROBLEMS = 3;

export interface JsonText {
  /** null when nothing could be read. */
  readonly root: Node | null;
  /** What is wrong with it; what came before the fault is in the tree. */
  readonly problems: readonly Problem[];
}

/** Reads JSON into a tree that knows its places. Never throws; comments and trailing commas are let pass. */
export function readJson(source: SourceText): JsonText {
  const { text } = source;
  const { tooDeep, parts } = measured(text);
  if (tooDeep !== null) return { root: null, problems: [problem(TOO_DEEP, source.placeOf(tooDeep))] };
  if (parts > MOST_PARTS) return { root: null, problems: [problem(TOO_MANY)] };
  const errors: ParseError[] = [];
  const root = parseTree(text, errors, { allowTrailingComma: true }) ?? null;
  const problems = errors.slice(0, MOST_PROBLEMS).map(({ error, offset }) => damaged(error, source.placeOf(offset)));
  return { root, problems };
}

function damaged(error: ParseErrorCode, place: Place): Problem {
  return problem(`This JSON is damaged here (${printParseErrorCode(error)}); what came before is read.`, place);
}

/** Where a document is nested too deep, null where it is not, and how many parts it has. */
function measured(text: string): { readonly tooDeep: number | null; readonly parts: number } {
  const scanner = createScanner(text, true);
  let depth = 0;
  let parts = 0;
  for (scanner.scan(); scanner.getTokenLength() > 0; scanner.scan()) {
    const at = scanner.getTokenOffset();
    const first = text[at];
    if (first === '{' || first === '[') depth++;
    else if (first === '}' || first === ']') depth--;
    parts++;
    if (depth > DEEPEST) return { tooDeep: at, parts };
  }
  return { tooDeep: null, parts };
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

/** An object or a list that is open while its inside is walked. */
interface Open {
  /** Its own step; none at the root. */
  readonly step: Step | null;
  readonly isList: boolean;
  /** The key that its values have, or stand under. */
  key: string;
  /** The key around that one. */
  readonly around: string;
  count: number;
  /** Of a list: its numbers so far, while it has nothing else. */
  numbers: { readonly value: number; readonly span: Span; readonly path: readonly Step[] }[] | null;
}

/** Members by which an object says what it is called. */
const NAMING = /^(?:name|key|id|label|title)$/i;

/** Every colour of a JSON document: strings, numbers under a key that speaks of colour, and comments. */
export function scanJson(source: SourceText, onPlace?: OnPlace): Scan {
  const { text } = source;
  const { tooDeep } = measured(text);
  if (tooDeep !== null) return { occurrences: [], problems: [problem(TOO_DEEP, source.placeOf(tooDeep))] };
  const occurrences: Occurrence[] = [];
  const problems: Problem[] = [];
  const open: Open[] = [];
  /** The step of a value that begins here; the outermost has none. */
  const stepHere = (span: Span): Step | null => {
    const inside = open.at(-1);
    if (!inside) return null;
    return inside.isList ? step('', ++inside.count, span) : step(inside.key);
  };
  const pathTo = (last: Step | null) => [...open.map(({ step: each }) => each), last].filter((each) => each !== null);
  const begin = (isList: boolean) => (offset: number) => {
    const inside = open.at(-1);
    if (inside) inside.numbers = null;
    const { key = '', around = '' } = inside ?? {};
    // A list's entries stand under the key that the list stands under.
    const keys = isList || inside?.isList ? { key, around } : { key: '', around: key };
    open.push({ step: stepHere({ from: offset, to: offset }), isList, ...keys, count: 0, numbers: isList ? [] : null });
  };
  const end = (offset: number, length: number) => {
    const { step: own, numbers, key, around } = open.pop()!;
    if (own?.extent) own.extent = { from: own.extent.from, to: offset + length };
    if (!numbers || !speaksOfColour(key, around)) return;
    const range = rangeOf(numbers.map(({ value }) => value));
    if (range) {
      const span = { from: numbers[0]!.span.from, to: numbers.at(-1)!.span.to };
      const literal = numbersLiteral(source.textOf(span), range);
      const path = numbers[0]!.path.slice(0, -1);
      if (literal) occurrences.push({ span, path, literal, aside: null });
    } else for (const { span, path } of numbers) numberOccurrence(span, path, key);
  };
  const numberOccurrence = (span: Span, path: readonly Step[], key: string) => {
    const raw = source.textOf(span);
    occurrences.push(...valueOccurrences({ value: raw, raw, from: span.from, path, key, coloured: true }));
  };
  visit(
    text,
    {
      onObjectBegin: begin(false),
      onArrayBegin: begin(true),
      onObjectEnd: end,
      onArrayEnd: end,
      onObjectProperty: (key) => void (open.at(-1)!.key = key),
      onLiteralValue(value: unknown, offset, length) {
        onPlace?.(offset);
        const inside = open.at(-1);
        const span = { from: offset, to: offset + length };
        const own = stepHere(span);
        if (!inside) return;
        const { key, around } = inside;
        if (typeof value === 'number') {
          const path = pathTo(own);
          if (inside.isList) inside.numbers?.push({ value, span, path });
          else if (speaksOfColour(key, around)) numberOccurrence(span, path, key);
          return;
        }
        inside.numbers = null;
        if (typeof value !== 'string') return;
        if (!inside.isList && inside.step && NAMING.test(key)) inside.step.label ||= value;
        const raw = text.slice(offset + 1, offset + length - 1);
        const from = offset + 1;
        const coloured = speaksOfColour(key, around);
        const found = valueOccurrences({ value, raw, from, path: NOWHERE, key, coloured });
        if (found.length === 0) return;
        const path = pathTo(own);
        for (const each of found) occurrences.push({ ...each, path });
      },
      onComment: (offset, length) =>
        void occurrences.push(...commentOccurrences(text.slice(offset, offset + length), offset, pathTo(null))),
      onError(error, offset) {
        if (problems.length < MOST_PROBLEMS) problems.push(damaged(error, source.placeOf(offset)));
      },
    },
    { allowTrailingComma: true },
  );
  return { occurrences: occurrences.sort((one, two) => one.span.from - two.span.from), problems };
}

const NOWHERE: readonly Step[] = [];

/** How a list's three or four numbers can be a colour. */
export function numberRange({ children = [] }: Node): 'bytes' | 'shares' | null {
  const values = children.map(({ value }): unknown => value);
  return values.every((value): value is number => typeof value === 'number') ? rangeOf(values) : null;
}

/** A list of numbers as the colour that it is, from its first number to its last; null when it can be none. */
export function numberList(source: SourceText, node: Node): { readonly span: Span; readonly literal: Literal } | null {
  const range = numberRange(node);
  if (!range) return null;
  const [first, last] = [node.children![0]!, node.children!.at(-1)!];
  const span = { from: first.offset, to: last.offset + last.length };
  const literal = numbersLiteral(source.textOf(span), range);
  return literal && { span, literal };
}
