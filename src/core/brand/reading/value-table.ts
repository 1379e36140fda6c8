import { shortened } from '../../base/storable';
import Papa from 'papaparse';
import type { Brand } from '../document/document';
import type { DataField } from '../document/data-shape';
import { LIMITS } from '../document/fields';

/** A table of text, to be looked at before values are taken from it. */
export interface ValueTable {
  readonly rows: readonly (readonly string[])[];
  /** Columns of the widest row. */
  readonly width: number;
}

/** What of a table is taken. */
export interface TableChoice {
  /** Whether the first row says what the columns hold. */
  readonly heading: boolean;
  /** Index of the column with the values. */
  readonly values: number;
  /** Index of the column with paths of tokens that the values are pinned to; null where there is none. */
  readonly tokens: number | null;
}

export interface ReadValues {
  /** What the column's heading says; null without one. */
  readonly name: string | null;
  readonly values: DataField['values'];
  /** One sentence each: what, where, what to do. */
  readonly problems: readonly string[];
}

/** Rows of which columns are judged. */
const JUDGED = 200;

/** CSV with whatever stands between its cells (RFC 4180 and its relatives). */
export function valueTable(csv: string): ValueTable {
  const { data } = Papa.parse<string[]>(csv.trim(), { skipEmptyLines: 'greedy' });
  return { rows: data, width: data.reduce((most, row) => Math.max(most, row.length), 0) };
}

const isNumber = (text: string) => /\d/.test(text) && /^[-+]?[\d.,\s]+%?$/.test(text.trim());
/** What a single column of values is commonly called. */
const HEADINGS = /^(?:values?|names?|labels?|categor(?:y|ies))$/i;

/**
 * What is likeliest: values are the first column of words that are no tokens' paths; a column in which some are is that of the tokens,
 * and numbers never are; a first row is a heading where it alone has no number above numbers, or no token above tokens.
 */
export function likelyChoice({ tokens: known }: Brand, { rows, width }: ValueTable): TableChoice {
  const paths = new Set(known.map(({ path }) => path));
  const columns = Array.from({ length: width }, (_, column) =>
    rows
      .slice(0, JUDGED)
      .map((row) => (row[column] ?? '').trim())
      .slice(0),
  );
  const below = (column: number) => columns[column]!.slice(1).filter(Boolean);
  const mostly = (cells: readonly string[], is: (text: string) => boolean) =>
    cells.length > 0 && cells.filter(is).length * 2 > cells.length;
  const ofTokens = columns.findIndex((cells) => cells.some((text) => paths.has(text)) && !mostly(cells, isNumber));
  const words = columns.findIndex(
    (_, column) => column !== ofTokens && !mostly(below(column), isNumber) && below(column).length > 0,
  );
  const values = words >= 0 ? words : columns.findIndex((_, column) => column !== ofTokens);
  const first = (column: number) => columns[column]?.[0] ?? '';
  const heading =
    columns.some((_, column) => first(column) !== '' && !isNumber(first(column)) && mostly(below(column), isNumber)) ||
    (ofTokens >= 0 && first(ofTokens) !== '' && !paths.has(first(ofTokens))) ||
    HEADINGS.test(first(Math.max(0, values)));
  return { heading, values: Math.max(0, values), tokens: ofTokens >= 0 && width > 1 ? ofTokens : null };
}

/** A value as it is kept: without control characters and space about it. */
export function valueText(raw: string): string {
  return raw.replace(/[\u0000-\u001f\u007f]+/g, ' ').trim();
}

/** The values of a field from the chosen columns of a table, each once. */
export function readValues(brand: Brand, { rows }: ValueTable, { heading, values: from, tokens: pins }: TableChoice): ReadValues {
  const byPath = new Map(brand.tokens.map((token) => [token.path, token.id]));
  const values = new Map<string, DataField['values'][number]>();
  const problems: string[] = [];
  let beyond = 0;
  rows.slice(heading ? 1 : 0).forEach((row, at) => {
    const line = at + (heading ? 2 : 1);
    const text = valueText(row[from] ?? '');
    const path = pins === null ? '' : (row[pins] ?? '').trim();
    if (text === '') return void problems.push(`Line ${line} has no value and was left out.`);
    if (text.length > LIMITS.name)
      return void problems.push(`Line ${line} is longer than ${LIMITS.name} characters and was left out; shorten it.`);
    if (values.has(text)) return;
    if (values.size >= LIMITS.fieldValues) return void beyond++;
    const token = path === '' || isNumber(path) ? undefined : byPath.get(path);
    if (path !== '' && token === undefined && !isNumber(path))
      problems.push(`Line ${line}: there is no token ${path.slice(0, 60)}, so ${text} is not pinned.`);
    values.set(text, token === undefined ? { text } : { text, token });
  });
  if (beyond > 0) problems.push(`A field has at most ${LIMITS.fieldValues} values; the rest was left out.`);
  const name = heading ? shortened(valueText(rows[0]?.[from] ?? ''), LIMITS.name) : '';
  return { name: name || null, values: [...values.values()], problems };
}
