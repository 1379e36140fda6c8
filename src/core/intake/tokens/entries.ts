import { shortened } from '../../base/storable';
import type { Node } from 'jsonc-parser';
import { uniqueNames } from '../../base/unique-names';
import { ringWords } from '../../brand/document/circles';
import { LIMITS } from '../../brand/document/fields';
import type { ReadColour } from '../../colour/read';
import { memberOf, membersOf, readJson } from '../../source/json';
import { problem, type Problem } from '../../source/problem';
import { SourceText } from '../../source/source-text';
import { ENTRY_LIMIT } from '../intake';
import { readTokenColour } from './token-colour';

/** A JSON file with its text. */
export interface TokenDocument {
  readonly name: string;
  readonly source: SourceText;
  readonly root: Node;
  readonly problems: readonly Problem[];
}

/** One token as its file has it. */
export interface TokenEntry {
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

export interface TokenEntries {
  readonly document: TokenDocument;
  readonly tokens: ReadonlyMap<string, TokenEntry>;
  /** Tokens and groups' properties in the order of the file. */
  readonly all: readonly (TokenEntry | GroupProperty)[];
  /** What is said of the tree itself: circles of groups, paths that clash, tokens within tokens. */
  readonly problems: readonly Problem[];
}

export function readDocument(name: string, bytes: Uint8Array): TokenDocument | { readonly problems: readonly Problem[] } {
  const source = SourceText.of(bytes);
  if (!source) return { problems: [problem('This file is no text, so it holds no tokens.')] };
  const { root, problems } = readJson(source);
  return root ? { name, source, root, problems } : { problems };
}

/** Every token of a document with what its groups give it: `$type`, `$deprecated`, and the tokens of a group it extends. */
export function entriesOf(document: TokenDocument, node: Node = document.root): TokenEntries {
  return new Collector(document).collect(node);
}

/** What a group or token at some place is made of: its own node last, before it those of the groups that it extends. */
type Layers = readonly Node[];

interface Inherited {
  readonly type: string | undefined;
  readonly deprecated: string | null;
}

/**
 * Goes through the groups of a document. Those that are extended are merged deeply: what stands in a group replaces what
 * it takes over under the same name, and groups of one name become one (Format Module 2025.10, group inheritance).
 */
class Collector {
  private readonly tokens = new Map<string, TokenEntry>();
  private readonly unique = uniqueNames([], (path, n) => `${path}-${n}`);
  private readonly all: (TokenEntry | GroupProperty)[] = [];
  private readonly problems: Problem[] = [];
  private readonly extended = new Map<Node, Layers>();
  /** The groups through whose members the way leads here: one of them among a group's own layers would never end. */
  private readonly open = new Set<Node>();
  /** Members that may still be looked at; groups of groups can hold more than all the world's tokens. */
  private left = MOST_MEMBERS;
  private beyond = false;

  constructor(private readonly document: TokenDocument) {}

  collect(node: Node): TokenEntries {
    this.group(this.layersOf(node), [], { type: undefined, deprecated: null });
    return { document: this.document, tokens: this.tokens, all: this.all, problems: this.problems };
  }

  private group(layers: Layers, keys: readonly string[], inherited: Inherited): void {
    const last = layers.at(-1)!;
    if (this.beyond) return;
    if (layers.some((layer) => this.open.has(layer))) {
      this.say(last, `${keys.join('.')} extends a group that it is a part of; that is left out.`);
      return;
    }
    if (keys.length > DEEPEST) {
      this.say(last, `Groups within groups that extend each other go more than ${DEEPEST} deep here; what is below is left out.`);
      return;
    }
    const type = lastText(layers, '$type') ?? inherited.type ?? this.typeAbove(layers);
    const deprecated = deprecation(lastValue(layers, '$deprecated'), inherited.deprecated);
    const given = { type, deprecated };
    // A token has `$value`; what stands within one is said, and read as if it were a group.
    if (keys.length > 0 && isToken(last)) {
      this.token(last, keys, given);
      const within = membersOf(last).filter(({ key, value }) => !key.startsWith('$') && value.type === 'object');
      if (within.length === 0) return;
      const names = within.slice(0, 3).map(({ key }) => key);
      const more = within.length > 3 ? ` and ${within.length - 3} more` : '';
      this.say(
        last,
        `${pathOf(keys)} is a token and has others within it (${names.join(', ')}${more}); all are read.`,
        'warning',
      );
      for (const { key, value } of within) this.child([last], key, this.layersOf(value), keys, given);
    } else this.members(layers, keys, given);
  }

