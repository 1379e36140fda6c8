/** Swatches, tokens and office files. */
import Color from 'colorjs.io';
import ExcelJS from 'exceljs';
import type { WrittenFile } from '@/core/formats/kit/format';
import { eightDigits } from './colours';
import { fileEnding, pairs, perTheme, python, schema, type Pair, type Read, type Reader } from './files';

const swatchFiles =
  (kind: string): Reader['read'] =>
  (files) =>
    python(kind, files).map(pairs);
function readTokens(file: WrittenFile): Pair[] {
  interface Value {
    colorSpace: string;
    components: (number | 'none')[];
    alpha?: number;
  }
  const values = new Map<string, Value | string>();
  const walk = (node: Record<string, unknown>, path: string[]) => {
    if ('$value' in node) values.set(path.join('.'), node.$value as Value | string);
    for (const [key, inner] of Object.entries(node))
      if ((!key.startsWith('$') || key === '$root') && inner && typeof inner === 'object')
        walk(inner as Record<string, unknown>, [...path, key]);
  };
  walk(schema(file) as Record<string, unknown>, []);
  const resolve = (value: Value | string): Value =>
    typeof value === 'string' ? resolve(values.get(value.slice(1, -1))!) : value;
  return [...values].map(([path, value]) => {
    const { colorSpace, components, alpha = 1 } = resolve(value);
    const coords = components.map((component) => (component === 'none' ? null : component)) as [number, number, number];
    const id = colorSpace === 'display-p3' ? 'p3' : colorSpace;
    return [path.replace(/\.\$root$/, ''), eightDigits(new Color(id, coords, alpha))];
  });
}

export const swatches: Readonly<Record<string, Reader>> = {
  brand: {
    by: 'JSON.parse, colorjs.io',
    holds: 'swatches',
    read: ([file]) =>
      (schema(file!) as { palettes: { swatches: { name: string; value: string }[] }[] }).palettes.map(({ swatches }) =>
        pairs(swatches.map(({ name, value }) => [name, value])),
      ),
  },
  palette: {
    by: 'JSON.parse, colorjs.io',
    holds: 'swatches',
    read: (files) =>
      files.map((file) =>
        pairs((schema(file) as { swatches: { name: string; value: string }[] }).swatches.map(({ name, value }) => [name, value])),
      ),
  },
  dtcg: {
    by: 'JSON.parse, colorjs.io',
    holds: 'tokens',
    read: (files, themes) => perTheme(files, themes, '.tokens.json').map(readTokens),
  },
  ase: { by: 'Python struct', holds: 'swatches', opaque: true, read: swatchFiles('ase') },
  aco: { by: 'Python struct', holds: 'swatches', opaque: true, read: swatchFiles('aco') },
  'riff-pal': { by: 'Python struct', holds: 'swatches', opaque: true, read: swatchFiles('riff') },
  gpl: { by: 'Python', holds: 'swatches', opaque: true, read: swatchFiles('gpl') },
  soc: { by: 'Python xml.etree', holds: 'swatches', opaque: true, read: swatchFiles('soc') },
  svg: { by: 'Python xml.etree', holds: 'swatches', opaque: true, read: swatchFiles('svg') },
  hex: { by: 'Python', holds: 'swatches', opaque: true, read: swatchFiles('hex') },
  csv: { by: 'Python csv', holds: 'swatches', opaque: true, read: swatchFiles('csv') },
  xlsx: {
    by: 'ExcelJS',
    holds: 'swatches',
    opaque: true,
    async read([file]) {
      const book = new ExcelJS.Workbook();
      await book.xlsx.load(file!.bytes.buffer as ArrayBuffer);
      return book.worksheets.map((sheet) => {
        const rows: Read = [];
        sheet.eachRow((row, at) => {
          if (at === 1) return;
          const fill = row.getCell(1).fill as { fgColor: { argb: string } };
          const [name, hex] = [row.getCell(2).text, row.getCell(3).text];
          expect(`#${fill.fgColor.argb.slice(2).toLowerCase()}`).toBe(hex);
          rows.push([name, hex]);
        });
        return pairs(rows);
      });
    },
  },
  'ooxml-theme': {
    by: 'Python zipfile and xml.etree; ExcelJS',
    holds: 'office',
    opaque: true,
    async read(files, themes) {
      const packages = python('office', perTheme(files, themes, '.thmx')).map(pairs);
      const books = python('office', perTheme(files, themes, '.xlsx')).map(pairs);
      expect(books).toEqual(packages);
      const book = new ExcelJS.Workbook();
      await book.xlsx.load(fileEnding(files, '.xlsx').bytes.buffer as ArrayBuffer);
      expect(book.worksheets).toHaveLength(1);
      return packages;
    },
  },
};
