import { hexDigits } from '../base/hex';
import { hexCode, readColour, type ReadColour } from '../colour/read';
import { words } from '../image/pixels';
import type { StoredPicture } from '../image/png-read';
import type { Known } from './brand-colours';
import type { Compared } from './compare-text';
import { differs, extra, type Difference } from './difference';

/** More ways from one colour to another than these are another picture, and not told one by one. */
const MOST_TOLD = 256;

/**
 * Compares two pictures: pixel by pixel, each pair of a decided and a found colour once, in the first row where it stands. A
 * picture of another size has no pixels in common; of it each colour is told that the decided one lacks.
 */
export function comparePictures(known: ReadonlyMap<string, Known>, expected: StoredPicture, found: StoredPicture): Compared {
  const [ours, theirs] = [words(expected), words(found)];
  const sameSize = expected.width === found.width && expected.height === found.height;
  const decided = new Set(sameSize ? [] : ours);
  const equal = new Set<number>();
  const told = new Map<string, Difference>();
  for (let at = 0; at < theirs.length; at++) {
    const [one, two] = [ours[at]!, theirs[at]!];
    // Whatever a wholly transparent pixel has, it shows nothing.
    const shows = two >>> 24 !== 0 || (sameSize && one >>> 24 !== 0);
    if (!shows) continue;
    if (sameSize ? one === two : decided.has(two)) {
      equal.add(two);
      continue;
    }
    const key = sameSize ? `${one} ${two}` : `${two}`;
    if (told.size === MOST_TOLD || told.has(key)) continue;
    const row = Math.floor(at / found.width) + 1;
    told.set(key, sameSize ? difference(known, one, two, row) : extra(shown(two), row));
  }
  return { differences: [...told.values()], equal: equal.size };
}

function difference(known: ReadonlyMap<string, Known>, one: number, two: number, row: number): Difference {
  const [ours, theirs] = [shown(one), shown(two)];
  return differs({ ...known.get(ours.hex), hex: ours.css }, theirs, theirs.css, row);
}

/** A pixel as it lies in memory, as a colour. */
function shown(word: number): ReadColour {
  return readColour(hexCode(`#${hexDigits([word & 255, (word >> 8) & 255, (word >> 16) & 255])}`, (word >>> 24) / 255))!;
}
