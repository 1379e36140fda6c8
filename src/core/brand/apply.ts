import { canonical } from './canonical';
import { insertBefore, replaced, runsOf, without } from './lists';
import { findCycle, LIMITS, type Brand, type Palette, type Swatch, type Token, type TokenValue } from './document';
import type { Command, Step } from './commands';

export type Applied =
  { readonly ok: true; readonly brand: Brand; readonly inverse: Command } | { readonly ok: false; readonly refusal: string };

/** Carries the sentence of a refusal out of a step; it never leaves `apply`. */
class Refusal extends Error {}

type StepResult = { brand: Brand; inverse: Step[] };

/**
 * Carries out a command on a brand. Pure and total: the given brand is untouched, parts that did not change are
 * shared with the answer, and what cannot be done is refused with one sentence for the person, the whole command with it.
 * @returns the new brand and the command that takes it back: applied at once, it restores the same document byte for byte.
 */
export function apply(brand: Brand, command: Command): Applied {
  let current = brand;
  const inverse: Step[] = [];
  try {
    for (let at = 0; at < command.steps.length;) {
      const edits = swatchEdits(command.steps, at);
      const result = edits.length > 0 ? editSwatches(current, edits) : applyStep(current, command.steps[at]!);
      current = result.brand;
      inverse.unshift(...result.inverse);
      at += Math.max(1, edits.length);
    }
  } catch (error) {
    if (error instanceof Refusal) return { ok: false, refusal: error.message };
    throw error;
  }
  return { ok: true, brand: current, inverse: { label: command.label, steps: inverse } };
}

type SwatchEdit = Extract<Step, { do: 'swatch.edit' }>;

/** The swatch edits from a place on, up to one that edits a swatch once more. */
function swatchEdits(steps: readonly Step[], from: number): SwatchEdit[] {
  const edits: SwatchEdit[] = [];
  const seen = new Set<string>();
  for (let at = from; at < steps.length; at++) {
    const step = steps[at]!;
    if (step.do !== 'swatch.edit' || seen.has(step.id)) break;
    seen.add(step.id);
    edits.push(step);
  }
  return edits;
}

/** Edits of different swatches in one pass: a slider that moves all of a palette edits every one in each frame. */
function editSwatches(brand: Brand, steps: readonly SwatchEdit[]): StepResult {
  const wanted = new Map(steps.map((step) => [step.id, step]));
  const back = new Map<string, Step>();
  const palettes = brand.palettes.map((palette) => {
    if (back.size === steps.length || !palette.swatches.some(({ id }) => wanted.has(id))) return palette;
    const swatches = palette.swatches.map((swatch) => {
      const step = wanted.get(swatch.id);
      if (!step) return swatch;
      if (swatch.locked && step.set.value !== undefined && step.set.locked !== false) {
        throw new Refusal(`${swatch.name} is locked. Unlock it to change its colour.`);
      }
      const edit = edited(swatch, step, swatch.name);
      back.set(swatch.id, { do: 'swatch.edit', id: swatch.id, ...edit.back });
      return edit.next;
    });
    return { ...palette, swatches };
  });
  if (back.size < steps.length) throw new Refusal('That swatch is no longer there; somebody may have deleted it.');
  return { brand: { ...brand, palettes }, inverse: [...steps].reverse().map(({ id }) => back.get(id)!) };
}

