import { expose } from 'comlink';
import type { ReadSwatch } from '@/core/formats/format';
import { exactColours } from '@/core/formats/picture';
import { chooseColours, countColours, type Counted, type Extracted, type Wanted } from '@/core/image/extract';
import type { Pixels } from '@/core/image/pixels';
import { bytesOf, decode } from './decode';

let picture: Pixels | null = null;
/** The area counted last: while only the sliders move it stays the same. */
let last: { key: string; counted: Counted } | null = null;

const api = {
  /** Decodes a picture and keeps it. @returns its colours when it is a palette, null for any other picture */
  async open(file: File): Promise<ReadSwatch[] | null | 'damaged'> {
    try {
      picture = await decode(file);
    } catch {
      // What the decoder says of the damage is of no use to a person.
      return 'damaged';
    }
    return exactColours(await bytesOf(file), picture);
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
