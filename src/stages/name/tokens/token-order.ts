import { shortened } from '@/core/base/storable';
import type { Command } from '@/core/brand/commands/commands';
import type { Brand } from '@/core/brand/document/document';
import type { Token } from '@/core/brand/document/token-shape';
import { moveInto } from './token-edits';

/** The order of tokens: what files list, and what charts take their colours by. */

const groupOf = ({ path }: Token) => path.slice(0, Math.max(0, path.lastIndexOf('.')));

/** Where a token goes that is dropped on another: behind it when it comes from above in the same group, and before it otherwise. */
export function sideOf(brand: Brand, dragged: string, target: string): 'before' | 'after' {
  const [from, to] = [dragged, target].map((id) => brand.tokens.findIndex((token) => token.id === id)) as [number, number];
  const isSameGroup = groupOf(brand.tokens[from]!) === groupOf(brand.tokens[to]!);
  return isSameGroup && from < to ? 'after' : 'before';
}

/** A token beside another, in that one's group. @returns the command, or the sentence that says why it cannot be done */
export function placedAt(brand: Brand, dragged: string, target: string): Command | { readonly refusal: string } {
  const [token, beside] = [dragged, target].map((id) => brand.tokens.find((each) => each.id === id)!) as [Token, Token];
  const side = sideOf(brand, dragged, target);
  const rename = groupOf(token) === groupOf(beside) ? null : moveInto(brand, 'token', token.path, groupOf(beside));
  if (rename && 'refusal' in rename) return rename;
  const before = side === 'before' ? target : nextOf(brand, target, new Set([dragged]));
  const label = shortened(`Move ${token.path} ${side === 'before' ? 'before' : 'behind'} ${beside.path}`, 200);
  return { label, steps: [...(rename?.steps ?? []), { do: 'token.move', ids: [dragged], before }] };
}

/** Tokens of one group one place up or down in it. @returns null where they stand at its end already, or are of several groups */
export function nudged(brand: Brand, tokens: readonly Token[], by: 'up' | 'down'): Command | null {
  const [first] = tokens;
  if (!first || tokens.some((token) => groupOf(token) !== groupOf(first))) return null;
  const chosen = new Set(tokens.map(({ id }) => id));
  const siblings = brand.tokens.filter((token) => groupOf(token) === groupOf(first));
  const ids = siblings.filter(({ id }) => chosen.has(id)).map(({ id }) => id);
  const edge = siblings.findIndex(({ id }) => id === (by === 'up' ? ids[0] : ids.at(-1)));
  const past = siblings[by === 'up' ? edge - 1 : edge + 1];
  if (!past) return null;
  const before = by === 'up' ? past.id : nextOf(brand, past.id, chosen);
  const name = tokens.length === 1 ? first.path : `${tokens.length} tokens`;
  return { label: `Move ${name} ${by}`, steps: [{ do: 'token.move', ids, before }] };
}

/** What follows a token, those that are moved left out. */
function nextOf(brand: Brand, id: string, moved: ReadonlySet<string>): string | null {
  const at = brand.tokens.findIndex((token) => token.id === id);
  return brand.tokens.slice(at + 1).find((token) => !moved.has(token.id))?.id ?? null;
}
