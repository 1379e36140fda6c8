import { unit } from '../base/clamp';
import { bytesToOklab, oklabToBytes } from '../colour/oklab';
import { byArea, byLiveliness, nearest, type Points } from './cluster';
import { OPAQUE, words, type Area, type Pixels } from './pixels';

/** What to look for in a picture. */
export interface Wanted {
  /** How many colours, 2..64. */
  readonly count: number;
  /** 0: colours by the area they take; 1: colours by how lively and how different they are, however small. */
  readonly liveliness: number;
  /** The part to look at; the whole picture when left out. */
  readonly area?: Area;
}

/** A colour found in a picture. */
export interface Extracted {
  /** Red, green, blue 0..255. */
  readonly rgb: readonly [number, number, number];
  /** Share of the looked-at, opaque pixels that are nearest to it, 0..1. */
  readonly share: number;
  /** A pixel that has this colour or the nearest to it. */
  readonly x: number;
  readonly y: number;
}

/** More pixels than this are sampled: sums of bytes in 32 bits stay whole up to 16.8 million. */
const MOST_PIXELS = 16_000_000;
/**
 * The colours of a picture, by area the largest share first, by liveliness the most telling; fewer than asked for when it
 * has fewer. Pixels are counted into
 * 32 x 32 x 32 bins, whose means are clustered in OKLab: splitting along the widest spread, then k-means, then steps to
 * the geometric median, which is what the mean distance of a pixel to its colour asks for. Towards liveliness the
 * centres are chosen one by one from a finer clustering, in which chroma counts more and area less.
 *
 * Deterministic. k-means: Lloyd 1982; geometric median: Weiszfeld 1937; greedy choice: Cornuejols, Fisher, Nemhauser 1977.
 * @param onProgress called now and then with the share done, 0..1
 */
export function extractColours(picture: Pixels, wanted: Wanted, onProgress?: (share: number) => void): Extracted[] {
  return chooseColours(picture, countColours(picture, wanted.area, onProgress), wanted, onProgress);
}

/** The colours of an area counted, for any number of choices among them. A megabyte at most. */
export interface Counted {
  readonly area: Area;
  readonly points: Points;
}

/** The first part of `extractColours`, and the longer one: it goes through every pixel of the area. */
export function countColours(picture: Pixels, area?: Area, onProgress?: (share: number) => void): Counted {
  const inside = clipped(picture, area);
  return { area: inside, points: counted(picture, inside, onProgress) };
}

/** The second part of `extractColours`. */
export function chooseColours(
  picture: Pixels,
  { area, points }: Counted,
  { count, liveliness }: Wanted,
  onProgress?: (share: number) => void,
): Extracted[] {
  if (points.count === 0) return [];
  onProgress?.(0.7);
  const k = Math.min(Math.max(1, Math.round(count)), points.count);
  const lively = unit(liveliness);
  const centres = lively === 0 ? byArea(points, k) : byLiveliness(points, k, lively);
  onProgress?.(0.95);
  const found = described(points, centres);
  return placed(picture, area, lively === 0 ? found.sort((one, two) => two.share - one.share) : found);
}

