import type { PaletteSource } from '@/core/brand/document';
import { tidyName } from '@/core/formats/reading';
import { tell } from '@/ui/notices';
import { request } from '@/ui/request';
import type { CameIn } from './use-intake';

/** The server takes no more in one request; a larger picture is kept smaller. */
const LARGEST = 8_000_000;
/** The longer side of a picture that is kept smaller, in pixels. */
const SIDE = 2_400;

/**
 * Keeps a picture on the server, to be the source of the palette made from it.
 * @returns null when it could not be kept; the person has been told, and the palette comes without it
 */
export async function attachPicture(brand: string, { name, bytes }: CameIn): Promise<PaletteSource | null> {
  try {
    const whole = new Blob([bytes as Uint8Array<ArrayBuffer>]);
    const kept = whole.size <= LARGEST ? whole : await smaller(whole);
    if (kept !== whole) tell(`${name} is kept at ${SIDE} pixels: it is larger than 8 MB.`);
    const { picture } = await request<{ picture: string }>(`/api/brands/${brand}/pictures`, 'POST', kept);
    return { picture, name: tidyName(name) };
  } catch (error) {
    const why = error instanceof TypeError ? 'the server cannot be reached.' : (error as Error).message;
    tell(`The picture was not kept with the palette: ${why}`);
    return null;
  }
}

async function smaller(whole: Blob): Promise<Blob> {
  const bitmap = await createImageBitmap(whole);
  const scale = Math.min(1, SIDE / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(Math.round(bitmap.width * scale), Math.round(bitmap.height * scale));
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return canvas.convertToBlob({ type: 'image/webp', quality: 0.9 });
}
