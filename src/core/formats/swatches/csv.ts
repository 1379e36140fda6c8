import Papa from 'papaparse';
import { cellsWithin } from '../../intake/tables/cell-range';
import { defineFormat, type SourceFile } from '../kit/format';
import { eachPalette, paletteOptions } from './palette-files';
import { CATCH_LIMIT, nameOfFile, problem, readingOf } from '../../intake/reading';
import { tableColours } from '../../intake/tables/table';

/** A cell that begins so would be run by a spreadsheet: it is written with an apostrophe before it, which reading takes off again. */
const FORMULA = /^'*[=+\-@]/;

/** Tables of text: RFC 4180, and the same with tabs or semicolons. */
export const csv = defineFormat({
  id: 'csv',
  title: 'Table (CSV, TSV)',
  family: 'table',
  extensions: ['.csv', '.tsv'],
  purpose: 'For spreadsheets and data programs: a row a swatch, with name, code, red, green and blue.',
  readBy: 'Spreadsheets and data programs',
  taken: 'load',
  options: paletteOptions,
  read({ name, bytes }: SourceFile, { range }) {
    if (!/\.(?:csv|tsv)$/i.test(name) || bytes.includes(0)) return null;
    const source = new TextDecoder().decode(bytes);
    const { data, errors } = Papa.parse<string[]>(source, { delimiter: delimiterOf(source), preview: CATCH_LIMIT });
    const cells = data.map((row) => row.map((text) => ({ text: FORMULA.test(text) ? text.replace(/^'/, '') : text })));
    const { swatches, skipped } = tableColours(cellsWithin(cells, range));
    const problems = errors
      .filter(({ type }) => type === 'Quotes')
      .slice(0, 3)
      .map(({ row, message }) => problem(`A quotation mark is out of place: ${message}.`, (row ?? 0) + 1));
    return { ...readingOf('csv', [{ name: nameOfFile(name), kind: 'loose', swatches }], problems), skipped };
  },
  write(brand, _themes, options) {
    const place = { folder: 'tables', extension: '.csv', mediaType: 'text/csv' };
    return eachPalette(brand, options, place, (_palette, swatches) => {
      const rows = swatches.map(({ name, hex, rgb }) => [name, hex, ...rgb]);
      const text = Papa.unparse(
        { fields: ['name', 'hex', 'red', 'green', 'blue'], data: rows },
        { newline: '\r\n', escapeFormulae: FORMULA },
      );
      return new TextEncoder().encode(text + '\r\n');
    });
  },
});

/** Comma, semicolon or tab, whichever stands most often outside quotation marks: codes such as "31, 111, 120" hold commas. */
function delimiterOf(source: string): string {
  const bare = source.slice(0, 20_000).replace(/"[^"]*"/g, '');
  const count = (mark: string) => bare.split(mark).length;
  return [',', ';', '\t'].reduce((best, mark) => (count(mark) > count(best) ? mark : best));
}
