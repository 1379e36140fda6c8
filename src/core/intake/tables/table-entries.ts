import { disagreements, NO_PROFILE, isOther } from '../notations-compared';
import { fromCmyk } from '../../colour/channel-values';
import type { ReadColour } from '../../colour/read';
import type { Problem } from '../../source/problem';
import { certain, doubt, ENTRY_LIMIT, EntryList, leftOut, taken, type Doubt, type EntryParts } from '../intake';
import {
  bareCode,
  certainColour,
  codeBelowHeading,
  fromChannels,
  NO_HASH,
  opacityOf,
  translucent,
  type CellColour,
} from './cell-colour';
import { headingsOf, type Headings } from './headings';
import { textAt, type TableCell, type TableRow, type Table } from './table';

export interface TableIntake {
  readonly entries: readonly EntryParts[];
  readonly problems: readonly Problem[];
}

/**
 * The colours of a table, row by row. Where a row of headings says what the columns hold, only those of colours give
 * colours, a row is one colour in its notations, and a row that gives none is told. Without headings each cell that is
 * certainly a colour counts, and what is likely one in columns of codes. The fill of a cell counts before the word in it.
 */
export function tableEntries(table: Table): TableIntake {
  const headings = headingsOf(table);
  const list = new EntryList();
  if (headings && !isGrid(table, headings)) fromHeadings(table, headings, list);
  else fromCells(table, list);
  return { entries: list.entries, problems: list.problems() };
}

/** Whether several columns have codes below titles of their own, as a grid of shades has. */
function isGrid(table: Table, { at, columns, titles }: Headings): boolean {
  const named = new Set(columns.values());
  const codes = titles.filter(
    (title, column) =>
      title !== '' && !named.has(column) && table.slice(at + 1, at + 6).some((row) => certainColour(textAt(row, column)).colour),
  );
  return codes.length > 1;
}

function fromHeadings(table: Table, headings: Headings, list: EntryList): void {
  const rows = table.slice(headings.at + 1);
  const { columns } = headings;
  const cell = (row: TableRow, meaning: Parameters<typeof columns.get>[0]) =>
    columns.has(meaning) ? textAt(row, columns.get(meaning)!) : '';
  const channels = (['red', 'green', 'blue'] as const).flatMap((channel) => columns.get(channel) ?? []);
  const inks = (['cyan', 'magenta', 'yellow', 'black'] as const).flatMap((ink) => columns.get(ink) ?? []);
  // Shares from 0 to 1 only where no number of the whole table is larger.
  const shares =
    rows.some((row) => channels.some((at) => /[.,]/.test(textAt(row, at)))) &&
    rows.every((row) => channels.every((at) => Number(textAt(row, at).replace(',', '.')) <= 1));
  const first = Math.min(
    ...[columns.get('hex'), columns.get('rgb'), channels[0], columns.get('cmyk'), inks[0], columns.get('hsl')].flatMap(
      (at) => at ?? [],
    ),
  );
  for (const row of rows) list.add(() => entryOf(row));

  function entryOf(row: TableRow): EntryParts {
    const place = { line: row.line, column: first + 1, ...(row.cells[first]?.span && { span: row.cells[first].span }) };
    const name = cell(row, 'name');
    const notations: (readonly [label: string, text: string, colour: CellColour])[] = [];
    const put = (label: string, text: string, colour: CellColour) => text !== '' && notations.push([label, text, colour]);
    const withoutDoubt = (colour: ReadColour | null): CellColour => ({ colour, doubts: [], words: '' });
    if (columns.has('hex')) put('Hex', cell(row, 'hex'), codeBelowHeading(cell(row, 'hex')));
    if (columns.has('rgb')) put('RGB', cell(row, 'rgb'), certainColour(cell(row, 'rgb')));
    if (channels.length === 3) {
      const texts = channels.map((at) => textAt(row, at));
      put('Red, green and blue', texts.some(Boolean) ? texts.join(', ') : '', withoutDoubt(fromChannels(texts, shares)));
    }
    if (columns.has('hsl')) put('HSL', cell(row, 'hsl'), certainColour(`hsl ${cell(row, 'hsl')}`));
    const ink = columns.has('cmyk') ? (cell(row, 'cmyk').match(/\d+(?:\.\d+)?/g) ?? []) : inks.map((at) => textAt(row, at));
    if (ink.length === 4 && ink.some(Boolean))
      put('CMYK', ink.join(' '), { colour: inkColour(ink), doubts: [NO_PROFILE], words: '' });
    const fill = ownFill(row);
    const [chosen] = notations.filter(([, , { colour }]) => colour);
    const text = notations[0]?.[1] ?? '';
    const alpha = columns.has('opacity') ? opacityOf(cell(row, 'opacity')) : null;
    if (chosen?.[2].colour || fill) {
      const doubts: Doubt[] = [...(chosen?.[2].doubts ?? [])];
      const colour = chosen?.[2].colour ?? fill!;
      doubts.push(
        ...disagreements(
          colour,
          notations.map(([label, written, { colour: other }]) => ({ label, text: written, colour: other })),
        ),
      );
      if (chosen && fill && isOther(colour, fill))
        doubts.push(doubt('disagrees', `Its cell is filled with another colour, ${fill.hex}.`));
      if (cell(row, 'opacity') !== '' && alpha === null)
        doubts.push(doubt('disagrees', `Its opacity “${cell(row, 'opacity')}” cannot be read.`));
      const seen = alpha === null ? colour : translucent(colour, colour.alpha * alpha);
      return taken(seen, { ...place, name: name || (chosen?.[2].words ?? ''), text: chosen?.[1] ?? `fill ${fill!.hex}`, doubts });
    }
    const reason =
      notations.flatMap(([, , { doubts }]) => doubts)[0] ??
      (notations.length > 0
        ? doubt('unreadable', whyUnreadable(notations[0]![0]))
        : doubt('no colour', row.cells.some((cell) => cell?.text.trim()) ? 'This line has no colour.' : 'This line is empty.'));
    return leftOut(null, reason, { ...place, name, text: text || rowText(row) });
  }
}

