import { canonical } from '../document/canonical';
import type { Command, Step } from '../commands/commands';
import type { Brand, Swatch, Token } from '../document/document';
import { swatchesOf, tokensOf } from '../reading/resolve';

/**
 * The edit that makes a brand what it was in another state of it: a change like any other, which is undone like any other and rewrites no
 * history. What is there in both keeps its id. Steps come in such an order that at each of them every reference leads somewhere and none in a
 * circle: what is missing is added bare, then references are set, then what is too many goes.
 * @returns null when both are the same
 */
export function restoreCommand(now: Brand, then: Brand, label: string): Command | null {
  const steps = [
    ...brandSteps(now, then),
    ...asideSteps(now, then),
    ...addedSteps(now, then),
    ...swatchSteps(now, then),
    ...referenceSteps(now, then),
    ...listSteps(now.fields, then.fields, 'field'),
    ...surplusSteps(now, then),
    ...orderSteps(now, then),
    ...listSteps(now.destinations, then.destinations, 'destination'),
    ...listSteps(now.grafts, then.grafts, 'graft'),
    ...listSteps(now.art, then.art, 'art'),
    ...acceptanceSteps(now, then),
  ];
  return steps.length > 0 ? { label, steps } : null;
}

interface Entity {
  readonly id: string;
}

function without<T extends Entity>(list: readonly T[], others: readonly Entity[]): T[] {
  const ids = new Set(others.map(({ id }) => id));
  return list.filter(({ id }) => !ids.has(id));
}

const idsOf = (list: readonly Entity[]) => list.map(({ id }) => id);

/** A path that nobody has, until the one that is wanted is free. */
const aside = (id: string) => `being-restored.${id}`;

const isSame = (one: unknown, two: unknown) => canonical(one ?? null) === canonical(two ?? null);

/** Those of some fields that are not the same; a field that is not there is null. */
function changes<T extends object>(now: T, then: T, keys: readonly (keyof T)[]): Partial<Record<keyof T, unknown>> | null {
  const set: Partial<Record<keyof T, unknown>> = {};
  for (const key of keys) if (!isSame(now[key], then[key])) set[key] = then[key] ?? null;
  return Object.keys(set).length > 0 ? set : null;
}

function brandSteps(now: Brand, then: Brand): Step[] {
  const set = changes(now, then, ['name', 'naming', 'carried', 'print', 'logo', 'house']);
  return set ? [{ do: 'brand.edit', set } as Step] : [];
}

/** What is missing, with nothing in it that points anywhere; tokens under paths that nobody has. */
function addedSteps(now: Brand, then: Brand): Step[] {
  const [here, there] = [swatchesOf(now), swatchesOf(then)];
  const tokens = without(then.tokens, now.tokens).map(({ id, role, description, extensions }): Token => ({
    id,
    path: aside(id),
    role,
    description,
    on: [],
    values: {},
    ...(extensions !== undefined && { extensions }),
  }));
  const swatches = then.palettes.flatMap(({ id, swatches: all }): Step[] => {
    const missing = all.filter((swatch) => !here.has(swatch.id) && there.has(swatch.id));
    return missing.length > 0 ? [{ do: 'swatch.add', palette: id, swatches: missing, before: null }] : [];
  });
  return [
    ...without(then.themes, now.themes).map((theme): Step => ({ do: 'theme.add', theme, before: null, values: {} })),
    ...without(then.palettes, now.palettes).map((palette): Step => ({
      do: 'palette.add',
      palette: { ...palette, swatches: [] },
      before: null,
    })),
    ...swatches,
    ...(tokens.length > 0 ? [{ do: 'token.add', tokens, before: null } as Step] : []),
  ];
}

const SWATCH_KEYS = ['name', 'value', 'locked', 'row', 'settled'] as const satisfies readonly (keyof Swatch)[];

