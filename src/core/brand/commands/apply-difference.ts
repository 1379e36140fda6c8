import type { Brand } from '../document/brand-shape';
import { goneWords, IN_IT_ALREADY } from '../document/check';
import type { BrandDifference, Order } from '../document/difference';
import { byId, entitiesOf, KIND_NAMES, KINDS, labelOf, listOf, type Entity, type KindName } from '../document/kinds';
import type { Palette, Swatch } from '../document/palette-shape';
import { foundBy, type Fields } from './table-step';
import { mustStillBe, Refusal, withFields } from './carry-out';

/** Whatever is left out of an order without being taken out would be lost, also for undoing. */
const UNPLACED = 'This does not say where everything is to stand, so nothing was changed; make it up again.';

/**
 * A brand with a difference made in it. What the difference does not know of, because somebody made it since, stays where it stands; what it would
 * overwrite and is no longer as the difference found it is refused.
 */
export function applyDifference(brand: Brand, difference: BrandDifference): Brand {
  mustStillBe(
    foundBy({ verb: 'edit', kind: 'brand', id: '', set: difference.fields.set }, brand),
    difference.fields.was,
    brand.name,
  );
  const next: Record<string, unknown> = { ...withFields(brand, difference.fields.set) };
  const entities = new Map(KIND_NAMES.map((kind) => [kind, entitiesAfter(brand, kind, difference)]));
  for (const kind of KIND_NAMES.filter((name) => !KINDS[name].within)) {
    const order = difference.orders.find((each) => each.kind === kind);
    next[KINDS[kind].list] = inOrder(listOf(brand, kind), order, entities.get(kind)!);
  }
  const palettes = (next.palettes as Palette[]).map((palette) => {
    const order = difference.orders.find(({ kind, of }) => kind === 'swatch' && of === palette.id);
    const held = byId(brand.palettes).get(palette.id)?.swatches ?? [];
    const swatches = inOrder(held, order, entities.get('swatch')!) as Swatch[];
    return swatches === palette.swatches ? palette : { ...palette, swatches };
  });
  for (const kind of KIND_NAMES) {
    const { list, within } = KINDS[kind];
    const placed = within ? palettes.reduce((sum, { swatches }) => sum + swatches.length, 0) : (next[list] as Entity[]).length;
    if (placed !== entities.get(kind)!.size) throw new Refusal(UNPLACED);
  }
  const isSame = palettes.every((palette, at) => palette === brand.palettes[at]) && palettes.length === brand.palettes.length;
  return { ...(next as Brand), palettes: isSame ? brand.palettes : palettes };
}

/** The entities of a kind by id, as they are to be. */
function entitiesAfter(brand: Brand, kind: KindName, { added, removed, edited, orders }: BrandDifference): Map<string, Entity> {
  const now = new Map(byId(entitiesOf(brand, kind)));
  const found = (id: string): Entity => {
    const entity = now.get(id);
    if (!entity) throw new Refusal(goneWords(kind));
    return entity;
  };
  for (const { entity } of removed.filter((each) => each.kind === kind)) {
    const here = found(entity.id);
    mustStillBe(here as unknown as Fields, entity as unknown as Fields, labelOf(kind, here));
    const held =
      byId(brand.palettes)
        .get(entity.id)
        ?.swatches.map(({ id }) => id) ?? [];
    const known = orders.find(({ of }) => of === entity.id)?.was ?? [];
    if (held.join() !== known.join())
      throw new Refusal(`${labelOf(kind, here)} has been changed since, so the later change was left as it is.`);
    now.delete(entity.id);
  }
  for (const { entity } of added.filter((each) => each.kind === kind)) {
    if (now.has(entity.id)) throw new Refusal(IN_IT_ALREADY);
    now.set(entity.id, entity);
  }
  for (const { id, set, was } of edited.filter((each) => each.kind === kind)) {
    const entity = found(id);
    mustStillBe(foundBy({ verb: 'edit', kind, id, set }, entity), was, labelOf(kind, entity));
    now.set(id, withFields(entity, set));
  }
  return now;
}

/** A list in the order wanted; what the order does not know of stays behind what it stood behind. */
function inOrder(list: readonly Entity[], order: Order | undefined, entities: ReadonlyMap<string, Entity>): readonly Entity[] {
  const ids = order ? withUnknown(list, order) : list.map(({ id }) => id);
  const next = ids.flatMap((id) => entities.get(id) ?? []);
  return next.length === list.length && next.every((entity, at) => entity === list[at]) ? list : next;
}

function withUnknown(list: readonly Entity[], { was, now }: Order): string[] {
  const [before, after] = [new Set(was), new Set(now)];
  /** By the id that they stand behind; null at the beginning. */
  const unknown = new Map<string | null, string[]>([[null, []]]);
  let behind: string | null = null;
  for (const { id } of list) {
    if (after.has(id)) behind = id;
    if (after.has(id) || before.has(id)) continue;
    const others = unknown.get(behind);
    if (others) others.push(id);
    else unknown.set(behind, [id]);
  }
  return [...unknown.get(null)!, ...now.flatMap((id) => [id, ...(unknown.get(id) ?? [])])];
}
