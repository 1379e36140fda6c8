import { LINEAR, linearToByte } from '../colour/eight-bit';
import { swapped } from './distinct-colours';
import { Nearest } from './nearest';
import { words } from './pixels';
import type { StoredPicture } from './png-read';

export const DITHERS = ['none', 'ordered', 'diffusion'] as const;
export type Dither = (typeof DITHERS)[number];

/** How a picture is to be brought into a palette. */
export interface Recolouring {
  /** `0xrrggbb` each, 1 to 4,096, each once. */
  readonly palette: readonly number[];
  /** Colours that go to a place of the palette of their own choice, whatever is nearest. */
  readonly fixed: ReadonlyMap<number, number>;
  /** The colour that becomes transparent, also where it is a colour of the palette that another is sent to. */
  readonly key: number | null;
  readonly dither: Dither;
}

/** A picture in the palette's colours, and for each pixel its place in the palette. */
export interface Recoloured {
  readonly picture: StoredPicture;
  /** Indices into the palette; wholly transparent pixels have `transparent`. */
  readonly places: Uint8Array | Uint16Array;
  /** The number that stands for no colour: the place of the key, or else the palette's length. */
  readonly transparent: number;
}

export const MOST_COLOURS = 4_096;

/**
 * Brings every pixel into the palette. Opacity stays as it is; wholly transparent pixels are left alone; the key's become
 * transparent. Works on the picture's own bytes, which are changed.
 */
export function recolour(picture: StoredPicture, { palette, fixed, key, dither }: Recolouring): Recoloured {
  const pixels = words(picture);
  const keyPlace = key === null ? -1 : palette.indexOf(key);
  const transparent = keyPlace >= 0 ? keyPlace : palette.length;
  const decided = new Map(Array.from(fixed, ([rgb, place]) => [swapped(rgb), place]));
  if (key !== null) decided.set(swapped(key), transparent);
  const table = new PlaceTable(palette, keyPlace);
  const places = palette.length < 255 ? new Uint8Array(pixels.length) : new Uint16Array(pixels.length);
  if (dither === 'diffusion') diffuse(pixels, picture.width, table, decided, places);
  else if (dither === 'ordered') ordered(pixels, picture.width, table, decided, places);
  else plain(pixels, table, decided, places);
  const colours = Uint32Array.from([...palette, 0], swapped);
  const wide = picture.wide;
  for (let at = 0; at < pixels.length; at++) {
    const word = pixels[at]!;
    if (word >>> 24 === 0) {
      places[at] = transparent;
      continue;
    }
    const place = places[at]!;
    // The key keeps its colour below its transparency, so that it can be found again.
    if (place === transparent) {
      pixels[at] = key === null ? word & 0xffffff : swapped(key);
      if (wide) wide[at * 4 + 3] = 0;
    } else pixels[at] = (word & 0xff000000) | colours[place]!;
    if (wide) for (let channel = 0; channel < 3; channel++) wide[at * 4 + channel] = ((pixels[at]! >> (8 * channel)) & 255) * 257;
  }
  return { picture: { ...picture, palette: null }, places, transparent };
}

/** The place of each colour that came up so far: one look-up for each pixel, however many colours the palette has. */
class PlaceTable {
  /** Linear light of the palette's colours, red, green and blue of each. */
  readonly light: Float64Array;
  /** By `0xbbggrr`; one more than the place, and 0 for what has not come up. */
  private readonly table: Uint8Array | Uint16Array;
  private readonly nearest: Nearest;
  /** Places in the palette of what may be chosen by nearness: all but the key. */
  private readonly open: readonly number[];

  constructor(palette: readonly number[], keyPlace: number) {
    this.table = palette.length < 255 ? new Uint8Array(1 << 24) : new Uint16Array(1 << 24);
    const places = palette.map((_, at) => at).filter((at) => at !== keyPlace);
    this.open = places.length > 0 ? places : [keyPlace];
    this.nearest = new Nearest(this.open.map((at) => palette[at]!));
    this.light = Float64Array.from(palette.flatMap((rgb) => [LINEAR[rgb >> 16]!, LINEAR[(rgb >> 8) & 255]!, LINEAR[rgb & 255]!]));
  }

  /** @param code `0xbbggrr` */
  of(code: number): number {
    const known = this.table[code]!;
    return known > 0 ? known - 1 : this.look(code);
  }

  set(code: number, place: number): void {
    this.table[code] = place + 1;
  }

  /** The place of a mixture of light, which with what its neighbours lack may be more or less than a screen shows. */
  ofLight(red: number, green: number, blue: number): number {
    const shown = red >= 0 && red <= 1 && green >= 0 && green <= 1 && blue >= 0 && blue <= 1;
    if (shown) return this.of(linearToByte(red) | (linearToByte(green) << 8) | (linearToByte(blue) << 16));
    return this.open[this.nearest.ofLight(red, green, blue)]!;
  }