  private members(layers: Layers, keys: readonly string[], given: Inherited): void {
    const last = layers.at(-1)!;
    const children = new Map<string, Layers>();
    for (const layer of layers) {
      const members = membersOf(layer);
      this.left -= members.length;
      if (this.left < 0) return this.stop(last);
      const seen = new Set<string>();
      for (const { key, value } of members) {
        if (value.type !== 'object' || (key.startsWith('$') && key !== '$root') || seen.has(key)) continue;
        seen.add(key);
        const before = children.get(key);
        const next = this.layersOf(value);
        // Groups of one name become one; a token takes the place of whatever had its name.
        const joins = before && !isToken(value) && !isToken(before.at(-1)!);
        children.delete(key);
        children.set(key, joins ? [...new Set([...before, ...next])] : next);
      }
    }
    const ownKeys = new Set(membersOf(last).map(({ key }) => key));
    for (const [key, child] of children) if (!ownKeys.has(key)) this.child(layers, key, child, keys, given);
    const done = new Set<string>();
    for (const { key, value } of membersOf(last)) {
      if (key.startsWith('$') && (key !== '$root' || value.type !== 'object')) {
        if (key !== '$schema' && !(key === '$type' && value.value === 'color'))
          this.all.push({ keys: [...keys, key], value, document: this.document });
      } else if (value.type === 'object') {
        // The same key twice in one object: both are read, and the second is said.
        this.child(layers, key, done.has(key) ? this.layersOf(value) : children.get(key)!, keys, given);
        done.add(key);
      }
    }
  }

  /** A member of a group; meanwhile the layers that it comes from are open. */
  private child(parents: Layers, key: string, layers: Layers, keys: readonly string[], given: Inherited): void {
    const opened = parents.filter((parent) => !this.open.has(parent) && memberOf(parent, key) !== undefined);
    for (const parent of opened) this.open.add(parent);
    this.group(layers, [...keys, key], given);
    for (const parent of opened) this.open.delete(parent);
  }

  private stop(node: Node): void {
    if (!this.beyond) {
      const message = `The groups of this file extend each other into more than ${ENTRY_LIMIT} tokens; the rest is not here.`;
      this.say(node, message);
    }
    this.beyond = true;
  }

  private token(node: Node, keys: readonly string[], { type, deprecated }: Inherited): void {
    if (this.tokens.size >= ENTRY_LIMIT) return this.stop(node);
    const words: unknown = memberOf(node, '$description')?.value;
    const description = typeof words === 'string' ? shortened(words, LIMITS.description) : '';
    const wanted = pathOf(keys);
    const path = this.unique(wanted);
    if (path !== wanted) this.say(node, `${wanted} is there twice; the second is read as ${path}.`, 'warning');
    const value = (memberOf(node, '$value') ?? memberOf(node, '$ref'))!;
    const entry: TokenEntry = { keys, path, node, value, type, description, deprecated, document: this.document };
    this.tokens.set(path, entry);
    this.all.push(entry);
  }

  /** A node, and before it what it extends, and what that extends again. */
  private layersOf(node: Node): Layers {
    const known = this.extended.get(node);
    if (known) return known;
    const chain = [node];
    for (let at = node; ; at = chain[0]!) {
      const name: unknown = memberOf(at, '$extends')?.value;
      if (typeof name !== 'string') break;
      const base = this.nodeOf(name);
      const fault = !base
        ? `A group extends ${name.slice(0, 80)}, which is not in this file.`
        : chain.includes(base)
          ? `Groups extend each other in a circle at ${name.slice(0, 80)}; that part is left out.`
          : chain.length >= LONGEST_CHAIN
            ? `Groups extend each other more than ${LONGEST_CHAIN} times at ${name.slice(0, 80)}; the rest is left out.`
            : null;
      if (fault !== null) {
        this.say(at, fault);
        break;
      }
      chain.unshift(base!);
    }
    this.extended.set(node, chain);
    return chain;
  }

  private nodeOf(reference: string): Node | undefined {
    const keys = keysOfReference(reference);
    const found = keys ? nodeAt(this.document.root, keys) : undefined;
    return found?.type === 'object' ? found : undefined;
  }

  /** The `$type` of a group around one that is extended, where neither it nor what extends it has one. */
  private typeAbove(layers: Layers): string | undefined {
    for (const layer of layers.slice(0, -1)) {
      for (let at = layer.parent?.parent; at; at = at.parent?.parent) {
        const type: unknown = memberOf(at, '$type')?.value;
        if (typeof type === 'string') return type;
      }
    }
    return undefined;
  }

