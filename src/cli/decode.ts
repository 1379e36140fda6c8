import type { Pixels } from '@/core/image/pixels';

/** Decodes a picture with the one native library the command line uses, fetched only when a picture comes. */
export async function decode(bytes: Uint8Array): Promise<Pixels> {
  const { default: sharp } = await import('sharp');
  const { data, info } = await sharp(bytes)
    .autoOrient()
    .toColourspace('srgb')
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data: new Uint8Array(data.buffer, data.byteOffset, data.byteLength) };
}
