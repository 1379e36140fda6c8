import type { Brand } from '../document/brand-shape';
import { canonical } from '../document/canonical';
import type { BrandDifference, Order } from '../document/difference';
import { byId, entitiesOf, FIELD_NAMES, FIELDS, KIND_NAMES, KINDS, labelOf, listOf } from '../document/kinds';
import type { Entity, FieldName, KindName } from '../document/kinds';
import type { Fields } from '../commands/table-step';
import type { Token } from '../document/token-shape';
import { differenceOf } from './difference-of';

/** One difference between two states of a brand, in words. */
export interface Difference {
  /** Of the entity; of a field of the brand `brand.print`, and of the order of a list `order.theme`. */
  readonly id: string;
  /** Renamed is what is another by its name alone. */
  readonly kind: 'added' | 'changed' | 'renamed' | 'removed' | 'reordered';
  readonly what: 'brand' | KindName;
  readonly name: string;
  /** What it was called, where that was something else. */
  readonly was?: string;
  /** What it does to files, where that does not go without saying. */
  readonly effect?: string;
}

/** The most names that tell an order. */
const NAMED = 6;

/**
 * What is different in `now` against `then`, one thing after the other: the changes that a release would bring out. There is none only between two
 * states that are the same, so that no byte of a written file changes without a difference that is told.
 * A theme that is new or gone is one difference, its values with it. Something edited and edited back is none. A changed order counts once for the list it happened in.
 */
export function compareBrands(then: Brand | null, now: Brand): Difference[] {
  if (!then) return newBrand(now);
  if (then === now) return [];
  const difference = differenceOf(then, now);
  const reordered = difference.orders.filter((order) => isReordered(then, now, order));
  return [
    ...fieldDifferences(then, now, difference),
    ...orderDifferences(then, now, reordered),
    ...KIND_NAMES.flatMap((kind) => entityDifferences(then, now, difference, reordered, kind)),
    ...difference.removed.map(({ kind: what, entity }) => differenceIn('removed', what, entity)),
  ];
}

function differenceIn(kind: Difference['kind'], what: KindName, entity: Entity): Difference {
  return { id: entity.id, kind, what, name: labelOf(what, entity) };
}

function newBrand(now: Brand): Difference[] {
  const own = { id: fieldId('name'), kind: 'added', what: 'brand', name: now.name } as const;
  return [own, ...KIND_NAMES.flatMap((kind) => entitiesOf(now, kind).map((entity) => differenceIn('added', kind, entity)))];
}

/** What a field of the brand, and the order of a list, are known by among the differences; no entity has such an id. */
export const fieldId = (name: FieldName) => `brand.${name}`;
export const orderId = (kind: KindName) => `order.${kind}`;

function fieldDifferences(then: Brand, now: Brand, { fields: { set, was } }: BrandDifference): Difference[] {
  return FIELD_NAMES.filter((name) => name in set).map((name) => {
    if (name === 'name') return { id: fieldId(name), kind: 'renamed', what: 'brand', name: now.name, was: then.name };
    const kind = was[name] === null ? 'added' : set[name] === null ? 'removed' : 'changed';
    return { id: fieldId(name), kind, what: 'brand', name: FIELDS[name].words };
  });
}

/** Whether what is in both states stands otherwise: in another order, or in another list. */
function isReordered(then: Brand, now: Brand, { kind, was, now: is }: Order): boolean {
  const [old, here] = [byId(entitiesOf(then, kind)), byId(entitiesOf(now, kind))];
  return was.filter((id) => here.has(id)).join() !== is.filter((id) => old.has(id)).join();
}

function orderDifferences(then: Brand, now: Brand, reordered: readonly Order[]): Difference[] {
  return KIND_NAMES.filter((kind) => !KINDS[kind].within).flatMap((kind): Difference[] => {
    const [old, here] = [listOf(then, kind), listOf(now, kind)];
    const isOther = KINDS[kind].firstCounts && old[0]!.id !== here[0]!.id;
    if (!isOther && !reordered.some((order) => order.kind === kind)) return [];
    const orders = `Now ${namesOf(kind, here)}; before, ${namesOf(kind, old)}.`;
    const { many, order } = KINDS[kind];
    const name = `${many.charAt(0).toUpperCase()}${many.slice(1)}`;
    return [{ id: orderId(kind), kind: 'reordered', what: kind, name, effect: `${order(old, here)} ${orders}` }];
  });
}

function namesOf(kind: KindName, list: readonly Entity[]): string {
  const more = list.length > NAMED ? ', …' : '';
  return (
    list
      .slice(0, NAMED)
      .map((entity) => labelOf(kind, entity))
      .join(', ') + more
  );
}

function entityDifferences(
  then: Brand,
  now: Brand,
  difference: BrandDifference,
  reordered: readonly Order[],
  kind: KindName,
): Difference[] {
  const { label } = KINDS[kind];
  const added = new Set(difference.added.filter((each) => each.kind === kind).map(({ entity }) => entity.id));
  const edited = new Map(difference.edited.filter((each) => each.kind === kind).map((edit) => [edit.id, edit]));
  const lists = new Map(
    reordered.flatMap(({ kind: held, of }) => (of !== null && KINDS[held].within === kind ? [[of, held]] : [])),
  );
  return entitiesOf(now, kind).flatMap((entity): Difference[] => {
    if (added.has(entity.id)) return [differenceIn('added', kind, entity)];
    const edit = edited.get(entity.id);
    const fields = edit ? Object.keys(edit.set).filter((name) => name !== 'values' || areOther(then, now, edit)) : [];
    const held = lists.get(entity.id);
    if (fields.length === 0 && held === undefined) return [];
    const isOther = held !== undefined || fields.some((name) => name !== label);
    return [
      {
        ...differenceIn(isOther ? 'changed' : 'renamed', kind, entity),
        ...(fields.includes(label) && { was: String(edit!.was[label]) }),
        ...(held !== undefined && { effect: `Its ${KINDS[held].many} stand otherwise. ${KINDS[held].order([], [])}` }),
      },
    ];
  });
}

/** Whether a token has other values in a theme of both states; those of a theme that came or went are part of that. */
function areOther(then: Brand, now: Brand, { set, was }: { set: Fields; was: Fields }): boolean {
  const values = (side: Fields, theme: string) => canonical((side.values as Token['values'])[theme] ?? null);
  return then.themes.some(({ id }) => byId(now.themes).has(id) && values(set, id) !== values(was, id));
}
