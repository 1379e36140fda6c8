import { marked } from '../kit/marks';
import type { Brand } from '../../brand/document/document';
import type { Carried } from '../../brand/document/data-shape';
import type { Theme } from '../../brand/document/theme-shape';
import type { Token } from '../../brand/document/token-shape';
import { resolveTheme, type Resolved } from '../../brand/reading/resolve';
import { writeTokenColour } from './token-colour';
import { notesOfGroups } from '../../brand/reading/palette-notes';
import { ancestors } from '../kit/nested';

/** A group: its members in their order. A plain object would put numbers first. A leaf is JSON text. */
type Tree = Map<string, Tree | string>;

/**
 * One theme of a brand as the text of a design token file, its colours marked, 2025.10: tokens in the brand's order, aliases kept, and what
 * other tools keep in the brand where it stood, as it stood.
 */
export function markedTokenText(brand: Brand, theme: Theme): string {
  const resolved = resolveTheme(brand, theme.id);
  const paths = new Map(brand.tokens.map((token) => [token.id, token.path]));
  const groups = new Set(brand.tokens.flatMap(({ path }) => ancestors(path)));
  const root: Tree = new Map([['$schema', '"https://www.designtokens.org/schemas/2025.10/format.json"']]);
  const carried = carriedBefore(brand, theme);
  const put = (keys: readonly string[], json: string) => {
    let at = root;
    for (const key of keys.slice(0, -1)) {
      let next = at.get(key);
      // A token of another type may stand where a group is now: the group wins, and it becomes the group's own value.
      if (!(next instanceof Map)) at.set(key, (next = new Map(next === undefined ? [] : [['$root', next]])));
      at = next;
    }
    const last = keys.at(-1)!;
    const there = at.get(last);
    if (there instanceof Map) there.set('$root', json);
    else at.set(last, json);
  };
  for (const token of brand.tokens) {
    for (const { path, json } of carried.get(token.id) ?? []) put(path, json);
    const found = resolved.get(token.id)!;
    if (!found.colour) continue;
    // A token that is a group's name as well is the group's own value.
    const keys = [...token.path.split('.'), ...(groups.has(token.path) ? ['$root'] : [])];
    put(keys, tokenJson(token, theme, found, paths, groups, '  '.repeat(keys.length)));
  }
  for (const { path, json } of carried.get(null) ?? []) put(path, json);
  for (const [group, words] of notesOfGroups(brand, theme)) describe(root, group, words);
  return written(root, '') + '\n';
}

/** Gives a group a description, as its first member, unless it has one. */
function describe(root: Tree, path: string, words: string): void {
  let group: Tree | string | undefined = root;
  for (const key of path.split('.')) group = group instanceof Map ? group.get(key) : undefined;
  if (!(group instanceof Map) || group.has('$description')) return;
  const members = [...group];
  group.clear();
  for (const [key, value] of [['$description', JSON.stringify(words)] as const, ...members]) group.set(key, value);
}

/** The carried parts of a theme by the token they stand before. */
function carriedBefore(brand: Brand, theme: Theme): Map<string | null, Carried[]> {
  const known = new Set(brand.tokens.map(({ id }) => id));
  const grouped = new Map<string | null, Carried[]>();
  for (const member of brand.carried) {
    if (member.theme !== undefined && member.theme !== theme.id) continue;
    const before = member.before !== null && known.has(member.before) ? member.before : null;
    const list = grouped.get(before);
    if (list) list.push(member);
    else grouped.set(before, [member]);
  }
  return grouped;
}

function tokenJson(
  token: Token,
  theme: Theme,
  { colour, via, kept }: Resolved,
  paths: ReadonlyMap<string, string>,
  groups: ReadonlySet<string>,
  indent: string,
): string {
  const value = token.values[theme.id];
  const target = value && 'token' in value && via ? paths.get(value.token)! : null;
  const css = kept ? kept.swatch.value : colour!.css;
  const text =
    target === null
      ? JSON.stringify(writeTokenColour(css), null, 2).replaceAll('\n', `\n${indent}  `)
      : JSON.stringify(`{${target}${groups.has(target) ? '.$root' : ''}}`);
  const members: [string, string][] = [
    ['$type', '"color"'],
    ['$value', marked({ token, theme, colour: colour! }, text)],
  ];
  if (token.description) members.push(['$description', JSON.stringify(token.description)]);
  if (token.deprecated) members.push(['$deprecated', JSON.stringify(deprecationValue(token.deprecated, paths))]);
  if (token.extensions) members.push(['$extensions', token.extensions]);
  return `{\n${members.map(([key, json]) => `${indent}  "${key}": ${json}`).join(',\n')}\n${indent}}`;
}

function deprecationValue({ note, use }: NonNullable<Token['deprecated']>, paths: ReadonlyMap<string, string>): string | true {
  const instead = use === undefined ? '' : `Use {${paths.get(use)}}.`;
  return [note, instead].filter(Boolean).join(' ') || true;
}

function written(tree: Tree, indent: string): string {
  if (tree.size === 0) return '{}';
  const inner = `${indent}  `;
  const members = [...tree].map(
    ([key, value]) => `${inner}${JSON.stringify(key)}: ${typeof value === 'string' ? value : written(value, inner)}`,
  );
  return `{\n${members.join(',\n')}\n${indent}}`;
}
