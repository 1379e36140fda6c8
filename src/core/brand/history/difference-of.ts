import type { Brand } from '../document/brand-shape';
import { canonical } from '../document/canonical';
import type { BrandDifference, Order } from '../document/difference';
import { byId, entitiesOf, FIELD_NAMES, KIND_NAMES, KINDS, listOf, ownOf, type Entity, type KindName } from '../document/kinds';

/** All in which a brand is another than it was. */
export function differenceOf(then: Brand, now: Brand): BrandDifference {
  const difference: BrandDifference = {
    fields: changeOf(then, now, FIELD_NAMES),
    added: [],
    removed: [],
    edited: [],
    orders: [],
  };
  if (then === now) return difference;
  for (const kind of KIND_NAMES) {
    const [old, here] = [byId(entitiesOf(then, kind)), byId(entitiesOf(now, kind))];
    for (const [id, entity] of here) {
      const was = old.get(id);
      if (was === entity) continue;
      if (!was) difference.added.push({ kind, entity: ownOf(kind, entity) });
      else difference.edited.push(...editOf(kind, ownOf(kind, was), ownOf(kind, entity)));
    }
    for (const [id, entity] of old) if (!here.has(id)) difference.removed.push({ kind, entity: ownOf(kind, entity) });
    difference.orders.push(...ordersOf(then, now, kind));
  }
  return difference;
}

function editOf(kind: KindName, was: Entity, now: Entity) {
  const change = changeOf(was, now, new Set([...Object.keys(was), ...Object.keys(now)]));
  return Object.keys(change.set).length > 0 ? [{ kind, id: now.id, ...change }] : [];
}

function changeOf(was: object, now: object, names: Iterable<string>) {
  const [set, before]: Record<string, unknown>[] = [{}, {}];
  for (const name of names) {
    const [old, here] = [was, now].map((side) => (side as Record<string, unknown>)[name] ?? null);
    if (old === here || canonical(old) === canonical(here)) continue;
    set![name] = here;
    before![name] = old;
  }
  return { set: set!, was: before! };
}

/** Lists in which other ids stand, or in another order. */
function ordersOf(then: Brand, now: Brand, kind: KindName): Order[] {
  if (!KINDS[kind].within) return orderOf(kind, null, listOf(then, kind), listOf(now, kind));
  const ids = new Set([...then.palettes, ...now.palettes].map(({ id }) => id));
  const held = (brand: Brand, id: string) => byId(brand.palettes).get(id)?.swatches ?? [];
  return [...ids].flatMap((id) => orderOf(kind, id, held(then, id), held(now, id)));
}

function orderOf(kind: KindName, of: string | null, then: readonly Entity[], now: readonly Entity[]): Order[] {
  if (then === now) return [];
  const [was, is] = [then, now].map((list) => list.map(({ id }) => id)) as [string[], string[]];
  return was.join() === is.join() ? [] : [{ kind, of, was, now: is }];
}
