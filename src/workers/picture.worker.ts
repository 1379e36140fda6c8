import { expose, transfer } from 'comlink';
import type { EntryParts } from '@/core/intake/intake';
import { exactColours } from '@/core/intake/pictures/picture';
import { chooseColours, countColours, type Counted, type Extracted, type Wanted } from '@/core/image/extract';
import { around, type Pixels } from '@/core/image/pixels';
import { bytesOf, decode } from './decode';

let picture: Pixels | null = null;
/** The area counted last: while only the sliders move it stays the same. */
let last: { key: string; counted: Counted } | null = null;

/** A picture made small enough to be shown, and its own size in pixels, upright as its camera meant it. */
export interface Preview {
  readonly bitmap: ImageBitmap;
  readonly width: number;
  readonly height: number;
}

const api = {
  /** Decodes a picture and keeps it. @returns its colours when it is a palette, null for any other picture */
  async open(file: File): Promise<EntryParts[] | null | 'damaged'> {
    try {
      picture = await decode(file);
    } catch {
      // What the decoder says of the damage is of no use to a person.
      return 'damaged';
    }
    return exactColours(await bytesOf(file), picture);
  },
  /** The kept picture at most so many pixels wide, to be shown. */
  async preview(most: number): Promise<Preview | null> {
    if (!picture) return null;
    const image = new ImageData(new Uint8ClampedArray(picture.data), picture.width, picture.height);
    const bitmap = await createImageBitmap(image, { resizeWidth: Math.min(most, picture.width), resizeQuality: 'high' });
    return transfer({ bitmap, width: picture.width, height: picture.height }, [bitmap]);
  },
  /** The square of the kept picture's pixels about a place. */
  around(x: number, y: number, reach: number): Pixels | null {
    return picture && around(picture, x, y, reach);
  },
  /** The colours of the kept picture. */
  extract(wanted: Wanted, onProgress: (share: number) => void): Extracted[] {
    if (!picture) return [];
    const tell = (share: number) => void onProgress(share);
    const key = JSON.stringify(wanted.area ?? null);
    if (last?.key !== key) last = { key, counted: countColours(picture, wanted.area, tell) };
    return chooseColours(picture, last.counted, wanted, tell);
  },
};

export type PictureWorker = typeof api;

expose(api);
