/** Colours given as numbers, as swatch files and tables give them, in CSS. What a channel is and its range is in each name. */
import { converter } from 'culori';
import { hexDigits } from '../base/hex';

const toRgb = converter('rgb');

/** Channels 0..255, whole numbers; with the fourth, opacity 0..255. */
export function fromBytes(r: number, g: number, b: number, alpha = 255): string {
  return `#${hexDigits(alpha < 255 ? [r, g, b, alpha] : [r, g, b])}`;
}

/**
 * sRGB channels 0..1. A value that is an 8-bit one but for rounding (a 32-bit float, a 16-bit integer) is written as
 * that; any other keeps its digits.
 */
export function fromUnit(channels: readonly [number, number, number]): string {
  const bytes = channels.map((value) => Math.round(value * 255));
  const exact = channels.every((value, at) => Math.abs(value - bytes[at]! / 255) < 2e-5);
  if (exact && bytes.every((value) => value >= 0 && value <= 255)) return fromBytes(bytes[0]!, bytes[1]!, bytes[2]!);
  return `color(srgb ${channels.map(digits).join(' ')})`;
}

/** Cyan, magenta, yellow and black 0..1, by the plain formula of CSS Color 5 without a profile, and so only about right. */
export function fromCmyk(c: number, m: number, y: number, k: number): string {
  const channel = (ink: number) => Math.round(255 * (1 - Math.min(1, ink * (1 - k) + k)));
  return fromBytes(channel(c), channel(m), channel(y));
}

/** Hue in degrees, saturation and brightness 0..1. */
export function fromHsb(h: number, s: number, b: number): string {
  const rgb = toRgb({ mode: 'hsv', h, s, v: b });
  return fromUnit([rgb.r, rgb.g, rgb.b]);
}

/** CIE Lab under D50, as swatch files have it: L 0..100. */
export function fromLab(l: number, a: number, b: number): string {
  return `lab(${digits(l)} ${digits(a)} ${digits(b)})`;
}

function digits(value: number): string {
  return String(Number(value.toFixed(5)) + 0);
}
