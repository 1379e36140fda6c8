import { entitiesOf, FIELD_NAMES, FIELDS, KIND_NAMES, referencesOf, type Entity, type KindName } from '../document/kinds';
import type { Brand } from '../document/document';
import type { Art } from '../document/art-shape';
import type { DataField } from '../document/data-shape';
import type { Destination } from '../document/destination-shape';
import type { Graft } from '../document/graft-shape';
import type { Swatch } from '../document/palette-shape';
import type { Token } from '../document/token-shape';
import { swatchesOf, tokensUsing } from './resolve';

/** Where a swatch or a token is used: what a change of it reaches, and what would break without it. */
export interface Uses {
  /** Tokens that come to it, straight or through others, in any theme. */
  readonly tokens: readonly Token[];
  /** Destinations that write it, or one of those tokens. */
  readonly destinations: readonly Destination[];
  /** Fields with values that are pinned to it, or to one of those tokens. */
  readonly fields: readonly DataField[];
  /** Grafts with slots that are bound to it, to one of those tokens, or, with a run of them, to its palette. */
  readonly grafts: readonly Graft[];
  /** Art whose colours go to it, or into its palette. */
  readonly art: readonly Art[];
}

export function usesOf(brand: Brand, target: { swatch: string } | { token: string }, written: TokensWritten): Uses {
  const tokens = tokensUsing(brand.tokens, target);
  const reached = new Set(tokens.map(({ id }) => id));
  reached.add('token' in target ? target.token : target.swatch);
  if ('swatch' in target) reached.add(swatchesOf(brand).get(target.swatch)?.palette.id ?? '');
  const users = (kind: KindName) =>
    entitiesOf(brand, kind).filter((entity) => referencesOf(kind, entity).some(({ id }) => reached.has(id)));
  return {
    tokens,
    destinations: brand.destinations.filter((destination) => written(brand, destination).some(({ id }) => reached.has(id))),
    fields: users('field') as DataField[],
    grafts: users('graft') as Graft[],
    art: users('art') as Art[],
  };
}

/** Says which tokens a destination writes; given by whoever knows the formats. */
export type TokensWritten = (brand: Brand, destination: Destination) => readonly Token[];

/**
 * Swatches that nothing comes to (no token, slot or picture, and no bank or piece of art that takes its whole palette), in the order of their
 * palettes, of those palettes that tokens use. A palette that none uses yet, such as one that was just brought in, is no litter but material.
 */
export function unusedSwatches(brand: Brand): Swatch[] {
  const [swatches, palettes] = [spokenOf(brand, 'swatch'), spokenOf(brand, 'palette')];
  const byTokens = spokenIn('token', brand.tokens).get('swatch') ?? new Set();
  return brand.palettes.flatMap(({ id, swatches: all }) => {
    if (palettes.has(id) || !all.some((swatch) => byTokens.has(swatch.id))) return [];
    return all.filter((swatch) => !swatches.has(swatch.id));
  });
}

/** Tokens that nothing needs: no destination writes them, and no token, slot, data field or other tool's value speaks of them. */
export function orphanTokens(brand: Brand, written: TokensWritten): Token[] {
  if (brand.destinations.length === 0) return [];
  const needed = spokenOf(brand, 'token');
  for (const destination of brand.destinations) for (const { id } of written(brand, destination)) needed.add(id);
  return brand.tokens.filter(({ id }) => !needed.has(id));
}

/** Ids of the entities of a kind that anything speaks of straight: tokens, slots, art, data fields and values carried for other tools. */
export function spokenOf(brand: Brand, kind: KindName): Set<string> {
  const spoken = new Set<string>();
  for (const name of KIND_NAMES) for (const id of spokenIn(name, entitiesOf(brand, name)).get(kind) ?? []) spoken.add(id);
  for (const name of FIELD_NAMES) for (const { to, id } of FIELDS[name].references(brand)) if (to === kind) spoken.add(id);
  return spoken;
}

const known = new WeakMap<readonly Entity[], ReadonlyMap<KindName, ReadonlySet<string>>>();

/** Ids that the entities of a list speak of, by kind. Computed once for a list. */
function spokenIn(name: KindName, list: readonly Entity[]): ReadonlyMap<KindName, ReadonlySet<string>> {
  let found = known.get(list);
  if (!found) {
    const spoken = new Map<KindName, Set<string>>();
    for (const entity of list)
      for (const { to, id } of referencesOf(name, entity)) {
        const ids = spoken.get(to);
        if (ids) ids.add(id);
        else spoken.set(to, new Set([id]));
      }
    known.set(list, (found = spoken));
  }
  return found;
}