function applyStep(brand: Brand, step: Step): StepResult {
  switch (step.do) {
    case 'brand.edit': {
      const { next, back } = edited(brand, step, brand.name);
      return { brand: next, inverse: [{ do: step.do, ...back }] };
    }
    case 'palette.add': {
      mustBeNew(brand, [step.palette, ...step.palette.swatches]);
      mustFit(brand.palettes.length + 1, LIMITS.palettes, 'palettes');
      mustFit(countSwatches(brand) + step.palette.swatches.length, LIMITS.swatches, 'swatches');
      return {
        brand: { ...brand, palettes: insertBefore(brand.palettes, [step.palette], step.before) },
        inverse: [{ do: 'palette.remove', id: step.palette.id }],
      };
    }
    case 'palette.edit': {
      const palette = find(brand.palettes, step.id, 'palette');
      const { next, back } = edited(palette, step, palette.name);
      return { brand: withPalette(brand, next), inverse: [{ do: step.do, id: step.id, ...back }] };
    }
    case 'palette.remove': {
      const palette = find(brand.palettes, step.id, 'palette');
      mustBeUnusedSwatches(brand, palette.swatches);
      const gone = new Set([step.id]);
      return {
        brand: { ...brand, palettes: without(brand.palettes, gone) },
        inverse: runsOf(brand.palettes, gone).map((run) => ({ do: 'palette.add', palette, before: run.before })),
      };
    }
    case 'palette.move': {
      const palette = find(brand.palettes, step.id, 'palette');
      const { list, back } = moved(brand.palettes, palette, step.before);
      return { brand: { ...brand, palettes: list }, inverse: [{ ...step, before: back }] };
    }
    case 'swatch.add': {
      const palette = find(brand.palettes, step.palette, 'palette');
      mustBeNew(brand, step.swatches);
      mustFit(countSwatches(brand) + step.swatches.length, LIMITS.swatches, 'swatches');
      return {
        brand: withPalette(brand, { ...palette, swatches: insertBefore(palette.swatches, step.swatches, step.before) }),
        inverse: [{ do: 'swatch.remove', ids: step.swatches.map((swatch) => swatch.id) }],
      };
    }
    case 'swatch.edit':
      return editSwatches(brand, [step]);
    case 'swatch.remove': {
      const taken = takeSwatches(brand, step.ids);
      mustBeUnusedSwatches(brand, taken.swatches);
      return { brand: taken.brand, inverse: taken.putBack };
    }
    case 'swatch.move': {
      const taken = takeSwatches(brand, step.ids);
      const palette = find(taken.brand.palettes, step.palette, 'palette');
      const target = { ...palette, swatches: insertBefore(palette.swatches, taken.swatches, step.before) };
      // Taking them away again first lets the same steps that undo a removal undo a move.
      const back = taken.putBack.map((run): Step => ({
        do: 'swatch.move',
        ids: run.swatches.map((swatch) => swatch.id),
        palette: run.palette,
        before: run.before,
      }));
      return { brand: withPalette(taken.brand, target), inverse: back };
    }
    case 'theme.add': {
      mustBeNew(brand, [step.theme]);
      mustFit(brand.themes.length + 1, LIMITS.themes, 'themes');
      const tokens = brand.tokens.map((token) => {
        const value = step.values[token.id];
        return value ? { ...token, values: { ...token.values, [step.theme.id]: value } } : token;
      });
      const next = { ...brand, themes: insertBefore(brand.themes, [step.theme], step.before), tokens };
      const given = tokens.filter((token) => step.values[token.id]);
      mustPointSomewhere(next, given, () => [step.theme.id]);
      return { brand: next, inverse: [{ do: 'theme.remove', id: step.theme.id }] };
    }
    case 'theme.edit': {
      const theme = find(brand.themes, step.id, 'theme');
      const { next, back } = edited(theme, step, theme.name);
      return {
        brand: { ...brand, themes: replaced(brand.themes, next) },
        inverse: [{ do: step.do, id: step.id, ...back }],
      };
    }
    case 'theme.remove': {
      const theme = find(brand.themes, step.id, 'theme');
      if (brand.themes.length === 1) throw new Refusal(`${theme.name} is the only theme; a brand keeps at least one.`);
      const values: Record<string, TokenValue> = {};
      const tokens = brand.tokens.map((token) => {
        const value = token.values[step.id];
        if (!value) return token;
        values[token.id] = value;
        return { ...token, values: Object.fromEntries(Object.entries(token.values).filter(([key]) => key !== step.id)) };
      });
      const gone = new Set([step.id]);
      return {
        brand: { ...brand, themes: without(brand.themes, gone), tokens },
        inverse: runsOf(brand.themes, gone).map((run) => ({ do: 'theme.add', theme, before: run.before, values })),
      };
    }
    case 'theme.move': {
      const theme = find(brand.themes, step.id, 'theme');
      const { list, back } = moved(brand.themes, theme, step.before);
      return { brand: { ...brand, themes: list }, inverse: [{ ...step, before: back }] };
    }
    case 'token.add': {
      mustBeNew(brand, step.tokens);
      mustFit(brand.tokens.length + step.tokens.length, LIMITS.tokens, 'tokens');
      const next = { ...brand, tokens: insertBefore(brand.tokens, step.tokens, step.before) };
      mustHaveOwnPaths(next, step.tokens);
      mustPointSomewhere(next, step.tokens, (token) => Object.keys(token.values));
      return { brand: next, inverse: [{ do: 'token.remove', ids: step.tokens.map((token) => token.id) }] };
    }
    case 'token.edit': {
      const token = find(brand.tokens, step.id, 'token');
      const { next, back } = edited(token, step, token.path);
      const after = { ...brand, tokens: replaced(brand.tokens, next) };
      mustHaveOwnPaths(after, [next]);
      return { brand: after, inverse: [{ do: step.do, id: step.id, ...back }] };
    }
    case 'token.set': {
      const token = find(brand.tokens, step.id, 'token');
      const held = Object.fromEntries(Object.keys(step.set).map((theme) => [theme, token.values[theme] ?? null]));
      mustStillBe(held, step.was, token.path);
      const values = { ...token.values };
      for (const [theme, value] of Object.entries(step.set)) {
        if (value) values[theme] = value;
        else delete values[theme];
      }
      const next = { ...token, values };
      const after = { ...brand, tokens: replaced(brand.tokens, next) };
      mustPointSomewhere(after, [next], () => Object.keys(step.set).filter((theme) => step.set[theme]));
      return { brand: after, inverse: [{ do: step.do, id: step.id, set: held, was: step.set }] };
    }
    case 'token.remove': {
      const gone = new Set(step.ids);
      for (const id of gone) mustBeUnusedToken(brand, find(brand.tokens, id, 'token'), gone);
      return {
        brand: { ...brand, tokens: without(brand.tokens, gone) },
        inverse: runsOf(brand.tokens, gone).map((run) => ({ do: 'token.add', tokens: run.items, before: run.before })),
      };
    }
    case 'token.move': {
      const chosen = new Set(step.ids);
      const tokens = step.ids.map((id) => find(brand.tokens, id, 'token'));
      return {
        brand: { ...brand, tokens: insertBefore(without(brand.tokens, chosen), tokens, step.before) },
        inverse: runsOf(brand.tokens, chosen).map((run) => ({
          do: 'token.move',
          ids: run.items.map((token) => token.id),
          before: run.before,
        })),
      };
    }
    case 'destination.add': {
      mustBeNew(brand, [step.destination]);
      mustFit(brand.destinations.length + 1, LIMITS.destinations, 'destinations');
      return {
        brand: { ...brand, destinations: insertBefore(brand.destinations, [step.destination], step.before) },
        inverse: [{ do: 'destination.remove', id: step.destination.id }],
      };
    }
    case 'destination.edit': {
      const destination = find(brand.destinations, step.id, 'destination');
      const { next, back } = edited(destination, step, destination.name);
      return {
        brand: { ...brand, destinations: replaced(brand.destinations, next) },
        inverse: [{ do: step.do, id: step.id, ...back }],
      };
    }
    case 'destination.remove': {
      const destination = find(brand.destinations, step.id, 'destination');
      const gone = new Set([step.id]);
      return {
        brand: { ...brand, destinations: without(brand.destinations, gone) },
        inverse: runsOf(brand.destinations, gone).map((run) => ({ do: 'destination.add', destination, before: run.before })),
      };
    }
  }
}

