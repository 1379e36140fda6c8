import { edited, find, listed, moved, mustBeNew, mustFit, Refusal, type StepResult } from './apply-parts';
import { applyGraftStep, isGraftStep } from './apply-grafts';
import { applyTokenStep, editTokens, isTokenStep, mustPointSomewhere, tokenEdits } from './apply-tokens';
import { insertBefore, replaced, runsOf, without } from '../document/lists';
import { type Brand, type Palette, type Swatch, type TokenValue } from '../document/document';
import { LIMITS } from '../document/fields';
import type { Command, Step } from './commands';

export type Applied =
  { readonly ok: true; readonly brand: Brand; readonly inverse: Command } | { readonly ok: false; readonly refusal: string };

/**
 * Carries out a command on a brand. Pure and total: the given brand is untouched, parts that did not change are
 * shared with the answer, and what cannot be done is refused with one sentence for the person, the whole command with it.
 * @returns the new brand and the command that takes it back: applied at once, it restores the same document byte for byte.
 */
export function apply(brand: Brand, command: Command): Applied {
  let current = brand;
  const inverse: Step[][] = [];
  try {
    for (let at = 0; at < command.steps.length;) {
      const swatches = swatchEdits(command.steps, at);
      const tokens = tokenEdits(command.steps, at);
      const result =
        swatches.length > 0
          ? editSwatches(current, swatches)
          : tokens.length > 0
            ? editTokens(current, tokens)
            : applyStep(current, command.steps[at]!);
      current = result.brand;
      inverse.push(result.inverse);
      at += Math.max(1, swatches.length, tokens.length);
    }
  } catch (error) {
    if (error instanceof Refusal) return { ok: false, refusal: error.message };
    throw error;
  }
  return { ok: true, brand: current, inverse: { label: command.label, steps: inverse.reverse().flat() } };
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
  if (isTokenStep(step)) return applyTokenStep(brand, step);
  if (isGraftStep(step)) return applyGraftStep(brand, step);
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
      mustPointSomewhere(next, tokens, () => [step.theme.id]);
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
    case 'art.add': {
      mustBeNew(brand, [step.art]);
      mustFit(brand.art.length + 1, LIMITS.art, 'pieces of art');
      return {
        brand: { ...brand, art: insertBefore(brand.art, [step.art], step.before) },
        inverse: [{ do: 'art.remove', id: step.art.id }],
      };
    }
    case 'art.edit': {
      const art = find(brand.art, step.id, 'art');
      const { next, back } = edited(art, step, art.path);
      return { brand: { ...brand, art: replaced(brand.art, next) }, inverse: [{ do: step.do, id: step.id, ...back }] };
    }
    case 'art.remove': {
      const art = find(brand.art, step.id, 'art');
      const gone = new Set([step.id]);
      return {
        brand: { ...brand, art: without(brand.art, gone) },
        inverse: runsOf(brand.art, gone).map((run) => ({ do: 'art.add', art, before: run.before })),
      };
    }
    case 'finding.accept': {
      const { acceptance } = step;
      mustBeNew(brand, [acceptance]);
      mustFit(brand.acceptances.length + 1, LIMITS.acceptances, 'accepted findings');
      if (brand.acceptances.some(({ finding }) => finding === acceptance.finding))
        throw new Refusal('This has been accepted already.');
      return {
        brand: { ...brand, acceptances: insertBefore(brand.acceptances, [acceptance], step.before) },
        inverse: [{ do: 'finding.withdraw', id: acceptance.id }],
      };
    }
    case 'finding.withdraw': {
      const acceptance = find(brand.acceptances, step.id, 'acceptance');
      const gone = new Set([step.id]);
      return {
        brand: { ...brand, acceptances: without(brand.acceptances, gone) },
        inverse: runsOf(brand.acceptances, gone).map((run) => ({ do: 'finding.accept', acceptance, before: run.before })),
      };
    }
    case 'field.add': {
      mustBeNew(brand, [step.field]);
      mustFit(brand.fields.length + 1, LIMITS.fields, 'fields');
      const next = { ...brand, fields: insertBefore(brand.fields, [step.field], step.before) };
      mustPinTokens(next, step.field.id);
      return { brand: next, inverse: [{ do: 'field.remove', id: step.field.id }] };
    }
    case 'field.edit': {
      const field = find(brand.fields, step.id, 'field');
      const { next, back } = edited(field, step, field.name);
      const after = { ...brand, fields: replaced(brand.fields, next) };
      mustPinTokens(after, field.id);
      return { brand: after, inverse: [{ do: step.do, id: step.id, ...back }] };
    }
    case 'field.remove': {
      const field = find(brand.fields, step.id, 'field');
      const gone = new Set([step.id]);
      return {
        brand: { ...brand, fields: without(brand.fields, gone) },
        inverse: runsOf(brand.fields, gone).map((run) => ({ do: 'field.add', field, before: run.before })),
      };
    }
  }
}

function findSwatch(brand: Brand, id: string): { palette: Palette; swatch: Swatch } {
  for (const palette of brand.palettes) {
    const swatch = palette.swatches.find((swatch) => swatch.id === id);
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

function mustPinTokens(brand: Brand, id: string): void {
  const tokens = new Set(brand.tokens.map((token) => token.id));
  const lost = brand.fields
    .find((field) => field.id === id)!
    .values.find(({ token }) => token !== undefined && !tokens.has(token));
  if (lost) throw new Refusal(`The token that ${lost.text} is pinned to is no longer there; somebody may have deleted it.`);
}
