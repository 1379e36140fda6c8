import type { Brand } from '../document/brand-shape';
import { canonical } from '../document/canonical';
import { goneWords, IN_IT_ALREADY } from '../document/check';
import { byId, entitiesOf, KIND_NAMES, KINDS, listOf, type Entity, type KindName } from '../document/kinds';
import { insertBefore, stretches, withoutIds } from '../document/lists';
import type { Token } from '../document/token-shape';
import { foundBy, nameOf, type EditStep, type Fields, type TableStep } from './table-step';

/** How steps are carried out, alike for all kinds. */

/** Carries the sentence of a refusal out of a step; it never leaves `apply`. */
export class Refusal extends Error {}

export interface Done {
  readonly brand: Brand;
  /** In the order in which they take the step back. */
  readonly inverse: readonly TableStep[];
}

type StepOf<V extends TableStep['verb']> = Extract<TableStep, { verb: V }>;

/** Edits of different entities of one kind. */
export function editEntities(brand: Brand, steps: readonly EditStep[]): Done {
  const { kind } = steps[0]!;
  const wanted = new Map(steps.map((step) => [step.id, step]));
  const back = new Map<string, TableStep>();
  const change = <T extends object>(entity: T, step: EditStep): T => {
    const was = foundBy(step, entity);
    mustStillBe(was, step.was, nameOf(brand, step, entity));
    const refusal = kind === 'brand' ? null : KINDS[kind].refuses?.(entity as Entity & T, step.set);
    if (refusal) throw new Refusal(refusal);
    back.set(step.id, { ...step, set: was, was: step.set });
    if (!step.record) return withFields(entity, step.set);
    const record = (entity as Record<string, object>)[step.record]!;
    return { ...entity, [step.record]: withFields(record, step.set) };
  };
  const next =
    kind === 'brand'
      ? change(brand, steps[0]!)
      : mapped(brand, kind, new Set(wanted.keys()), (entity) => change(entity, wanted.get(entity.id)!));
  if (kind !== 'brand' && back.size < wanted.size) throw new Refusal(goneWords(kind));
  return { brand: next, inverse: [...steps].reverse().map(({ id }) => back.get(id)!) };
}

/** Some fields, or entries of a record, replaced, added, or by null taken away. */
export function withFields<T extends object>(entity: T, set: Fields): T {
  return Object.fromEntries(Object.entries({ ...entity, ...set }).filter(([, value]) => value !== null)) as T;
}

/** Refuses to overwrite what is no longer what an edit was made up on. */
export function mustStillBe(found: Fields, was: Fields | undefined, name: string): void {
  if (!was) return;
  const changed = Object.entries(was).some(([key, value]) => canonical(found[key]) !== canonical(value));
  if (changed) throw new Refusal(`${name} has been changed since, so the later change was left as it is.`);
}

/** A brand with some entities of a kind as they are made. What has none of them stays the same object. */
function mapped(brand: Brand, kind: KindName, ids: ReadonlySet<string>, make: (entity: Entity) => Entity): Brand {
  const { list, within } = KINDS[kind];
  const each = (entities: readonly Entity[]) => entities.map((entity) => (ids.has(entity.id) ? make(entity) : entity));
  if (!within) return { ...brand, [list]: each(listOf(brand, kind)) };
  return {
    ...brand,
    palettes: brand.palettes.map((palette) =>
      withSwatches(palette, (swatches) => (swatches.some(({ id }) => ids.has(id)) ? each(swatches) : swatches)),
    ),
  };
}

/** A holder with its list as it is made, and the same object where that is the same. */
function withSwatches<T extends { swatches: Entity[] }>(holder: T, make: (swatches: Entity[]) => readonly Entity[]): T {
  const swatches = make(holder.swatches);
  return swatches === holder.swatches ? holder : { ...holder, swatches };
}

