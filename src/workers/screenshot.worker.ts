import { expose } from 'comlink';
import { pictureSize } from '@/core/image/size';
import { pictureRefusal } from '@/core/intake/pictures/picture';
import type { ThemeColours } from '@/core/screens/match';
import { readPicture } from '@/core/screens/read-picture';
import type { Reading } from '@/core/screens/screen';
import { bytesOf, decode } from './decode';

const api = {
  /** What a screenshot shows. @returns one sentence when it cannot be read */
  async read(file: Blob, themes: readonly ThemeColours[]): Promise<Omit<Reading, 'release'> | string> {
    const size = pictureSize(await bytesOf(file));
    if (!size) return 'Only PNG, JPEG, GIF and WebP pictures are read; take the screenshot as PNG.';
    const refusal = pictureRefusal(size);
    if (refusal) return refusal;
    try {
      return readPicture(await decode(file), themes) ?? 'This picture is wholly transparent.';
    } catch {
      // What the decoder says of the damage is of no use to a person.
      return 'This picture is damaged; take the screenshot again.';
    }
  },
};

export type ScreenshotWorker = typeof api;

expose(api);
