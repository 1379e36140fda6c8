import { RateLimiterMemory } from 'rate-limiter-flexible';
import type { FetchedPart } from '@/core/intake/web/web-page';
import { PAGE_LIMITS } from '@/core/intake/web/web-page';
import { onePerProcess } from '../database/one-per-process';
import { Refused } from '../http/refused';
import type { PersonRow } from '../database/rows';
import { reach } from './way-out';

/** What a person may have fetched in a minute: a few pages with all that belongs to them. */
const MOST_A_MINUTE = 4 * PAGE_LIMITS.parts;
const fetches = () =>
  onePerProcess('fetches', () => new RateLimiterMemory({ keyPrefix: 'fetch', points: MOST_A_MINUTE, duration: 60 }));

const KINDS: Readonly<Record<string, FetchedPart['is']>> = {
  'text/html': 'page',
  'application/xhtml+xml': 'page',
  'text/css': 'style sheet',
  'image/svg+xml': 'drawing',
};

/** A page of the web, or a style sheet or drawing of it, as text. Nothing that it names is fetched along with it. */
export async function fetchPart(person: PersonRow, brandId: string, address: string): Promise<FetchedPart> {
  try {
    await fetches().consume(person.id);
  } catch (error) {
    if (error instanceof Error) throw error;
    throw new Refused(429, 'You have fetched many pages just now; wait a minute and try again.');
  }
  const answer = await reach({ brand: brandId, by: person }, { address, most: PAGE_LIMITS.bytes });
  const { host } = new URL(answer.address);
  if (answer.status < 200 || answer.status > 299)
    throw new Refused(409, `${host} answered with ${answer.status}, so there is nothing to read; look at the address again.`);
  const [essence = '', ...parameters] = answer.mediaType.split(';').map((part) => part.trim());
  const is = KINDS[essence];
  if (!is)
    throw new Refused(
      409,
      `At this address is ${essence || 'something that does not say what it is'}, no page; a file is saved first and dropped on Gather.`,
    );
  const charset = parameters.find((parameter) => parameter.startsWith('charset='))?.slice('charset='.length) ?? 'utf-8';
  return { is, address: answer.address, text: decoded(answer.bytes, charset.replace(/^"|"$/g, '')) };
}

/** Text in the encoding that its server says; without one that is known, in UTF-8. Colours are ASCII in all of them. */
function decoded(bytes: Uint8Array, charset: string): string {
  let decoder;
  try {
    decoder = new TextDecoder(charset);
  } catch {
    decoder = new TextDecoder();
  }
  // No database keeps these, and no browser shows them.
  return decoder.decode(bytes).replaceAll('\0', '');
}
