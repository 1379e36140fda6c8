import { escapeXml } from '../../base/escape-xml';
import { uniqueNames } from '../../base/unique-names';
import type { PlainSwatch } from '../kit/palette-files';
import { THEME_TYPE } from './ooxml-scheme';
import { zipFiles } from '../kit/zip';

/** A sheet to be written: a row a swatch. */
export interface WrittenSheet {
  readonly name: string;
  readonly swatches: readonly PlainSwatch[];
}

const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>\n';
const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
const RELATIONS = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006';
const COLUMNS = ['Name', 'Hex', 'Red', 'Green', 'Blue'];

/**
 * A workbook with the smallest set of parts that ECMA-376 asks for: each row has name, code, channels, and the colour as
 * the fill of its last cell. Times are fixed, so equal sheets give equal bytes.
 * @param theme text of a theme part, whose colours then stand in the pickers
 */
export function workbook(sheets: readonly WrittenSheet[], theme?: string): Uint8Array {
  const fills = [...new Set(sheets.flatMap(({ swatches }) => swatches.map(({ hex }) => hex)))];
  // Styles 0 and the fills "none" and "gray125" are reserved by the standard.
  const styleOf = new Map(fills.map((hex, at) => [hex, at + 1]));
  const names = sheetNames(sheets.map(({ name }) => name));
  const parts: Record<string, string> = {
    '[Content_Types].xml': `<Types xmlns="${PACKAGE}/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/styles.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.styles+xml"/>${sheets.map((_, at) => `<Override PartName="/xl/worksheets/sheet${at + 1}.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/>`).join('')}${theme === undefined ? '' : `<Override PartName="/xl/theme/theme1.xml" ContentType="${THEME_TYPE}"/>`}</Types>`,
    '_rels/.rels': `<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="r1" Type="${RELATIONS}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    'xl/workbook.xml': `<workbook xmlns="${MAIN}" xmlns:r="${RELATIONS}"><sheets>${names.map((name, at) => `<sheet name="${escapeXml(name)}" sheetId="${at + 1}" r:id="r${at + 1}"/>`).join('')}</sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `<Relationships xmlns="${PACKAGE}/relationships">${sheets.map((_, at) => `<Relationship Id="r${at + 1}" Type="${RELATIONS}/worksheet" Target="worksheets/sheet${at + 1}.xml"/>`).join('')}<Relationship Id="r${sheets.length + 1}" Type="${RELATIONS}/styles" Target="styles.xml"/>${theme === undefined ? '' : `<Relationship Id="r${sheets.length + 2}" Type="${RELATIONS}/theme" Target="theme/theme1.xml"/>`}</Relationships>`,
    'xl/styles.xml': styles(fills),
  };
  sheets.forEach(({ swatches }, at) => {
    parts[`xl/worksheets/sheet${at + 1}.xml`] = worksheet(swatches, styleOf);
  });
  const encoder = new TextEncoder();
  const files = Object.entries(parts).map(([path, text]) => ({ path, bytes: encoder.encode(HEAD + text) }));
  if (theme !== undefined) files.push({ path: 'xl/theme/theme1.xml', bytes: encoder.encode(theme) });
  return zipFiles(files);
}

function styles(fills: readonly string[]): string {
  const solid = fills.map(
    (hex) =>
      `<fill><patternFill patternType="solid"><fgColor rgb="FF${hex.slice(1).toUpperCase()}"/><bgColor indexed="64"/></patternFill></fill>`,
  );
  const formats = fills.map((_, at) => `<xf numFmtId="0" fontId="0" fillId="${at + 2}" borderId="0" xfId="0" applyFill="1"/>`);
  return `<styleSheet xmlns="${MAIN}"><fonts count="1"><font><sz val="11"/><name val="Calibri"/></font></fonts><fills count="${fills.length + 2}"><fill><patternFill patternType="none"/></fill><fill><patternFill patternType="gray125"/></fill>${solid.join('')}</fills><borders count="1"><border><left/><right/><top/><bottom/><diagonal/></border></borders><cellStyleXfs count="1"><xf numFmtId="0" fontId="0" fillId="0" borderId="0"/></cellStyleXfs><cellXfs count="${fills.length + 1}"><xf numFmtId="0" fontId="0" fillId="0" borderId="0" xfId="0"/>${formats.join('')}</cellXfs></styleSheet>`;
}

function worksheet(swatches: readonly PlainSwatch[], styleOf: ReadonlyMap<string, number>): string {
  const cells = (row: number, values: readonly (string | number)[], style?: number) => {
    const written = values.map((value, at) => {
      const place = 'ABCDE'[at]! + row;
      if (typeof value === 'number') return `<c r="${place}"><v>${value}</v></c>`;
      return `<c r="${place}" t="inlineStr"><is><t xml:space="preserve">${escapeXml(value)}</t></is></c>`;
    });
    const fill = style === undefined ? '' : `<c r="F${row}" s="${style}"/>`;
    return `<row r="${row}">${written.join('')}${fill}</row>`;
  };
  const rows = swatches.map(({ name, hex, rgb }, at) => cells(at + 2, [name, hex, ...rgb], styleOf.get(hex)));
  const widths = '<cols><col min="1" max="1" width="28" customWidth="1"/></cols>';
  return `<worksheet xmlns="${MAIN}">${widths}<sheetData>${cells(1, COLUMNS)}${rows.join('')}</sheetData></worksheet>`;
}

/** At most 31 characters without the seven that sheet names may not have, and no two alike. */
function sheetNames(names: readonly string[]): string[] {
  const unique = uniqueNames(
    [],
    (name, n) => `${name.slice(0, 27)} ${n}`,
    (name) => name.toLowerCase(),
  );
  return names.map((name) => {
    const lawful = name
      .replace(/[\\/?*[\]:]/g, ' ')
      .replace(/^'+|'+$/g, '')
      .trim();
    return unique((lawful || 'Palette').slice(0, 31));
  });
}