function whyUnreadable(label: string): string {
  if (label === 'Red, green and blue') return 'Red, green and blue are numbers from 0 to 255.';
  return `${label} cannot be read as a colour.`;
}

function inkColour(ink: readonly string[]): ReadColour | null {
  const values = ink.map((text) => parseFloat(text));
  if (!values.every((value) => value >= 0 && value <= 100)) return null;
  const top = values.every((value) => value <= 1) && ink.some((text) => text.includes('.')) ? 1 : 100;
  const [c, m, y, k] = values.map((value) => value / top) as [number, number, number, number];
  return certain(fromCmyk(c, m, y, k));
}

function rowText(row: TableRow): string {
  return row.cells
    .map((cell) => cell?.text.trim() ?? '')
    .filter(Boolean)
    .join(', ')
    .slice(0, 80);
}

/** The one colour that cells of a row are filled with, leaving out what is mere decoration of the row. */
function ownFill(row: TableRow): ReadColour | null {
  const band = bandOf(row);
  const fills = row.cells.flatMap((cell) => (cell?.fill && cell.fill.hex !== band ? [cell.fill] : []));
  return fills.length === 1 ? fills[0]! : null;
}

/** The fill that three cells with words in them share: it marks the row, and is nobody's colour. */
function bandOf(row: TableRow): string | null {
  const counts = new Map<string, number>();
  for (const cell of row.cells) {
    if (cell?.fill && cell.text.trim() !== '') counts.set(cell.fill.hex, (counts.get(cell.fill.hex) ?? 0) + 1);
  }
  return [...counts].find(([, count]) => count > 2)?.[0] ?? null;
}

interface Found {
  readonly column: number;
  readonly cell: TableCell;
  readonly colour: ReadColour | null;
  readonly doubts: readonly Doubt[];
  /** The words in the cell itself. */
  readonly words: string;
}

