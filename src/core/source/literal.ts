import { CSS_FUNCTIONS, channelsOf, spaceById, spaceOf, type ColourSpace } from '../colour/spaces';
import { bytesOf } from '../colour/integers';
import { parseCss } from '../colour/parse';
import { byte, hexOf, readColour, type ReadColour } from '../colour/read';
import { fromBytes, fromUnit } from '../colour/channel-values';
import { hexDigits } from '../base/hex';

/** Which byte of a code stands where; without opacity the last two are the same as the first two. */
export type ByteOrder = 'rgba' | 'argb' | 'bgra' | 'abgr';

/** How a colour is written in a source: all that has to be known to write another one in the same way. */
export type Manner =
  | {
      readonly kind: 'code';
      /** `#`, `0x`, `0X`, `&H`, `$`, or nothing. */
      readonly prefix: string;
      readonly digits: 3 | 4 | 6 | 8;
      readonly upper: boolean;
      readonly order: ByteOrder;
    }
  | {
      readonly kind: 'function';
      /** What stands before, between and behind the numbers; one more than there are numbers. */
      readonly glue: readonly string[];
      readonly numbers: readonly NumberManner[];
      /** `rgb` is sRGB in bytes or percent; any other a space. */
      readonly space: 'rgb' | ColourSpace['id'];
    }
  | {
      readonly kind: 'numbers';
      readonly glue: readonly string[];
      readonly numbers: readonly NumberManner[];
      /** 0..255, 0..1, or 0..100. */
      readonly range: 'bytes' | 'shares' | 'percent';
    }
  | {
      readonly kind: 'integer';
      /** Three bytes, or four of which one is opacity. */
      readonly order: 'rgb' | 'bgr' | ByteOrder;
      /** Whether it is of 32 bits with a sign, as many programs keep four bytes. */
      readonly signed: boolean;
    }
  | { readonly kind: 'name'; readonly upper: boolean };

interface NumberManner {
  /** Decimals it was written with. */
  readonly decimals: number;
  /** What follows it: a percent sign, or a unit of angle. */
  readonly unit: '' | '%' | 'deg' | 'grad' | 'rad' | 'turn';
  /** Whether the 0 before the point is left out. */
  readonly bare: boolean;
}

/** A colour as it stands in a source. */
export interface Literal {
  readonly text: string;
  readonly manner: Manner;
  readonly colour: ReadColour;
}

/** A colour written in the manner of another. */
export interface WrittenLiteral {
  readonly text: string;
  /** Whether the manner could hold the colour's opacity. */
  readonly opacityKept: boolean;
}

