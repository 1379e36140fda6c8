/**
 * 8-bit sRGB to OKLCH and back without a general parser: for whole pictures, and for the commonest text of all, #rrggbb.
 * Formulas: IEC 61966-2-1 and CSS Color 4. Written out with plain numbers and tables, because they run a million times.
 */
import { hexByte } from '../base/hex';
import { GREY_CHROMA } from './grey';
import { decode, oklabToLinear } from './oklab';

/** Linear light of each byte, 0..1. */
export const LINEAR = Float64Array.from({ length: 256 }, (_, value) => decode(value / 255));
/** Linear light from which on the next byte is nearer, in gamma-encoded terms. */
const UP = Float64Array.from({ length: 256 }, (_, value) => (value === 255 ? Infinity : decode((value + 0.5) / 255)));
/** The byte at each of so many linear lights: right to within one or two. */
const GUESSES = 4096;
const GUESS = Uint8Array.from({ length: GUESSES + 1 }, (_, at) => UP.findIndex((up) => at / GUESSES < up));
const DEGREES = 180 / Math.PI;

/** Linear light, cut to 0..1, as the nearest byte. */
export function linearToByte(linear: number): number {
  if (!(linear > 0)) return 0;
  if (linear >= 1) return 255;
  let value = GUESS[(linear * GUESSES) | 0]!;
  while (linear >= UP[value]!) value++;
  return value;
}

/**
 * @param bytes r, g, b one colour after the other, 0..255
 * @param into as many numbers: l 0..1, c, h in degrees 0..360 (0 for greys)
 */
export function bytesToOklch(bytes: ArrayLike<number>, into: Float64Array): void {
  for (let at = 0; at + 2 < bytes.length; at += 3) {
    const r = LINEAR[bytes[at]!]!;
    const g = LINEAR[bytes[at + 1]!]!;
    const b = LINEAR[bytes[at + 2]!]!;
    const long = Math.cbrt(0.412221469470763 * r + 0.5363325372617348 * g + 0.0514459932675022 * b);
    const middle = Math.cbrt(0.2119034958178252 * r + 0.6806995506452344 * g + 0.1073969535369406 * b);
    const short = Math.cbrt(0.0883024591900564 * r + 0.2817188391361215 * g + 0.6299787016738222 * b);
    const x = 1.9779985324311684 * long - 2.4285922420485799 * middle + 0.450593709617411 * short;
    const y = 0.0259040424655478 * long + 0.7827717124575296 * middle - 0.8086757549230774 * short;
    const c = Math.sqrt(x * x + y * y);
    into[at] = 0.210454268309314 * long + 0.7936177747023054 * middle - 0.0040720430116193 * short;
    if (c < GREY_CHROMA) {
      into[at + 1] = 0;
      into[at + 2] = 0;
      continue;
    }
    const h = Math.atan2(y, x) * DEGREES;
    into[at + 1] = c;
    into[at + 2] = h < 0 ? h + 360 : h;
  }
}

/** The inverse of `bytesToOklch`; what lies outside sRGB is cut channel by channel. */
export function oklchToBytes(oklch: Float64Array, into: Uint8Array | Uint8ClampedArray): void {
  for (let at = 0; at + 2 < oklch.length; at += 3) {
    const l = oklch[at]!;
    const c = oklch[at + 1]!;
    const h = oklch[at + 2]! / DEGREES;
    const x = c * Math.cos(h);
    const y = c * Math.sin(h);
    const rootL = l + 0.3963377773761749 * x + 0.2158037573099136 * y;
    const rootM = l - 0.1055613458156586 * x - 0.0638541728258133 * y;
    const rootS = l - 0.0894841775298119 * x - 1.2914855480194092 * y;
    const long = rootL * rootL * rootL;
    const middle = rootM * rootM * rootM;
    const short = rootS * rootS * rootS;
    into[at] = linearToByte(4.0767416360759574 * long - 3.3077115392580616 * middle + 0.2309699031821044 * short);
    into[at + 1] = linearToByte(-1.2684379732850317 * long + 2.6097573492876887 * middle - 0.3413193760026573 * short);
    into[at + 2] = linearToByte(-0.0041960761386755 * long - 0.7034186179359362 * middle + 1.7076146940746117 * short);
  }
}

/** What a hexadecimal digit stands for, by its character code. */
const DIGIT = Uint8Array.from({ length: 128 }, (_, code) => parseInt(String.fromCharCode(code), 16) || 0);

/** `#rrggbb` as OKLCH: l 0..1, c, h in degrees 0..360 (0 for greys). */
export function hexToOklch(hex: string): [l: number, c: number, h: number] {
  const r = LINEAR[(DIGIT[hex.charCodeAt(1)]! << 4) | DIGIT[hex.charCodeAt(2)]!]!;
  const g = LINEAR[(DIGIT[hex.charCodeAt(3)]! << 4) | DIGIT[hex.charCodeAt(4)]!]!;
  const b = LINEAR[(DIGIT[hex.charCodeAt(5)]! << 4) | DIGIT[hex.charCodeAt(6)]!]!;
  const long = Math.cbrt(0.412221469470763 * r + 0.5363325372617348 * g + 0.0514459932675022 * b);
  const middle = Math.cbrt(0.2119034958178252 * r + 0.6806995506452344 * g + 0.1073969535369406 * b);
  const short = Math.cbrt(0.0883024591900564 * r + 0.2817188391361215 * g + 0.6299787016738222 * b);
  const l = 0.210454268309314 * long + 0.7936177747023054 * middle - 0.0040720430116193 * short;
  const x = 1.9779985324311684 * long - 2.4285922420485799 * middle + 0.450593709617411 * short;
  const y = 0.0259040424655478 * long + 0.7827717124575296 * middle - 0.8086757549230774 * short;
  const c = Math.sqrt(x * x + y * y);
  if (c < GREY_CHROMA) return [l, 0, 0];
  const h = Math.atan2(y, x) * DEGREES;
  return [l, c, h < 0 ? h + 360 : h];
}

/** OKLCH as `#rrggbb`; what lies outside sRGB is cut channel by channel, unlike `oklchHex`, which maps it. */
export function oklchToHex(l: number, c: number, h: number): string {
  const angle = h / DEGREES;
  const [r, g, b] = oklabToLinear(l, c * Math.cos(angle), c * Math.sin(angle));
  return '#' + hexByte(linearToByte(r)) + hexByte(linearToByte(g)) + hexByte(linearToByte(b));
}