function swatchSteps(now: Brand, then: Brand): Step[] {
  const here = swatchesOf(now);
  const edits: Step[] = [];
  const locks: Step[] = [];
  for (const { swatch } of swatchesOf(then).values()) {
    const was = here.get(swatch.id)?.swatch;
    const set = was && changes(was, swatch, SWATCH_KEYS);
    if (!set) continue;
    // A locked one is opened for its value, and locked again.
    const opened = was.locked && 'value' in set;
    edits.push({ do: 'swatch.edit', id: swatch.id, set: opened ? { ...set, locked: false } : set } as Step);
    if (opened && swatch.locked) locks.push({ do: 'swatch.edit', id: swatch.id, set: { locked: true } });
  }
  const palettes = then.palettes.flatMap((palette): Step[] => {
    const was = now.palettes.find(({ id }) => id === palette.id);
    const set = was && changes(was, palette, ['name', 'kind', 'note', 'maker']);
    return set ? [{ do: 'palette.edit', id: palette.id, set } as Step] : [];
  });
  const themes = then.themes.flatMap((theme): Step[] => {
    const was = now.themes.find(({ id }) => id === theme.id);
    const set = was && changes(was, theme, ['name', 'derived', 'enhanced']);
    return set ? [{ do: 'theme.edit', id: theme.id, set } as Step] : [];
  });
  return [...edits, ...locks, ...palettes, ...themes];
}

/**
 * Paths and rules that are not to stay are set aside. With a theme that comes back every rule is: in it tokens have no values yet, and a rule
 * that only a value kept from going in a circle would do so.
 */
function asideSteps(now: Brand, then: Brand): Step[] {
  const there = tokensOf(then);
  const renamed = now.tokens.filter(({ id, path }) => there.has(id) && there.get(id)!.path !== path);
  const ruled = now.tokens.filter((token) => isRuleSetAside(token, now, then));
  return [
    ...renamed.map(({ id }): Step => ({ do: 'token.edit', id, set: { path: aside(id) } })),
    ...ruled.map(({ id }): Step => ({ do: 'token.edit', id, set: { rule: null } })),
  ];
}

function isRuleSetAside({ id, rule }: Token, now: Brand, then: Brand): boolean {
  if (!rule) return false;
  return without(then.themes, now.themes).length > 0 || !isSame(rule, tokensOf(then).get(id)?.rule);
}

/** What tokens point at: first the values, then all else but the paths. */
function referenceSteps(now: Brand, then: Brand): Step[] {
  const here = tokensOf(now);
  const values: Step[] = [];
  const edits: Step[] = [];
  for (const token of then.tokens) {
    const was = here.get(token.id);
    // Values in a theme that goes go with it.
    const set = Object.fromEntries(
      then.themes.flatMap(({ id: theme }) =>
        isSame(was?.values[theme], token.values[theme]) ? [] : [[theme, token.values[theme] ?? null]],
      ),
    );
    if (Object.keys(set).length > 0) values.push({ do: 'token.set', id: token.id, set });
    const start: Token = was ? { ...was } : { ...token, on: [] };
    if (!was) delete start.deprecated;
    if (!was || isRuleSetAside(was, now, then)) delete start.rule;
    const rest = changes(start, token, ['role', 'description', 'on', 'rule', 'deprecated', 'extensions']);
    if (rest) edits.push({ do: 'token.edit', id: token.id, set: rest } as Step);
  }
  return [...values, ...edits];
}

/** Goes what there was not, and paths become what they were. */
function surplusSteps(now: Brand, then: Brand): Step[] {
  const tokens = without(now.tokens, then.tokens);
  const here = tokensOf(now);
  const paths = then.tokens.flatMap(({ id, path }): Step[] =>
    here.get(id)?.path === path ? [] : [{ do: 'token.edit', id, set: { path } }],
  );
  const there = swatchesOf(then);
  const swatches = [...swatchesOf(now).keys()].filter((id) => !there.has(id));
  const elsewhere = movedSteps(now, then);
  return [
    ...(tokens.length > 0 ? [{ do: 'token.remove', ids: idsOf(tokens) } as Step] : []),
    ...paths,
    ...elsewhere,
    ...(swatches.length > 0 ? [{ do: 'swatch.remove', ids: swatches } as Step] : []),
    ...without(now.palettes, then.palettes).map(({ id }): Step => ({ do: 'palette.remove', id })),
    ...without(now.themes, then.themes).map(({ id }): Step => ({ do: 'theme.remove', id })),
  ];
}

