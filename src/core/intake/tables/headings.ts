import { textAt, type TableRow, type Table } from './table';

/** What a column holds, as its heading says. */
export type Meaning =
  | 'name'
  | 'hex'
  | 'rgb'
  | 'cmyk'
  | 'hsl'
  | 'red'
  | 'green'
  | 'blue'
  | 'cyan'
  | 'magenta'
  | 'yellow'
  | 'black'
  | 'opacity'
  | 'note'
  | 'group'
  | 'number';

/** Headings as people write them, in small letters. A letter by itself means a channel only beside its fellows. */
const WORDS: readonly (readonly [Meaning, RegExp])[] = [
  [
    'hex',
    /^(?:#|hex|html|web|css)(?:[ -]?(?:code|value|colou?r|rgb|triplet))?$|^(?:rgb|colou?r)[ -]?hex$|^(?:colou?r[ -]?)?code$|^value$/,
  ],
  ['rgb', /^s?rgb(?:[ -]?(?:value|values|code))?$/],
  ['cmyk', /^cmyk(?:[ -]?(?:value|values))?$/],
  ['hsl', /^hsl$/],
  ['red', /^(?:r|red)$/],
  ['green', /^(?:g|green)$/],
  ['blue', /^(?:b|blue)$/],
  ['cyan', /^(?:c|cyan)$/],
  ['magenta', /^(?:m|magenta)$/],
  ['yellow', /^(?:y|yellow)$/],
  ['black', /^(?:k|black|key)$/],
  ['opacity', /^(?:opacity|alpha|a|transparency)(?: ?%)?$/],
  ['note', /^(?:notes?|comments?|remarks?|descriptions?|usage|use|uses|used for|purpose)$/],
  ['group', /^(?:group|family|palette|category|set|row)$/],
  ['number', /^(?:no\.?|nr\.?|number|ink|ink (?:no\.?|number)|spot|spot (?:ink|colou?r)|id|index|order)$/],
  ['name', /^(?:(?:colou?r|swatch|token|shade|short)[ -]?)?(?:name|title|label)s?$|^(?:colou?r|swatch|token|role|shade)$/],
];

/** The columns of a table by what their headings say. */
export interface Headings {
  /** Index of the row of headings in the table. */
  readonly at: number;
  readonly columns: ReadonlyMap<Meaning, number>;
  /** Headings as they stand, by column. */
  readonly titles: readonly string[];
}

const CHANNELS = ['red', 'green', 'blue'] as const;
const INKS = ['cyan', 'magenta', 'yellow', 'black'] as const;
/** So many rows may stand above the headings: a title, who made it, a gap. */
const ROWS_ABOVE = 10;

/** The first row that is nothing but headings and has some that speak of colour; null when there is none. */
export function headingsOf(table: Table): Headings | null {
  for (let at = 0; at < Math.min(ROWS_ABOVE, table.length); at++) {
    const titles = table[at]!.cells.map((_, column) => textAt(table[at]!, column));
    const columns = meaningsOf(titles, (column) => table.slice(at + 1).some((row) => textAt(row, column) !== ''));
    const has = (...all: readonly Meaning[]) => all.every((meaning) => columns.has(meaning));
    if (!has(...CHANNELS)) for (const meaning of CHANNELS) columns.delete(meaning);
    if (!has(...INKS)) for (const meaning of INKS) columns.delete(meaning);
    const speaks = has('red') || has('cyan') || has('hex') || has('rgb') || has('cmyk') || has('hsl');
    if (!speaks || titles.some((title) => /^#[0-9a-f]{3,8}$/i.test(title))) continue;
    // "Colour" heads the codes where nothing else does, and the names where something else does.
    if (!has('name')) {
      const used = new Set(columns.values());
      const first = titles.findIndex((_, column) => !used.has(column) && isNaming(table, at, column));
      if (first >= 0) columns.set('name', first);
    }
    return { at, columns, titles };
  }
  return null;
}

/** @param hasText whether anything is written in a column: one whose cells are only filled has no names */
function meaningsOf(titles: readonly string[], hasText: (column: number) => boolean): Map<Meaning, number> {
  const columns = new Map<Meaning, number>();
  titles.forEach((title, column) => {
    const word = title
      .toLowerCase()
      .replace(/\s+/g, ' ')
      .replace(/\s*[:(].*$/, '')
      .trim();
    const meaning = WORDS.find(([, pattern]) => pattern.test(word))?.[0];
    if (meaning && !columns.has(meaning) && (meaning !== 'name' || hasText(column))) columns.set(meaning, column);
  });
  return columns;
}

/** Whether a column has words below its heading. */
function isNaming(table: Table, heading: number, column: number): boolean {
  return table.slice(heading + 1, heading + 20).some((row: TableRow) => /\p{L}/u.test(textAt(row, column)));
}
