import type { Command } from '../commands/commands';
import { Brand } from '../document/document';
import { byId, entitiesOf, FIELD_NAMES, KIND_NAMES, KINDS, listOf, referencesOf, type Entity } from '../document/kinds';
import type { Palette } from '../document/palette-shape';
import type { Token } from '../document/token-shape';
import { swatchesOf, tokensOf } from '../reading/resolve';
import { fieldId, orderId } from './compare';
import { restoreCommand } from './restore';

/** The edit that takes something back, or why it cannot be taken by itself. */
export type TakenBack = { readonly command: Command | null } | { readonly problem: string };

/**
 * Takes some of what a brand was in another state of it into today's: an edit like any other. What is taken brings along what it refers to and
 * what is not there today, such as the swatch of a token.
 * @param ids of differences between the two states, as `compareBrands` names them
 */
export function takeBack(now: Brand, then: Brand, ids: ReadonlySet<string>, label: string): TakenBack {
  const asked = withNeeded(now, then, ids);
  const wanted = Brand.safeParse(mixed(now, then, asked));
  if (!wanted.success) return { problem: `This cannot be taken back alone. ${wanted.error.issues[0]!.message}` };
  return { command: restoreCommand(now, wanted.data, label) };
}

/** Ids of what is taken with what it refers to and today's brand has not. */
function withNeeded(now: Brand, then: Brand, ids: ReadonlySet<string>): ReadonlySet<string> {
  const isHere = (id: string) => KIND_NAMES.some((kind) => byId(entitiesOf(now, kind)).has(id));
  const wanted = new Set<string>();
  const waiting = [...ids];
  for (let id = waiting.pop(); id !== undefined; id = waiting.pop()) {
    if (wanted.has(id)) continue;
    wanted.add(id);
    waiting.push(...neededBy(then, id, isHere(id)).filter((other) => !isHere(other)));
  }
  return wanted;
}

/** Ids of what an entity cannot be without. A palette that is gone comes back with its swatches. */
function neededBy(then: Brand, id: string, isHere: boolean): string[] {
  const targets = KIND_NAMES.flatMap((kind) => {
    const entity = byId(entitiesOf(then, kind)).get(id);
    // A theme that is gone is taken by itself, and then brings the values in it.
    return entity ? referencesOf(kind, entity).filter(({ firm, to }) => firm && to !== 'theme') : [];
  }).map((reference) => reference.id);
  const palette = swatchesOf(then).get(id)?.palette.id;
  const swatches = isHere ? [] : (byId(then.palettes).get(id)?.swatches ?? []);
  return [...targets, ...(palette === undefined ? [] : [palette]), ...swatches.map((swatch) => swatch.id)];
}

/** Today's brand with some parts as they were; it may be none any more, where one part stands on another. */
function mixed(now: Brand, then: Brand, ids: ReadonlySet<string>): unknown {
  const fields = FIELD_NAMES.filter((name) => ids.has(fieldId(name))).map((name) => [name, then[name]]);
  const lists = KIND_NAMES.filter((kind) => !KINDS[kind].within).map((kind) => {
    const list = mixedList(listOf(now, kind), listOf(then, kind), ids);
    return [KINDS[kind].list, ids.has(orderId(kind)) ? inOrder(list, listOf(then, kind)) : list];
  });
  const brand = { ...now, ...Object.fromEntries([...fields, ...lists]) } as Brand;
  return { ...brand, palettes: mixedPalettes(now, then, ids, brand), tokens: mixedTokens(now, then, ids, brand) };
}

/** A list with some entities as they were: replaced, taken out, or put in where they stood. */
function mixedList(now: readonly Entity[], then: readonly Entity[], ids: ReadonlySet<string>): Entity[] {
  const [was, here] = [byId(then), byId(now)];
  const list = now.flatMap((entity) => (ids.has(entity.id) ? (was.get(entity.id) ?? []) : [entity]));
  return putBack(list, then, (id) => ids.has(id) && !here.has(id));
}

/** A list with what is missing put in where it stood, before the next that is there. */
function putBack<T extends Entity>(list: T[], then: readonly T[], isMissing: (id: string) => boolean): T[] {
  then.forEach((entity, at) => {
    if (!isMissing(entity.id)) return;
    const next = then.slice(at + 1).find(({ id }) => list.some((each) => each.id === id));
    list.splice(next ? list.findIndex(({ id }) => id === next.id) : list.length, 0, entity);
  });
  return list;
}

/** What stood in an order stands in it again; what did not comes after. */
function inOrder<T extends Entity>(list: readonly T[], was: readonly Entity[]): T[] {
  const place = new Map(was.map(({ id }, at) => [id, at]));
  return [...list].sort((one, two) => (place.get(one.id) ?? was.length) - (place.get(two.id) ?? was.length));
}

/**
 * Palettes with some swatches as they were. A swatch stays where it stands today, also when it stood in another palette then; one that stands
 * nowhere, or in a palette that goes, comes back to where it stood.
 */
function mixedPalettes(now: Brand, then: Brand, ids: ReadonlySet<string>, { palettes }: Brand): Palette[] {
  const [here, there] = [swatchesOf(now), swatchesOf(then)];
  const stay = new Set(palettes.map(({ id }) => id));
  const isHome = (id: string) => stay.has(here.get(id)?.palette.id ?? '');
  return palettes.map((palette): Palette => {
    const { id } = palette;
    const standing = (byId(now.palettes).get(id)?.swatches ?? []).flatMap((swatch) =>
      ids.has(swatch.id) ? (there.get(swatch.id)?.swatch ?? []) : [swatch],
    );
    const was = (byId(then.palettes).get(id)?.swatches ?? []).map((swatch) =>
      ids.has(swatch.id) ? swatch : (here.get(swatch.id)?.swatch ?? swatch),
    );
    const swatches = putBack(standing, was, (swatch) => !isHome(swatch) && (ids.has(swatch) || here.has(swatch)));
    return { ...palette, swatches: ids.has(id) ? inOrder(swatches, was) : swatches };
  });
}

/** Tokens as they were keep their values of today in themes that there were not; a theme that comes back brings its values. */
function mixedTokens(now: Brand, then: Brand, ids: ReadonlySet<string>, { tokens, themes }: Brand): Token[] {
  const [was, today] = [tokensOf(then), tokensOf(now)];
  const [wereThere, areHere] = [byId(then.themes), byId(now.themes)];
  return tokens.map((token): Token => {
    const values = themes.flatMap(({ id }) => {
      const isTaken = wereThere.has(id) && (ids.has(token.id) || !areHere.has(id));
      const value = (isTaken ? was : today).get(token.id)?.values[id];
      return value ? [[id, value] as const] : [];
    });
    return { ...token, values: Object.fromEntries(values) };
  });
}
