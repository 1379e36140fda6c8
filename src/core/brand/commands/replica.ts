import { apply } from './apply';
import type { Brand } from '../document/document';
import { readyToSend, type Command } from './commands';

/** A command with the key that lets the server recognise it when it comes twice. */
export interface Pending {
  readonly key: string;
  readonly command: Command;
}

/** A command the server has accepted, as every page hears of it. */
export interface Change extends Pending {
  /** Place in the brand's log, counting from 1. */
  readonly seq: number;
}

/**
 * One page's copy of a brand. `confirmed` is the server's document after change `seq`; `brand` is that with this
 * page's own commands on top, which the server has not answered yet. Whatever the order in which commands of
 * several pages reach the server, every page folds the same log and so ends with the same document.
 */
export interface Replica {
  readonly seq: number;
  readonly confirmed: Brand;
  readonly pending: readonly Pending[];
  readonly brand: Brand;
}

/** A waiting command that no longer applies, with the sentence that says why. */
export interface Dropped {
  readonly pending: Pending;
  readonly refusal: string;
}

/** What became of a command of this page. */
export type Enqueued =
  | { readonly replica: Replica; readonly inverse: Command; readonly pending: Pending }
  /** The sentence that refuses it. */
  | { readonly refusal: string };

/** Applies a command of this page at once, as it is to be sent. */
export function enqueue(replica: Replica, { key, command }: Pending): Enqueued {
  const read = readyToSend(command);
  if (typeof read === 'string') return { refusal: read };
  const applied = apply(replica.brand, read);
  if (!applied.ok) return { refusal: applied.refusal };
  const pending = { key, command: read };
  return {
    replica: { ...replica, pending: [...replica.pending, pending], brand: applied.brand },
    inverse: applied.inverse,
    pending,
  };
}

/**
 * Takes in the server's next change, one's own or another page's. Changes already known are passed over.
 * @returns null when a change in between is missing: the page must ask for what follows `replica.seq`.
 */
export function receive(replica: Replica, change: Change): { replica: Replica; dropped: Dropped[] } | null {
  if (change.seq <= replica.seq) return { replica, dropped: [] };
  if (change.seq !== replica.seq + 1) return null;
  const [first, ...others] = replica.pending;
  const isOurs = first?.key === change.key;
  if (isOurs && others.length === 0) {
    // The usual case while working alone: the shown document is what the server has now.
    return { replica: { seq: change.seq, confirmed: replica.brand, pending: [], brand: replica.brand }, dropped: [] };
  }
  const applied = apply(replica.confirmed, change.command);
  if (!applied.ok) throw new Error(`Change ${change.seq} does not apply to the confirmed brand: ${applied.refusal}`);
  if (isOurs) {
    // The others stand on it already, so that what is shown stays as it is, however many wait.
    return { replica: { ...replica, seq: change.seq, confirmed: applied.brand, pending: others }, dropped: [] };
  }
  return rebased({
    seq: change.seq,
    confirmed: applied.brand,
    pending: replica.pending.filter((waiting) => waiting.key !== change.key),
    brand: applied.brand,
  });
}

/** Takes out a command that the server refused. */
export function withdraw(replica: Replica, key: string): { replica: Replica; dropped: Dropped[] } {
  return rebased({ ...replica, pending: replica.pending.filter((waiting) => waiting.key !== key) });
}

function rebased(replica: Replica): { replica: Replica; dropped: Dropped[] } {
  let brand = replica.confirmed;
  const pending: Pending[] = [];
  const dropped: Dropped[] = [];
  for (const waiting of replica.pending) {
    const applied = apply(brand, waiting.command);
    if (applied.ok) {
      brand = applied.brand;
      pending.push(waiting);
    } else dropped.push({ pending: waiting, refusal: applied.refusal });
  }
  return { replica: { ...replica, pending, brand }, dropped };
}
