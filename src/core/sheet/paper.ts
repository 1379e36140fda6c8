import { escapeXml } from '../base/escape-xml';
import { oneLine } from '../base/plain-text';

/** A4 lying, four units a millimetre. */
export const PAPER = { width: 1188, height: 840, margin: 48, head: 128, foot: 34 } as const;
export const INNER = PAPER.width - 2 * PAPER.margin;
/** Where a page's own part ends. */
export const FLOOR = PAPER.height - PAPER.margin - PAPER.foot;

export const INK = '#16181a';
export const SOFT = '#5c6166';
export const LINE = '#c9cdd1';

interface TextStyle {
  readonly size?: number;
  readonly weight?: number;
  readonly mono?: boolean;
  readonly fill?: string;
  readonly anchor?: 'start' | 'middle' | 'end';
  /** Widest it may become; a longer text is cut, with an ellipsis. */
  readonly max?: number;
}

/** Width of an average letter as a share of its size: measured on Archivo at width 88 and Martian Mono at width 75. */
const LETTER = { plain: 0.51, mono: 0.56 } as const;

/** How many letters of a style fit. */
function fitting(max: number, size: number, mono: boolean): number {
  return Math.max(1, Math.floor(max / (size * (mono ? LETTER.mono : LETTER.plain))));
}

export function text(x: number, y: number, content: string, style: TextStyle = {}): string {
  const { size = 10, weight = 400, mono = false, fill = INK, anchor = 'start', max = Infinity } = style;
  const line = oneLine(content);
  const most = fitting(max, size, mono);
  const shown = [...line].length > most ? `${[...line].slice(0, most - 1).join('')}…` : line;
  const attributes = [
    `x="${round(x)}" y="${round(y)}" font-size="${round(size)}"`,
    mono ? 'class="m"' : '',
    weight === 400 ? '' : `font-weight="${weight}"`,
    fill === INK ? '' : `fill="${fill}"`,
    anchor === 'start' ? '' : `text-anchor="${anchor}"`,
  ];
  return `<text ${attributes.filter(Boolean).join(' ')}>${escapeXml(shown)}</text>`;
}

/** A text in several lines, cut where the last of them is full. @returns the drawing, and where the next line would stand */
export function paragraph(
  x: number,
  y: number,
  content: string,
  width: number,
  lines: number,
  style: TextStyle = {},
): [string, number] {
  const { size = 10, mono = false } = style;
  const most = fitting(width, size, mono);
  const rows: string[] = [];
  let row = '';
  for (const word of oneLine(content).split(' ')) {
    if (row !== '' && row.length + 1 + word.length > most) {
      rows.push(row);
      row = word;
    } else row = row === '' ? word : `${row} ${word}`;
  }
  if (row !== '') rows.push(row);
  const shown = rows.length > lines ? [...rows.slice(0, lines - 1), rows.slice(lines - 1).join(' ')] : rows;
  const leading = size * 1.38;
  return [
    shown.map((line, at) => text(x, y + at * leading, line, { ...style, max: width })).join(''),
    y + shown.length * leading,
  ];
}

export function rect(x: number, y: number, width: number, height: number, fill: string, stroke?: string): string {
  const edge = stroke ? ` stroke="${stroke}" stroke-width="0.75"` : '';
  return `<rect x="${round(x)}" y="${round(y)}" width="${round(width)}" height="${round(height)}" fill="${fill}"${edge}/>`;
}

export function rule(x: number, y: number, width: number, stroke = LINE): string {
  return `<path d="M${round(x)} ${round(y)}h${round(width)}" stroke="${stroke}" stroke-width="0.75"/>`;
}

function round(value: number): string {
  return String(Number(value.toFixed(2)));
}

const STYLE = `text{font-family:'Archivo Variable',Archivo,'Helvetica Neue',Arial,sans-serif;font-stretch:88%}.m{font-family:'Martian Mono Variable','Martian Mono',Menlo,Consolas,monospace;font-stretch:75%}`;

export interface Heading {
  readonly brand: string;
  readonly title: string;
  readonly about: string;
  readonly note: string;
  readonly page: number;
  readonly pages: number;
}

/** A whole page as SVG 1.1, with its head and foot. @param fonts `@font-face` rules to carry along */
export function sheetPage({ brand, title, about, note, page, pages }: Heading, content: string, fonts = ''): string {
  const { width, height, margin } = PAPER;
  const head = [
    text(margin, 62, brand, { size: 12, weight: 600, max: INNER / 2 }),
    text(width - margin, 62, note, { size: 10, fill: SOFT, anchor: 'end', max: INNER / 2 }),
    rule(margin, 74, INNER, INK),
    text(margin, 106, title, { size: 27, weight: 620 }),
    text(width - margin, 106, about, { size: 10.5, fill: SOFT, anchor: 'end', max: INNER * 0.72 }),
  ];
  const foot = text(width - margin, height - 38, `${page} / ${pages}`, { size: 9, mono: true, fill: SOFT, anchor: 'end' });
  const style = `<style>${fonts}${STYLE}</style>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="297mm" height="210mm" viewBox="0 0 ${width} ${height}" fill="${INK}"><title>${escapeXml(oneLine(`${brand}, ${title}`))}</title>${style}${rect(0, 0, width, height, '#ffffff')}${head.join('')}${content}${foot}</svg>\n`;
}
