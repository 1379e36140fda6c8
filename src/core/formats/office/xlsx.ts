import { unzipSync } from 'fflate';
import { converter } from 'culori';
import { cellsWithin } from '../../intake/tables/cell-range';
import { defineFormat, slug, type Problem, type ReadPalette, type SourceFile } from '../kit/format';
import { isZip, officeTheme } from './ooxml-theme';
import { chosenPalettes, paletteOptions, plain } from '../swatches/palette-files';
import { problem, readingOf, unreadable } from '../../intake/reading';
import { tableColours, type Cell } from '../../intake/tables/table';
import { workbook } from './xlsx-parts';
import { decodeXml } from '../../source/xml';
import { hexOf } from '../../colour/read';
import type { CellValue, Color, Fill, Workbook } from 'exceljs';

/** Unpacked, a workbook larger than this is not read: a zip of a few kilobytes may hold gigabytes. */
const LARGEST = 64 * 1024 * 1024;
const MOST_ROWS = 5_000;
const MOST_COLUMNS = 200;

/** The order in which cells name theme colours: light and dark stand the other way round than in the theme part. */
const THEME_ORDER = [
  'Light 1',
  'Dark 1',
  'Light 2',
  'Dark 2',
  'Accent 1',
  'Accent 2',
  'Accent 3',
  'Accent 4',
  'Accent 5',
  'Accent 6',
  'Link',
  'Visited link',
];

/** Workbooks: a palette for each sheet with colours in it, and the workbook's theme. ECMA-376 (SpreadsheetML). */
export const xlsx = defineFormat({
  id: 'xlsx',
  title: 'Workbook (XLSX)',
  family: 'table',
  extensions: ['.xlsx'],
  purpose: 'For spreadsheets: a sheet a palette, each row with name, code, red, green, blue and the colour itself as fill.',
  readBy: 'Spreadsheets',
  taken: 'load',
  options: paletteOptions,
  async read({ bytes }: SourceFile, { range }) {
    if (!isZip(bytes)) return null;
    let size = 0;
    let themeXml = '';
    try {
      let isWorkbook = false;
      const parts = unzipSync(bytes, {
        filter: ({ name, originalSize }) => {
          size += originalSize;
          isWorkbook ||= name === 'xl/workbook.xml';
          return /^xl\/theme\/theme1?\.xml$/.test(name) && originalSize < 4 * 1024 * 1024;
        },
      });
      if (!isWorkbook) return null;
      const [theme] = Object.values(parts);
      if (theme) themeXml = decodeXml(theme);
    } catch {
      return unreadable(
        'xlsx',
        'This workbook is damaged: its parts cannot be unpacked. Open it in a spreadsheet and save it again.',
      );
    }
    if (size > LARGEST)
      return unreadable(
        'xlsx',
        `This workbook would unpack to ${Math.round(size / 1_048_576)} MB; up to 64 MB is read. Save the sheet with the colours by itself.`,
      );
    const theme = officeTheme(themeXml);
    const themeColours = THEME_ORDER.map((place) => theme.swatches.find(({ name }) => name === place)?.hex);
    const book = await newWorkbook();
    try {
      await book.xlsx.load(bytes.slice().buffer);
    } catch (error) {
      return unreadable(
        'xlsx',
        `This workbook is damaged: ${(error as Error).message.slice(0, 120)}. Open it in a spreadsheet and save it again.`,
      );
    }
    const asked = range && (range.sheet === null ? book.worksheets[0] : book.getWorksheet(range.sheet));
    if (range && !asked) {
      const names = book.worksheets.map(({ name }) => name).join(', ');
      return unreadable('xlsx', `There is no sheet “${range.sheet}” in this workbook; it has ${names}.`);
    }
    const palettes: ReadPalette[] = [];
    const problems: Problem[] = [];
    for (const sheet of asked ? [asked] : book.worksheets) {
      const rows: (Cell | undefined)[][] = [];
      const [height, width] = [Math.min(sheet.rowCount, MOST_ROWS), Math.min(sheet.columnCount, MOST_COLUMNS)];
      if (sheet.rowCount > MOST_ROWS)
        problems.push(problem(`Sheet ${sheet.name} has ${sheet.rowCount} rows; the first ${MOST_ROWS} are read.`, MOST_ROWS));
      for (let row = 1; row <= height; row++) {
        const cells = sheet.findRow(row);
        rows.push(
          Array.from({ length: cells ? width : 0 }, (_, at): Cell | undefined => {
            const cell = cells!.findCell(at + 1);
            if (!cell) return undefined;
            const fill = fillOf(cell.fill, themeColours);
            return { text: textOf(cell.value), ...(fill && { fill }) };
          }),
        );
      }
      const { swatches } = tableColours(cellsWithin(rows, range));
      if (swatches.length > 0) palettes.push({ name: sheet.name, kind: 'loose', swatches });
    }
    if (!range && theme.swatches.length > 0)
      palettes.push({ name: `${theme.name || 'Workbook'} theme`, kind: 'brand', swatches: theme.swatches });
    return readingOf('xlsx', palettes, problems);
  },
  write(brand, _themes, { palette }) {
    const { palettes, problems } = chosenPalettes(brand, palette);
    if (palettes.length === 0) return { files: [], problems };
    const sheets = palettes.map(({ name, swatches }) => ({ name, swatches: swatches.map(plain) }));
    const mediaType = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
    return { files: [{ path: `tables/${slug(brand.name)}.xlsx`, mediaType, bytes: workbook(sheets) }], problems };
  },
});

/** The library is large and rarely needed, so it is fetched when a workbook comes. */
async function newWorkbook(): Promise<Workbook> {
  const { default: library } = await import('exceljs');
  return new library.Workbook();
}

function textOf(value: CellValue): string {
  if (value === null || value === undefined) return '';
  if (typeof value !== 'object') return String(value);
  if (value instanceof Date) return '';
  if ('richText' in value) return value.richText.map(({ text }) => text).join('');
  if ('result' in value) return textOf(value.result as CellValue);
  return 'text' in value ? textOf(value.text as CellValue) : '';
}

function fillOf(fill: Fill | undefined, theme: readonly (string | undefined)[]): string | null {
  if (fill?.type !== 'pattern' || fill.pattern !== 'solid') return null;
  const colour = fill.fgColor as (Partial<Color> & { tint?: number }) | undefined;
  if (colour?.argb && /^[0-9a-f]{8}$/i.test(colour.argb)) return `#${colour.argb.slice(2).toLowerCase()}`;
  const base = colour?.theme === undefined ? undefined : theme[colour.theme];
  return base ? tinted(base, colour?.tint ?? 0) : null;
}

const toHsl = converter('hsl');
const toRgb = converter('rgb');

/** A theme colour made lighter (0..1) or darker (-1..0) by its HSL lightness. ECMA-376 part 1, 18.3.1.19 (color, tint). */
function tinted(hex: string, tint: number): string {
  if (tint === 0) return hex;
  const hsl = toHsl(hex)!;
  const { r, g, b } = toRgb({ ...hsl, l: tint < 0 ? hsl.l * (1 + tint) : hsl.l * (1 - tint) + tint });
  return hexOf([r, g, b]);
}