/** Without headings: cells that are colours, named by the words of their row and the title of their column. */
function fromCells(table: Table, list: EntryList): void {
  const read = table.map(({ cells }) => cells.map((cell) => readCell(cell)));
  const codes = columnsOfCodes(table, read);
  const found: { row: TableRow; cells: Found[] }[] = [];
  let coloured = 0;
  let rest = 0;
  for (const [at, row] of table.entries()) {
    // Rows behind the limit are counted: reading them would cost as much again.
    if (coloured > ENTRY_LIMIT) {
      rest++;
      continue;
    }
    const cells = cellsOf(row, read[at]!, codes);
    found.push({ row, cells });
    coloured += cells.length;
  }
  const many = found.filter(({ cells }) => cells.filter(({ colour }) => colour).length > 1);
  const begins = found.findIndex(({ cells }) => cells.some(({ colour }) => colour));
  const titles = many.length > 0 ? titlesAbove(table, begins, found[begins]!.cells) : new Map<number, string>();
  const gridRows = new Map(many.map(({ row }, at) => [row, at + 1]));
  for (const { row, cells: read } of found.slice(Math.max(0, begins))) {
    const cells = titles.size > 1 ? withUnreadable(row, read, titles) : read;
    if (cells.length > 0) {
      const gridRow = gridRows.get(row) ?? (titles.size > 1 ? row.line : undefined);
      const entries = rowEntries(row, cells, titles, many.length > 1 || titles.size > 1 ? gridRow : undefined);
      for (const entry of entries) list.add(() => entry);
    } else if (codes.size > 0 && row.cells.some((cell) => cell?.text.trim())) {
      // A row of words among rows of codes has lost its colour; one among fills is a title.
      const place = { line: row.line, column: 1, text: rowText(row) };
      list.add(() => leftOut(null, doubt('no colour', 'This line has no colour.'), place));
    }
  }
  if (rest > 0) list.skip(rest);
}

/** The cells of a grid's row, with those that have words where a colour should be: a gap is none of them. */
function withUnreadable(row: TableRow, read: readonly Found[], titles: ReadonlyMap<number, string>): Found[] {
  const known = new Set(read.map(({ column }) => column));
  const others = [...titles.keys()].flatMap((column): Found[] => {
    const cell = row.cells[column];
    const text = cell?.text.trim() ?? '';
    if (!cell || text === '' || known.has(column)) return [];
    const reason = doubt('unreadable', `“${text.slice(0, 40)}” stands among colours and is none.`);
    return [{ column, cell, colour: null, doubts: [reason], words: '' }];
  });
  return others.length === 0 ? [...read] : [...read, ...others].sort((one, two) => one.column - two.column);
}

function rowEntries(
  row: TableRow,
  cells: readonly Found[],
  titles: ReadonlyMap<number, string>,
  gridRow: number | undefined,
): EntryParts[] {
  const coloured = cells.filter(({ colour }) => colour);
  const isColour = new Set(cells.map(({ column }) => column));
  const wordsAt = (from: number, to: number) => {
    for (let at = to - 1; at >= from; at--) if (!isColour.has(at) && textAt(row, at) !== '') return textAt(row, at);
    return '';
  };
  const first = cells[0]!.column;
  const isGrid = titles.size > 1;
  const label = coloured.length > 1 || isGrid ? firstWords(row, isColour, first) : '';
  // Words between the colours name each of them; then the row has no label.
  const paired = coloured.length > 1 && cells.slice(1).some(({ column }, at) => wordsAt(cells[at]!.column + 1, column) !== '');
  let before = -1;
  return cells.map(({ column, cell, colour, doubts, words }): EntryParts => {
    const beside = wordsAt(before + 1, column);
    before = column;
    const title = titles.get(column) ?? '';
    const alone =
      coloured.length === 1
        ? (row.cells
            .slice(column + 1)
            .find((next) => next?.text.trim())
            ?.text.trim() ?? '')
        : '';
    const single = words || beside || alone || title;
    const name =
      (coloured.length > 1 || isGrid) && !paired ? words || `${label} ${title}`.trim() || label : words || beside || single;
    const rowName = gridRow === undefined || paired ? undefined : label || `Row ${gridRow}`;
    const place = {
      line: row.line,
      column: column + 1,
      name,
      text: cell.text.trim() || (cell.fill ? `fill ${cell.fill.hex}` : ''),
      ...(cell.span && { span: cell.span }),
      ...(rowName !== undefined && { row: rowName }),
    };
    return colour ? taken(colour, { ...place, doubts }) : leftOut(null, doubts[0]!, place);
  });
}