/**
 * Fields replaced, and the edit that puts them back provided that they still are what this edit made them. Null stands
 * for a field that is not there.
 */
function edited<T extends object, S extends { [K in keyof T]?: T[K] | null | undefined }>(
  entity: T,
  step: { set: S; was?: S | undefined },
  label: string,
) {
  const keys = Object.keys(step.set) as (keyof S & keyof T)[];
  const held = Object.fromEntries(keys.map((key) => [key, entity[key] ?? null])) as unknown as S;
  mustStillBe(held, step.was, label);
  const fields = Object.entries({ ...entity, ...step.set }).filter(([, value]) => value !== null);
  return { next: Object.fromEntries(fields) as T, back: { set: held, was: step.set } };
}

function mustStillBe(held: object, was: object | undefined, label: string): void {
  if (!was) return;
  const now = held as Record<string, unknown>;
  const changed = Object.entries(was).some(([key, value]) => canonical(now[key]) !== canonical(value));
  if (changed) throw new Refusal(`${label} has been changed since, so the later change was left as it is.`);
}

function moved<T extends { id: string }>(list: T[], entity: T, before: string | null) {
  const gone = new Set([entity.id]);
  return {
    list: insertBefore(without(list, gone), [entity], before),
    back: runsOf(list, gone)[0]!.before,
  };
}

function find<T extends { id: string }>(list: readonly T[], id: string, what: string): T {
  const found = list.find((entity) => entity.id === id);
  if (!found) throw new Refusal(`That ${what} is no longer there; somebody may have deleted it.`);
  return found;
}

function findSwatch(brand: Brand, id: string): { palette: Palette; swatch: Swatch } {
  for (const palette of brand.palettes) {
    const swatch = palette.swatches.find((one) => one.id === id);
    if (swatch) return { palette, swatch };
  }
  throw new Refusal('That swatch is no longer there; somebody may have deleted it.');
}