/** A brand with a list as it is made: of the kind itself, or of the palette that holds it. */
function withList(
  brand: Brand,
  kind: KindName,
  within: string | undefined,
  make: (list: readonly Entity[]) => readonly Entity[],
): Brand {
  const { list, within: holder } = KINDS[kind];
  if (!holder) return { ...brand, [list]: make(listOf(brand, kind)) };
  if (!brand.palettes.some(({ id }) => id === within)) throw new Refusal(goneWords(holder));
  return {
    ...brand,
    palettes: brand.palettes.map((palette) => (palette.id === within ? withSwatches(palette, make) : palette)),
  };
}

export function addEntities(brand: Brand, { kind, entities, within, before, values }: StepOf<'add'>): Done {
  mustBeNew(brand, kind, entities);
  const next = withList(brand, kind, within, (list) => insertBefore(list, entities, before));
  const inverse: TableStep = { verb: 'remove', kind, ids: entities.map(({ id }) => id) };
  return { brand: values ? withValues(next, entities[0]!.id, values) : next, inverse: [inverse] };
}

/** At once and not when all steps are done: of two with one id, the inverse could not tell which to take away. */
function mustBeNew(brand: Brand, kind: KindName, entities: readonly Entity[]): void {
  const ids = new Set<string>();
  const added =
    kind === 'palette' ? [...entities, ...(entities as Brand['palettes']).flatMap(({ swatches }) => swatches)] : entities;
  for (const { id } of added) {
    if (ids.has(id) || KIND_NAMES.some((other) => byId(entitiesOf(brand, other)).has(id))) throw new Refusal(IN_IT_ALREADY);
    ids.add(id);
  }
}

export function removeEntities(brand: Brand, { kind, ids }: StepOf<'remove'>): Done {
  const taken = takenOut(brand, kind, ids);
  if (kind !== 'theme') return { brand: taken.brand, inverse: taken.back };
  // The values that tokens have in a theme go and come back with it.
  const [theme] = ids as [string];
  const values = Object.fromEntries(
    brand.tokens.flatMap((token) => (token.values[theme] ? [[token.id, token.values[theme]]] : [])),
  );
  const gone = Object.fromEntries(Object.keys(values).map((token) => [token, null]));
  return { brand: withValues(taken.brand, theme, gone), inverse: taken.back.map((step) => ({ ...step, values })) };
}

export function moveEntities(brand: Brand, { kind, ids, within, before }: StepOf<'move'>): Done {
  const taken = takenOut(brand, kind, ids);
  const next = withList(taken.brand, kind, within, (list) => insertBefore(list, taken.entities, before));
  // Taking them away again first lets the same steps that undo a removal undo a move.
  const inverse = taken.back.map((step): TableStep => ({
    verb: 'move',
    kind,
    ids: step.entities.map(({ id }) => id),
    within: step.within,
    before: step.before,
  }));
  return { brand: next, inverse };
}

/** Entities out of their lists, in the order named, and the steps that put each back where it stood. */
function takenOut(brand: Brand, kind: KindName, ids: readonly string[]) {
  const chosen = new Set(ids);
  const all = byId(entitiesOf(brand, kind));
  const entities = ids.map((id) => {
    const entity = all.get(id);
    if (!entity) throw new Refusal(goneWords(kind));
    return entity;
  });
  const back: StepOf<'add'>[] = [];
  const take = (list: readonly Entity[], within?: string): readonly Entity[] => {
    const found = stretches(list, chosen);
    back.push(...found.map(({ items, before }) => ({ verb: 'add' as const, kind, entities: items, before, within })));
    return found.length > 0 ? withoutIds(list, chosen) : list;
  };
  const { list, within } = KINDS[kind];
  const next = within
    ? { ...brand, palettes: brand.palettes.map((palette) => withSwatches(palette, (swatches) => take(swatches, palette.id))) }
    : { ...brand, [list]: take(listOf(brand, kind)) };
  return { brand: next, entities, back };
}

/** A brand with the values that its tokens have in a theme, by token id; null takes one away. */
function withValues(brand: Brand, theme: string, values: Fields): Brand {
  const tokens = brand.tokens.map((token): Token =>
    token.id in values ? { ...token, values: withFields(token.values, { [theme]: values[token.id] }) } : token,
  );
  return { ...brand, tokens };
}
