import { ciede2000 } from '../colour/difference';
import { labOf, type LabD65 } from '../colour/lab';
import { readColour } from '../colour/read';
import type { ShelfKind, ShelfPalette } from './shelf-palette';

export interface ShelfQuery {
  /** Words of a name, tag, maker or note; or a colour in CSS, alone or after "near". */
  readonly text: string;
  /** null for every kind. */
  readonly kind: ShelfKind | null;
  readonly sort: 'use' | 'name';
  /** How often each palette was taken, by id. */
  readonly uses: ReadonlyMap<string, number>;
}

/** A palette that answers a query. */
export interface ShelfFind {
  readonly palette: ShelfPalette;
  /** Its colour nearest to the one searched for: place and ΔE2000; null in a search by words. */
  readonly near: { readonly at: number; readonly distance: number } | null;
}

/** ΔE2000 beyond which nobody would call a colour near: some ten times what can be told side by side. */
const NEAR = 12;

/**
 * Palettes of the shelf that answer a query. By colour, those with one near it, the nearest first; a word that is a
 * colour's name finds palettes with that word as well. By words, those that have every word, in the order asked for.
 */
export function searchShelf(shelf: readonly ShelfPalette[], { text, kind, sort, uses }: ShelfQuery): ShelfFind[] {
  const ofKind = shelf.filter((palette) => kind === null || palette.kind === kind);
  const asked = text.trim().replace(/^near\s+/i, '');
  const colour = colourOf(asked);
  const words = text
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean);
  const byWords = (palette: ShelfPalette) => {
    const said = [palette.name, ...palette.tags, palette.maker, palette.note].join(' ').toLowerCase();
    return words.every((word) => said.includes(word));
  };
  if (colour) {
    return ofKind
      .map((palette) => ({ palette, near: nearestTo(colour, palette) }))
      .filter(({ palette, near }) => near.distance <= NEAR || byWords(palette))
      .sort((one, two) => one.near.distance - two.near.distance);
  }
  const order = (one: ShelfPalette, two: ShelfPalette) =>
    (sort === 'use' ? (uses.get(two.id) ?? 0) - (uses.get(one.id) ?? 0) : 0) ||
    (sort === 'name' ? one.name.localeCompare(two.name) : 0);
  return ofKind
    .filter(byWords)
    .sort(order)
    .map((palette) => ({ palette, near: null }));
}

/** The colour that a search names, in CSS; hex digits may lack their #. null when it names none. */
export function colourOf(text: string): string | null {
  const bare = text.trim().toLowerCase();
  const css = /^(?=.*\d)(?:[0-9a-f]{6}|[0-9a-f]{8})$/.test(bare) ? `#${bare}` : bare;
  return readColour(css)?.hex ?? null;
}

function nearestTo(hex: string, palette: ShelfPalette): { at: number; distance: number } {
  const wanted = labOf(hex);
  let best = { at: 0, distance: Infinity };
  labsOf(palette).forEach((lab, at) => {
    const distance = ciede2000(wanted, lab);
    if (distance < best.distance) best = { at, distance };
  });
  return best;
}

/** Every key of a search asks for these again. */
const labs = new WeakMap<ShelfPalette, readonly LabD65[]>();

function labsOf(palette: ShelfPalette): readonly LabD65[] {
  const known = labs.get(palette);
  if (known) return known;
  const made = palette.colours.map(({ value }) => labOf(readColour(value)!.hex));
  labs.set(palette, made);
  return made;
}
