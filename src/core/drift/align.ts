import { diffArrays } from 'diff';

/** A stretch that stands in both lists, or a stretch of the one where another of the other stands. */
export interface Stretch {
  readonly equal: boolean;
  /** Indices, the end left out. */
  readonly one: readonly [from: number, to: number];
  readonly two: readonly [from: number, to: number];
}

/** Lists that differ in more places than this have nothing to do with each other, and comparing them would take long. */
const MOST_EDITS = 4_000;

/**
 * Two lists laid beside each other so that as much as possible is equal (Myers 1986). Lists that differ in very much come
 * back as one stretch that is not equal.
 */
export function aligned(one: readonly string[], two: readonly string[]): Stretch[] {
  const parts = diffArrays([...one], [...two], { maxEditLength: MOST_EDITS });
  if (!parts) return [{ equal: false, one: [0, one.length], two: [0, two.length] }];
  const stretches: Stretch[] = [];
  let [at, beside] = [0, 0];
  for (const { added, removed, count } of parts) {
    const last = stretches.at(-1);
    if (!added && !removed) {
      stretches.push({ equal: true, one: [at, at + count], two: [beside, beside + count] });
      at += count;
      beside += count;
      continue;
    }
    const open = last && !last.equal ? stretches.pop()! : { one: [at, at] as const, two: [beside, beside] as const };
    if (removed) at += count;
    else beside += count;
    stretches.push({ equal: false, one: [open.one[0], at], two: [open.two[0], beside] });
  }
  return stretches;
}