/** Swatches to their palettes, in their order. */
function movedSteps(now: Brand, then: Brand): Step[] {
  const here = swatchesOf(now);
  return then.palettes.flatMap(({ id, swatches }): Step[] => {
    const ids = idsOf(swatches);
    const wanted = new Set(ids);
    const was = now.palettes.find((palette) => palette.id === id)?.swatches ?? [];
    const kept = idsOf(was).filter((swatch) => wanted.has(swatch));
    const added = ids.filter((swatch) => !here.has(swatch));
    // Those that were missing stand at the end by now.
    const standing = [...kept, ...added];
    return standing.length === ids.length && standing.every((swatch, at) => swatch === ids[at])
      ? []
      : [{ do: 'swatch.move', ids, palette: id, before: null }];
  });
}

function orderSteps(now: Brand, then: Brand): Step[] {
  const steps: Step[] = [];
  if (!standsSo(now.tokens, then.tokens)) steps.push({ do: 'token.move', ids: idsOf(then.tokens), before: null });
  // Each to the end, one after the other.
  if (!standsSo(now.palettes, then.palettes))
    then.palettes.forEach(({ id }) => steps.push({ do: 'palette.move', id, before: null }));
  if (!standsSo(now.themes, then.themes)) then.themes.forEach(({ id }) => steps.push({ do: 'theme.move', id, before: null }));
  return steps;
}

/** Whether a list is in its order once what is too many is gone and what is missing stands at its end. */
function standsSo(now: readonly Entity[], then: readonly Entity[]): boolean {
  const standing = [...without(now, without(now, then)), ...without(then, now)];
  return standing.every(({ id }, at) => id === then[at]!.id);
}

type ListKind = 'field' | 'destination' | 'graft' | 'art';

/** Things that nothing points at: what is another, or stands elsewhere, is taken out and put in again. */
function listSteps(now: readonly Entity[], then: readonly Entity[], kind: ListKind): Step[] {
  const { gone, added } = replacedOf(now, then);
  return [
    ...gone.map(({ id }) => ({ do: `${kind}.remove`, id }) as Step),
    ...added.map(({ entity, before }) => ({ do: `${kind}.add`, [kind]: entity, before }) as unknown as Step),
  ];
}

function acceptanceSteps(now: Brand, then: Brand): Step[] {
  const { gone, added } = replacedOf(now.acceptances, then.acceptances);
  return [
    ...gone.map(({ id }): Step => ({ do: 'finding.withdraw', id })),
    ...added.map(({ entity, before }): Step => ({ do: 'finding.accept', acceptance: entity, before })),
  ];
}

function replacedOf<T extends Entity>(now: readonly T[], then: readonly T[]) {
  const wanted = new Map(then.map((entity, at) => [entity.id, { entity, at }]));
  const kept = new Set<string>();
  let last = -1;
  for (const entity of now) {
    const found = wanted.get(entity.id);
    if (!found || found.at < last || !isSame(found.entity, entity)) continue;
    kept.add(entity.id);
    last = found.at;
  }
  // Each comes before the next that stands already, those of a gap in their order.
  const added = then.flatMap((entity, at) => {
    if (kept.has(entity.id)) return [];
    return [{ entity, before: then.slice(at + 1).find(({ id }) => kept.has(id))?.id ?? null }];
  });
  return { gone: now.filter(({ id }) => !kept.has(id)), added };
}
