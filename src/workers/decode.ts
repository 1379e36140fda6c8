import type { Pixels } from '@/core/image/pixels';

/** Decodes a picture with the browser's own decoder, in a worker. Colours come as sRGB. @throws when it is damaged */
export async function decode(picture: Blob | Uint8Array): Promise<Pixels> {
  const blob = picture instanceof Blob ? picture : new Blob([picture as Uint8Array<ArrayBuffer>]);
  const bitmap = await createImageBitmap(blob, { premultiplyAlpha: 'none' });
  const { width, height } = bitmap;
  const context = new OffscreenCanvas(width, height).getContext('2d')!;
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  return { width, height, data: context.getImageData(0, 0, width, height).data };
}

/** A file's bytes. Those of a large one are read in a worker, so that the page goes on meanwhile. */
export async function bytesOf(file: Blob): Promise<Uint8Array> {
  return new Uint8Array(await file.arrayBuffer());
}
