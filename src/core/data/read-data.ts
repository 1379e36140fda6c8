import Papa from 'papaparse';
import { SourceText } from '../source/source-text';

/** More rows than these are told and left out: charts show sums, and these are enough for any. */
export const MOST_ROWS = 200_000;
const MOST_COLUMNS = 100;

/** One column of the data, cell by cell in the order of the rows. */
export interface DataColumn {
  readonly name: string;
  readonly kind: 'words' | 'numbers' | 'dates';
  /** As they stand in the file, without white space about them. */
  readonly texts: readonly string[];
  /** Of numbers and dates (milliseconds since 1970, UTC); NaN where there is none. Absent for words. */
  readonly values?: Float64Array;
}

export interface DataTable {
  readonly columns: readonly DataColumn[];
  readonly rows: number;
  /** What was not taken as it stands, in a sentence each. */
  readonly notes: readonly string[];
}

/** Reads a table of comma-, semicolon- or tab-separated values. @returns one sentence when there is nothing to draw */
export function readData(name: string, bytes: Uint8Array): DataTable | string {
  const source = SourceText.of(bytes);
  if (!source) return `${name} is no text; give a CSV file.`;
  const { data, meta } = Papa.parse<string[]>(source.text.replace(/^\ufeff/, ''), {
    skipEmptyLines: 'greedy',
    preview: MOST_ROWS + 2,
  });
  const [first, ...others] = data;
  if (!first) return `${name} is empty; there is nothing to draw.`;
  const hasHead = first.every((cell) => cell.trim() !== '' && parsePoint(cell) === null) && others.length > 0;
  const rows = hasHead ? others : data;
  const width = Math.min(MOST_COLUMNS, hasHead ? first.length : Math.max(...rows.slice(0, 100).map((row) => row.length)));
  const notes: string[] = [];
  const longer = rows.filter((row) => row.slice(width).some((cell) => cell.trim() !== '')).length;
  if (longer > 0)
    notes.push(
      `${longer} ${longer === 1 ? 'row has' : 'rows have'} more cells than there are columns; what stands beyond is left out.`,
    );
  const shorter = rows.filter((row) => row.length < width).length;
  if (shorter > 0)
    notes.push(
      `${shorter} ${shorter === 1 ? 'row has' : 'rows have'} fewer cells than there are columns; what is missing counts as empty.`,
    );
  if (rows.length > MOST_ROWS) notes.push(`Only the first ${MOST_ROWS.toLocaleString('en')} rows are used.`);
  const used = rows.slice(0, MOST_ROWS);
  const names = new Set<string>();
  const columns = Array.from({ length: width }, (_, at) =>
    column(
      unique(hasHead ? first[at]!.trim() : `Column ${at + 1}`, names),
      used.map((row) => (row[at] ?? '').trim()),
      meta.delimiter,
    ),
  );
  return { columns, rows: used.length, notes };
}

function unique(name: string, taken: Set<string>): string {
  let free = name;
  for (let number = 2; taken.has(free); number++) free = `${name} ${number}`;
  taken.add(free);
  return free;
}

/** So many of a column's filled cells must be numbers, or dates, for it to be a column of those. */
const ENOUGH = 0.9;

function column(name: string, texts: readonly string[], delimiter: string): DataColumn {
  const filled = texts.filter((text) => text !== '');
  for (const [kind, parse] of [
    ['dates', parseDate],
    ['numbers', hasDecimalComma(filled, delimiter) ? parseComma : parsePoint],
  ] as const) {
    const count = filled.reduce((sum, text) => sum + Number(parse(text) !== null), 0);
    if (filled.length > 0 && count >= ENOUGH * filled.length)
      return { name, kind, texts, values: Float64Array.from(texts, (text) => parse(text) ?? NaN) };
  }
  return { name, kind: 'words', texts };
}

