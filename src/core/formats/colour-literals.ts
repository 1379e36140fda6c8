import { readColour } from '../colour/read';

/** A colour that stands in a line of a written file. */
export interface ColourLiteral {
  /** Where it begins and ends in the line, from 0. */
  readonly from: number;
  readonly to: number;
  /** CSS. */
  readonly css: string;
}

/** `#rrggbb`, a CSS function, an integer of eight digits, or four bytes between commas. */
const LITERAL =
  /#[0-9a-fA-F]{8}\b|#[0-9a-fA-F]{6}\b|\b(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\([^()]{1,80}\)|\b0x[0-9a-fA-F]{8}(?![0-9a-fA-F])|(?<![\w.])\d{1,3}(?:, ?\d{1,3}){3}(?![\w.])/g;
/** More in one line are not marked: a line of a thousand colours is no list to read. */
const MOST = 64;

/**
 * The colours written in a line, for marking them in a preview.
 * @param order which end of an integer holds the opacity
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
  if (text.startsWith('0x')) {
    const digits = text.slice(2);
    return order === 'rgba' ? `#${digits}` : `#${digits.slice(2)}${digits.slice(0, 2)}`;
  }
  if (/^\d/.test(text)) {
    const bytes = text.split(',').map(Number);
    const hex = bytes.map((value) => value.toString(16).padStart(2, '0')).join('');
    return bytes.every((value) => value <= 255) ? `#${hex}` : null;
  }
  return text;
}
