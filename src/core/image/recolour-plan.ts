import type { CountedColour } from './distinct-colours';
import { keepOrder } from './keep-order';
import { limitPalette } from './limit-palette';
import { Nearest } from './nearest';
import type { Dither, Recolouring } from './recolour';

/** What somebody wants of a recolouring; colours are `0xrrggbb`. */
export interface RecolourWish {
  /** In the order that indexed files will have; the same colour twice counts once. */
  readonly palette: readonly number[];
  /** Where single colours are to go; a colour that the palette lacks is put to its end. */
  readonly map: ReadonlyMap<number, number>;
  readonly key: number | null;
  /** Whether the darker of two shades of a material stays the darker. */
  readonly keepOrder: boolean;
  readonly dither: Dither;
  /** Use at most so many colours of the palette; null for all. */
  readonly limit: number | null;
}

/** So many colours of a picture are listed, and looked at when order is kept: art has fewer, photographs more. */
export const MOST_LISTED = 4_096;

/** The colours of several pictures together. */
export function mergeCounts(lists: readonly (readonly CountedColour[])[]): CountedColour[] {
  const sums = new Map<number, number>();
  for (const { rgb, pixels } of lists.flat()) sums.set(rgb, (sums.get(rgb) ?? 0) + pixels);
  return Array.from(sums, ([rgb, pixels]) => ({ rgb, pixels })).sort((one, two) => two.pixels - one.pixels || one.rgb - two.rgb);
}

/** What becomes of one colour. */
export interface ColourFate {
  readonly from: number;
  /** null where it becomes transparent. */
  readonly to: number | null;
  readonly pixels: number;
  /** ΔE-OK between the two. */
  readonly deltaE: number;
  /** Whether no colour of the palette is nearer; one that keeps an order, or that somebody chose, need not be. */
  readonly nearest: boolean;
}

/** The recolouring that a wish comes to for pictures with these colours, all pictures of an animation together. */
export function planRecolouring(colours: readonly CountedColour[], wish: RecolourWish): Recolouring {
  const { map, key, dither } = wish;
  const wanted = [...new Set(wish.palette)];
  // What somebody named, and the key, stay whatever the limit.
  const named = new Set([...map.values(), ...(key === null ? [] : [key])]);
  const kept = new Set(wanted.flatMap((rgb, at) => (named.has(rgb) ? at : [])));
  const plain = colours.filter(({ rgb }) => rgb !== key && !map.has(rgb));
  const limited =
    wish.limit === null || wanted.length <= wish.limit
      ? wanted
      : limitPalette(plain, wanted, wish.limit, kept).map((at) => wanted[at]!);
  const palette = [...new Set([...limited, ...map.values()])];
  const fixed = new Map(Array.from(map, ([from, to]) => [from, palette.indexOf(to)]));
  if (wish.keepOrder) {
    const open = palette.filter((rgb) => rgb !== key);
    for (const [rgb, place] of keepOrder(plain, open, fixed)) fixed.set(rgb, palette.indexOf(open[place]!));
  }
  return { palette, fixed, key, dither };
}

/** Where each colour goes, the commonest first. Dithering mixes neighbours in; what is said is where the colour itself goes. */
export function fatesOf(colours: readonly CountedColour[], { palette, fixed, key }: Recolouring): ColourFate[] {
  const open = palette.filter((rgb) => rgb !== key);
  const nearest = new Nearest(open.length > 0 ? open : palette);
  const all = new Nearest(palette);
  return colours.map(({ rgb, pixels }): ColourFate => {
    if (rgb === key) return { from: rgb, to: null, pixels, deltaE: 0, nearest: false };
    const own = (open.length > 0 ? open : palette)[nearest.of(rgb)]!;
    const to = palette[fixed.get(rgb) ?? palette.indexOf(own)]!;
    return to === key
      ? { from: rgb, to: null, pixels, deltaE: 0, nearest: false }
      : { from: rgb, to, pixels, deltaE: all.distance(rgb, palette.indexOf(to)), nearest: to === own };
  });
}