/** The words that a row begins with. */
function firstWords(row: TableRow, isColour: ReadonlySet<number>, before: number): string {
  for (let at = 0; at < before; at++) if (!isColour.has(at) && textAt(row, at) !== '') return textAt(row, at);
  return '';
}

/** The texts right above the first row of colours, by column: titles where every colour of that row has one. */
function titlesAbove(table: Table, begins: number, cells: readonly Found[]): Map<number, string> {
  const above = begins > 0 ? table[begins - 1]! : null;
  const titles = new Map(above ? cells.map(({ column }) => [column, textAt(above, column)] as const) : []);
  return [...titles.values()].every(Boolean) ? titles : new Map();
}

/** What a cell certainly is; null for a number, a gap and a word, of which most tables are made. */
function readCell(cell: TableCell | undefined): CellColour | null {
  if (!cell || NUMBER.test(cell.text)) return null;
  const read = certainColour(cell.text);
  return read.colour || read.doubts.length > 0 ? read : null;
}

function cellsOf(row: TableRow, read: readonly (CellColour | null)[], codes: ReadonlySet<number>): Found[] {
  const band = bandOf(row);
  return row.cells.flatMap((cell, column): Found[] => {
    if (!cell) return [];
    const certainly = read[column] ?? NOTHING;
    if (certainly === NOTHING && !cell.fill && !codes.has(column)) return [];
    const text = cell.text.trim();
    const bare = codes.has(column) && !certainly.colour ? bareCode(text) : null;
    const written = certainly.colour ?? bare;
    const fill = cell.fill && cell.fill.hex !== band ? cell.fill : null;
    if (fill) {
      const disagrees =
        written && isOther(fill, written) ? [doubt('disagrees', `The code in it, ${text}, is another colour.`)] : [];
      return [{ column, cell, colour: fill, doubts: disagrees, words: written ? certainly.words : text }];
    }
    if (written) return [{ column, cell, colour: written, doubts: bare ? [NO_HASH] : certainly.doubts, words: certainly.words }];
    if (certainly.doubts.length > 0) return [{ column, cell, colour: null, doubts: certainly.doubts, words: '' }];
    const named = /^[a-z]+$/i.test(text) ? codeBelowHeading(text).colour : null;
    return named ? [{ column, cell, colour: named, doubts: [], words: '' }] : [];
  });
}

const NOTHING: CellColour = { colour: null, doubts: [], words: '' };

const NUMBER = /^-?\d+(?:[.,]\d+)?$/;
const SIX_DIGITS = /^\d{6}$/;

/** Columns at least half of whose texts are codes, also without `#`. Six digits are figures where other figures stand. */
function columnsOfCodes(table: Table, read: readonly (readonly (CellColour | null)[])[]): Set<number> {
  const counts: ({ texts: number; codes: number; sure: boolean; figures: boolean } | undefined)[] = [];
  for (const [at, { cells }] of table.entries()) {
    for (let column = 0; column < cells.length; column++) {
      const text = cells[column]?.text.trim() ?? '';
      if (text === '') continue;
      const count = (counts[column] ??= { texts: 0, codes: 0, sure: false, figures: false });
      count.texts++;
      if (NUMBER.test(text)) {
        if (SIX_DIGITS.test(text)) count.codes++;
        else count.figures = true;
        continue;
      }
      const certainly = text.length < 80 && Boolean(read[at]![column]?.colour);
      const bare = certainly ? null : bareCode(text);
      if (certainly || bare) count.codes++;
      if (certainly || (bare && /\d/.test(text))) count.sure = true;
    }
  }
  const columns = new Set<number>();
  for (const [column, count] of counts.entries()) {
    if (!count) continue;
    const { texts, codes, sure, figures } = count;
    // A heading may stand on top.
    if (codes * 2 >= texts - 1 && codes > 0 && (sure || !figures)) columns.add(column);
  }
  return columns;
}
