import type { Brand } from './document';
import { KINDS, type Entity } from './kinds';

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
  readonly changed: readonly (readonly [place: number, now: T | HolderPatch])[];
}

/** An entity of which only some that it holds have changed, such as a palette with other swatches. */
interface HolderPatch {
  /** Without those that it holds. */
  readonly own: object;
  readonly held: ListPatch<object>;
}

/** Each list of a brand with the list that its entities hold, where they hold one: palettes, their swatches. */
const LISTS: ReadonlyMap<string, string | undefined> = new Map(
  Object.values(KINDS)
    .filter(({ within }) => !within)
    .map(({ list }) => [list, Object.values(KINDS).find(({ within }) => within && KINDS[within].list === list)?.list]),
);

/** @returns null when the two are the same */
export function brandPatch(then: Brand, now: Brand): BrandPatch | null {
  if (then === now) return null;
  const fields: Record<string, unknown> = {};
  const lists: Record<string, ListPatch<object>> = {};
  for (const key of new Set([...Object.keys(then), ...Object.keys(now)]) as Set<keyof Brand>) {
    const [was, is] = [then[key], now[key]];
    if (was === is) continue;
    if (LISTS.has(key)) lists[key] = listPatch(was as Entity[], is as Entity[], LISTS.get(key));
    else fields[key] = is;
  }
  return { fields, lists };
}

function listPatch(was: readonly Entity[], is: readonly Entity[], holding?: string): ListPatch<object> {
  if (was.length === is.length && was.every(({ id }, at) => id === is[at]!.id)) {
    const changed = is.flatMap((now, at) => (now === was[at] ? [] : [[at, entityPatch(was[at]!, now, holding)] as const]));
    return { order: null, changed };
  }
  const places = new Map(was.map((entity, at) => [entity, at]));
  return { order: is.map((entity) => places.get(entity) ?? entity), changed: [] };
}

function entityPatch(was: Entity, now: Entity, holding?: string): object | HolderPatch {
  if (holding === undefined) return now;
  const { [holding]: held, ...own } = now as Entity & Holder;
  return { own, held: listPatch((was as Entity & Holder)[holding]!, held!) };
}

type Holder = Readonly<Record<string, Entity[]>>;

/** The brand that a patch makes of the one that it was made from. */
export function patched(then: Brand, { fields, lists }: BrandPatch): Brand {
  const next: Record<string, unknown> = { ...then, ...fields };
  for (const [key, value] of Object.entries(fields)) if (value === undefined) delete next[key];
  for (const [key, patch] of Object.entries(lists))
    next[key] = patchedList(then[key as keyof Brand] as object[], patch, LISTS.get(key));
  return next as unknown as Brand;
}

function patchedList(was: readonly object[], { order, changed }: ListPatch<object>, holding?: string): object[] {
  if (order) return order.map((place) => (typeof place === 'number' ? was[place]! : place));
  const next = [...was];
  for (const [place, now] of changed)
    next[place] = holding === undefined ? now : holder(was[place]!, now as HolderPatch, holding);
  return next;
}

function holder(was: object, { own, held }: HolderPatch, holding: string): object {
  return { ...own, [holding]: patchedList((was as Holder)[holding]!, held) };
}
