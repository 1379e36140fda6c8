import type { Brand } from '../brand/document/document';
import { textPairs, type TextPair } from '../findings/contrast';

/** A text on its ground whose contrast is another than it was, in one theme. */
export interface ContrastMove {
  /** null for a pair that there was not. */
  readonly before: TextPair | null;
  readonly now: TextPair;
}

/** Ratios that differ by less are told as the same two decimals. */
const SAME = 0.005;

/** Texts whose contrast has changed, theme by theme: what can no longer be read first, then what fell, the deepest fall first. */
export function contrastMoves(before: Brand | null, now: Brand): ContrastMove[] {
  const then = new Map((before ? textPairs(before) : []).map((pair) => [nameOf(pair), pair]));
  return textPairs(now)
    .map((pair): ContrastMove => ({ before: then.get(nameOf(pair)) ?? null, now: pair }))
    .filter((move) => !move.before || Math.abs(fall(move)) >= SAME)
    .sort((one, two) => Number(hasFailed(two)) - Number(hasFailed(one)) || fall(two) - fall(one));
}

/** Whether a text could be read and now cannot. */
export function hasFailed({ before, now }: ContrastMove): boolean {
  return !now.passes && (before === null || before.passes);
}

function fall({ before, now }: ContrastMove): number {
  return before ? before.ratio - now.ratio : 0;
}

function nameOf({ theme, text, surface }: TextPair): string {
  return `${theme.id} ${text.id} ${surface.id}`;
}
