import type { Brand } from './document';
import type { Palette } from './palette-shape';

/**
 * What makes one state of a brand of another, for a worker that has the other: an edit of one swatch is a few hundred bytes, where the whole
 * document may be megabytes. What is not in the patch is the very same object afterwards as before, so whatever is remembered of it still counts.
 */
export interface BrandPatch {
  /** Fields that are no lists, and lists of what has no ids, as they are now. */
  readonly fields: Partial<Brand>;
  /** Lists that have changed. */
  readonly lists: Readonly<Record<string, ListPatch<object>>>;
}

/** A list as it is now: places in the list as it was, or what is new or has changed. */
interface ListPatch<T> {
  /** null where the places are the same, and only `changed` is not. */
  readonly order: readonly (number | T)[] | null;
  readonly changed: readonly (readonly [place: number, now: T | PalettePatch])[];
}

/** A palette of which some swatches have changed. */
interface PalettePatch {
  readonly palette: Omit<Palette, 'swatches'>;
  readonly swatchPatch: ListPatch<object>;
}

interface Entity {
  readonly id: string;
}

/** @returns null when the two are the same */
export function brandPatch(then: Brand, now: Brand): BrandPatch | null {
  if (then === now) return null;
  const fields: Record<string, unknown> = {};
  const lists: Record<string, ListPatch<object>> = {};
  for (const key of new Set([...Object.keys(then), ...Object.keys(now)]) as Set<keyof Brand>) {
    const [was, is] = [then[key], now[key]];
    if (was === is) continue;
    if (key !== 'carried' && Array.isArray(was) && Array.isArray(is)) lists[key] = listPatch(was as Entity[], is as Entity[]);
    else fields[key] = is;
  }
  return { fields, lists };
}

function listPatch(was: readonly Entity[], is: readonly Entity[]): ListPatch<object> {
  if (was.length === is.length && was.every(({ id }, at) => id === is[at]!.id)) {
    const changed = is.flatMap((now, at) => (now === was[at] ? [] : [[at, entityPatch(was[at]!, now)] as const]));
    return { order: null, changed };
  }
  const places = new Map(was.map((entity, at) => [entity, at]));
  return { order: is.map((entity) => places.get(entity) ?? entity), changed: [] };
}

function entityPatch(was: Entity, now: Entity): object {
  if (!('swatches' in was) || !('swatches' in now)) return now;
  const { swatches, ...palette } = now as Palette;
  return { palette, swatchPatch: listPatch((was as Palette).swatches, swatches) } satisfies PalettePatch;
}

/** The brand that a patch makes of the one that it was made from. */
export function patched(then: Brand, { fields, lists }: BrandPatch): Brand {
  const next: Record<string, unknown> = { ...then, ...fields };
  for (const [key, value] of Object.entries(fields)) if (value === undefined) delete next[key];
  for (const [key, patch] of Object.entries(lists)) next[key] = patchedList(then[key as keyof Brand] as object[], patch);
  return next as unknown as Brand;
}

function patchedList(was: readonly object[], { order, changed }: ListPatch<object>): object[] {
  if (order) return order.map((place) => (typeof place === 'number' ? was[place]! : place));
  const next = [...was];
  for (const [place, now] of changed)
    next[place] = 'swatchPatch' in now ? patchedPalette(was[place] as Palette, now as PalettePatch) : now;
  return next;
}

function patchedPalette(was: Palette, { palette, swatchPatch }: PalettePatch): Palette {
  return { ...palette, swatches: patchedList(was.swatches, swatchPatch) as Palette['swatches'] };
}
