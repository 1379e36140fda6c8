import { ciede2000 } from '../../colour/difference';
import { srgbToLabD65 } from '../../colour/lab';
import { readColour, type ReadColour } from '../../colour/read';
import type { Brand } from '../document/document';
import type { Swatch } from '../document/palette-shape';
import { resolveTheme } from './resolve';

/** A colour with what it is called: a swatch of a palette, or a token as it is in a theme. */
export interface NamedColour {
  /** Of the swatch or token. */
  readonly id: string;
  readonly name: string;
  /** null for a token that comes to no colour. */
  readonly colour: ReadColour | null;
}

/** What became of a colour from one list to another. */
export type Fate = 'same' | 'moved' | 'came' | 'went';

/** A colour of one list beside one of another. */
export interface Beside {
  readonly one: NamedColour | null;
  readonly two: NamedColour | null;
  readonly fate: Fate;
  /** ΔE2000 between what a screen shows of the two; null where there are no two colours. */
  readonly distance: number | null;
}

export function colourOfSwatches(swatches: readonly Pick<Swatch, 'id' | 'name' | 'value'>[]): NamedColour[] {
  return swatches.map(({ id, name, value }) => ({ id, name, colour: readColour(value) }));
}

/** Every token of a brand as it is in a theme, in the brand's order. */
export function coloursOfTheme(brand: Brand, theme: string): NamedColour[] {
  const resolved = resolveTheme(brand, theme);
  return brand.tokens.map(({ id, path }) => ({ id, name: path, colour: resolved.get(id)?.colour ?? null }));
}

export const ALIGNED_BY = ['name', 'nearest'] as const;
export type AlignedBy = (typeof ALIGNED_BY)[number];

/** Of lists with more colours that are not equal than these, those beyond are not looked at by nearest: every one is compared with every one. */
const MOST_COMPARED = 500;

/**
 * Two lists of colours laid beside each other, each colour once: by name, capitals apart, names that repeat in their order; or each with the
 * nearest of the other list, the closest two first. Those of the first list come in their order, and then what only the second has.
 */
export function laidBeside(one: readonly NamedColour[], two: readonly NamedColour[], by: AlignedBy): Beside[] {
  const partners = by === 'name' ? sameNames(one, two) : nearest(one, two);
  const taken = new Set(partners.values());
  return [
    ...one.map((colour, at) => beside(colour, two[partners.get(at) ?? -1] ?? null)),
    ...two.flatMap((colour, at) => (taken.has(at) ? [] : [beside(null, colour)])),
  ];
}

function beside(one: NamedColour | null, two: NamedColour | null): Beside {
  if (!one || !two) return { one, two, fate: one ? 'went' : 'came', distance: null };
  const [a, b] = [one.colour, two.colour];
  if (!a || !b) return { one, two, fate: a === b ? 'same' : a ? 'went' : 'came', distance: null };
  if (a.hex === b.hex && a.alpha === b.alpha) return { one, two, fate: 'same', distance: 0 };
  return { one, two, fate: 'moved', distance: apart(a, b) };
}

function apart(a: ReadColour, b: ReadColour): number {
  return ciede2000(srgbToLabD65(a.rgb), srgbToLabD65(b.rgb));
}

/** By the place in the first list, the place in the second. */
type Partners = ReadonlyMap<number, number>;

function sameNames(one: readonly NamedColour[], two: readonly NamedColour[]): Partners {
  return matched(one, two, ({ name }) => name.toLowerCase());
}

function nearest(one: readonly NamedColour[], two: readonly NamedColour[]): Partners {
  const partners = new Map(matched(one, two, ({ colour }) => colour && `${colour.hex}${colour.alpha}`));
  const taken = new Set(partners.values());
  const left = one.flatMap(({ colour }, at) => (colour && !partners.has(at) ? [{ at, colour }] : [])).slice(0, MOST_COMPARED);
  const right = two.flatMap(({ colour }, at) => (colour && !taken.has(at) ? [{ at, colour }] : [])).slice(0, MOST_COMPARED);
  const labs = right.map(({ colour }) => srgbToLabD65(colour.rgb));
  const pairs = left.flatMap(({ at, colour }) => {
    const lab = srgbToLabD65(colour.rgb);
    return right.map((other, n) => ({ at, to: other.at, distance: ciede2000(lab, labs[n]!) }));
  });
  pairs.sort((a, b) => a.distance - b.distance || a.at - b.at || a.to - b.to);
  for (const { at, to } of pairs) {
    if (partners.has(at) || taken.has(to)) continue;
    partners.set(at, to);
    taken.add(to);
  }
  return partners;
}

/** Those with the same key, in their order. */
function matched(
  one: readonly NamedColour[],
  two: readonly NamedColour[],
  keyOf: (colour: NamedColour) => string | null,
): Partners {
  const byKey = new Map<string, number[]>();
  two.forEach((colour, at) => {
    const key = keyOf(colour);
    if (key !== null) byKey.set(key, [...(byKey.get(key) ?? []), at]);
  });
  const partners = new Map<number, number>();
  one.forEach((colour, at) => {
    const key = keyOf(colour);
    const to = key === null ? undefined : byKey.get(key)?.shift();
    if (to !== undefined) partners.set(at, to);
  });
  return partners;
}
