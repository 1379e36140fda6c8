/** Ordered lists of entities with ids: the few moves every part of a brand is edited by. All return new arrays. */

interface Entity {
  readonly id: string;
}

/** Items put in before the entity with id `before`; at the end when `before` is null or no longer there. */
export function insertBefore<T extends Entity>(list: readonly T[], items: readonly T[], before: string | null): T[] {
  const found = before === null ? -1 : list.findIndex((entity) => entity.id === before);
  const at = found < 0 ? list.length : found;
  return [...list.slice(0, at), ...items, ...list.slice(at)];
}

export function withoutIds<T extends Entity>(list: readonly T[], ids: ReadonlySet<string>): T[] {
  return list.filter((entity) => !ids.has(entity.id));
}

/** A stretch of neighbours taken from a list, and the id that followed it there (null at the end). */
export interface Stretch<T> {
  readonly items: T[];
  readonly before: string | null;
}

/**
 * The chosen entities as stretches of neighbours, the last first: put back in this order with `insertBefore`, each
 * finds the neighbour it stood before, and the list is what it was.
 */
export function stretches<T extends Entity>(list: readonly T[], ids: ReadonlySet<string>): Stretch<T>[] {
  const found: Stretch<T>[] = [];
  let items: T[] = [];
  let before: string | null = null;
  for (let at = list.length - 1; at >= 0; at--) {
    const entity = list[at]!;
    if (ids.has(entity.id)) {
      items.unshift(entity);
    } else {
      if (items.length > 0) found.push({ items, before });
      items = [];
      before = entity.id;
    }
  }
  if (items.length > 0) found.push({ items, before });
  return found;
}
