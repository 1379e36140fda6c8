import type { Node } from 'jsonc-parser';
import { LIMITS } from '../../brand/document';
import type { Problem } from '../../formats/kit/format';
import { readTokenColour } from '../../formats/tokens/dtcg-colour';
import { memberOf, membersOf, readJson } from '../../source/json-text';

/** A JSON file with its text. */
export interface TokenDocument {
  readonly name: string;
  readonly source: string;
  readonly root: Node;
  readonly problems: readonly Problem[];
  readonly placeOf: (offset: number) => { line: number; column: number };
}

/** One token as its file has it. */
export interface Entry {
  /** Keys from the root to it, and the same with dots between, `$root` left out. */
  readonly keys: readonly string[];
  readonly path: string;
  readonly node: Node;
  readonly value: Node;
  readonly type: string | undefined;
  readonly description: string;
  /** Why it is not to be used any more, empty when the file gives no reason; null when it may be used. */
  readonly deprecated: string | null;
  readonly document: TokenDocument;
}

/** A property of a group, such as `$description`; the last key is its name. */
export interface GroupProperty {
  readonly keys: readonly string[];
  readonly value: Node;
  readonly document: TokenDocument;
}

export interface Entries {
  readonly tokens: Map<string, Entry>;
  /** Tokens and groups' properties in the order of the file. */
  readonly all: (Entry | GroupProperty)[];
}

export function readDocument(name: string, bytes: Uint8Array): TokenDocument | { readonly problems: readonly Problem[] } {
  const source = new TextDecoder().decode(bytes);
  const { root, problems, placeOf } = readJson(source);
  return root ? { name, source, root, problems, placeOf } : { problems };
}

/** Groups may take over others, and those again; deeper than this is a circle. */
const EXTENDS_DEPTH = 20;

/** Every token of a document with what its groups give it: `$type`, `$deprecated`, and the tokens of a group it extends. */
export function entriesOf(document: TokenDocument, node: Node = document.root): Entries {
  const entries: Entries = { tokens: new Map(), all: [] };
  collect(document, node, [], { type: undefined, deprecated: null }, 0, entries);
  return entries;
}

interface Inherited {
  readonly type: string | undefined;
  readonly deprecated: string | null;
}

function collect(
  document: TokenDocument,
  node: Node,
  keys: readonly string[],
  inherited: Inherited,
  depth: number,
  entries: Entries,
): void {
  const own = memberOf(node, '$type');
  const type = typeof own?.value === 'string' ? own.value : inherited.type;
  const deprecated = deprecation(memberOf(node, '$deprecated')?.value, inherited.deprecated);
  const value = memberOf(node, '$value') ?? memberOf(node, '$ref');
  if (value && keys.length > 0) {
    const words: unknown = memberOf(node, '$description')?.value;
    const description = typeof words === 'string' ? words.slice(0, LIMITS.description) : '';
    const path = keys.filter((key) => key !== '$root').join('.');
    const entry: Entry = { keys, path, node, value, type, description, deprecated, document };
    entries.tokens.set(path, entry);
    entries.all.push(entry);
    return;
  }
  const members = membersOf(node);
  const base = extended(document, node);
  if (base && depth < EXTENDS_DEPTH) {
    const overridden = new Set(members.map(({ key }) => key));
    for (const { key, value: child } of membersOf(base)) {
      if (child.type !== 'object' || key.startsWith('$') || overridden.has(key)) continue;
      collect(document, child, [...keys, key], { type: type ?? typeOf(base), deprecated }, depth + 1, entries);
    }
  }
  for (const { key, value: child } of members) {
    // A group's own value stands under $root and goes by the group's name.
    if (key === '$root' && child.type === 'object')
      collect(document, child, [...keys, key], { type, deprecated }, depth, entries);
    else if (key.startsWith('$')) {
      if (key !== '$schema' && !(key === '$type' && child.value === 'color'))
        entries.all.push({ keys: [...keys, key], value: child, document });
    } else if (child.type === 'object') collect(document, child, [...keys, key], { type, deprecated }, depth, entries);
  }
}