/** The named swatches out of their palettes, in the order named, and the steps that put each back where it stood. */
function takeSwatches(brand: Brand, ids: readonly string[]) {
  const chosen = new Set(ids);
  const byId = new Map<string, Swatch>();
  const putBack: Extract<Step, { do: 'swatch.add' }>[] = [];
  const palettes = brand.palettes.map((palette) => {
    const runs = runsOf(palette.swatches, chosen);
    if (runs.length === 0) return palette;
    for (const run of runs) {
      run.items.forEach((swatch) => byId.set(swatch.id, swatch));
      putBack.push({ do: 'swatch.add', palette: palette.id, swatches: run.items, before: run.before });
    }
    return { ...palette, swatches: without(palette.swatches, chosen) };
  });
  const swatches = [...chosen].map((id) => byId.get(id) ?? findSwatch(brand, id).swatch);
  return { brand: { ...brand, palettes }, swatches, putBack };
}

function withPalette(brand: Brand, palette: Palette): Brand {
  return { ...brand, palettes: replaced(brand.palettes, palette) };
}

function countSwatches(brand: Brand): number {
  return brand.palettes.reduce((sum, palette) => sum + palette.swatches.length, 0);
}

function mustFit(count: number, limit: number, what: string): void {
  if (count > limit) {
    throw new Refusal(`A brand holds at most ${limit} ${what}, and this would make ${count}. Take fewer.`);
  }
}

function mustBeNew(brand: Brand, added: readonly { id: string }[]): void {
  const ids = new Set<string>();
  for (const palette of brand.palettes) {
    ids.add(palette.id);
    palette.swatches.forEach((swatch) => ids.add(swatch.id));
  }
  for (const list of [brand.themes, brand.tokens, brand.destinations]) list.forEach((entity) => ids.add(entity.id));
  for (const { id } of added) {
    if (ids.has(id)) throw new Refusal('This is in the brand already.');
    ids.add(id);
  }
}

function mustHaveOwnPaths(brand: Brand, changed: readonly Token[]): void {
  const count = new Map<string, number>();
  for (const token of brand.tokens) count.set(token.path, (count.get(token.path) ?? 0) + 1);
  for (const { path } of changed) {
    if (count.get(path)! > 1) throw new Refusal(`There is a token ${path} already. Choose another path.`);
  }
}

function mustPointSomewhere(brand: Brand, changed: readonly Token[], themesOf: (token: Token) => readonly string[]): void {
  const tokens = new Map(brand.tokens.map((one) => [one.id, one]));
  const swatches = new Set(brand.palettes.flatMap((palette) => palette.swatches.map(({ id }) => id)));
  for (const token of changed) {
    for (const theme of themesOf(token)) {
      find(brand.themes, theme, 'theme');
      const value = token.values[theme]!;
      if ('swatch' in value && !swatches.has(value.swatch)) findSwatch(brand, value.swatch);
      if ('token' in value && !tokens.has(value.token)) find(brand.tokens, value.token, 'token');
      const cycle = findCycle(tokens, token.id, theme);
      if (cycle) throw new Refusal(`That would go round in a circle: ${cycle.join(' → ')}. Point it at something else.`);
    }
  }
}

function mustBeUnusedSwatches(brand: Brand, swatches: readonly Swatch[]): void {
  const gone = new Map(swatches.map((swatch) => [swatch.id, swatch.name]));
  const users = brand.tokens.filter((token) =>
    Object.values(token.values).some((value) => 'swatch' in value && gone.has(value.swatch)),
  );
  if (users.length > 0) {
    const what = swatches.length === 1 ? swatches[0]!.name : 'These swatches';
    throw new Refusal(`${what} cannot go while ${listed(users)} ${users.length === 1 ? 'points' : 'point'} there. Unlink first.`);
  }
}

function mustBeUnusedToken(brand: Brand, token: Token, gone: ReadonlySet<string>): void {
  const users = brand.tokens.filter(
    (one) =>
      !gone.has(one.id) &&
      (one.on.includes(token.id) || Object.values(one.values).some((value) => 'token' in value && value.token === token.id)),
  );
  if (users.length > 0) {
    throw new Refusal(`${token.path} cannot go while ${listed(users)} ${users.length === 1 ? 'uses' : 'use'} it. Unlink first.`);
  }
}

function listed(tokens: readonly Token[]): string {
  const shown = tokens.slice(0, 3).map((token) => token.path);
  const more = tokens.length - shown.length;
  return shown.join(', ') + (more > 0 ? ` and ${more} more` : '');
}
