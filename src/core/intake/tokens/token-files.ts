import type { Node } from 'jsonc-parser';
import { LIMITS } from '../../brand/document/fields';
import type { ReadColour } from '../../colour/read';
import { memberOf, membersOf } from '../../source/json';
import { problem, type Problem } from '../../source/problem';
import type { Place } from '../../source/source-text';
import type { SourceFile } from '../reader';
import {
  aliasOf,
  entriesOf,
  keysOfReference,
  nodeAt,
  readDocument,
  resolver,
  type Fault,
  type TokenDocument,
  type TokenEntries,
  type TokenEntry,
} from './entries';

/** A colour token of a file in one context. */
export interface FileToken {
  readonly path: string;
  /** Path of the token it points at; null when it holds a colour. */
  readonly alias: string | null;
  /** What it comes to; null when what it points at is not in the files. */
  readonly colour: ReadColour | null;
  readonly description: string;
  /** Why it is not to be used, empty without a reason; null when it may be. */
  readonly deprecated: string | null;
  /** `$extensions`, as JSON text. */
  readonly extensions: string | undefined;
  /** Where its value stands in its file. */
  readonly place: Place;
}

/** What a token file holds besides colours: a token of another type, or a property of a group. */
export interface FileCarried {
  readonly keys: readonly string[];
  readonly json: string;
  /** Path of the colour token it stands before; null at the end. */
  readonly before: string | null;
}

/** A theme as token files have it: one file, or one context of a resolver. */
export interface TokenContext {
  readonly name: string;
  readonly tokens: ReadonlyMap<string, FileToken>;
  readonly carried: readonly FileCarried[];
  /** Paths of tokens that are in the files but cannot be read; each has its problem. */
  readonly damaged: ReadonlySet<string>;
}

export interface TokenFiles {
  readonly contexts: readonly TokenContext[];
  readonly problems: readonly Problem[];
}

type InFile = Problem & { readonly file: string };

/**
 * Design token files of the 2025.10 modules, and the older string form. Without a resolver among them each file is a
 * context by itself; with one, its sets and modifiers say what is merged with what. Only files given are read: a resolver
 * that names another file says so in a problem. Never throws.
 */
export function readTokenFiles(files: readonly SourceFile[]): TokenFiles {
  const problems: InFile[] = [];
  const documents = files.flatMap(({ name, bytes }): TokenDocument[] => {
    const document = readDocument(name, bytes);
    problems.push(...document.problems.map((problem) => ({ ...problem, file: name })));
    return 'root' in document ? [document] : [];
  });
  const resolving = documents.find(isResolver);
  const layers = resolving
    ? resolverContexts(resolving, documents, problems)
    : documents.map((document) => ({ name: contextName(document.name), layers: [entriesOf(document)] }));
  for (const { layers: merged } of layers) {
    for (const { document, problems: found } of merged)
      problems.push(...found.map((problem) => ({ ...problem, file: document.name })));
  }
  const contexts = layers.map(({ name, layers: merged }) => contextOf(name, merged, problems));
  const distinct = [
    ...new Map(problems.map((problem) => [`${problem.file} ${problem.line} ${problem.message}`, problem])).values(),
  ];
  return {
    contexts,
    problems: distinct.map(({ file, ...problem }) =>
      files.length > 1 ? { ...problem, message: `${file}: ${problem.message}` } : problem,
    ),
  };
}

function contextName(file: string): string {
  return file.replace(/^.*[\\/]/, '').replace(/(?:\.tokens)?(?:\.json)?$/i, '') || file;
}

function isResolver({ root }: TokenDocument): boolean {
  return memberOf(root, 'resolutionOrder')?.type === 'array';
}

interface Layers {
  readonly name: string;
  readonly layers: readonly TokenEntries[];
}

/** The modifier whose contexts are the themes; of several, the one that is called so. */
const THEME_LIKE = /theme|mode|scheme|appearance|colou?r/i;
const SOURCES_DEPTH = 10;
/** Sets of sets may name the same files any number of times. */
const MOST_SOURCES = 1_000;

