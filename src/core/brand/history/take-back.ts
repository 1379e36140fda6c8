import type { Command } from '../commands/commands';
import { Brand, ruleTokens, type Palette, type Swatch, type Token } from '../document/document';
import { restoreCommand } from './restore';
import { swatchesOf, tokensOf } from '../reading/resolve';

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

/** Ids of what is taken with what they refer to and today's brand has not. */
function withNeeded(now: Brand, then: Brand, ids: ReadonlySet<string>): ReadonlySet<string> {
  const here = new Set([...swatchesOf(now).keys(), ...tokensOf(now).keys(), ...now.palettes.map(({ id }) => id)]);
  const [swatches, tokens] = [swatchesOf(then), tokensOf(then)];
  const palettes = new Map(then.palettes.map((palette) => [palette.id, palette]));
  const fields = new Map(then.fields.map((field) => [field.id, field]));
  const wanted = new Set<string>();
  const waiting = [...ids];
  for (let id = waiting.pop(); id !== undefined; id = waiting.pop()) {
    if (wanted.has(id)) continue;
    wanted.add(id);
    const token = tokens.get(id);
    const missing = [
      ...(token ? referredTo(token) : []),
      ...(fields.get(id)?.values.flatMap((value) => value.token ?? []) ?? []),
      ...(swatches.has(id) ? [swatches.get(id)!.palette.id] : []),
      // A palette that is gone comes back with its swatches.
      ...(here.has(id) ? [] : (palettes.get(id)?.swatches.map((swatch) => swatch.id) ?? [])),
    ];
    waiting.push(...missing.filter((other) => !here.has(other)));
  }
  return wanted;
}

function referredTo({ values, on, rule, deprecated }: Token): string[] {
  const ends = Object.values(values).flatMap((value) => ('swatch' in value ? value.swatch : 'token' in value ? value.token : []));
  return [...ends, ...on, ...(rule ? ruleTokens(rule) : []), ...(deprecated?.use !== undefined ? [deprecated.use] : [])];
}

/** Today's brand with some parts as they were; it may be none any more, where one part stands on another. */
function mixed(now: Brand, then: Brand, ids: ReadonlySet<string>): unknown {
  const themes = mixedList(now.themes, then.themes, ids);
  const own = ids.has(now.id) ? then : now;
  return {
    ...now,
    naming: own.naming,
    carried: own.carried,
    name: own.name,
    themes,
    palettes: mixedPalettes(now, then, ids),
    tokens: mixedTokens(now, then, ids, themes),
    destinations: mixedList(now.destinations, then.destinations, ids),
    grafts: mixedList(now.grafts, then.grafts, ids),
    art: mixedList(now.art, then.art, ids),
    fields: mixedList(now.fields, then.fields, ids),
    acceptances: mixedList(now.acceptances, then.acceptances, ids),
  };
}

interface Entity {
  readonly id: string;
}

/** A list with some entities as they were: replaced, taken out, or put in where they stood, before the next that is there. */
function mixedList<T extends Entity>(now: readonly T[], then: readonly T[], ids: ReadonlySet<string>): T[] {
  const was = new Map(then.map((entity) => [entity.id, entity]));
  const here = new Set(now.map(({ id }) => id));
  const list = now.flatMap((entity) => (ids.has(entity.id) ? (was.get(entity.id) ?? []) : [entity]));
  then.forEach((entity, at) => {
    if (here.has(entity.id) || !ids.has(entity.id)) return;
    const next = then.slice(at + 1).find(({ id }) => list.some((each) => each.id === id));
    list.splice(next ? list.findIndex(({ id }) => id === next.id) : list.length, 0, entity);
  });
  return list;
}

/**
 * Palettes with some swatches as they were. A swatch stays where it stands today, also when it stood in another palette then; one that stands
 * nowhere, or in a palette that goes, comes back to where it stood.
 */
function mixedPalettes(now: Brand, then: Brand, ids: ReadonlySet<string>): Palette[] {
  const [here, there] = [swatchesOf(now), swatchesOf(then)];
  const palettes = mixedList(now.palettes, then.palettes, ids);
  const stay = new Set(palettes.map(({ id }) => id));
  const was = new Map(then.palettes.map((palette) => [palette.id, palette]));
  const today = new Map(now.palettes.map((palette) => [palette.id, palette]));
  const isHome = (id: string) => stay.has(here.get(id)?.palette.id ?? '');
  return palettes.map((palette): Palette => {
    const { id } = palette;
    const standing = (today.get(id)?.swatches ?? []).flatMap((swatch) =>
      ids.has(swatch.id) ? (there.get(swatch.id)?.swatch ?? []) : [swatch],
    );
    const then = was.get(id)?.swatches ?? [];
    then.forEach((swatch, at) => {
      const mine = here.get(swatch.id)?.swatch;
      if (isHome(swatch.id) || !(ids.has(swatch.id) || mine)) return;
      const next = then.slice(at + 1).find((later) => standing.some((each) => each.id === later.id));
      const place = next ? standing.findIndex((each) => each.id === next.id) : standing.length;
      standing.splice(place, 0, ids.has(swatch.id) ? swatch : mine!);
    });
    return { ...palette, swatches: ids.has(id) ? inOrder(standing, then) : standing };
  });
}

/** A palette that is taken stands in the order it had; what it had not comes after. */
function inOrder(swatches: readonly Swatch[], was: readonly Swatch[]): Swatch[] {
  const place = new Map(was.map(({ id }, at) => [id, at]));
  return [...swatches].sort((one, two) => (place.get(one.id) ?? was.length) - (place.get(two.id) ?? was.length));
}

/** Tokens as they were keep their values of today in themes that there were not; a theme that comes back brings its values. */
function mixedTokens(now: Brand, then: Brand, ids: ReadonlySet<string>, themes: readonly Entity[]): Token[] {
  const was = tokensOf(then);
  const today = tokensOf(now);
  const back = then.themes.filter(({ id }) => ids.has(id) && !now.themes.some((theme) => theme.id === id));
  return mixedList(now.tokens, then.tokens, ids).map((token): Token => {
    const values = Object.fromEntries(
      themes.flatMap(({ id }) => {
        const isBack = back.some((theme) => theme.id === id);
        const inBoth = then.themes.some((theme) => theme.id === id);
        const source = isBack || (ids.has(token.id) && inBoth) ? was.get(token.id) : today.get(token.id);
        const value = source?.values[id];
        return value ? [[id, value]] : [];
      }),
    );
    return { ...token, values };
  });
}
