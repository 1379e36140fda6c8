import { zlibSync } from 'fflate';
import { ByteWriter } from '../base/bytes';

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
  const header = new ByteWriter().u32(width).u32(height).u8(8).u8(3).u8(0).u8(0).u8(0).bytes();
  const colours = Uint8Array.from(palette.flatMap(([r, g, b]) => [r!, g!, b!]));
  const opacities = Uint8Array.from(palette.map(([, , , alpha]) => alpha!));
  const file = new ByteWriter().append(Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a));
  chunk(file, 'IHDR', header);
  chunk(file, 'PLTE', colours);
  if (opacities.some((alpha) => alpha < 255)) chunk(file, 'tRNS', opacities);
  chunk(file, 'IDAT', zlibSync(rows, { level: 9 }));
  chunk(file, 'IEND', new Uint8Array());
  return file.bytes();
}

function chunk(file: ByteWriter, name: string, body: Uint8Array): void {
  const checked = new ByteWriter().latin(name).append(body).bytes();
  file.u32(body.length).append(checked).u32(crc(checked));
}

/** CRC-32 of ISO 3309 as PNG 3, annex D, writes it. */
function crc(bytes: Uint8Array): number {
  let value = 0xffffffff;
  for (const byte of bytes) {
    value ^= byte;
    for (let bit = 0; bit < 8; bit++) value = value & 1 ? (value >>> 1) ^ 0xedb88320 : value >>> 1;
  }
  return (value ^ 0xffffffff) >>> 0;
}
