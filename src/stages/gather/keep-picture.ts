import type { PaletteOrigin } from '@/core/brand/document/palette-shape';
import { tidyName } from '@/core/intake/intake';
import { useCatch } from '@/ui/store/catch-store';
import { tell } from '@/ui/notices';
import { request } from '@/ui/asked/request';

/** The server takes no more in one request; a larger picture is kept smaller. */
const LARGEST = 8_000_000;
/** The longer side of a picture that is kept smaller, in pixels. */
const SIDE = 2_400;

/**
 * Keeps the picture in the catch on the server, to be the source of the palettes made from it.
 * @returns the source by group; none when there is no picture, or when it could not be kept: the person has been told
 * then, and the palette comes without it
 */
export async function keepPicture(brand: string): Promise<Record<string, PaletteOrigin>> {
  const { picture, lines } = useCatch.getState();
  if (!picture) return {};
  const name = tidyName(picture.name);
  try {
    const kept = picture.size <= LARGEST ? picture : await smaller(picture);
    if (kept !== picture) tell(`${name} is kept at ${SIDE} pixels: it is larger than 8 MB.`);
    const { picture: hash } = await request<{ picture: string }>(`/api/brands/${brand}/pictures`, 'POST', kept);
    const groups = lines.filter(({ source }) => source === picture.name).map(({ palette }) => palette);
    return Object.fromEntries(groups.map((group) => [group, { source: { picture: hash, name } }]));
  } catch (error) {
    const why = error instanceof TypeError ? 'the server cannot be reached.' : (error as Error).message;
    tell(`The picture was not kept with the palette: ${why}`);
    return {};
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
