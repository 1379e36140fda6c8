import Papa from 'papaparse';
import type { SourceText } from '../../source/source-text';
import { problem, type Problem } from '../../source/problem';
import type { Reader } from '../reader';
import { nameOfFile, intakeOf } from '../intake';
import { cellsWithin } from './cell-range';
import type { TableCell, TableRow } from './table';
import { tableEntries } from './table-entries';

/** A cell that begins so would be run by a spreadsheet: writers put an apostrophe before it, which is taken off again. */
const FORMULA = /^'+[=+\-@]/;

/** Lines that are read of a table; those beyond are counted. */
const MOST_ROWS = 20_000;
const MOST_CELLS = 200_000;

/** Tables of text: RFC 4180, and the same with tabs or semicolons. */
export const csv: Reader = {
  id: 'csv',
  title: 'Table (CSV, TSV)',
  family: 'table',
  extensions: ['.csv', '.tsv'],
  purpose: 'Columns by their headings, or cells that are colours, named by their row and column.',
  read({ name, source }, { range }) {
    if (!/\.(?:csv|tsv)$/i.test(name) || !source) return null;
    const { rows, problems } = rowsOf(source, delimiterOf(source.text));
    const table = tableEntries(cellsWithin(rows, range));
    const palette = { name: nameOfFile(name), kind: 'loose' as const, entries: table.entries };
    return intakeOf('csv', [palette], [...problems, ...table.problems]);
  },
};

/** A table of text as rows with their lines; a quoted cell may go over several. */
export function rowsOf(source: SourceText, delimiter: string): { rows: TableRow[]; problems: Problem[] } {
  const rows: TableRow[] = [];
  const problems: Problem[] = [];
  let from = 0;
  let beyond = 0;
  let cellCount = 0;
  Papa.parse<string[]>(source.text, {
    delimiter,
    step: ({ data, errors, meta }) => {
      const begin = from;
      from = meta.cursor;
      const { line } = source.placeOf(begin);
      for (const { type, message } of errors) {
        if (type === 'Quotes' && problems.length < 3)
          problems.push(problem(`A quotation mark is out of place: ${message}.`, { line, column: 1 }));
      }
      if (rows.length >= MOST_ROWS || (cellCount += data.length) > MOST_CELLS) {
        // What follows the last line break is no line.
        if (begin < source.text.length) beyond++;
        return;
      }
      let at = begin;
      const cells = data.map((raw): TableCell => {
        const place = source.text.indexOf(raw, at);
        const found = raw !== '' && place >= 0 && place + raw.length <= from;
        const span = found ? { from: place, to: place + raw.length } : { from: begin, to: from };
        if (found) at = span.to;
        return { text: FORMULA.test(raw) ? raw.slice(1) : raw, span };
      });
      if (begin < source.text.length) rows.push({ line, cells });
    },
  });
  if (beyond > 0) {
    const message = `This table has ${beyond} more ${beyond === 1 ? 'line' : 'lines'} than the ${rows.length} that are read; give it in parts.`;
    problems.push(problem(message, { line: rows.at(-1)!.line, column: 1 }, 'warning', beyond));
  }
  return { rows, problems };
}

/** Comma, semicolon or tab, whichever stands most often outside quotation marks: codes such as "31, 111, 120" hold commas. */
function delimiterOf(text: string): string {
  const bare = text.slice(0, 20_000).replace(/"[^"]*"/g, '');
  const count = (mark: string) => bare.split(mark).length;
  return [',', ';', '\t'].reduce((best, mark) => (count(mark) > count(best) ? mark : best));
}
