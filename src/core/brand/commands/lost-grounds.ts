import type { Brand } from '../document/brand-shape';
import { tokensOf } from '../reading/resolve';
import type { Step } from './commands';

/**
 * Steps in which no token is set on one that is not there. Removing a token takes it off all lists of what others are set on, so an edit that was made
 * up before that, and arrives later, loses it likewise, instead of being refused for it.
 */
export function withoutLostGrounds(brand: Brand, steps: readonly Step[]): readonly Step[] {
  const added = new Set(steps.flatMap((step) => tokensAddedBy(step)));
  const isThere = (id: string) => tokensOf(brand).has(id) || added.has(id);
  const kept = <T extends { on?: readonly string[] | undefined }>(fields: T): T =>
    fields.on?.every(isThere) === false ? { ...fields, on: fields.on.filter(isThere) } : fields;
  return steps.map((step): Step => {
    if (step.do === 'token.add') return { ...step, tokens: step.tokens.map(kept) };
    if (step.do === 'token.edit') return { ...step, set: kept(step.set) };
    return step;
  });
}

function tokensAddedBy(step: Step): string[] {
  if (step.do === 'token.add') return step.tokens.map(({ id }) => id);
  if (step.do !== 'brand.restore') return [];
  return step.difference.added.flatMap(({ kind, entity }) => (kind === 'token' ? [entity.id] : []));
}
