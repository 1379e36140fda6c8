import { markedSwatch } from '../kit/marks';
import Papa from 'papaparse';
import { allTokens, defineFormat } from '../kit/format';
import { eachPalette, paletteOptions } from '../kit/palette-files';

/** A cell that begins so would be run by a spreadsheet: it is written with an apostrophe before it, which readers take off again. */
const FORMULA = /^'*[=+\-@]/;

/** Tables of text: RFC 4180, and the same with tabs or semicolons. */
export const csv = defineFormat({
  id: 'csv',
  title: 'Table (CSV, TSV)',
  family: 'table',
  extensions: ['.csv', '.tsv'],
  purpose: 'For spreadsheets and data programs: a row a swatch, with name, code, red, green and blue.',
  readBy: 'Spreadsheets and data programs',
  reload: 'load',
  options: paletteOptions,
  tokensWritten: allTokens,
  write(brand, _themes, options) {
    const place = { folder: 'tables', extension: '.csv', mediaType: 'text/csv' };
    return eachPalette(brand, options, place, (_palette, swatches) => {
      const rows = swatches.map((swatch) => [swatch.name, markedSwatch(swatch, swatch.hex), ...swatch.rgb]);
      const text = Papa.unparse(
        { fields: ['name', 'hex', 'red', 'green', 'blue'], data: rows },
        { newline: '\r\n', escapeFormulae: FORMULA },
      );
      return text + '\r\n';
    });
  },
});