function typeOf(node: Node): string | undefined {
  const type: unknown = memberOf(node, '$type')?.value;
  return typeof type === 'string' ? type : undefined;
}

/** A reason, empty for a plain `true`. A `false` says that it may be used although its group may not. */
function deprecation(value: unknown, inherited: string | null): string | null {
  if (value === true) return '';
  if (value === false) return null;
  return typeof value === 'string' ? value.slice(0, LIMITS.description) : inherited;
}

function extended(document: TokenDocument, node: Node): Node | undefined {
  const name: unknown = memberOf(node, '$extends')?.value;
  if (typeof name !== 'string') return undefined;
  const keys = keysOfReference(name);
  return keys ? nodeAt(document.root, keys) : undefined;
}

/** The keys a reference leads along: `{group.token}`, or a JSON pointer `#/group/token`; null for any other text. */
export function keysOfReference(text: string): string[] | null {
  const braces = /^\{([^{}]+)\}$/.exec(text);
  if (braces) return braces[1]!.trim().split('.');
  if (!text.startsWith('#/')) return null;
  return text
    .slice(2)
    .split('/')
    .map((part) => part.replaceAll('~1', '/').replaceAll('~0', '~'));
}

export function nodeAt(root: Node, keys: readonly string[]): Node | undefined {
  let at: Node | undefined = root;
  for (const key of keys) {
    if (at?.type === 'array') at = /^\d+$/.test(key) ? at.children?.[Number(key)] : undefined;
    else at = at && memberOf(at, key);
  }
  return at;
}

/** Path of the token an alias points at; null for any other value. */
export function aliasOf(node: Node): string | null {
  const reference: unknown = node.type === 'object' ? memberOf(node, '$ref')?.value : node.value;
  if (typeof reference !== 'string') return null;
  const keys = keysOfReference(reference);
  return keys && keys.filter((key) => key !== '$value' && key !== '$root').join('.');
}

export type End = { css: string; type: 'color' } | { css: null; type: string | undefined } | { fault: string; missing?: string };

/** Follows aliases to a colour. Every token is resolved once. */
export function resolver(entries: ReadonlyMap<string, Entry>): (entry: Entry) => End {
  const done = new Map<string, End>();
  return (entry) => {
    const walked: Entry[] = [];
    const onWay = new Set<Entry>();
    let at: Entry | undefined = entry;
    let end: End | undefined;
    while (!end) {
      end = done.get(at.path);
      if (end) break;
      if (onWay.has(at)) {
        end = { fault: `goes round in a circle: ${[...walked, at].map(({ path }) => path).join(' → ')}.` };
        break;
      }
      walked.push(at);
      onWay.add(at);
      const target = aliasOf(at.value);
      if (target === null) end = ownColour(at);
      else {
        const next = entries.get(target);
        if (!next) end = { fault: `points at ${target}, which is not in this file.`, missing: target };
        else at = next;
      }
    }
    for (const { path } of walked) done.set(path, end);
    return end;
  };
}

function ownColour({ value, type, document }: Entry): End {
  if (type !== undefined && type !== 'color') return { css: null, type };
  const coloured = typeof value.value === 'string' || typeof memberOf(value, 'colorSpace')?.value === 'string';
  if (type === undefined && !coloured) return { css: null, type };
  const follow = (node: Node): Node => {
    const reference: unknown = node.type === 'object' ? memberOf(node, '$ref')?.value : undefined;
    const keys = typeof reference === 'string' ? keysOfReference(reference) : null;
    return (keys && nodeAt(document.root, keys)) ?? node;
  };
  const read = readTokenColour(value, follow);
  if ('css' in read) return { css: read.css, type: 'color' };
  return type === 'color' ? read : { css: null, type };
}
