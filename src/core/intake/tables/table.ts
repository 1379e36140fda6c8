import type { Found, ReadSwatch } from '../../formats/kit/format';
import { fromBytes, fromUnit } from '../channel-values';
import { CATCH_LIMIT, doubt, readSwatch } from '../reading';
import { readText } from '../text/text';

/** A cell of a table: its text, and the colour it is filled with, in CSS. */
export interface Cell {
  readonly text: string;
  readonly fill?: string;
}

/** Rows of cells; a gap is undefined. Lines are rows and columns are columns, from 1. */
export type Table = readonly (readonly (Cell | undefined)[])[];

/**
 * The colours of a table, row by row: from columns headed red, green, blue; or from codes in cells, each named by the
 * words before it in its row; or, where no cell has a code, from the cells' fills.
 */
export function tableColours(table: Table): { swatches: ReadSwatch[]; skipped: Found[] } {
  const channels = channelColumns(table);
  if (channels) return fromChannels(table, channels);
  const coded = fromCodes(table);
  return coded.swatches.length > 0 ? coded : { swatches: fromFills(table), skipped: coded.skipped };
}

interface Channels {
  readonly header: number;
  readonly rgb: readonly [number, number, number];
  readonly name: number;
}

function channelColumns(table: Table): Channels | null {
  for (let row = 0; row < Math.min(10, table.length); row++) {
    const heads = (table[row] ?? []).map((cell) => cell?.text.trim().toLowerCase() ?? '');
    const column = (long: string) => heads.findIndex((head) => head === long || head === long[0]);
    const rgb = [column('red'), column('green'), column('blue')] as [number, number, number];
    if (rgb.some((at) => at < 0)) continue;
    const title = heads.findIndex((head) => /name|title|label|colou?r|swatch|role/.test(head));
    const first = heads.findIndex((_, at) => !rgb.includes(at));
    return { header: row, rgb, name: title >= 0 ? title : first };
  }
  return null;
}

function fromChannels(table: Table, { header, rgb, name }: Channels): { swatches: ReadSwatch[]; skipped: Found[] } {
  const swatches: ReadSwatch[] = [];
  const skipped: Found[] = [];
  const rows = table.slice(header + 1);
  const textOf = (row: Table[number], at: number) => row[at]?.text.trim() ?? '';
  // Shares from 0 to 1 only where no number of the whole table is larger.
  const shares =
    rows.some((row) => rgb.some((at) => /\./.test(textOf(row, at)))) &&
    rows.every((row) => rgb.every((at) => Number(textOf(row, at)) <= 1));
  rows.forEach((row, index) => {
    const texts = rgb.map((at) => textOf(row, at));
    if (texts.every((text) => text === '')) return;
    const values = texts.map(Number) as [number, number, number];
    const place = {
      line: header + index + 2,
      column: rgb[0] + 1,
      text: texts.join(', '),
      name: name < 0 ? '' : textOf(row, name),
    };
    const whole =
      texts.every((text) => text !== '') && values.every((value) => value >= 0 && value <= 255 && Number.isInteger(value));
    if (shares && texts.every((text) => text !== '') && values.every((value) => value >= 0))
      swatches.push(readSwatch(fromUnit(values), place));
    else if (whole) swatches.push(readSwatch(fromBytes(...values), place));
    else skipped.push({ ...place, css: null, doubts: [doubt('unreadable', 'Red, green and blue are numbers from 0 to 255.')] });
  });
  return { swatches, skipped };
}

function fromCodes(table: Table): { swatches: ReadSwatch[]; skipped: Found[] } {
  const swatches: ReadSwatch[] = [];
  const skipped: Found[] = [];
  const figures = columnsOfFigures(table);
  for (const [rowAt, row] of table.entries()) {
    if (swatches.length + skipped.length > CATCH_LIMIT) break;
    const read = row.map((cell, at) =>
      cell && mayHoldColour(cell.text, figures.has(at)) ? readText(cell.text.slice(0, 4_000)) : null,
    );
    const alone = read.filter((cell) => cell && cell.swatches.length > 0).length === 1;
    let words = '';
    read.forEach((cell, at) => {
      if (!cell) return;
      const place = { line: rowAt + 1, column: at + 1 };
      if (cell.swatches.length === 0) {
        words = row[at]!.text;
        const attempted = cell.skipped.filter(({ doubts }) => doubts[0]?.kind !== 'no colour');
        for (const one of attempted) skipped.push({ ...one, ...place, name: '' });
        return;
      }
      const behind = alone ? row.slice(at + 1).find((next) => next?.text.trim())?.text : '';
      for (const one of cell.swatches) {
        const own = one.name === one.hex ? '' : one.name;
        swatches.push(readSwatch(one.css, { ...one, ...place, name: own || words || behind || '' }));
      }
    });
  }
  return { swatches, skipped };
}

const NUMBER = /^\s*-?\d+(?:\.\d+)?\s*$/;
const SIX_DIGITS = /^\s*\d{6}\s*$/;

/** Columns in which a number stands that is no code of six digits: there six digits are a figure too. */
function columnsOfFigures(table: Table): Set<number> {
  const columns = new Set<number>();
  for (const row of table) {
    row.forEach((cell, at) => {
      if (cell && !columns.has(at) && NUMBER.test(cell.text) && !SIX_DIGITS.test(cell.text)) columns.add(at);
    });
  }
  return columns;
}

/** Not a gap and not a number, unless it is one of six digits in a column where it may be a code. */
function mayHoldColour(text: string, amongFigures: boolean): boolean {
  return NUMBER.test(text) ? !amongFigures && SIX_DIGITS.test(text) : text.trim() !== '';
}

function fromFills(table: Table): ReadSwatch[] {
  return table.flatMap((row, rowAt) =>
    row.flatMap((cell, at) =>
      cell?.fill
        ? [
            readSwatch(cell.fill, {
              name: cell.text,
              line: rowAt + 1,
              column: at + 1,
              text: cell.text.trim() || `fill ${cell.fill}`,
            }),
          ]
        : [],
    ),
  );
}
