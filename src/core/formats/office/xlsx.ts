import { slug } from '../../base/words';
import { allTokens, defineFormat } from '../kit/format';
import { chosenPalettes, paletteOptions, plainSwatch } from '../kit/palette-files';
import { workbook } from './xlsx-parts';

/** Workbooks: a sheet for each palette. ECMA-376 (SpreadsheetML). */
export const xlsx = defineFormat({
  id: 'xlsx',
  title: 'Workbook (XLSX)',
  family: 'table',
  extensions: ['.xlsx'],
  purpose:
    'For spreadsheets: a sheet a palette, each row with the colour as a filled cell, its name, code, red, green and blue; made to be printed too.',
  readBy: 'Spreadsheets',
  reload: 'load',
  options: paletteOptions,
  tokensWritten: allTokens,
  write(brand, _themes, { palette }) {
    const { palettes, findings } = chosenPalettes(brand, palette);
    if (palettes.length === 0) return { files: [], findings };
    const sheets = palettes.map(({ name, swatches }) => ({ name, swatches: swatches.map(plainSwatch) }));
    const mediaType = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
    return { files: [{ path: `tables/${slug(brand.name)}.xlsx`, mediaType, bytes: workbook(sheets) }], findings };
  },
});