  private look(code: number): number {
    const place = this.open[this.nearest.of(swapped(code))]!;
    this.set(code, place);
    return place;
  }
}

type Places = Uint8Array | Uint16Array;
/** Places by `0xbbggrr` that do not go by nearness. */
type Decided = ReadonlyMap<number, number>;

function plain(pixels: Uint32Array, table: PlaceTable, decided: Decided, places: Places): void {
  for (const [code, place] of decided) table.set(code, place);
  for (let at = 0; at < pixels.length; at++) {
    const word = pixels[at]!;
    if (word >>> 24 !== 0) places[at] = table.of(word & 0xffffff);
  }
}

/** Bayer's matrix of 8 by 8 (1973): thresholds 0..63, each once. */
const BAYER = Uint8Array.from({ length: 64 }, (_, at) => {
  const [x, y] = [at % 8, at >> 3];
  let value = 0;
  for (let bit = 0; bit < 3; bit++)
    value |= ((((x ^ y) >> bit) & 1) << (2 * (2 - bit) + 1)) | (((y >> bit) & 1) << (2 * (2 - bit)));
  return value;
});

/** Shifts each pixel by a fixed pattern, by at most half of how far the palette's colours are apart, before the nearest is taken. */
function ordered(pixels: Uint32Array, width: number, table: PlaceTable, decided: Decided, places: Places): void {
  const reach = spread(table.light);
  const shifts = Float64Array.from(BAYER, (value) => ((value + 0.5) / 64 - 0.5) * reach);
  const shifted = (channel: number, by: number) => Math.min(255, Math.max(0, Math.round(channel + by)));
  for (let row = 0, at = 0; at < pixels.length; row++) {
    for (let x = 0; x < width; x++, at++) {
      const word = pixels[at]!;
      if (word >>> 24 === 0) continue;
      const code = word & 0xffffff;
      const place = decided.get(code);
      const by = shifts[(x & 7) | ((row & 7) << 3)]!;
      places[at] =
        place ?? table.of(shifted(code & 255, by) | (shifted((code >> 8) & 255, by) << 8) | (shifted(code >> 16, by) << 16));
    }
  }
}

/** The mean distance of a colour to its nearest neighbour in the palette, in 8-bit steps; light is 0..1. */
function spread(light: Float64Array): number {
  const bytes = Array.from(light, linearToByte);
  const count = bytes.length / 3;
  if (count < 2) return 0;
  let sum = 0;
  for (let one = 0; one < count; one++) {
    let least = Infinity;
    for (let two = 0; two < count; two++) {
      if (one === two) continue;
      const distance = [0, 1, 2].reduce(
        (total, channel) => total + (bytes[one * 3 + channel]! - bytes[two * 3 + channel]!) ** 2,
        0,
      );
      least = Math.min(least, distance);
    }
    sum += Math.sqrt(least / 3);
  }
  return sum / count;
}

/** Light with what neighbours lack. Cut some way beyond what a screen can show, or an error that nothing can make good would grow for ever. */
function within(light: number): number {
  return light < -1 ? -1 : light > 2 ? 2 : light;
}

/**
 * Error diffusion after Floyd (“An adaptive algorithm for spatial greyscale”, 1976), every other row from right to left. What a pixel lacks is passed on as
 * linear light, for that is what adds up in the eye.
 */
function diffuse(pixels: Uint32Array, width: number, table: PlaceTable, decided: Decided, places: Places): void {
  const { light } = table;
  // One pixel more on each side, so that the edges need no care.
  let here = new Float64Array((width + 2) * 3);
  let below = new Float64Array((width + 2) * 3);
  const rows = pixels.length / width;
  for (let row = 0; row < rows; row++) {
    const ahead = row % 2 === 0 ? 1 : -1;
    for (let n = 0, x = ahead > 0 ? 0 : width - 1; n < width; n++, x += ahead) {
      const at = row * width + x;
      const word = pixels[at]!;
      if (word >>> 24 === 0) continue;
      const code = word & 0xffffff;
      const own = decided.get(code);
      if (own !== undefined) {
        places[at] = own;
        continue;
      }
      const slot = (x + 1) * 3;
      const red = within(LINEAR[code & 255]! + here[slot]!);
      const green = within(LINEAR[(code >> 8) & 255]! + here[slot + 1]!);
      const blue = within(LINEAR[code >> 16]! + here[slot + 2]!);
      const place = table.ofLight(red, green, blue);
      places[at] = place;
      const next = slot + 3 * ahead;
      const back = slot - 3 * ahead;
      for (let channel = 0; channel < 3; channel++) {
        const lack = ((channel === 0 ? red : channel === 1 ? green : blue) - light[place * 3 + channel]!) / 16;
        here[next + channel]! += lack * 7;
        below[back + channel]! += lack * 3;
        below[slot + channel]! += lack * 5;
        below[next + channel]! += lack;
      }
    }
    [here, below] = [below, here];
    below.fill(0);
  }
}
