import { isZip } from '../../source/zip';
import type { Reader } from '../reader';
import { problem } from '../../source/problem';
import { doubt, ENTRY_LIMIT, leftOut, intakeOf, unreadable } from '../intake';
import { cellsWithin } from './cell-range';
import { tableEntries } from './table-entries';
import { readWorkbook } from './workbook';

/** Workbooks: a palette for each sheet with colours in it; the workbook's theme is offered apart. ECMA-376 (SpreadsheetML). */
export const xlsx: Reader = {
  id: 'xlsx',
  title: 'Workbook (XLSX)',
  family: 'table',
  extensions: ['.xlsx'],
  purpose: 'Each sheet with colours is a palette: by headings, by codes, or by the fills of cells.',
  read({ bytes }, { range }) {
    if (!isZip(bytes)) return null;
    const book = readWorkbook(bytes);
    if (book === null) return null;
    if (book === 'damaged')
      return unreadable(
        'xlsx',
        'This workbook is damaged: its parts cannot be unpacked. Open it in a spreadsheet and save it again.',
      );
    if (book === 'large')
      return unreadable(
        'xlsx',
        'This workbook unpacks to more than 64 MB before its first sheet. Save the sheet with the colours by itself.',
      );
    const asked = range && (range.sheet === null ? book.sheets[0] : book.sheets.find(({ name }) => name === range.sheet));
    if (range && !asked) {
      const names = book.sheets.map(({ name }) => name).join(', ');
      return unreadable('xlsx', `There is no sheet “${range.sheet}” in this workbook; it has ${names}.`);
    }
    const sheets = asked ? [asked] : book.sheets;
    let room = ENTRY_LIMIT;
    const read = sheets.map(({ name, rows, problems }) => {
      // What is beyond the limit of all is not looked for in each.
      if (room <= 0) return { name, kind: 'loose' as const, entries: [], problems: [...problems, problem(notLookedAt(name))] };
      const table = tableEntries(cellsWithin(rows, range));
      room -= table.entries.length;
      return { name, kind: 'loose' as const, entries: table.entries, problems: [...problems, ...table.problems] };
    });
    const { theme } = book;
    // They stand in no cell.
    const offered = (range ? [] : (theme?.entries ?? [])).map((entry, at) => {
      const place = { line: at + 1, column: 0, span: null };
      const reason = doubt('apart', 'It is in the workbook’s theme.');
      return entry.colour ? leftOut(entry.colour, reason, { ...entry, ...place }) : { ...entry, ...place };
    });
    return intakeOf(
      'xlsx',
      [...read, { name: `${theme?.name || 'Workbook'} theme`, kind: 'brand', entries: offered }],
      [...book.problems, ...(theme?.problem ? [theme.problem] : []), ...read.flatMap(({ problems }) => problems)],
    );
  },
};

function notLookedAt(sheet: string): string {
  return `Reading stopped after ${ENTRY_LIMIT} entries; sheet ${sheet} was not looked at. Save it by itself.`;
}