/** Pixels into bins, bins into points. */
function counted(picture: Pixels, area: Area, onProgress?: (share: number) => void): Points {
  const pixels = words(picture);
  const SIDE = 5;
  const bins = 1 << (3 * SIDE);
  const [n, r, g, b] = [new Uint32Array(bins), new Uint32Array(bins), new Uint32Array(bins), new Uint32Array(bins)];
  const { width } = picture;
  const [left, top, right, bottom] = [area.x, area.y, area.x + area.width, area.y + area.height];
  const every = Math.max(1, Math.ceil(((right - left) * (bottom - top)) / MOST_PIXELS));
  const opaque = (OPAQUE << 24) >>> 0;
  for (let y = top; y < bottom; y++) {
    if (onProgress && (y & 255) === 0) onProgress((0.7 * (y - top)) / (bottom - top));
    const end = y * width + right;
    // Each row starts at another pixel, so that a sample does not follow a pattern of the picture.
    for (let at = y * width + left + (y % every); at < end; at += every) {
      const word = pixels[at]!;
      if (word < opaque) continue;
      const [red, green, blue] = [word & 255, (word >>> 8) & 255, (word >>> 16) & 255];
      const bin = ((red >>> 3) << 10) | ((green >>> 3) << 5) | (blue >>> 3);
      n[bin]!++;
      r[bin]! += red;
      g[bin]! += green;
      b[bin]! += blue;
    }
  }
  let filled = 0;
  for (let bin = 0; bin < bins; bin++) if (n[bin]! > 0) filled++;
  const points = {
    count: filled,
    l: new Float64Array(filled),
    a: new Float64Array(filled),
    b: new Float64Array(filled),
    weight: new Float64Array(filled),
  };
  for (let bin = 0, at = 0; bin < bins; bin++) {
    const weight = n[bin]!;
    if (weight === 0) continue;
    const [l, a, bb] = bytesToOklab(r[bin]! / weight, g[bin]! / weight, b[bin]! / weight);
    points.l[at] = l;
    points.a[at] = a;
    points.b[at] = bb;
    points.weight[at++] = weight;
  }
  return points;
}

type Described = Omit<Extracted, 'x' | 'y'>;

function described(points: Points, centres: Points): Described[] {
  const shares = new Float64Array(centres.count);
  let total = 0;
  for (let at = 0; at < points.count; at++) {
    shares[nearest(points, at, centres)]! += points.weight[at]!;
    total += points.weight[at]!;
  }
  const byColour = new Map<string, Described>();
  for (let at = 0; at < centres.count; at++) {
    const rgb = oklabToBytes([centres.l[at]!, centres.a[at]!, centres.b[at]!]);
    const share = shares[at]! / total;
    byColour.set(rgb.join(), { rgb, share: share + (byColour.get(rgb.join())?.share ?? 0) });
  }
  return [...byColour.values()];
}

/** The part of an area that lies in the picture, in whole pixels. */
function clipped({ width, height }: Pixels, area?: Area): Area {
  if (!area) return { x: 0, y: 0, width, height };
  const [x, y] = [Math.max(0, Math.floor(area.x)), Math.max(0, Math.floor(area.y))];
  const right = Math.min(width, Math.ceil(area.x + area.width));
  const bottom = Math.min(height, Math.ceil(area.y + area.height));
  return { x, y, width: Math.max(0, right - x), height: Math.max(0, bottom - y) };
}

/** So many pixels are looked at for the one that shows a colour best. */
const LOOKED_AT = 60_000;

function placed(picture: Pixels, area: Area, colours: readonly Described[]): Extracted[] {
  const count = colours.length;
  const [red, green, blue] = [0, 1, 2].map((n) => Int32Array.from(colours, ({ rgb }) => rgb[n]!)) as [
    Int32Array,
    Int32Array,
    Int32Array,
  ];
  const least = new Int32Array(count).fill(0x7fffffff);
  const place = new Int32Array(count);
  const every = Math.max(1, Math.floor(Math.sqrt((area.width * area.height) / LOOKED_AT)));
  const { data, width } = picture;
  for (let y = area.y; y < area.y + area.height; y += every) {
    for (let x = area.x; x < area.x + area.width; x += every) {
      const at = (y * width + x) * 4;
      if (data[at + 3]! < OPAQUE) continue;
      const [pr, pg, pb] = [data[at]!, data[at + 1]!, data[at + 2]!];
      for (let c = 0; c < count; c++) {
        const r = pr - red[c]!;
        const g = pg - green[c]!;
        const b = pb - blue[c]!;
        const distance = r * r + g * g + b * b;
        if (distance < least[c]!) {
          least[c] = distance;
          place[c] = y * width + x;
        }
      }
    }
  }
  return colours.map((colour, at) => ({ ...colour, x: place[at]! % width, y: Math.floor(place[at]! / width) }));
}