/** Design Tokens Resolver Module 2025.10: sets and modifiers in their order, later ones over earlier ones. */
function resolverContexts(resolving: TokenDocument, documents: readonly TokenDocument[], problems: InFile[]): Layers[] {
  const complain = (node: Node, message: string, severity: Problem['severity'] = 'error') => {
    problems.push({ ...problem(message, resolving.source.placeOf(node.offset), severity), file: resolving.name });
  };
  /** A pointer into the resolver itself, to a set or modifier with its name. */
  const target = (node: Node): { name: string; node: Node } | null => {
    const reference: unknown = memberOf(node, '$ref')?.value;
    if (typeof reference !== 'string') return { name: String(memberOf(node, 'name')?.value ?? ''), node };
    const keys = keysOfReference(reference);
    const found = keys && nodeAt(resolving.root, keys);
    if (found) return { name: keys.at(-1)!, node: found };
    complain(node, `The resolver points at ${reference.slice(0, 80)}, which is not in it; this part is left out.`);
    return null;
  };
  const inline = new Map<Node, TokenEntries>();
  const entriesAt = (document: TokenDocument, node: Node): TokenEntries => {
    let entries = inline.get(node);
    if (!entries) inline.set(node, (entries = entriesOf(document, node)));
    return entries;
  };
  let sources = 0;
  const sourcesOf = (node: Node, depth: number): TokenEntries[] => {
    if (++sources > MOST_SOURCES) {
      if (sources === MOST_SOURCES + 1)
        complain(node, `The resolver takes more than ${MOST_SOURCES} sources, sets within sets counted; the rest is left out.`);
      return [];
    }
    const reference: unknown = memberOf(node, '$ref')?.value;
    if (typeof reference !== 'string') {
      const nested = memberOf(node, 'sources');
      return nested ? (nested.children ?? []).flatMap((source) => sourcesOf(source, depth + 1)) : [entriesAt(resolving, node)];
    }
    if (depth > SOURCES_DEPTH) {
      complain(node, `The resolver’s sources go round in a circle at ${reference.slice(0, 80)}; that part is left out.`);
      return [];
    }
    const [file = '', pointer = ''] = reference.split('#');
    if (file === '') {
      const keys = keysOfReference(reference);
      const found = keys && nodeAt(resolving.root, keys);
      if (found) return sourcesOf(found, depth + 1);
    } else {
      const document = documents.find(({ name }) => sameFile(name, file));
      const within = document && (pointer ? nodeAt(document.root, keysOfReference(`#${pointer}`) ?? []) : document.root);
      if (document && within) return [entriesAt(document, within)];
    }
    complain(node, `The resolver takes ${reference.slice(0, 80)}, which was not given; add that file.`);
    return [];
  };
  const order = (memberOf(resolving.root, 'resolutionOrder')!.children ?? []).flatMap((node) => target(node) ?? []);
  const modifiers = order.filter(({ node }) => memberOf(node, 'contexts'));
  const theme = modifiers.find(({ name }) => THEME_LIKE.test(name)) ?? modifiers[0];
  for (const { name, node } of modifiers) {
    if (name === theme?.name) continue;
    complain(node, `The modifier ${name} is taken in its default context; themes come from ${theme!.name}.`, 'warning');
  }
  const contextsOf = (node: Node) => membersOf(memberOf(node, 'contexts')!);
  const all = theme ? contextsOf(theme.node).map(({ key }) => key) : [contextName(resolving.name)];
  const names = all.slice(0, LIMITS.themes);
  if (theme && names.length < all.length)
    complain(
      theme.node,
      `${theme.name} has ${all.length} contexts, and a brand ${LIMITS.themes} themes at most; the first ${LIMITS.themes} are read.`,
    );
  return names.map((context) => ({
    name: context,
    layers: order.flatMap(({ name, node }) => {
      if (!memberOf(node, 'contexts')) return sourcesOf(node, 0);
      const contexts = contextsOf(node);
      const wanted = name === theme?.name ? context : memberOf(node, 'default')?.value;
      const chosen = contexts.find(({ key }) => key === wanted) ?? contexts[0];
      return (chosen?.value.children ?? []).flatMap((source) => sourcesOf(source, 0));
    }),
  }));
}

