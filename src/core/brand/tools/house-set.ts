import type { Command, Step } from '../commands/commands';
import type { Brand } from '../document/document';
import type { Palette, Swatch } from '../document/palette-shape';
import { swatchesOf } from '../reading/resolve';

/** The organisation's default palettes. Palettes and swatches of a brand that have the same ids are those of the house. */
export interface HouseSet {
  /** Counts upwards; 0 is the set that Breakwater comes with. */
  readonly number: number;
  readonly palettes: readonly Palette[];
}

/** Something in which a brand is not as the house set. What the brand has besides is its own, and no difference. */
export interface HouseDifference {
  /** Id of the palette or swatch. */
  readonly id: string;
  readonly what: 'palette' | 'swatch';
  /** What the brand calls it; what the house does, where the brand has it not. */
  readonly name: string;
  /** What the house calls it, where that is something else. */
  readonly wanted?: string;
  /** Name of the palette of the house. */
  readonly palette: string;
  /** Authored colours; null where there is none, as for a palette. */
  readonly here: string | null;
  readonly house: string | null;
}

/** In what a brand differs from a house set: palettes and swatches that it has not, and those that it has otherwise. */
export function houseDifferences(brand: Brand, set: HouseSet): HouseDifference[] {
  const own = new Map(brand.palettes.map((palette) => [palette.id, palette]));
  const swatches = swatchesOf(brand);
  return set.palettes.flatMap((palette): HouseDifference[] => {
    const here = own.get(palette.id);
    const about = { palette: palette.name };
    if (!here && palette.swatches.every(({ id }) => !swatches.has(id)))
      return [{ ...about, id: palette.id, what: 'palette', name: palette.name, here: null, house: null }];
    const renamed: HouseDifference[] =
      here && here.name !== palette.name
        ? [{ ...about, id: palette.id, what: 'palette', name: here.name, wanted: palette.name, here: null, house: null }]
        : [];
    const others = palette.swatches.flatMap(({ id, name, value }): HouseDifference[] => {
      const swatch = swatches.get(id)?.swatch;
      if (swatch && swatch.name === name && swatch.value === value) return [];
      const wanted = swatch && swatch.name !== name ? { wanted: name } : {};
      return [{ ...about, id, what: 'swatch', name: swatch?.name ?? name, ...wanted, here: swatch?.value ?? null, house: value }];
    });
    return [...renamed, ...others];
  });
}

/** How a brand stands to the house set. */
export type HouseStanding =
  /** It has all of it. */
  | 'has it'
  /** It differs, and was told to stay as it is. */
  | 'pinned'
  /** It differs, and somebody has decided about this very set what to take of it. */
  | 'decided'
  /** It differs, and nobody has looked at this set yet. */
  | 'behind';

export function houseStanding(
  { house }: Pick<Brand, 'house'>,
  set: Pick<HouseSet, 'number'>,
  differences: number,
): HouseStanding {
  if (differences === 0) return 'has it';
  if (house?.pinned) return 'pinned';
  return set.number <= (house?.number ?? 0) ? 'decided' : 'behind';
}

/**
 * The edit that takes some of what differs from the house: all that is asked for by id. The brand notes of which set it took, so that what was left
 * is not told as new.
 */
export function takeHouse(brand: Brand, set: HouseSet, ids: ReadonlySet<string>): Command {
  const own = new Map(brand.palettes.map((palette) => [palette.id, palette]));
  const swatches = swatchesOf(brand);
  const steps: Step[] = [];
  const wanted = houseDifferences(brand, set).filter(({ id }) => ids.has(id));
  for (const palette of set.palettes) {
    const asked = new Set(wanted.filter((each) => each.palette === palette.name).map(({ id }) => id));
    const here = own.get(palette.id);
    const missing = palette.swatches.filter(({ id }) => !swatches.has(id) && (asked.has(id) || asked.has(palette.id)));
    if (here) {
      if (asked.has(palette.id)) steps.push({ do: 'palette.edit', id: palette.id, set: { name: palette.name } });
      steps.push(...addedTo(here, palette, missing));
    } else if (missing.length > 0) steps.push({ do: 'palette.add', palette: { ...palette, swatches: missing }, before: null });
    for (const { id, name, value } of palette.swatches) {
      const swatch = swatches.get(id)?.swatch;
      if (swatch && asked.has(id)) steps.push(...repainted(swatch, name, value));
    }
  }
  steps.push({ do: 'brand.edit', set: { house: { number: set.number } } });
  return { label: `Take the house set ${set.number}: ${wanted.length} of it`, steps };
}

/** Missing swatches, each where it stands in the house: before the next one that the brand's palette has. */
function addedTo(here: Palette, house: Palette, missing: readonly Swatch[]): Step[] {
  const there = new Set(here.swatches.map(({ id }) => id));
  return missing.map((swatch): Step => {
    const at = house.swatches.findIndex(({ id }) => id === swatch.id);
    const before = house.swatches.slice(at + 1).find(({ id }) => there.has(id))?.id ?? null;
    return { do: 'swatch.add', palette: here.id, swatches: [swatch], before };
  });
}

/** A locked swatch is opened for its value, and locked again. */
function repainted(swatch: Swatch, name: string, value: string): Step[] {
  const opened = swatch.locked && swatch.value !== value;
  return [
    { do: 'swatch.edit', id: swatch.id, set: { name, value, ...(opened && { locked: false }) } },
    ...(opened ? [{ do: 'swatch.edit' as const, id: swatch.id, set: { locked: true } }] : []),
  ];
}

/** The edit that keeps a brand as it is, whatever becomes of the house set; or that lets it be told of it again. */
export function pinHouse({ house }: Pick<Brand, 'house'>, number: number, pinned: boolean): Command {
  return {
    label: pinned ? 'Stay as it is, whatever becomes of the house set' : 'Follow the house set again',
    steps: [{ do: 'brand.edit', set: { house: pinned ? { number, pinned } : { number: house?.number ?? number } } }],
  };
}
