import { shortened } from '../../base/storable';
import type { Node } from 'jsonc-parser';
import { oneLine } from '../../base/plain-text';
import { LIMITS } from '../../brand/document/fields';
import { memberOf, readJson } from '../../source/json';
import { problem, type Problem } from '../../source/problem';
import type { OpenFile, Reader, ReadTools } from '../reader';
import {
  doubt,
  leftOut,
  nameOfFile,
  taken,
  type Entry,
  type EntryParts,
  type PaletteHead,
  type Intake,
  type ReadToken,
} from '../intake';
import { aliasOf, entriesOf, resolver } from './entries';
import { Faults, filesOfResolver, readTokenFiles } from './token-files';

/**
 * Design Tokens Format Module 2025.10 of the Design Tokens Community Group: groups, inherited `$type`, `$root`,
 * aliases in braces or as `$ref`, colours as objects; and the older form, where a colour is a hex string.
 */
export const dtcg: Reader = {
  id: 'dtcg',
  title: 'Design tokens (DTCG JSON)',
  family: 'tokens',
  extensions: ['.tokens.json', '.tokens'],
  purpose: 'Each group is a palette; tokens come as tokens, and aliases stay aliases.',
  read(file, tools) {
    const { source } = file;
    if (!source || !/^\s*\{/.test(source.text) || !/"\$value"|"\$ref"/.test(source.text)) return null;
    const { root, problems } = readJson(source);
    if (!root) return { format: 'dtcg', palettes: [], entries: [], tokens: [], problems };
    if (memberOf(root, 'resolutionOrder')?.type === 'array') return resolved(file, tools);
    return tree(file, { root, problems });
  },
};

/** One file by itself. */
function tree(
  { name, source }: OpenFile,
  { root, problems }: { root: NonNullable<ReturnType<typeof readJson>['root']>; problems: readonly Problem[] },
): Intake {
  const document = { name, source: source!, root, problems };
  const { tokens: entries, problems: said } = entriesOf(document);
  const end = resolver(entries);
  const faults = new Faults();
  const collected = new TokenIntake(name, root);
  for (const entry of entries.values()) {
    const { path, description, value } = entry;
    const span = { from: value.offset, to: value.offset + value.length };
    const place = { ...source!.placeOf(span.from), span, text: path };
    const found = end(entry);
    if ('fault' in found) faults.add(entry, found);
    else if (found.colour === null) {
      const what = found.type ?? 'a value without a type';
      collected.leave(
        leftOut(null, doubt('no colour', `No colour but ${what.slice(0, 80)}: kept untouched.`), { ...place, name: path }),
      );
    } else {
      const token = { path, alias: aliasOf(value), description };
      collected.take(taken(found.colour, { ...place, name: path.slice(path.lastIndexOf('.') + 1), token }));
    }
  }
  return collected.intake([...problems, ...said, ...faults.problems()]);
}

/** A resolver with the files beside it that it names, in its first context. */
function resolved(file: OpenFile, { beside }: ReadTools): Intake {
  const names = filesOfResolver(file);
  const given = beside ? names.flatMap((name) => beside(name) ?? []) : [];
  const { contexts, problems } = readTokenFiles([file, ...given]);
  const collected = new TokenIntake(file.name, null);
  const [context, ...others] = contexts;
  for (const { path, alias, description, colour, place } of context?.tokens.values() ?? []) {
    const name = path.slice(path.lastIndexOf('.') + 1);
    if (colour) collected.take(taken(colour, { ...place, text: path, name, token: { path, alias, description } }));
  }
  const said = [...problems];
  if (names.length > 0 && !beside)
    said.push(problem('A resolver holds few colours itself; bring it in under Name, together with the files it names.'));
  if (context && others.length > 0) {
    const message = `Read in the context ${context.name}; there is also ${others.map(({ name }) => name).join(', ')}.`;
    said.push(problem(message, { line: 1, column: 1 }, 'warning'));
  }
  return collected.intake(said);
}

/** Tokens by their groups, aliases apart. */
class TokenIntake {
  private readonly groups = new Map<string, EntryParts[]>();
  private readonly aliases: EntryParts[] = [];
  private readonly left: EntryParts[] = [];
  private readonly tokens: ReadToken[] = [];

  /** @param root of the file whose groups say what they are for; null where several files do */
  constructor(
    private readonly name: string,
    private readonly root: Node | null,
  ) {}

  take(entry: EntryParts): void {
    const { path, alias, description } = entry.token!;
    const { hex, alpha } = entry.colour!;
    this.tokens.push({ path, alias, description, hex, alpha });
    if (alias !== null) {
      this.aliases.push(entry);
      return;
    }
    const cut = path.lastIndexOf('.');
    const group = cut < 0 ? nameOfFile(this.name).replace(/\.(?:tokens|resolver)$/, '') : path.slice(0, cut);
    const known = this.groups.get(group);
    if (known) known.push(entry);
    else this.groups.set(group, [entry]);
  }

  leave(entry: EntryParts): void {
    this.left.push(entry);
  }

  private noteOf(group: string): string {
    let node: Node | undefined = this.root ?? undefined;
    for (const key of group.split('.')) node = node && memberOf(node, key);
    const words: unknown = node && memberOf(node, '$description')?.value;
    return typeof words === 'string' ? shortened(oneLine(words), LIMITS.note) : '';
  }

  intake(problems: readonly Problem[]): Intake {
    const palettes = [...this.groups.keys()].map((name): PaletteHead => {
      const note = this.noteOf(name);
      return { name, kind: 'loose', ...(note && { about: { note } }) };
    });
    const entries = [...this.groups.values()].flatMap((group, palette) => group.map((entry): Entry => ({ ...entry, palette })));
    const others = [...this.aliases, ...this.left].map((entry): Entry => ({ ...entry, palette: null }));
    return { format: 'dtcg', palettes, entries: [...entries, ...others], tokens: this.tokens, problems };
  }
}
