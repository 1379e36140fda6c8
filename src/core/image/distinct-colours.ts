import { words } from './pixels';
import type { StoredPicture } from './png-read';

/** A colour of a picture and how many pixels have it; opacity does not count, and wholly transparent pixels have none. */
export interface CountedColour {
  /** `0xrrggbb`. */
  readonly rgb: number;
  readonly pixels: number;
}

export interface CountedColours {
  /** The commonest first; of equal ones the one that comes first in the picture's codes. */
  readonly colours: readonly CountedColour[];
  /** How many colours there are, those not listed among them. */
  readonly count: number;
  /** Pixels that are not wholly transparent. */
  readonly pixels: number;
}

/** So many colours are told apart in one pass. */
const IN_ONE_PASS = 65_535;
/** Parts of all colours that are counted one after the other, so that the table stays as small as a picture. */
const PARTS = 4;
const PART_SIZE = (1 << 24) / PARTS;

/** Counts a picture's colours. @param most how many of them to list */
export function distinctColours(picture: Pick<StoredPicture, 'width' | 'height' | 'data'>, most: number): CountedColours {
  const pixels = words(picture);
  return commonest(countFew(pixels) ?? countMany(pixels), most);
}

/** Pairs of a colour, as `0xbbggrr`, and its pixels, in two columns. */
interface Columns {
  readonly codes: Uint32Array;
  readonly counts: Uint32Array;
}

/** One pass, each colour with a number of its own in the order in which they come; null when there are too many. */
function countFew(pixels: Uint32Array): Columns | null {
  const numbers = new Uint16Array(1 << 24);
  const codes = new Uint32Array(IN_ONE_PASS + 1);
  const counts = new Uint32Array(IN_ONE_PASS + 1);
  let known = 0;
  for (let at = 0; at < pixels.length; at++) {
    const word = pixels[at]!;
    if (word >>> 24 === 0) continue;
    const code = word & 0xffffff;
    let number = numbers[code]!;
    if (number === 0) {
      if (known === IN_ONE_PASS) return null;
      number = numbers[code] = ++known;
      codes[number] = code;
    }
    counts[number]!++;
  }
  return { codes: codes.subarray(1, known + 1), counts: counts.subarray(1, known + 1) };
}

function countMany(pixels: Uint32Array): Columns {
  const table = new Uint32Array(PART_SIZE);
  const parts: Columns[] = [];
  for (let part = 0; part < PARTS; part++) {
    table.fill(0);
    const from = part * PART_SIZE;
    let distinct = 0;
    for (let at = 0; at < pixels.length; at++) {
      const word = pixels[at]!;
      const place = (word & 0xffffff) - from;
      if (place >= 0 && place < PART_SIZE && word >>> 24 !== 0 && table[place]!++ === 0) distinct++;
    }
    const codes = new Uint32Array(distinct);
    const counts = new Uint32Array(distinct);
    for (let place = 0, at = 0; place < PART_SIZE; place++) {
      if (table[place] === 0) continue;
      codes[at] = from + place;
      counts[at++] = table[place]!;
    }
    parts.push({ codes, counts });
  }
  const joined = (column: keyof Columns) => {
    const all = new Uint32Array(parts.reduce((sum, part) => sum + part[column].length, 0));
    let at = 0;
    for (const part of parts) {
      all.set(part[column], at);
      at += part[column].length;
    }
    return all;
  };
  return { codes: joined('codes'), counts: joined('counts') };
}

function commonest({ codes, counts }: Columns, most: number): CountedColours {
  // Of very many only those that can be among the commonest are sorted.
  const least = codes.length > most ? (Uint32Array.from(counts).sort().at(-most) ?? 0) : 0;
  const chosen: CountedColour[] = [];
  let pixels = 0;
  for (let at = 0; at < codes.length; at++) {
    pixels += counts[at]!;
    if (counts[at]! >= least) chosen.push({ rgb: swapped(codes[at]!), pixels: counts[at]! });
  }
  chosen.sort((one, two) => two.pixels - one.pixels || one.rgb - two.rgb);
  return { colours: chosen.slice(0, most), count: codes.length, pixels };
}

/** `0xbbggrr` as `0xrrggbb`, and back: in memory red comes first, and the machine's numbers begin with the last byte. */
export function swapped(code: number): number {
  return ((code & 255) << 16) | (code & 0xff00) | (code >> 16);
}
