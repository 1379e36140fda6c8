import type { Brand } from '../document/brand-shape';
import { problemsOf, refusalOf } from '../document/check';
import { applyDifference } from './apply-difference';
import { turned } from '../document/difference';
import { addEntities, editEntities, moveEntities, Refusal, removeEntities, type Done } from './carry-out';
import type { Command, Step } from './commands';
import { withoutLostGrounds } from './lost-grounds';
import { tableStep, writtenStep, type EditStep, type TableStep } from './table-step';

export type Applied =
  { readonly ok: true; readonly brand: Brand; readonly inverse: Command } | { readonly ok: false; readonly refusal: string };

/**
 * Carries out a command on a brand. Pure and total: the given brand is untouched, parts that did not change are
 * shared with the answer, and what cannot be done is refused with one sentence for the person, the whole command with it.
 * What has to hold in a document is looked at when all steps are done, so that two tokens may change places.
 * @returns the new brand and the command that takes it back: applied at once, it restores the same document byte for byte.
 */
export function apply(brand: Brand, command: Command): Applied {
  let current = brand;
  const inverse: Step[][] = [];
  try {
    for (const group of inGroups(withoutLostGrounds(brand, command.steps))) {
      const done = carriedOut(current, group);
      current = done.brand;
      inverse.push(done.inverse.map(writtenStep));
    }
  } catch (error) {
    if (error instanceof Refusal) return { ok: false, refusal: error.message };
    throw error;
  }
  for (const problem of problemsOf(current, brand)) return { ok: false, refusal: refusalOf(brand, current, problem) };
  return { ok: true, brand: current, inverse: { label: command.label, steps: inverse.reverse().flat() } };
}

type Group = readonly EditStep[] | Exclude<TableStep, EditStep>;

/** Edits of different entities of a kind are made in one pass: a slider that moves all of a palette edits every swatch in each frame. */
function inGroups(steps: readonly Step[]): Group[] {
  const groups: Group[] = [];
  let edits: EditStep[] = [];
  let seen = new Set<string>();
  for (const step of steps.map(tableStep)) {
    const goesOn = step.verb === 'edit' && step.kind === edits[0]?.kind && step.record === edits[0].record && !seen.has(step.id);
    if (goesOn) {
      edits.push(step);
      seen.add(step.id);
    } else if (step.verb === 'edit') {
      groups.push((edits = [step]));
      seen = new Set([step.id]);
    } else {
      groups.push(step);
      edits = [];
    }
  }
  return groups;
}

function carriedOut(brand: Brand, step: Group): Done {
  if (!('verb' in step)) return editEntities(brand, step);
  switch (step.verb) {
    case 'add':
      return addEntities(brand, step);
    case 'remove':
      return removeEntities(brand, step);
    case 'move':
      return moveEntities(brand, step);
    case 'restore': {
      const inverse = [{ verb: 'restore', difference: turned(step.difference) } as const];
      return { brand: applyDifference(brand, step.difference), inverse };
    }
  }
}
