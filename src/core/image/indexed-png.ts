import { zlibSync } from 'fflate';
import { headerChunk, paletteChunks, pngOf } from './png-chunks';

/**
 * A PNG of colour type 3 (PNG 3, 11.2.1): up to 256 colours and one byte a pixel.
 * @param palette red, green, blue, opacity 0..255 each; at most 256
 * @param pixels indices into it, row by row
 */
export function indexedPng(width: number, palette: readonly (readonly number[])[], pixels: Uint8Array): Uint8Array {
  const height = pixels.length / width;
  // Every row begins with the number of its filter: 0 is none.
  const rows = new Uint8Array(height * (width + 1));
  for (let row = 0; row < height; row++) rows.set(pixels.subarray(row * width, (row + 1) * width), row * (width + 1) + 1);
  return pngOf([headerChunk(width, height, 8, 3), ...paletteChunks(palette), ['IDAT', zlibSync(rows, { level: 9 })]]);
}
