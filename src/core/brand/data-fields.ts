import Papa from 'papaparse';
import { LIMITS, type Brand, type DataField, type Token } from './document';

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
 * The token of each value: the one it is pinned to, else the next of the group that no value is pinned to. With more
 * values than tokens the last ones get none; nothing is given twice in silence.
 */
export function assignments(brand: Brand, field: DataField): Assignment[] {
  const byId = new Map(brand.tokens.map((token) => [token.id, token]));
  const taken = new Set(field.values.flatMap(({ token }) => token ?? []));
  const free = tokensBelow(brand.tokens, field.group).filter(({ id }) => !taken.has(id));
  let next = 0;
  return field.values.map(({ text, token }) =>
    token === undefined
      ? { text, token: free[next++] ?? null, pinned: false }
      : { text, token: byId.get(token) ?? null, pinned: true },
  );
}

/** The first group that holds several colours for data: what a chart takes where nobody says otherwise. */
export function firstSeries(tokens: readonly Token[]): string | undefined {
  const groups = tokens.flatMap(({ role, path }) => (role === 'data' ? [path.slice(0, Math.max(0, path.lastIndexOf('.')))] : []));
  const counts = new Map<string, number>();
  for (const group of groups) counts.set(group, (counts.get(group) ?? 0) + 1);
  return groups.find((group) => counts.get(group)! > 1) ?? groups[0];
}

export interface ReadValues {
  readonly values: DataField['values'];
  /** One sentence each: what, where, what to do. */
  readonly problems: readonly string[];
}

/**
 * The values of a field from CSV: the first column holds them, each once; a second one may name the token a value is
 * pinned to, by its path. A first line that says `value` is a heading.
 */
export function readValues(brand: Brand, csv: string): ReadValues {
  const { data } = Papa.parse<string[]>(csv.trim(), { skipEmptyLines: 'greedy', preview: LIMITS.fieldValues * 4 });
  const rows = /^values?$/i.test(data[0]?.[0]?.trim() ?? '') ? data.slice(1) : data;
  const skippedLines = data.length - rows.length;
  const byPath = new Map(brand.tokens.map((token) => [token.path, token.id]));
  const values = new Map<string, DataField['values'][number]>();
  const problems: string[] = [];
  rows.forEach(([raw = '', path = ''], at) => {
    const line = at + 1 + skippedLines;
    const text = raw.replace(/[\u0000-\u001f\u007f]+/g, ' ').trim();
    if (text === '') return void problems.push(`Line ${line} has no value and was left out.`);
    if (text.length > LIMITS.name)
      return void problems.push(`Line ${line} is longer than ${LIMITS.name} characters and was left out; shorten it.`);
    if (values.has(text)) return;
    if (values.size >= LIMITS.fieldValues) return;
    const token = path.trim() === '' ? undefined : byPath.get(path.trim());
    if (path.trim() !== '' && token === undefined)
      problems.push(`Line ${line}: there is no token ${path.trim().slice(0, 60)}, so ${text} is not pinned.`);
    values.set(text, token === undefined ? { text } : { text, token });
  });
  if (values.size >= LIMITS.fieldValues)
    problems.push(`A field has at most ${LIMITS.fieldValues} values; the rest was left out.`);
  return { values: [...values.values()], problems };
}

/** New values joined to those a field has; a value that is there already keeps its place, and its pin unless another is given. */
export function mergedValues(had: DataField['values'], read: DataField['values']): DataField['values'] {
  const merged = new Map(had.map((value) => [value.text, value]));
  for (const value of read) {
    if (!merged.has(value.text) || value.token !== undefined) merged.set(value.text, value);
  }
  return [...merged.values()].slice(0, LIMITS.fieldValues);
}
