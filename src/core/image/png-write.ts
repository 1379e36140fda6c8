import { headerChunk, paletteChunks, pngOf } from './png-chunks';
import type { StoredPicture } from './png-read';

/** A picture as a PNG of true colour, with opacity where it has any, and 16 bits a channel where it has those. */
export async function trueColourPng({ width, height, data, wide }: StoredPicture): Promise<Uint8Array> {
  const opaque = isOpaque(data, wide);
  const channels = opaque ? 3 : 4;
  const size = wide ? 2 : 1;
  const rows = new Uint8Array(height * (1 + width * channels * size));
  let to = 0;
  for (let row = 0, at = 0; row < height; row++) {
    to++;
    for (let end = at + width * 4; at < end; at += 4) {
      for (let channel = 0; channel < channels; channel++) {
        if (wide) {
          const value = wide[at + channel]!;
          rows[to++] = value >> 8;
          rows[to++] = value;
        } else rows[to++] = data[at + channel]!;
      }
    }
  }
  return pngOf([headerChunk(width, height, size * 8, opaque ? 2 : 6), ['IDAT', await deflated(rows)]]);
}

/**
 * A PNG with its palette in the order given: one byte a pixel.
 * @param palette red, green, blue, opacity 0..255 each; at most 256
 */
export async function paletteIndexPng(
  width: number,
  height: number,
  palette: readonly (readonly number[])[],
  indices: Uint8Array,
): Promise<Uint8Array> {
  const rows = new Uint8Array(height * (width + 1));
  for (let row = 0; row < height; row++) rows.set(indices.subarray(row * width, (row + 1) * width), row * (width + 1) + 1);
  return pngOf([headerChunk(width, height, 8, 3), ...paletteChunks(palette), ['IDAT', await deflated(rows)]]);
}

function isOpaque(data: Uint8Array, wide: Uint16Array | null): boolean {
  const [all, full] = wide ? [wide, 0xffff] : [data, 0xff];
  for (let at = 3; at < all.length; at += 4) if (all[at] !== full) return false;
  return true;
}

/** In the format of zlib (RFC 1950), by the platform's own compressor: some ten times faster than one in JavaScript. */
async function deflated(bytes: Uint8Array): Promise<Uint8Array> {
  const stream = new Blob([bytes as Uint8Array<ArrayBuffer>]).stream().pipeThrough(new CompressionStream('deflate'));
  return new Uint8Array(await new Response(stream).arrayBuffer());
}