  private say(node: Node, message: string, severity: Problem['severity'] = 'error'): void {
    if (this.problems.length < MOST_PROBLEMS)
      this.problems.push(problem(message, this.document.source.placeOf(node.offset), severity));
  }
}

const MOST_PROBLEMS = 1_000;
const MOST_MEMBERS = 200_000;
/** Groups within groups, and groups that extend one another: more than any person keeps track of. */
const DEEPEST = 200;
const LONGEST_CHAIN = 100;

function isToken(node: Node): boolean {
  return memberOf(node, '$value') !== undefined || memberOf(node, '$ref') !== undefined;
}

function pathOf(keys: readonly string[]): string {
  // A group's own value stands under $root and goes by the group's name.
  return keys.filter((key) => key !== '$root').join('.');
}

function lastValue(layers: Layers, key: string): unknown {
  for (let at = layers.length - 1; at >= 0; at--) {
    const found = memberOf(layers[at]!, key);
    if (found) return found.value as unknown;
  }
  return undefined;
}

function lastText(layers: Layers, key: string): string | undefined {
  const value = lastValue(layers, key);
  return typeof value === 'string' ? value : undefined;
}

/** A reason, empty for a plain `true`. A `false` says that it may be used although its group may not. */
function deprecation(value: unknown, inherited: string | null): string | null {
  if (value === true) return '';
  if (value === false) return null;
  return typeof value === 'string' ? shortened(value, LIMITS.description) : inherited;
}

/** The keys a reference leads along: `{group.token}`, or a JSON pointer as a URI fragment (RFC 6901, 6); null for any other text. */
export function keysOfReference(text: string): string[] | null {
  const braces = /^\{([^{}]+)\}$/.exec(text);
  if (braces) return braces[1]!.trim().split('.');
  if (!text.startsWith('#/')) return null;
  return text
    .slice(2)
    .split('/')
    .map((part) => decoded(part).replaceAll('~1', '/').replaceAll('~0', '~'));
}

function decoded(part: string): string {
  try {
    return decodeURIComponent(part);
  } catch (error) {
    // A percent sign that begins no escape stands for itself.
    if (error instanceof URIError) return part;
    throw error;
  }
}

export function nodeAt(root: Node, keys: readonly string[]): Node | undefined {
  let reached: Node | undefined = root;
  for (const key of keys) {
    if (reached?.type === 'array') reached = /^\d+$/.test(key) ? reached.children?.[Number(key)] : undefined;
    else reached = reached && memberOf(reached, key);
  }
  return reached;
}

/** Path of the token an alias points at; null for any other value. */
export function aliasOf(node: Node): string | null {
  const reference: unknown = node.type === 'object' ? memberOf(node, '$ref')?.value : node.value;
  if (typeof reference !== 'string') return null;
  const keys = keysOfReference(reference);
  return keys && keys.filter((key) => key !== '$value' && key !== '$root').join('.');
}

/** What a token comes to in the end. Tokens that end in the same place share one object. */
export type End = { readonly colour: ReadColour } | { readonly colour: null; readonly type: string | undefined } | Fault;

/** Why a token comes to nothing, as the end of a sentence. */
export interface Fault {
  readonly fault: string;
  /** The path that it points at and that is nowhere. */
  readonly missing?: string;
  /** Whether it goes round in a circle. */
  readonly ring?: true;
}

/** Follows aliases to a colour. Every token is resolved once. */
export function resolver(entries: ReadonlyMap<string, TokenEntry>): (entry: TokenEntry) => End {
  const done = new Map<string, End>();
  return (entry) => {
    const walked: TokenEntry[] = [];
    const onWay = new Map<TokenEntry, number>();
    let reached: TokenEntry | undefined = entry;
    let end: End | undefined;
    while (!end) {
      end = done.get(reached.path);
      if (end) break;
      const met = onWay.get(reached);
      if (met !== undefined) {
        const paths = walked.slice(met).map(({ path }) => path);
        end = { fault: `goes round in a circle: ${ringWords([...paths, paths[0]!])}.`, ring: true };
        break;
      }
      onWay.set(reached, walked.length);
      walked.push(reached);
      const target = aliasOf(reached.value);
      if (target === null) end = authoredColour(reached);
      else {
        const next = entries.get(target);
        if (!next) end = { fault: `points at ${target}, which is not in this file.`, missing: target };
        else reached = next;
      }
    }
    for (const { path } of walked) done.set(path, end);
    return end;
  };
}

function authoredColour({ value, type, document }: TokenEntry): End {
  if (type !== undefined && type !== 'color') return { colour: null, type };
  const coloured = typeof value.value === 'string' || typeof memberOf(value, 'colorSpace')?.value === 'string';
  if (type === undefined && !coloured) return { colour: null, type };
  const follow = (node: Node): Node => {
    const reference: unknown = node.type === 'object' ? memberOf(node, '$ref')?.value : undefined;
    const keys = typeof reference === 'string' ? keysOfReference(reference) : null;
    return (keys && nodeAt(document.root, keys)) ?? node;
  };
  const read = readTokenColour(value, follow);
  if ('colour' in read) return read;
  return type === 'color' ? read : { colour: null, type };
}
