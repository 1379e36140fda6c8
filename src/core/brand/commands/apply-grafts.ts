import { edited, find, mustBeNew, mustFit, mustStillBe, Refusal, type StepResult } from './apply-parts';
import type { Step } from './commands';
import { type Brand } from '../document/document';
import { LIMITS } from '../document/fields';
import { type Graft } from '../document/graft-shape';
import { insertBefore, replaced, runsOf, without } from '../document/lists';

type GraftStep = Extract<Step, { do: `graft.${string}` }>;

export function isGraftStep(step: Step): step is GraftStep {
  return step.do.startsWith('graft.');
}

export function applyGraftStep(brand: Brand, step: GraftStep): StepResult {
  if (step.do === 'graft.add') {
    mustBeNew(brand, [step.graft]);
    mustFit(brand.grafts.length + 1, LIMITS.grafts, 'grafts');
    const grafts = insertBefore(brand.grafts, [step.graft], step.before);
    return { brand: { ...brand, grafts }, inverse: [{ do: 'graft.remove', id: step.graft.id }] };
  }
  const graft = find(brand.grafts, step.id, 'graft');
  switch (step.do) {
    case 'graft.edit': {
      const { next, back } = edited(graft, step, graft.path);
      return withGraft(brand, next, { do: step.do, id: step.id, ...back });
    }
    case 'graft.bind': {
      const { next, back } = entries(graft.bindings, step, graft.path);
      return withGraft(brand, { ...graft, bindings: next }, { do: step.do, id: step.id, ...back });
    }
    case 'graft.bank': {
      const { next, back } = entries(graft.banks, step, graft.path);
      return withGraft(brand, { ...graft, banks: next }, { do: step.do, id: step.id, ...back });
    }
    case 'graft.remove': {
      const gone = new Set([step.id]);
      const back = runsOf(brand.grafts, gone).map(({ before }): Step => ({ do: 'graft.add', graft, before }));
      return { brand: { ...brand, grafts: without(brand.grafts, gone) }, inverse: back };
    }
  }
}

function withGraft(brand: Brand, graft: Graft, back: Step): StepResult {
  if (Object.keys(graft.bindings).length + Object.keys(graft.banks).length > LIMITS.bindings)
    throw new Refusal(`A graft holds at most ${LIMITS.bindings} bindings; bind fewer slots.`);
  return { brand: { ...brand, grafts: replaced(brand.grafts, graft) }, inverse: [back] };
}

type Entries<T> = Record<string, T | null>;

/** Some entries of a record replaced, added, or by null taken away, and what puts them back. */
function entries<T>(record: Record<string, T>, { set, was }: { set: Entries<T>; was?: Entries<T> | undefined }, label: string) {
  const keys = Object.keys(set);
  const held: Entries<T> = Object.fromEntries(keys.map((key) => [key, record[key] ?? null]));
  mustStillBe(held, was, label);
  const next = Object.fromEntries(
    Object.entries({ ...record, ...set }).filter((entry): entry is [string, T] => entry[1] !== null),
  );
  return { next, back: { set: held, was: set } };
}
