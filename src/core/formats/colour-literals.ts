import { readColour } from '../colour/read';

/** A colour that stands in a line of a written file. */
export interface ColourLiteral {
  /** Where it begins and ends in the line, from 0. */
  readonly from: number;
  readonly to: number;
  /** CSS. */
  readonly css: string;
}

const SHARE = String.raw`(?:\w+: )?\d{1,3}(?:\.0)? \/ 255(?:\.0)?`;
/** `#rrggbb`, a CSS function, an integer of eight digits, four bytes between commas, or shares of 255. */
const LITERAL = new RegExp(
  [
    String.raw`#[0-9a-fA-F]{8}\b|#[0-9a-fA-F]{6}\b`,
    String.raw`\b(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\([^()]{1,80}\)`,
    String.raw`\b0x[0-9a-fA-F]{8}(?![0-9a-fA-F])`,
    String.raw`(?<![\w.])\d{1,3}(?:, ?\d{1,3}){3}(?![\w.])`,
    `${SHARE}, ${SHARE}, ${SHARE}(?:, ${SHARE})?`,
  ].join('|'),
  'g',
);
/** More in one line are not marked: a line of a thousand colours is no list to read. */
const MOST = 64;

/**
 * The colours written in a line, for marking them in a preview.
 * @param order which end of eight digits holds the opacity
 */
export function colourLiterals(line: string, order: 'rgba' | 'argb'): ColourLiteral[] {
  const found: ColourLiteral[] = [];
  for (const match of line.slice(0, 10_000).matchAll(LITERAL)) {
    if (found.length === MOST) break;
    const css = cssOf(match[0], order);
    if (css && readColour(css)) found.push({ from: match.index, to: match.index + match[0].length, css });
  }
  return found;
}

function cssOf(text: string, order: 'rgba' | 'argb'): string | null {
  const digits = /^(?:0x|#)([0-9a-fA-F]{8})$/.exec(text)?.[1];
  if (digits) return order === 'rgba' ? `#${digits}` : `#${digits.slice(2)}${digits.slice(0, 2)}`;
  if (text.includes(' / 255')) return hexOfBytes(Array.from(text.matchAll(/(\d+)(?:\.0)? \/ 255/g), ([, byte]) => Number(byte)));
  return /^\d/.test(text) ? hexOfBytes(text.split(',').map(Number)) : text;
}

function hexOfBytes(bytes: readonly number[]): string | null {
  const hex = bytes.map((value) => value.toString(16).padStart(2, '0')).join('');
  return bytes.every((value) => value <= 255) ? `#${hex}` : null;
}
