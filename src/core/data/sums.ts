import type { ChartColumns, DataTable } from './read-data';

/** What a chart shows of one category. */
export interface CategorySum {
  /** As the data spells it; of all that are too small to stand alone, how many they are. */
  readonly name: string;
  readonly sum: number;
  readonly rows: number;
  /** The sum at each place along, in their order; 0 where there is none. */
  readonly along: Float64Array;
  /** How many categories stand behind it, where it is more than one. */
  readonly others?: number;
}

export interface Sums {
  /** The greatest first. */
  readonly categories: readonly CategorySum[];
  /** What the chart goes along, in order; empty where nothing was chosen. */
  readonly places: readonly string[];
  /** How many rows have how much, in stretches of equal length; empty where nothing is measured. */
  readonly bins: readonly Bin[];
  /** Single rows, evenly taken where there are very many: two of their amounts; empty where no second is measured. */
  readonly points: readonly Point[];
}

/** A row of the table as one mark. */
export interface Point {
  readonly x: number;
  readonly y: number;
  /** Which of the categories, by its place in them. */
  readonly category: number;
}

/** A stretch of amounts, its beginning in it and its end not, but for the last. */
export interface Bin {
  readonly from: number;
  readonly to: number;
  readonly rows: number;
}

const BINS = 20;
/** More marks than these lie on top of each other. */
const MOST_POINTS = 2_000;

/** More categories than these are put together: nobody tells so many colours apart, and no legend holds them. */
export const MOST_CATEGORIES = 40;
/** More places along are put together into this many stretches. */
const MOST_PLACES = 60;

/** Sums the rows by category, and along. @param onProgress told the share of the rows that were summed, 0..1 */
export function sumUp(
  { columns, rows }: DataTable,
  { category, value, along, against }: ChartColumns,
  onProgress?: (share: number) => void,
): Sums {
  const values = value === null ? null : columns[value]?.values;
  const names = category === null ? null : columns[category]!.texts;
  const places = placesOf(columns[along ?? -1], rows);
  const sums = new Map<string, { sum: number; rows: number; along: Float64Array }>();
  for (let row = 0; row < rows; row++) {
    if (onProgress && row % 20_000 === 0) onProgress(row / rows);
    const name = names ? names[row]! || '(empty)' : 'All';
    const number = values ? values[row]! : 1;
    let found = sums.get(name);
    if (!found) sums.set(name, (found = { sum: 0, rows: 0, along: new Float64Array(places.names.length) }));
    found.rows++;
    if (Number.isNaN(number)) continue;
    found.sum += number;
    const place = places.of(row);
    if (place >= 0) found.along[place]! += number;
  }
  const all = Array.from(sums, ([name, rest]): CategorySum => ({ name, ...rest })).sort(
    (one, two) => two.sum - one.sum || (one.name < two.name ? -1 : 1),
  );
  const categories = together(all);
  const others = against === null ? undefined : columns[against]?.values;
  return {
    categories,
    places: places.names,
    bins: binned(values),
    points: values && others ? pointsOf(names, categories, others, values) : [],
  };
}

function pointsOf(
  names: readonly string[] | null,
  categories: readonly CategorySum[],
  xs: Float64Array,
  ys: Float64Array,
): Point[] {
  const place = new Map(categories.map(({ name, others }, at) => [others === undefined ? name : null, at]));
  const together = place.get(null) ?? 0;
  const known = Array.from(xs.keys()).filter((row) => !Number.isNaN(xs[row]!) && !Number.isNaN(ys[row]!));
  const count = Math.min(known.length, MOST_POINTS);
  return Array.from({ length: count }, (_, at) => {
    const row = known[Math.floor((at * known.length) / count)]!;
    const category = place.get(names ? names[row]! || '(empty)' : 'All') ?? together;
    return { x: xs[row]!, y: ys[row]!, category };
  });
}

function binned(values: Float64Array | null | undefined): Bin[] {
  const known = values?.filter((value) => !Number.isNaN(value));
  if (!known || known.length === 0) return [];
  const [low, high] = known.reduce(
    ([least, most], value) => [Math.min(least, value), Math.max(most, value)],
    [Infinity, -Infinity],
  );
  if (low === high) return [{ from: low, to: high, rows: known.length }];
  const stretch = (high - low) / BINS;
  const counts = new Array<number>(BINS).fill(0);
  for (const value of known) counts[Math.min(BINS - 1, Math.floor((value - low) / stretch))]!++;
  return counts.map((rows, at) => ({ from: low + at * stretch, to: low + (at + 1) * stretch, rows }));
}

function together(all: readonly CategorySum[]): CategorySum[] {
  if (all.length <= MOST_CATEGORIES) return [...all];
  const small = all.slice(MOST_CATEGORIES - 1);
  const along = new Float64Array(small[0]!.along.length);
  for (const each of small) each.along.forEach((value, at) => (along[at]! += value));
  const sum = (key: 'sum' | 'rows') => small.reduce((total, each) => total + each[key], 0);
  return [
    ...all.slice(0, MOST_CATEGORIES - 1),
    { name: `${small.length} smaller ones`, sum: sum('sum'), rows: sum('rows'), along, others: small.length },
  ];
}

interface Places {
  readonly names: readonly string[];
  readonly of: (row: number) => number;
}

function placesOf(column: DataTable['columns'][number] | undefined, rows: number): Places {
  if (!column) return { names: [], of: () => -1 };
  const { texts, values, kind } = column;
  const distinct = new Map<string, number>();
  for (let row = 0; row < rows; row++) {
    const text = texts[row]!;
    if (text !== '' && !distinct.has(text)) distinct.set(text, values ? values[row]! : distinct.size);
  }
  const sorted = [...distinct].filter(([, at]) => !Number.isNaN(at)).sort((one, two) => one[1] - two[1]);
  if (sorted.length <= MOST_PLACES || !values) {
    const names = sorted.slice(0, MOST_PLACES).map(([text]) => text);
    const index = new Map(names.map((text, at) => [text, at]));
    return { names, of: (row) => index.get(texts[row]!) ?? -1 };
  }
  // Stretches of equal length, each called by where it begins.
  const [low, high] = [sorted[0]![1], sorted.at(-1)![1]];
  const stretch = (high - low) / MOST_PLACES || 1;
  const names = Array.from({ length: MOST_PLACES }, (_, at) => {
    const from = low + at * stretch;
    return kind === 'dates' ? new Date(from).toISOString().slice(0, 10) : String(Number(from.toPrecision(4)));
  });
  return {
    names,
    of: (row) => (Number.isNaN(values[row]!) ? -1 : Math.min(MOST_PLACES - 1, Math.floor((values[row]! - low) / stretch))),
  };
}
