import { wrongLength } from '../text/literals';
import { certain, doubt, type Doubt } from '../intake';
import { fromBytes, fromUnit } from '../../colour/channel-values';
import { readColour, type ReadColour } from '../../colour/read';
import { HEX_WORDS } from '../text/hex-words';
import { spelled } from '../text/spelled';

/** What a cell's text comes to. */
export interface CellColour {
  readonly colour: ReadColour | null;
  readonly doubts: readonly Doubt[];
  /** Words that stand beside the colour in the cell. */
  readonly words: string;
}

const NONE: CellColour = { colour: null, doubts: [], words: '' };
const FUNCTION = /\b(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\([^()\n]{1,120}\)/i;
/** A number by itself is none, and tables are full of them. */
const FIGURE = /^-?\d+(?:\.\d+)?$/;
const CODE = /#([0-9a-z]{2,10})\b/i;
export const NO_HASH = doubt('bare', 'The # is missing, otherwise plain.');

/**
 * The colour that a cell certainly is, whatever its column: a code with its `#`, a CSS function, `0xRRGGBB`, or numbers
 * that are nothing else. A word is none: it may be anybody's name.
 */
export function certainColour(raw: string): CellColour {
  const text = raw.trim().slice(0, 400);
  // Every colour but a name has a digit or a hash.
  if (!/[#\d]/.test(text) || FIGURE.test(text)) return NONE;
  const found = FUNCTION.exec(text) ?? CODE.exec(text);
  if (found) {
    const colour = readColour(found[0]);
    const words = (text.slice(0, found.index) + ' ' + text.slice(found.index + found[0].length)).trim();
    if (colour) return { colour, doubts: [], words };
    if (found[1] !== undefined && /^[0-9a-f]+$/i.test(found[1]))
      return { ...NONE, doubts: [wrongLength(found[1].length)], words };
  }
  if (/^0x[0-9a-f]{6}$/i.test(text)) return { ...NONE, colour: readColour(`#${text.slice(2)}`) };
  const [numbers, ...more] = spelled(text);
  if (numbers?.colour && more.length === 0 && numbers.text.length >= text.replace(/^(?:rgb|cmyk)\s*:?\s*/i, '').length - 1)
    return { colour: numbers.colour, doubts: numbers.doubts, words: '' };
  return NONE;
}

/** Six or eight hex digits without a `#`, or three with a letter among them; English words of hex digits are none. */
export function bareCode(raw: string): ReadColour | null {
  const text = raw.trim();
  if (!/^(?:[0-9a-f]{6}|[0-9a-f]{8}|[0-9a-f]{3})$/i.test(text) || HEX_WORDS.has(text.toLowerCase())) return null;
  if (text.length === 3 && /^\d+$/.test(text)) return null;
  return readColour(`#${text}`);
}

/** A cell below the heading of a column of codes: with or without `#`, or a CSS name. */
export function codeBelowHeading(raw: string): CellColour {
  const text = raw.trim();
  const sure = certainColour(text);
  if (sure.colour) return sure;
  const digits = /^#?([0-9a-f]+)$/i.exec(text)?.[1];
  if (digits) {
    const colour = [3, 4, 6, 8].includes(digits.length) ? readColour(`#${digits}`) : null;
    if (colour) return { colour, doubts: [NO_HASH], words: '' };
    return { ...NONE, doubts: [wrongLength(digits.length, /^\d+$/.test(digits))] };
  }
  return { ...NONE, colour: /^[a-z]+$/i.test(text) ? readColour(text) : null };
}

/** Three channels in cells of their own. @param shares whether they are 0..1 */
export function fromChannels(texts: readonly string[], shares: boolean): ReadColour | null {
  if (texts.some((text) => text === '')) return null;
  const values = texts.map((text) => Number(text.replace(',', '.').replace(/%$/, '')));
  if (texts.every((text) => text.endsWith('%')))
    return values.every((value) => value >= 0 && value <= 100)
      ? certain(fromUnit(values.map((value) => value / 100) as [number, number, number]))
      : null;
  if (shares)
    return values.every((value) => value >= 0 && value <= 1) ? certain(fromUnit(values as [number, number, number])) : null;
  const whole = values.every((value) => Number.isInteger(value) && value >= 0 && value <= 255);
  return whole ? certain(fromBytes(...(values as [number, number, number]))) : null;
}

/** An opacity in a cell, 0..1: a share, a percentage, or a byte where it is more than 100; null when it is none. */
export function opacityOf(raw: string): number | null {
  const text = raw.trim().replace(',', '.');
  if (!/^\d+(?:\.\d+)?\s*%?$/.test(text)) return null;
  const value = parseFloat(text);
  if (text.endsWith('%') || (value > 1 && value <= 100)) return value <= 100 ? value / 100 : null;
  return value <= 1 ? value : value <= 255 ? value / 255 : null;
}

/** A colour with another opacity, as authored where that is possible. */
export function translucent({ hex, rgb, css }: ReadColour, alpha: number): ReadColour {
  if (alpha >= 1) return certain(css);
  const [r, g, b] = rgb.map((channel) => Math.round(channel * 255));
  return readColour(`rgb(${r} ${g} ${b} / ${Number(alpha.toFixed(4))})`) ?? certain(hex);
}
