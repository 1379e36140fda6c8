import { themesShown } from '@/core/screens/match';
import type { Released } from '@/ui/store/brand-state';
import { request } from '@/ui/asked/request';
import { readScreenshot } from '@/workers/screenshot';

/**
 * Keeps a screenshot and reads it. `add` makes it a screen, or that of one, before it is told what the picture shows.
 * @param id of the screen
 * @throws Error with a sentence when it cannot be read or kept
 */
export async function handIn(
  file: File,
  { brand, id, release }: { brand: string; id: string; release: Released },
  add: (picture: string) => Promise<boolean>,
): Promise<boolean> {
  const reading = await readScreenshot(file, themesShown(release.document));
  if (typeof reading === 'string') throw new Error(reading);
  const { picture } = await request<{ picture: string }>(`/api/brands/${brand}/pictures`, 'POST', file);
  if (!(await add(picture))) return false;
  await request(`/consumer/${brand}/screens/${id}/readings`, 'POST', [{ ...reading, release: release.number }]);
  return true;
}
