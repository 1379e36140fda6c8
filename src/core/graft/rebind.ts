import type { Binding, Graft } from '../brand/document/graft-shape';
import type { Slots } from '../source/slots';
import type { Slot } from '../source/slot';

/** What becomes of the bindings when a newer host takes the place of the one they were made for. */
export interface Rebound {
  readonly bindings: Readonly<Record<string, Binding>>;
  readonly banks: Graft['banks'];
  /** Bindings whose slot was found at another place, by what it is called. */
  readonly moved: readonly { readonly from: string; readonly to: string }[];
  /** Places whose slot is not there any more; their bindings are given up. */
  readonly lost: readonly string[];
  /** Slots of the new host that no binding was made for, and that the old one had not. */
  readonly added: readonly Slot[];
}

/**
 * Takes bindings over to a newer host: by the same place in the structure under the same name, else by the name alone where
 * only one slot has it, else by the place alone where the host has the same colour there as before.
 */
export function rebind({ bindings, banks }: Pick<Graft, 'bindings' | 'banks'>, before: Slots, after: Slots): Rebound {
  const old = new Map(before.slots.map((slot) => [slot.key, slot]));
  const now = new Map(after.slots.map((slot) => [slot.key, slot]));
  const [oldNames, newNames] = [uniquely(before.slots), uniquely(after.slots)];
  const next: Record<string, Binding> = {};
  const moved: { from: string; to: string }[] = [];
  const open = new Set(Object.keys(bindings));
  const ways: readonly ((key: string, was: Slot) => Slot | undefined)[] = [
    (key, was) => (now.get(key)?.label === was.label ? now.get(key) : undefined),
    (_key, was) => (oldNames.has(nameOf(was)) ? newNames.get(nameOf(was)) : undefined),
    (key, was) => (now.get(key)?.literal.colour.hex === was.literal.colour.hex ? now.get(key) : undefined),
  ];
  for (const find of ways) {
    for (const key of open) {
      const was = old.get(key);
      const found = was && find(key, was);
      if (!found || found.key in next) continue;
      open.delete(key);
      next[found.key] = { ...bindings[key]!, was: found.literal.colour.hex };
      if (found.key !== key) moved.push({ from: key, to: found.key });
    }
  }
  const keys = new Set(after.banks.map(({ key }) => key));
  return {
    bindings: next,
    banks: Object.fromEntries(Object.entries(banks).filter(([key]) => keys.has(key))),
    moved,
    lost: [...open, ...Object.keys(banks).filter((key) => !keys.has(key))],
    added: after.slots.filter(
      (slot) => !(slot.key in next) && old.get(slot.key)?.label !== slot.label && !oldNames.has(nameOf(slot)),
    ),
  };
}

/** What a slot is called, together with what kind of place it stands in: keys without their numbers. */
function nameOf({ key, label }: Slot): string {
  return `${key.replace(/\[\d+\]|~\d+$/g, '')} ${label}`;
}

/** The slots whose name no other has. */
function uniquely(slots: readonly Slot[]): Map<string, Slot> {
  const named = new Map<string, Slot | null>();
  for (const slot of slots) named.set(nameOf(slot), named.has(nameOf(slot)) ? null : slot);
  return new Map([...named].flatMap(([name, slot]) => (slot ? [[name, slot] as const] : [])));
}
