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

/** The smallest letters on a sheet, 8 pt in its units: below that, print is read by nobody. */
export const SMALLEST = 11.3;

/**
 * Widths of the characters from space to tilde in hundredths of the size, in Archivo at width 88 and weight 640, and of all in
 * Martian Mono at width 75: measured in Chromium. Lighter weights are a little narrower.
 */
const WIDTHS =
  '18 28 41 55 49 87 67 23 35 35 40 59 27 30 27 29 53 51 53 53 53 53 53 51 53 53 30 30 59 59 59 54 90 64 64 65 66 60 54 71 66 27 53 64 52 79 66 71 61 71 65 60 51 66 59 85 62 56 58 34 29 34 59 46 20 52 54 50 54 52 29 53 53 24 24 50 24 79 53 54 54 54 33 49 30 53 48 70 50 48 46 38 23 38 59'
    .split(' ')
    .map(Number);
const MONO = 60;
/** Of other letters, by how wide their scripts commonly are: accented ones as the widest small letters, those of East Asia square. */
const [OTHER, SQUARE] = [70, 110];

/** How wide a line becomes at most, in units. */
export function widthOf(line: string, size: number, mono = false): number {
  let hundredths = 0;
  for (const letter of line) {
    const code = letter.codePointAt(0)!;
    hundredths += code > 0x1100 ? SQUARE : mono ? MONO : (WIDTHS[code - 32] ?? OTHER);
  }
  return (hundredths * size) / 100;
}

/** As much of a line as fits, with an ellipsis where something is cut. */
function fitted(line: string, max: number, size: number, mono: boolean): string {
  if (widthOf(line, size, mono) <= max) return line;
  const letters = [...line];
  while (letters.length > 1 && widthOf(`${letters.join('')}…`, size, mono) > max) letters.pop();
  return `${letters.join('').trimEnd()}…`;
}

export function text(x: number, y: number, content: string, style: TextStyle = {}): string {
  const { size = SMALLEST, weight = 400, mono = false, fill = INK, anchor = 'start', max = Infinity } = style;
  const shown = fitted(oneLine(content), max, size, mono);
  const attributes = [
    `x="${round(x)}" y="${round(y)}" font-size="${round(size)}"`,
    mono ? 'class="m"' : '',
    weight === 400 ? '' : `font-weight="${weight}"`,
    fill === INK ? '' : `fill="${fill}"`,
    anchor === 'start' ? '' : `text-anchor="${anchor}"`,
  ];
  return `<text ${attributes.filter(Boolean).join(' ')}>${escapeXml(shown)}</text>`;
}

/** A text in lines of a width, broken at spaces; where it takes more, the last line is cut. */
export function lines(content: string, width: number, most: number, size = SMALLEST): string[] {
  const rows: string[] = [];
  for (const word of oneLine(content).split(' ')) {
    const longer = rows.length === 0 ? word : `${rows.at(-1)} ${word}`;
    if (rows.length > 0 && (rows.length === most || widthOf(longer, size) <= width)) rows[rows.length - 1] = longer;
    else rows.push(word);
  }
  return rows.map((row) => fitted(row, width, size, false));
}

/** A text in several lines, cut where the last of them is full. @returns the drawing, and where the next line would stand */
export function paragraph(
  x: number,
  y: number,
  content: string,
  width: number,
  most: number,
  style: TextStyle = {},
): [string, number] {
  const { size = SMALLEST } = style;
  const leading = size * 1.38;
  const shown = lines(content, width, most, size);
  return [shown.map((line, at) => text(x, y + at * leading, line, style)).join(''), y + shown.length * leading];
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

/** A picture that is carried along, in its own proportions. */
export interface SheetLogo {
  /** `data:image/png;base64,…` */
  readonly uri: string;
  /** Pixels. */
  readonly width: number;
  readonly height: number;
}

export interface Heading {
  readonly brand: string;
  readonly title: string;
  readonly about: string;
  readonly note: string;
  readonly logo: SheetLogo | null;
  /** From 1. */
  readonly page: number;
  readonly pages: number;
}

/** The box a logo is drawn into. */
const LOGO = { width: 240, height: 34 };

/** A whole page as SVG 1.1, with its head and foot. @param fonts `@font-face` rules to carry along */
export function sheetPage({ brand, title, about, note, logo, page, pages }: Heading, content: string, fonts = ''): string {
  const { width, height, margin } = PAPER;
  const scale = logo ? Math.min(LOGO.width / logo.width, LOGO.height / logo.height) : 0;
  const beside = logo ? logo.width * scale + 14 : 0;
  const picture = logo
    ? `<image x="${margin}" y="${round(66 - logo.height * scale)}" width="${round(logo.width * scale)}" height="${round(logo.height * scale)}" href="${logo.uri}"/>`
    : '';
  const titleWidth = widthOf(title, 27);
  const head = [
    picture,
    text(margin + beside, 62, brand, { size: 12, weight: 600, max: INNER / 2 - beside }),
    text(width - margin, 62, note, { fill: SOFT, anchor: 'end', max: INNER / 2 - 20 }),
    rule(margin, 74, INNER, INK),
    text(margin, 106, title, { size: 27, weight: 620 }),
    text(width - margin, 106, about, { fill: SOFT, anchor: 'end', max: INNER - titleWidth - 24 }),
  ];
  const foot = text(width - margin, height - 38, `${page} / ${pages}`, { mono: true, fill: SOFT, anchor: 'end' });
  const style = `<style>${fonts}${STYLE}</style>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="297mm" height="210mm" viewBox="0 0 ${width} ${height}" fill="${INK}"><title>${escapeXml(oneLine(`${brand}, ${title}`))}</title>${style}${rect(0, 0, width, height, '#ffffff')}${head.join('')}${content}${foot}</svg>\n`;
}
