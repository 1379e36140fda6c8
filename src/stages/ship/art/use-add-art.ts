import { useState } from 'react';
import { slug } from '@/core/base/words';
import { LIMITS } from '@/core/brand/document/fields';
import type { Art } from '@/core/brand/document/art-shape';
import { newId } from '@/core/brand/document/identity';
import { useBrandStore } from '@/ui/store/brand-context';
import { keepPicture } from '@/ui/asked/kept-files';
import { tell } from '@/ui/notices';
import { OpenArt } from '@/workers/art';
import { bytesOf } from '@/workers/decode';

/** Takes sheets in: keeps them beside the brand and adds a piece of art of them. @param onAdded told its id */
export function useAddArt(onAdded: (id: string) => void) {
  const store = useBrandStore();
  const [busy, setBusy] = useState(false);
  const add = async (files: readonly File[]) => {
    const { id: brand, replica, palette: shown, run } = store.getState();
    const { palettes } = replica.brand;
    // What is looked at in the strand is what is probably meant.
    const palette = palettes.find(({ id }) => id === shown) ?? palettes[0];
    if (!palette) return tell('There is no palette to bring the art into yet; mix one first.');
    const large = files.find(({ size }) => size > LIMITS.fileBytes);
    if (large) return tell(`${large.name} is larger than 20 MB; a sheet is at most that.`);
    const open = new OpenArt();
    setBusy(true);
    try {
      const sorted = [...files].sort((one, two) => one.name.localeCompare(two.name, 'en', { numeric: true }));
      const read = await Promise.all(sorted.map(async (file) => ({ name: file.name.slice(0, 120), bytes: await bytesOf(file) })));
      const opened = await open.remote.open(read);
      if (typeof opened === 'string') return tell(opened);
      for (const note of new Set(opened.sheets.flatMap(({ notes }) => notes))) tell(note);
      const sheets: Art['sheets'] = [];
      for (const [at, { name, width, height }] of opened.sheets.entries())
        sheets.push({ picture: await keepPicture(brand, read[at]!.bytes), name, width, height });
      const stem = slug(sorted[0]!.name.replace(/\.[^.]*$/, ''));
      const taken = new Set(replica.brand.art.map(({ path }) => path));
      const free = (number: number): string => {
        const path = number === 1 ? `art/${stem}` : `art/${stem}-${number}`;
        return taken.has(path) ? free(number + 1) : path;
      };
      const art: Art = {
        id: newId(),
        path: free(1),
        sheets,
        grid: opened.grid,
        groups: [],
        table: { palette: palette.id, map: [], keepOrder: false, dither: 'none' },
        indexed: true,
        pace: 120,
      };
      if (run({ label: `Recolour ${sorted[0]!.name}`, steps: [{ do: 'art.add', art, before: null }] })) onAdded(art.id);
    } catch (error) {
      tell(
        error instanceof TypeError
          ? 'The server cannot be reached, so the pictures were not taken; try again in a moment.'
          : (error as Error).message,
      );
    } finally {
      open.close();
      setBusy(false);
    }
  };
  return { add, busy };
}
