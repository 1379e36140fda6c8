import type { Command } from '../commands/commands';
import type { Brand } from '../document/brand-shape';
import { isNone } from '../document/difference';
import { differenceOf } from './difference-of';

/**
 * The edit that makes a brand what it was in another state of it: a change like any other, one step that carries the difference, which is undone
 * like any other and rewrites no history. What is there in both keeps its id.
 * @returns null when both are the same
 */
export function restoreCommand(now: Brand, then: Brand, label: string): Command | null {
  const difference = differenceOf(now, then);
  return isNone(difference) ? null : { label, steps: [{ do: 'brand.restore', difference }] };
}
