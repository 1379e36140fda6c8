import { hexByte } from '../base/hex';
import { byte, type ReadColour } from './read';

/** The shown colour as four bytes 0..255: red, green, blue, opacity. */
export function bytesOf(colour: ReadColour): [red: number, green: number, blue: number, alpha: number] {
  return [...colour.rgb.map(byte), byte(colour.alpha)] as [number, number, number, number];
}

/** The shown colour as eight hex digits, opacity last or first. */
export function eightDigits(colour: ReadColour, order: 'rgba' | 'argb' = 'rgba'): string {
  const alpha = hexByte(byte(colour.alpha));
  return order === 'rgba' ? colour.hex.slice(1) + alpha : alpha + colour.hex.slice(1);
}

/** The shown colour as `0xrrggbb`. */
export function rgbOf({ hex }: Pick<ReadColour, 'hex'>): number {
  return parseInt(hex.slice(1), 16);
}
