import type { Binding, Graft } from '../brand/document/graft-shape';
import type { BankProposal, Proposal } from './propose';

/** What every slot and every run of a host may be bound to, the nearest first: by their keys. */
export interface Proposed {
  readonly slots: Readonly<Record<string, readonly Proposal[]>>;
  readonly banks: Readonly<Record<string, BankProposal>>;
}

/** A slot is bound without asking where its colour is this near (ΔE2000), and a run where it is so in the mean. */
const SURE = 2;
const SURE_RUN = 3;

/**
 * Runs and slots that are not bound yet and whose proposals are as good as equal. The slots of a run that is sure are
 * left to it.
 * @param banks with the indices of their slots
 * @param bound indices of the slots that are bound already
 */
export function sureBindings(
  {
    slots,
    banks,
  }: {
    readonly slots: readonly { readonly key: string; readonly hex: string }[];
    readonly banks: readonly { readonly key: string; readonly slots: readonly number[] }[];
  },
  bound: { has(at: number): boolean },
  proposed: Proposed,
): { slots: Record<string, Binding>; banks: Graft['banks'] } {
  const sure: { slots: Record<string, Binding>; banks: Graft['banks'] } = { slots: {}, banks: {} };
  const inRun = new Set<number>();
  for (const { key, slots: members } of banks) {
    const proposal = proposed.banks[key];
    if (!proposal || proposal.deltaE > SURE_RUN || members.some((at) => bound.has(at))) continue;
    sure.banks[key] = { palette: proposal.palette, resize: false };
    for (const at of members) inRun.add(at);
  }
  for (const [at, { key, hex }] of slots.entries()) {
    const [proposal] = proposed.slots[key] ?? [];
    if (proposal && proposal.deltaE <= SURE && !bound.has(at) && !inRun.has(at)) sure.slots[key] = { to: proposal.to, was: hex };
  }
  return sure;
}
