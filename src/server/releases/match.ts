import { slug } from '@/core/base/words';
import { builtReadings, type ReadScreen } from '@/core/screens/match-table';
import type { WatchedRelease } from '@/core/screens/told-match';
import { inChromium } from '../writing/chromium';
import { Refused } from '../http/refused';
import { latestNumber } from './release-number';
import { documentsOf } from './releases';
import { latestReadings, screensOf } from './screens';
import { writer } from '../writing/writer';

export const MATCH_FORMS = ['json', 'csv', 'pdf'] as const;

/** A brand's match report: what its screens were last found to show, held against its latest release. */
export async function drawMatch(
  brandId: string,
  as: (typeof MATCH_FORMS)[number],
): Promise<{ name: string; mediaType: string; bytes: Uint8Array }> {
  const watched = await watchedRelease(brandId);
  const name = `${slug(watched.brand.name)}-match-release-${watched.release}`;
  const text = await writer().once('match', brandId, () => Promise.resolve({ watched, as }));
  if (as === 'pdf') {
    const bytes = await inChromium(text, (page) => page.pdf({ preferCSSPageSize: true, printBackground: true }));
    return { name: `${name}.pdf`, mediaType: 'application/pdf', bytes };
  }
  const mediaType = as === 'csv' ? 'text/csv; charset=utf-8' : 'application/json';
  return { name: `${name}.${as}`, mediaType, bytes: new TextEncoder().encode(text) };
}

async function watchedRelease(brandId: string): Promise<WatchedRelease> {
  const release = await latestNumber(brandId);
  if (release === 0) throw new Refused(409, 'Nothing has been released yet, so there is nothing to hold a screen against.');
  const screens = await screensOf(brandId);
  const told = await latestReadings(brandId);
  const numbers = [
    release,
    ...[...told.values()].flatMap((readings) => readings.map((reading) => reading.release)),
    ...screens.flatMap(({ fetched }) => fetched ?? []),
  ];
  const documents = await documentsOf(brandId, numbers);
  const read = screens.map((screen): ReadScreen => {
    const fetched = screen.fetched === null ? undefined : documents.get(screen.fetched);
    return { screen, readings: fetched ? builtReadings(fetched, screen.fetched!) : (told.get(screen.id) ?? []) };
  });
  return { brand: documents.get(release)!, release, documents, read };
}
