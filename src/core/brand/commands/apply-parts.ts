import { canonical } from '../document/canonical';
import type { Step } from './commands';
import type { Brand, Token } from '../document/document';
import { insertBefore, runsOf, without } from '../document/lists';

/** What steps of every kind are carried out with. */

/** Carries the sentence of a refusal out of a step; it never leaves `apply`. */
export class Refusal extends Error {}

export interface StepResult {
  readonly brand: Brand;
  /** In the order in which they take the step back. */
  readonly inverse: Step[];
}

/**
 * Fields replaced, and the edit that puts them back provided that they still are what this edit made them. Null stands
 * for a field that is not there.
 */
export function edited<T extends object, S extends { [K in keyof T]?: T[K] | null | undefined }>(
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

export function mustStillBe(held: object, was: object | undefined, label: string): void {
  if (!was) return;
  const now = held as Record<string, unknown>;
  const changed = Object.entries(was).some(([key, value]) => canonical(now[key]) !== canonical(value));
  if (changed) throw new Refusal(`${label} has been changed since, so the later change was left as it is.`);
}

export function moved<T extends { id: string }>(list: T[], entity: T, before: string | null) {
  const gone = new Set([entity.id]);
  return {
    list: insertBefore(without(list, gone), [entity], before),
    back: runsOf(list, gone)[0]!.before,
  };
}

export function find<T extends { id: string }>(list: readonly T[], id: string, what: string): T {
  const found = list.find((entity) => entity.id === id);
  if (!found) throw new Refusal(`That ${what} is no longer there; somebody may have deleted it.`);
  return found;
}

export function mustFit(count: number, limit: number, what: string): void {
  if (count > limit) {
    throw new Refusal(`A brand holds at most ${limit} ${what}, and this would make ${count}. Take fewer.`);
  }
}

export function mustBeNew(brand: Brand, added: readonly { id: string }[]): void {
  const ids = new Set<string>();
  for (const palette of brand.palettes) {
    ids.add(palette.id);
    palette.swatches.forEach((swatch) => ids.add(swatch.id));
  }
  for (const list of [brand.themes, brand.tokens, brand.destinations, brand.grafts, brand.art, brand.acceptances, brand.fields])
    list.forEach((entity) => ids.add(entity.id));
  for (const { id } of added) {
    if (ids.has(id)) throw new Refusal('This is in the brand already.');
    ids.add(id);
  }
}

export function listed(tokens: readonly Token[]): string {
  const shown = tokens.slice(0, 3).map((token) => token.path);
  const more = tokens.length - shown.length;
  return shown.join(', ') + (more > 0 ? ` and ${more} more` : '');
}
