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
/** The first column is the colour itself. */
const COLUMNS = ['Colour', 'Name', 'Hex', 'Red', 'Green', 'Blue'];
const LETTERS = 'ABCDEF';
/** Widths in letters: of the colour, and at least and at most of any other column, which is as wide as its text in whatever letters stand in for the usual ones. */
const WIDTH = { colour: 14, least: 9, most: 60 };
/** Height of a row with a colour, in points. */
const HEIGHT = 21;
/** The styles of headings, over texts and over numbers; those of the colours follow. */
const HEADING = { text: 1, number: 2 };

/**
 * A workbook with the smallest set of parts that ECMA-376 asks for: each row begins with the colour as a filled cell and has
 * name, code and channels. The heading stays in sight and stands on every printed page; a sheet is as wide as A4. Times are fixed, so equal sheets give equal bytes.
 * @param theme text of a theme part, whose colours then stand in the pickers
 */
export function workbook(sheets: readonly WrittenSheet[], theme?: string): Uint8Array {
  const fills = [...new Set(sheets.flatMap(({ swatches }) => swatches.map(({ hex }) => hex)))];
  // Style 0 and the fills "none" and "gray125" are reserved by the standard.
  const styleOf = new Map(fills.map((hex, at) => [hex, at + 1 + HEADING.number]));
  const names = sheetNames(sheets.map(({ name }) => name));
  const parts: Record<string, string> = {
    '[Content_Types].xml': `<Types xmlns="${PACKAGE}/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/styles.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.styles+xml"/>${sheets.map((_, at) => `<Override PartName="/xl/worksheets/sheet${at + 1}.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/>`).join('')}${theme === undefined ? '' : `<Override PartName="/xl/theme/theme1.xml" ContentType="${THEME_TYPE}"/>`}</Types>`,
    '_rels/.rels': `<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="r1" Type="${RELATIONS}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    'xl/workbook.xml': `<workbook xmlns="${MAIN}" xmlns:r="${RELATIONS}"><bookViews><workbookView/></bookViews><sheets>${names.map((name, at) => `<sheet name="${escapeXml(name)}" sheetId="${at + 1}" r:id="r${at + 1}"/>`).join('')}</sheets><definedNames>${names.map((name, at) => `<definedName name="_xlnm.Print_Titles" localSheetId="${at}">${escapeXml(`'${name.replaceAll("'", "''")}'!$1:$1`)}</definedName>`).join('')}</definedNames></workbook>`,
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
  const bold = '<xf numFmtId="0" fontId="1" fillId="0" borderId="0" xfId="0" applyFont="1"';
  const heading = `${bold}/>${bold} applyAlignment="1"><alignment horizontal="right"/></xf>`;
  const font = (weight: string) => `<font>${weight}<sz val="11"/><name val="Calibri"/></font>`;
  return `<styleSheet xmlns="${MAIN}"><fonts count="2">${font('')}${font('<b/>')}</fonts><fills count="${fills.length + 2}"><fill><patternFill patternType="none"/></fill><fill><patternFill patternType="gray125"/></fill>${solid.join('')}</fills><borders count="1"><border><left/><right/><top/><bottom/><diagonal/></border></borders><cellStyleXfs count="1"><xf numFmtId="0" fontId="0" fillId="0" borderId="0"/></cellStyleXfs><cellXfs count="${fills.length + 1 + HEADING.number}"><xf numFmtId="0" fontId="0" fillId="0" borderId="0" xfId="0"/>${heading}${formats.join('')}</cellXfs></styleSheet>`;
}

function worksheet(swatches: readonly PlainSwatch[], styleOf: ReadonlyMap<string, number>): string {
  const cell = (row: number, column: number, value: string | number, style = '') => {
    const place = LETTERS[column]! + row;
    if (typeof value === 'number') return `<c r="${place}"${style}><v>${value}</v></c>`;
    return `<c r="${place}"${style} t="inlineStr"><is><t xml:space="preserve">${escapeXml(value)}</t></is></c>`;
  };
  const values = swatches.map(({ name, hex, rgb }) => [name, hex, ...rgb]);
  const rows = swatches.map(({ hex }, at) => {
    const row = at + 2;
    const written = values[at]!.map((value, column) => cell(row, column + 1, value));
    return `<row r="${row}" ht="${HEIGHT}" customHeight="1"><c r="A${row}" s="${styleOf.get(hex)}"/>${written.join('')}</row>`;
  });
  const heading = COLUMNS.map((title, column) =>
    cell(1, column, title, ` s="${column > 2 ? HEADING.number : HEADING.text}"`),
  ).join('');
  const widths = COLUMNS.map((title, column) => {
    const longest = values.reduce((most, row) => Math.max(most, String(row[column - 1] ?? '').length), title.length);
    const width = column === 0 ? WIDTH.colour : Math.min(WIDTH.most, Math.max(WIDTH.least, Math.ceil(longest * 1.2) + 2));
    return `<col min="${column + 1}" max="${column + 1}" width="${width}" customWidth="1"/>`;
  });
  return [
    `<worksheet xmlns="${MAIN}"><sheetPr><pageSetUpPr fitToPage="1"/></sheetPr>`,
    '<sheetViews><sheetView workbookViewId="0"><pane ySplit="1" topLeftCell="A2" activePane="bottomLeft" state="frozen"/></sheetView></sheetViews>',
    `<cols>${widths.join('')}</cols><sheetData><row r="1">${heading}</row>${rows.join('')}</sheetData>`,
    '<pageMargins left="0.6" right="0.6" top="0.6" bottom="0.6" header="0.3" footer="0.3"/>',
    // Paper 9 is A4 (ECMA-376 part 1, 18.3.1.63); as many pages long as it takes.
    '<pageSetup paperSize="9" orientation="portrait" fitToWidth="1" fitToHeight="0"/></worksheet>',
  ].join('');
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
