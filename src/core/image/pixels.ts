import { hexByte, hexDigits } from '../base/hex';
import { decode, encode } from '../colour/oklab';
import { hexOf } from '../colour/read';

/** A picture as rows of sRGB pixels from the top left: four bytes each, red, green, blue, opacity, not premultiplied. */
export interface Pixels {
  readonly width: number;
  readonly height: number;
  /** `width * height * 4` bytes. */
  readonly data: Uint8Array | Uint8ClampedArray;
}

/** A part of a picture in whole pixels. */
export interface Area {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Below this opacity, 0..255, a pixel shows what is behind it rather than itself, and is left out. */
export const OPAQUE = 128;

/** The bytes as one 32-bit number a pixel, in the order of this machine. */
export function words({ data }: Pixels): Uint32Array {
  // A view needs its bytes to begin at a multiple of four.
  const aligned = data.byteOffset % 4 === 0 ? data : data.slice();
  return new Uint32Array(aligned.buffer, aligned.byteOffset, aligned.byteLength >> 2);
}

/** The lower-case `#rrggbb`, with opacity as `#rrggbbaa` where it is not whole, of the pixel at a place. */
export function pixelAt({ width, data }: Pixels, x: number, y: number): string {
  const at = (y * width + x) * 4;
  const hex = hexDigits(data.subarray(at, at + 3));
  const alpha = data[at + 3]!;
  return `#${hex}${alpha < 255 ? hexByte(alpha) : ''}`;
}

/** The mean of a picture's opaque pixels, by their light (not by their codes), as `#rrggbb`; null when there is none. */
export function meanColour({ data }: Pixels): string | null {
  const sum = [0, 0, 0];
  let count = 0;
  for (let at = 0; at < data.length; at += 4) {
    if (data[at + 3]! < OPAQUE) continue;
    count++;
    for (let n = 0; n < 3; n++) sum[n]! += decode(data[at + n]! / 255);
  }
  if (count === 0) return null;
  const [r, g, b] = sum.map((light) => encode(light / count)) as [number, number, number];
  return hexOf([r, g, b]);
}

/** The square of pixels about a place, `reach` on each side; beyond the picture's edge they are transparent. */
export function around({ width, height, data }: Pixels, x: number, y: number, reach: number): Pixels {
  const side = reach * 2 + 1;
  const square = new Uint8ClampedArray(side * side * 4);
  const left = Math.max(0, x - reach);
  const right = Math.min(width, x + reach + 1);
  for (let row = Math.max(0, y - reach); row < Math.min(height, y + reach + 1); row++) {
    const line = data.subarray((row * width + left) * 4, (row * width + right) * 4);
    square.set(line, ((row - y + reach) * side + left - x + reach) * 4);
  }
  return { width: side, height: side, data: square };
}