/** Where commas do not part cells, and one is not followed by three digits, it is a decimal comma (common practice). */
function hasDecimalComma(texts: readonly string[], delimiter: string): boolean {
  if (delimiter === ',') return texts.some((text) => /^[^.]*\d,\d{1,2}$/.test(text));
  return (
    texts.some((text) => /\d,(?:\d{1,2}|\d{4,})\s*%?$/.test(text)) ||
    (texts.some((text) => /,/.test(text)) && !texts.some((text) => /\.\d{1,2}$/.test(text)))
  );
}

/** What may stand about a number: currencies, percent, thin spaces between thousands. */
const AROUND = /[\s\u00a0\u202f€$£%]/g;

function parsePoint(text: string): number | null {
  const bare = text.replace(AROUND, '');
  return /^[-+−]?(?:\d{1,3}(?:,\d{3})+|\d+)?(?:\.\d+)?(?:e[-+]?\d+)?$/i.test(bare) && /\d/.test(bare)
    ? Number(bare.replaceAll(',', '').replace('−', '-'))
    : null;
}

function parseComma(text: string): number | null {
  const bare = text.replace(AROUND, '');
  return /^[-+−]?(?:\d{1,3}(?:\.\d{3})+|\d+)?(?:,\d+)?$/.test(bare) && /\d/.test(bare)
    ? Number(bare.replaceAll('.', '').replace(',', '.').replace('−', '-'))
    : null;
}

/** Years, months and days as ISO 8601 has them, and with dots, the day first. */
function parseDate(text: string): number | null {
  const iso = /^(\d{4})-(\d{2})(?:-(\d{2}))?(?:[T ].*)?$/.exec(text);
  const dotted = iso ? null : /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(text);
  const [year, month, day] = iso ? [iso[1], iso[2], iso[3] ?? '1'] : dotted ? [dotted[3], dotted[2], dotted[1]] : [];
  if (year === undefined) return null;
  const time = Date.UTC(Number(year), Number(month) - 1, Number(day));
  // The 31st of a month of thirty days is no date.
  return new Date(time).getUTCDate() === Number(day) && Number(month) <= 12 ? time : null;
}

/** Which columns a chart is drawn from; indices. */
export interface ChartColumns {
  /** Words, whose values have colours. */
  readonly category: number | null;
  /** Numbers, which are summed; null counts the rows. */
  readonly value: number | null;
  /** Along which it goes: dates, else other words, else numbers. */
  readonly along: number | null;
  /** Other numbers, against which single rows are drawn. */
  readonly against: number | null;
}

/** Categories have at least two values, and repeat. */
const MOST_VALUES = 400;

/** A first choice, told from the data. @param known what the brand's fields are called and hold, which goes first */
export function guessColumns(
  { columns, rows }: DataTable,
  known: readonly { readonly name: string; readonly values: readonly string[] }[] = [],
): ChartColumns {
  const held = new Set(known.flatMap(({ name, values }) => [name, ...values]).map((text) => text.toLowerCase()));
  const worded = columns.flatMap((each, at) => {
    if (each.kind !== 'words') return [];
    const values = new Set(each.texts);
    values.delete('');
    const matches =
      [...values].slice(0, MOST_VALUES).filter((text) => held.has(text.toLowerCase())).length +
      Number(held.has(each.name.toLowerCase()));
    // Of names of single things, such as ids, no two are the same.
    const repeats = values.size > 1 && (values.size <= MOST_VALUES || values.size < rows / 2);
    return repeats ? [{ at, matches, size: values.size }] : [];
  });
  worded.sort((one, two) => two.matches - one.matches || Number(two.size > 2) - Number(one.size > 2) || one.at - two.at);
  const first = (kind: DataColumn['kind'], without: readonly (number | null)[] = []) => {
    const at = columns.findIndex((each, place) => each.kind === kind && !without.includes(place));
    return at < 0 ? null : at;
  };
  const category = worded[0]?.at ?? first('words');
  const value = first('numbers');
  const along = first('dates') ?? worded[1]?.at ?? first('numbers', [value]);
  return { category, value, along, against: first('numbers', [value, along]) };
}
