import type { Recoloured } from './recolour';

/** More than this an indexed PNG does not hold (PNG 3, 11.2.2). */
const MOST = 256;

/** A recoloured picture as indices: the palette in its order, then the transparent entry, then further opacities as they come. */
export interface Indexed {
  /** Red, green, blue, opacity, 0..255 each. */
  readonly palette: readonly (readonly [red: number, green: number, blue: number, alpha: number])[];
  readonly indices: Uint8Array;
}

/** @returns one sentence when the colours with their opacities are more than an index holds */
export function indexRecoloured({ picture, places, transparent }: Recoloured, palette: readonly number[]): Indexed | string {
  type Entry = Indexed['palette'][number];
  const entries = palette.map((rgb, at): Entry => [rgb >> 16, (rgb >> 8) & 255, rgb & 255, at === transparent ? 0 : 255]);
  const indices = new Uint8Array(places.length);
  /** Of a place with an opacity: one more than its index, by `place * 256 + opacity`. */
  const known = new Uint16Array((palette.length + 1) * 256);
  for (const at of palette.keys()) known[at * 256 + (at === transparent ? 0 : 255)] = at + 1;
  for (let at = 0; at < places.length; at++) {
    const key = places[at]! * 256 + picture.data[at * 4 + 3]!;
    let index = known[key]!;
    if (index === 0) {
      const [red, green, blue] = entries[places[at]!] ?? [0, 0, 0];
      index = known[key] = entries.push([red, green, blue, picture.data[at * 4 + 3]!]);
    }
    indices[at] = index - 1;
  }
  if (entries.length <= MOST) return { palette: entries, indices };
  return `colours and opacities make ${entries.length} different entries, and an indexed PNG holds ${MOST}; limit the colours, or write true colour.`;
}
