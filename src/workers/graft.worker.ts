import { expose, transfer } from 'comlink';
import type { Proposed } from '@/core/graft/sure-bindings';
import type { Brand } from '@/core/brand/document/document';
import type { Graft } from '@/core/brand/document/graft-shape';
import { readHost, type Host, type HostWishes } from '@/core/graft/host';
import { Proposer } from '@/core/graft/propose';
import { rebind, type Rebound } from '@/core/graft/rebind';
import { writeOnto } from '@/core/graft/write-graft';
import type { Finding } from '@/core/findings/finding';
import { notationOf, untouchedHash } from '@/core/source/graft';
import type { FoundOrders } from '@/core/source/byte-order';
import type { Problem } from '@/core/source/problem';
import type { SourceKind } from '@/core/source/scan';

/** A slot as a page shows it. */
export interface ShownSlot {
  readonly key: string;
  readonly label: string;
  readonly text: string;
  readonly notation: string;
  readonly hex: string;
  readonly alpha: number;
  readonly line: number;
  /** Where it begins and ends in its line, from 0; one over several lines ends with its first. */
  readonly from: number;
  readonly to: number;
}

/** A run of slots as a page shows it. */
export interface ShownBank {
  readonly key: string;
  /** Indices of its slots. */
  readonly slots: readonly number[];
  /** Whether its entries can be told from each other, so that it may grow and shrink. */
  readonly resizable: boolean;
}

/** A host as a page shows it. */
export interface ShownHost {
  readonly text: string;
  readonly kind: SourceKind;
  readonly lines: number;
  readonly orders: FoundOrders;
  readonly slots: readonly ShownSlot[];
  readonly banks: readonly ShownBank[];
  readonly spokenOf: number;
  readonly problems: readonly Problem[];
}

export interface WrittenHost {
  readonly bytes: Uint8Array | null;
  readonly changes: number;
  /** SHA-256 of all other bytes, which are the host's. */
  readonly untouched: string;
  readonly findings: readonly Finding[];
}

let host: Host | null = null;

const api = {
  /** Reads a host and keeps it. @param onProgress told the share read, 0..1 @returns one sentence when it can be none */
  open(name: string, bytes: Uint8Array, wishes: HostWishes, onProgress: (share: number) => void): ShownHost | string {
    const read = readHost(name, bytes, wishes, onProgress);
    if (typeof read === 'string') return read;
    host = read;
    return shown(read);
  },
  /** The kept host as a graft would be written. */
  async write(brand: Brand, graft: Graft): Promise<WrittenHost> {
    const { source } = host!;
    const { bytes, edits, findings } = writeOnto(brand, graft, host!);
    if (!bytes) return { bytes, changes: 0, untouched: '', findings };
    const untouched = await untouchedHash(source, edits, bytes);
    return transfer({ bytes, changes: edits.length, untouched, findings }, [bytes.buffer]);
  },
  propose(brand: Brand, theme: string): Proposed {
    const { slots, banks } = host!.found;
    const proposer = new Proposer(brand, theme);
    return {
      slots: Object.fromEntries(slots.map((slot) => [slot.key, proposer.forSlot(slot, 3)])),
      banks: Object.fromEntries(
        banks.flatMap((bank) => {
          const proposal = proposer.forBank(bank.slots.map((at) => slots[at]!));
          return proposal ? [[bank.key, proposal]] : [];
        }),
      ),
    };
  },
  /** What becomes of a graft's bindings on a newer host. @returns a sentence when it can be none */
  rebind(name: string, bytes: Uint8Array, graft: Pick<Graft, 'bindings' | 'banks' | 'order' | 'asides'>): Rebinding | string {
    const read = readHost(name, bytes, graft);
    if (typeof read === 'string') return read;
    const { added, ...rest } = rebind(graft, host!.found, read.found);
    return { ...rest, added: added.map(({ key }) => key), slots: read.found.slots.length };
  },
};

/** What becomes of bindings, with places only. */
export interface Rebinding extends Omit<Rebound, 'added'> {
  readonly added: readonly string[];
  /** How many slots the newer host has. */
  readonly slots: number;
}

function shown({ source, found }: Host): ShownHost {
  const { slots, banks, kind, orders, spokenOf, problems } = found;
  return {
    text: source.text,
    kind,
    lines: source.lineCount,
    orders,
    spokenOf,
    problems,
    banks: banks.map(({ key, slots: members, entries }) => ({ key, slots: members, resizable: entries !== null })),
    slots: slots.map((slot): ShownSlot => {
      const { key, label, span, literal } = slot;
      const { line, column } = source.placeOf(span.from);
      const end = Math.min(span.to, source.lineSpan(line).to);
      const { hex, alpha } = literal.colour;
      return {
        key,
        label,
        text: literal.text,
        notation: notationOf(literal),
        hex,
        alpha,
        line,
        from: column - 1,
        to: column - 1 + end - span.from,
      };
    }),
  };
}

export type GraftWorker = typeof api;

expose(api);
