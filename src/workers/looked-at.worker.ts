import { expose, transfer } from 'comlink';
import type { Brand } from '@/core/brand/document/document';
import type { Vision } from '@/core/colour/vision';
import { offBrand, type OffBrand } from '@/core/drift/off-brand';
import type { Pixels } from '@/core/image/pixels';
import { seenPicture } from '@/core/image/seen-picture';

/** A screenshot of a whole long page is made smaller than this, so that looking through it ends soon. */
const MOST_PIXELS = 4_000_000;

let picture: Pixels | null = null;

const api = {
  /** Decodes a picture and keeps it, made at most so many pixels wide. @returns its size; null when it is damaged */
  async open(file: File, most: number): Promise<{ readonly width: number; readonly height: number } | null> {
    let bitmap: ImageBitmap;
    try {
      bitmap = await createImageBitmap(file);
    } catch {
      // What the decoder says of the damage is of no use to a person.
      return null;
    }
    const scale = Math.min(1, most / bitmap.width, Math.sqrt(MOST_PIXELS / (bitmap.width * bitmap.height)));
    const [width, height] = [Math.max(1, Math.round(bitmap.width * scale)), Math.max(1, Math.round(bitmap.height * scale))];
    const context = new OffscreenCanvas(width, height).getContext('2d')!;
    context.imageSmoothingQuality = 'high';
    context.drawImage(bitmap, 0, 0, width, height);
    bitmap.close();
    picture = { width, height, data: context.getImageData(0, 0, width, height).data };
    return { width, height };
  },
  /** The kept picture as a kind of colour vision sees it. */
  async seen(vision: Vision, severity: number): Promise<ImageBitmap> {
    const { data, width, height } = seenPicture(picture!, vision, severity);
    const bitmap = await createImageBitmap(new ImageData(data as Uint8ClampedArray<ArrayBuffer>, width, height));
    return transfer(bitmap, [bitmap]);
  },
  /** What of the kept picture is none of the brand's colours. @returns one sentence when there is nothing to compare */
  offBrand(brand: Brand): OffBrand | string {
    return offBrand(brand, picture!);
  },
};

export type LookedAtWorker = typeof api;

expose(api);