const NUMBER = String.raw`[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?`;
const NUMBER_IN = new RegExp(`(${NUMBER})(%|deg|grad|rad|turn)?`, 'gi');
const FUNCTION = new RegExp(String.raw`^(?:${CSS_FUNCTIONS.join('|')})\(`, 'i');
const CODE = /^(#|0x|&H|\$|)([0-9a-f]{8}|[0-9a-f]{6}|[0-9a-f]{4}|[0-9a-f]{3})$/i;

/**
 * Reads a text that is a colour and nothing else: a code, a CSS function or a CSS name.
 * @param order of the bytes of a code of eight digits; CSS has opacity last
 * @returns null for any other text; a code without a prefix is none here
 */
export function readLiteral(text: string, order: ByteOrder = 'rgba'): Literal | null {
  const code = CODE.exec(text);
  if (code) return code[1] === '' ? null : codeLiteral(text, code[1]!, code[2]!, order);
  const colour = readColour(text);
  if (!colour) return null;
  if (!FUNCTION.test(text)) return { text, colour, manner: { kind: 'name', upper: text === text.toUpperCase() } };
  const parsed = parseCss(text);
  const space = /^rgb/i.test(text) ? 'rgb' : parsed && spaceOf(parsed.colour)?.id;
  return space ? { text, colour, manner: { kind: 'function', space, ...numbersOf(text) } } : null;
}

/** A code of hex digits, with its prefix apart. */
export function codeLiteral(text: string, prefix: string, digits: string, order: ByteOrder): Literal | null {
  const long = digits.length > 4 ? digits : [...digits].map((digit) => digit + digit).join('');
  const colour = readColour(`#${inCssOrder(long.toLowerCase(), order)}`);
  if (!colour) return null;
  const upper = /[A-F]/.test(digits) || (!/[a-f]/.test(digits) && /[A-Z]/.test(prefix));
  return { text, colour, manner: { kind: 'code', prefix, digits: digits.length as 3 | 4 | 6 | 8, upper, order } };
}

/** Three or four numbers that are a colour's channels; the fourth is opacity. @param text holds those numbers and no others */
export function numbersLiteral(text: string, range: 'bytes' | 'shares' | 'percent'): Literal | null {
  const values = [...text.matchAll(NUMBER_IN)].map(([, number]) => Number(number));
  if (values.length !== 3 && values.length !== 4) return null;
  const top = { bytes: 255, shares: 1, percent: 100 }[range];
  const [r, g, b] = values as [number, number, number];
  if (![r, g, b].every((value) => value >= 0 && value <= top)) return null;
  // An opacity is written 0..255 beside bytes only where it is more than 1.
  const a = values[3] ?? null;
  const opaque = range === 'bytes' && Number.isInteger(r) ? fromBytes(r, g, b) : fromUnit([r / top, g / top, b / top]);
  const css = a === null ? opaque : withOpacity(opaque, range === 'bytes' && a > 1 ? a / 255 : range === 'percent' ? a / 100 : a);
  const colour = readColour(css);
  return colour && { text, colour, manner: { kind: 'numbers', range, ...numbersOf(text) } };
}

/**
 * A whole number that packs three bytes, or four: then it is negative or more than 0xffffff.
 * @param order of three bytes; of four by which of the two begins with blue, opacity first unless the order says last
 */
export function integerLiteral(text: string, order: 'rgb' | 'bgr' | ByteOrder): Literal | null {
  const value = Number(text);
  if (!/^-?\d{1,10}$/.test(text) || value < -0x8000_0000 || value > 0xffff_ffff) return null;
  const four = value < 0 || value > 0xff_ffff;
  const long = order.length === 4 ? (order as ByteOrder) : order === 'rgb' ? 'argb' : 'abgr';
  const digits = (value >>> 0).toString(16).padStart(four ? 8 : 6, '0');
  const colour = readColour(`#${inCssOrder(digits, long)}`)!;
  const packed = four ? long : /^a?r/.test(long) ? 'rgb' : 'bgr';
  return { text, colour, manner: { kind: 'integer', order: packed, signed: value < 0 } };
}

/** Another colour in the same manner: prefix, case, order, spacing, notation, and as many decimals as it needs and had. */
export function writeLiteral(manner: Manner, colour: ReadColour): WrittenLiteral {
  switch (manner.kind) {
    case 'code':
      return code(manner, colour);
    case 'name':
      return code({ kind: 'code', prefix: '#', digits: 6, upper: manner.upper, order: 'rgba' }, colour);
    case 'integer':
      return integer(manner, colour);
    case 'numbers':
      return numbers(manner, colour);
    case 'function':
      return cssFunction(manner, colour);
  }
}

function code({ prefix, digits, upper, order }: Manner & { kind: 'code' }, colour: ReadColour): WrittenLiteral {
  const [r, g, b, a] = bytesOf(colour);
  const holds = digits === 4 || digits === 8;
  // Only codes behind a # may grow by an opacity: a number of another length would be another number.
  const withAlpha = holds || (a < 255 && prefix === '#');
  const bytes = withAlpha ? inByteOrder([r, g, b, a], order) : order.startsWith('b') || order === 'abgr' ? [b, g, r] : [r, g, b];
  const long = hexDigits(bytes);
  const short = digits <= 4 && bytes.every((value) => value % 17 === 0);
  const written = short ? bytes.map((value) => (value / 17).toString(16)).join('') : long;
  return { text: prefix + (upper ? written.toUpperCase() : written), opacityKept: withAlpha || a === 255 };
}

function integer({ order, signed }: Manner & { kind: 'integer' }, colour: ReadColour): WrittenLiteral {
  const four = bytesOf(colour);
  const [r, g, b] = four;
  const bytes = order === 'rgb' ? [r, g, b] : order === 'bgr' ? [b, g, r] : inByteOrder(four, order);
  const value = parseInt(hexDigits(bytes), 16);
  // A number with a sign keeps it only while its highest bit is set, as it would in the program.
  return { text: String(signed ? value | 0 : value), opacityKept: bytes.length === 4 || colour.alpha === 1 };
}

function inByteOrder([r, g, b, a]: readonly [number, number, number, number], order: ByteOrder): number[] {
  return { rgba: [r, g, b, a], argb: [a, r, g, b], bgra: [b, g, r, a], abgr: [a, b, g, r] }[order];
}

/** Six or eight digits as CSS has them. */
function inCssOrder(digits: string, order: ByteOrder): string {
  const pairs = digits.match(/../g)!;
  if (pairs.length === 3) return order === 'rgba' || order === 'argb' ? digits : pairs.reverse().join('');
  const [one, two, three, four] = pairs as [string, string, string, string];
  return {
    rgba: digits,
    argb: two + three + four + one,
    bgra: three + two + one + four,
    abgr: four + three + two + one,
  }[order];
}

function numbers({ glue, numbers: written, range }: Manner & { kind: 'numbers' }, colour: ReadColour): WrittenLiteral {
  const top = { bytes: 255, shares: 1, percent: 100 }[range];
  const channels = colour.rgb.map((channel) => (byte(channel) / 255) * top);
  const alpha = range === 'bytes' && written[3] && written[3].decimals === 0 ? byte(colour.alpha) : colour.alpha;
  const values = [...channels, ...(written.length > 3 ? [range === 'percent' ? alpha * 100 : alpha] : [])];
  const text = untilItReads(written, glue, values, (candidate) => numbersLiteral(candidate, range)?.colour ?? null, colour);
  return { text, opacityKept: written.length > 3 || colour.alpha === 1 };
}

function cssFunction({ glue, numbers: written, space }: Manner & { kind: 'function' }, colour: ReadColour): WrittenLiteral {
  const channels = space === 'rgb' ? colour.rgb.map((value) => byte(value) / 255) : inSpace(colour, spaceById(space)!);
  const values = channels.map((value, at) => {
    const { unit } = written[at]!;
    if (space === 'rgb') return unit === '%' ? value * 100 : value * 255;
    const channel = spaceById(space)!.channels[at]!;
    if (channel.angle) return value / { '': 1, '%': 3.6, deg: 1, grad: 0.9, rad: 180 / Math.PI, turn: 360 }[unit];
    return unit === '%' ? (value / channel.whole) * 100 : value;
  });
  const had = written[3];
  if (had) values.push(had.unit === '%' ? colour.alpha * 100 : colour.alpha);
  const grown = !had && colour.alpha < 1;
  const all = grown ? [...written, { decimals: 3, unit: '' as const, bare: false }] : written;
  if (grown) values.push(colour.alpha);
  const legacy = glue[1]!.includes(',');
  const between = grown ? [...glue.slice(0, -1), legacy ? glue[1]! : ' / ', glue.at(-1)!] : glue;
  return { text: untilItReads(all, between, values, readColour, colour), opacityKept: true };
}

/** What is to be written in a space: the authored colour where it holds that, else what is shown of it. */
function inSpace(colour: ReadColour, space: ColourSpace): number[] {
  const authored = parseCss(colour.css)!.colour;
  const shown = { mode: 'rgb', r: colour.rgb[0], g: colour.rgb[1], b: colour.rgb[2] } as const;
  const narrow = space.id === 'hsl' || space.id === 'hwb' || space.id === 'srgb';
  return channelsOf(narrow ? shown : authored, space).map((value) => value ?? 0);
}

/** As many decimals as there were, and more until the colour is read back the same in 8 bits. */
function untilItReads(
  written: readonly NumberManner[],
  glue: readonly string[],
  values: readonly number[],
  read: (text: string) => ReadColour | null,
  wanted: ReadColour,
): string {
  let text = '';
  for (let more = 0; more <= 6; more++) {
    const parts = written.map((figure, at) => glue[at]! + figures(values[at]!, figure, more));
    text = parts.join('') + glue.at(-1)!;
    const again = read(text);
    if (again && again.hex === wanted.hex && (written.length < 4 || byte(again.alpha) === byte(wanted.alpha))) break;
  }
  return text;
}

function figures(value: number, { decimals, unit, bare }: NumberManner, more: number): string {
  const text = more === 0 ? value.toFixed(decimals) : String(Number(value.toFixed(decimals + more)) + 0);
  const fixed = text === '-0' ? '0' : text;
  return (bare ? fixed.replace(/^(-?)0\./, '$1.') : fixed) + unit;
}

/** The numbers of a text and what stands between them. */
function numbersOf(text: string): { glue: string[]; numbers: NumberManner[] } {
  const glue: string[] = [];
  const numbers: NumberManner[] = [];
  let done = 0;
  // The name of a space may end in a digit: `color(display-p3 …)`.
  const start = /^color\(\s*[\w-]+/i.exec(text)?.[0].length ?? 0;
  for (const match of text.matchAll(new RegExp(`${NUMBER_IN.source}|none`, 'gi'))) {
    if (match.index < start) continue;
    glue.push(text.slice(done, match.index));
    const [whole, number = '0', unit = ''] = match;
    numbers.push({
      decimals: /\.(\d+)/.exec(number)?.[1]!.length ?? 0,
      unit: unit.toLowerCase() as NumberManner['unit'],
      bare: /^[+-]?\./.test(number),
    });
    done = match.index + whole.length;
  }
  return { glue: [...glue, text.slice(done)], numbers };
}

function withOpacity(css: string, alpha: number): string {
  if (alpha >= 1) return css;
  const { rgb } = readColour(css)!;
  return css.startsWith('#') ? `rgb(${rgb.map(byte).join(' ')} / ${alpha})` : css.replace(/\)$/, ` / ${alpha})`);
}

/** The literal's colour as CSS, in the authored notation where that is CSS. */
export function cssOf({ text, manner, colour }: Literal): string {
  return manner.kind === 'function' || manner.kind === 'name' ? text : colour.css || hexOf(colour.rgb);
}