/** The files that a resolver names, as it names them; none when the file is no resolver. */
export function filesOfResolver(file: SourceFile): string[] {
  const document = readDocument(file.name, file.bytes);
  if (!('root' in document) || !isResolver(document)) return [];
  const names = new Set<string>();
  const open: Node[] = [document.root];
  for (let node = open.pop(); node; node = open.pop()) {
    const reference: unknown = node.type === 'object' ? memberOf(node, '$ref')?.value : undefined;
    const name = typeof reference === 'string' ? reference.split('#')[0]! : '';
    if (name !== '') names.add(name);
    if (node.children) open.push(...node.children);
  }
  return [...names].slice(0, MOST_SOURCES);
}

function sameFile(name: string, reference: string): boolean {
  const withoutDots = (path: string) => path.replace(/^(?:\.?\/)+/, '').toLowerCase();
  const [one, two] = [withoutDots(name), withoutDots(reference)];
  return one === two || one.endsWith(`/${two}`) || two.endsWith(`/${one}`);
}

/** Layers as one tree: a token of a later one takes the place of an earlier one with its path. */
function contextOf(name: string, layers: readonly TokenEntries[], problems: InFile[]): TokenContext {
  const merged = new Map<string, TokenEntry>();
  for (const { tokens } of layers) for (const [path, entry] of tokens) merged.set(path, entry);
  const resolved = resolver(merged);
  const tokens = new Map<string, FileToken>();
  const damaged = new Set<string>();
  const carried = new Map<string, Omit<FileCarried, 'before'>>();
  const order: { colour?: string; carried?: string }[] = [];
  const faults = new Faults();
  for (const { all } of layers) {
    for (const member of all) {
      const key = member.keys.join('\u0000');
      if ('node' in member) {
        // An earlier layer's token: its place is kept, its value is the later member's.
        const entry = merged.get(member.path)!;
        if (tokens.has(member.path) || carried.has(key)) continue;
        const end = resolved(entry);
        if ('fault' in end) {
          faults.add(entry, end);
          if (end.missing === undefined) {
            damaged.add(entry.path);
            continue;
          }
        } else if (end.colour === null) {
          carried.set(key, { keys: entry.keys, json: textOf(entry.document, entry.node) });
          order.push({ carried: key });
          continue;
        }
        const extensions = memberOf(entry.node, '$extensions');
        tokens.set(entry.path, {
          path: entry.path,
          alias: aliasOf(entry.value),
          colour: 'colour' in end ? end.colour : null,
          description: entry.description,
          deprecated: entry.deprecated,
          extensions: extensions && textOf(entry.document, extensions),
          place: entry.document.source.placeOf(entry.value.offset),
        });
        order.push({ colour: entry.path });
      } else {
        if (!carried.has(key)) order.push({ carried: key });
        carried.set(key, { keys: member.keys, json: textOf(member.document, member.value) });
      }
    }
  }
  problems.push(...faults.inFiles());
  let before: string | null = null;
  const placed: FileCarried[] = [];
  for (const { colour, carried: key } of order.reverse()) {
    if (colour !== undefined) before = colour;
    else placed.push({ ...carried.get(key!)!, before });
  }
  return { name, tokens, carried: placed.reverse(), damaged };
}

/** What is wrong with tokens: a ring of them is one fault, however many go round in it or lead into it. */
export class Faults {
  private readonly found: { readonly entry: TokenEntry; readonly end: Fault; count: number }[] = [];
  private readonly rings = new Map<Fault, number>();

  add(entry: TokenEntry, end: Fault): void {
    const known = end.ring ? this.rings.get(end) : undefined;
    if (known !== undefined) {
      this.found[known]!.count++;
      return;
    }
    if (end.ring) this.rings.set(end, this.found.length);
    this.found.push({ entry, end, count: 1 });
  }

  /** One sentence for each, with the place of the first token it stands for. */
  problems(): Problem[] {
    return this.found.map(({ entry, end, count }) => problemOf(entry, end, count));
  }

  /** The same, each with the file it is in. */
  inFiles(): InFile[] {
    return this.found.map(({ entry, end, count }) => ({ ...problemOf(entry, end, count), file: entry.document.name }));
  }
}

function problemOf({ path, document, value }: TokenEntry, { fault }: Fault, count: number): Problem {
  return problem(`${path} ${fault}`, document.source.placeOf(value.offset), 'error', count);
}

function textOf({ source }: TokenDocument, { offset, length }: Node): string {
  return source.text.slice(offset, offset + length);
}
