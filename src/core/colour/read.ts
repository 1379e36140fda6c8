import { unit } from '../base/clamp';
import { hexByte, hexDigits } from '../base/hex';
import { converter, type Color, type Oklch, type Rgb } from 'culori';
import { isInside, showOklch, type Shown } from './gamut';
import { hexToOklch } from './eight-bit';
import { GREY_CHROMA } from './grey';
import { parseCss } from './parse';
import type { Srgb } from './oklab';

/**
 * A colour as somebody wrote it, with what an 8-bit sRGB screen shows for it.
 * The authored text is never re-derived from the shown value.
 */
export interface ReadColour {
  /** The authored CSS text, trimmed. */
  readonly css: string;
  /** What a screen of 8-bit sRGB shows: lower-case `#rrggbb`, gamut-mapped where needed. */
  readonly hex: string;
  /** Opacity, 0..1. */
  readonly alpha: number;
  /** Gamut-mapped sRGB, each 0..1, before rounding to 8 bits. */
  readonly rgb: Srgb;
  /** The authored colour in OKLCH: l 0..1, c 0.., h in degrees 0..360 (0 for greys). Not gamut-mapped. */
  readonly oklch: readonly [l: number, c: number, h: number];
  /** ΔE-OK between the authored colour and the one shown; 0 inside the sRGB gamut. */
  readonly clipped: number;
  /** Whether a channel went beyond what its notation can hold, and was cut off there as browsers do. */
  readonly cut?: true;
}

/** Colours with the same key look the same on a screen. */
export function shownKey({ hex, alpha }: Pick<ReadColour, 'hex' | 'alpha'>): string {
  return hex + alpha;
}

const toRgb = converter('rgb');
const toOklch = converter('oklch');

const CACHE_LIMIT = 20_000;
const cache = new Map<string, ReadColour | null>();

/**
 * Reads any CSS Color 4 colour: hex with `#`, named, rgb(), hsl(), hwb(), lab(), lch(), oklab(), oklch(), color().
 * @returns null when the text is not a colour. Hex digits without `#` are not CSS and are not read here.
 */
export function readColour(text: string): ReadColour | null {
  const css = text.trim();
  const known = cache.get(css);
  if (known !== undefined) return known;
  const result = read(css);
  if (cache.size >= CACHE_LIMIT) cache.clear();
  cache.set(css, result);
  return result;
}

function read(css: string): ReadColour | null {
  if (/^#[0-9a-f]{6}$/i.test(css)) {
    const value = parseInt(css.slice(1), 16);
    const rgb: Srgb = [(value >> 16) / 255, ((value >> 8) & 255) / 255, (value & 255) / 255];
    return { css, hex: css.toLowerCase(), alpha: 1, rgb, oklch: hexToOklch(css), clipped: 0 };
  }
  if (css.length > 128 || /^[0-9a-f]+$/i.test(css)) return null;
  const parsed = parseCss(css);
  if (!parsed) return null;
  const { colour, cut } = parsed;
  // A channel that is "none" counts as 0; where nothing had to be converted, the parser leaves it out.
  const { r = 0, g = 0, b = 0 } = toRgb(colour) as Partial<Rgb>;
  if (![r, g, b].every(Number.isFinite)) return null;
  const oklch = oklchOf(colour);
  const { rgb, clipped }: Shown = isInside([r, g, b]) ? { rgb: [unit(r), unit(g), unit(b)], clipped: 0 } : showOklch(...oklch);
  return { css, hex: hexOf(rgb), alpha: unit(colour.alpha ?? 1), rgb, oklch, clipped, ...(cut && { cut }) };
}

function oklchOf(colour: Color): [number, number, number] {
  // A component that is "none" is missing from the parser's answer, and counts as 0.
  const { l = 0, c = 0, h = 0 } = toOklch(colour) as Partial<Oklch>;
  return c < GREY_CHROMA ? [l, 0, 0] : [l, c, Number.isNaN(h) ? 0 : h];
}

/** sRGB channels 0..1 as lower-case `#rrggbb`, rounded to 8 bits. */
export function hexOf(rgb: Srgb): string {
  return `#${hexDigits(rgb.map(byte))}`;
}

/** What a screen shows of an OKLCH colour: `#rrggbb`, with two more digits when it is translucent. */
export function oklchHex([l, c, h]: ReadColour['oklch'], alpha = 1): string {
  return hexCode(hexOf(showOklch(l, c, h).rgb), alpha);
}

/** What a screen shows of a colour: `#rrggbb`, with two more digits when it is translucent. */
export function shownHex({ hex, alpha }: Pick<ReadColour, 'hex' | 'alpha'>): string {
  return hexCode(hex, alpha);
}

/** `#rrggbb`, with two more digits when it is translucent. */
export function hexCode(hex: string, alpha: number): string {
  return alpha < 1 ? hex + hexByte(byte(alpha)) : hex;
}

/** A channel 0..1 as an 8-bit integer 0..255. */
export function byte(channel: number): number {
  return Math.round(unit(channel) * 255);
}
