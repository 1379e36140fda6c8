import { slug } from '../../base/words';
import type { Brand } from '../document/document';
import type { DataField } from '../document/data-shape';
import type { Token } from '../document/token-shape';
import { LIMITS } from '../document/fields';

/** What one value of a field is drawn in. */
export interface Assignment {
  readonly text: string;
  /** null when the group has no token left for it. */
  readonly token: Token | null;
  readonly pinned: boolean;
}

/** The tokens straight below a group, in the brand's order. */
export function tokensBelow(tokens: readonly Token[], group: string): Token[] {
  return tokens.filter(({ path }) => path.slice(0, path.lastIndexOf('.')) === group && path.includes('.'));
}

/**
 * The token of each value: the one it is pinned to, else the one of the group with its name, else the next of the group that no other
 * value has. With more values than tokens the last ones get none; nothing is given twice in silence.
 */
export function assignments(brand: Brand, field: DataField): Assignment[] {
  const byId = new Map(brand.tokens.map((token) => [token.id, token]));
  const taken = new Set(field.values.flatMap(({ token }) => token ?? []));
  const left = tokensBelow(brand.tokens, field.group).filter(({ id }) => !taken.has(id));
  const byName = new Map(left.map((token) => [slug(lastOf(token.path)), token]));
  const named = new Map<string, Token>();
  for (const { text, token } of field.values) {
    const match = token === undefined ? byName.get(slug(text)) : undefined;
    if (!match) continue;
    named.set(text, match);
    byName.delete(slug(text));
  }
  const matched = new Set(named.values());
  const free = left.filter((token) => !matched.has(token));
  let next = 0;
  return field.values.map(({ text, token }) =>
    token === undefined
      ? { text, token: named.get(text) ?? free[next++] ?? null, pinned: false }
      : { text, token: byId.get(token) ?? null, pinned: true },
  );
}

function lastOf(path: string): string {
  return path.slice(path.lastIndexOf('.') + 1);
}

/** The first group that holds several colours for data: what a chart takes where nobody says otherwise. */
export function firstSeries(tokens: readonly Token[]): string | undefined {
  const groups = tokens.flatMap(({ role, path }) => (role === 'data' ? [path.slice(0, Math.max(0, path.lastIndexOf('.')))] : []));
  const counts = new Map<string, number>();
  for (const group of groups) counts.set(group, (counts.get(group) ?? 0) + 1);
  return groups.find((group) => counts.get(group)! > 1) ?? groups[0];
}

/** New values joined to those a field has; a value that is there already keeps its place, and its pin unless another is given. */
export function mergedValues(had: DataField['values'], read: DataField['values']): DataField['values'] {
  const merged = new Map(had.map((value) => [value.text, value]));
  for (const value of read) {
    if (!merged.has(value.text) || value.token !== undefined) merged.set(value.text, value);
  }
  return [...merged.values()].slice(0, LIMITS.fieldValues);
}
