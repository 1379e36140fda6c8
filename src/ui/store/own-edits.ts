import { conflictsOf, overtakenBy, unguarded, type Overtaken } from '@/core/brand/history/overtaken';
import type { Command } from '@/core/brand/commands/commands';
import type { Pending } from '@/core/brand/commands/replica';
import type { ToldChange } from '@/core/brand/commands/told-change';
import type { BrandStore } from './brand-state';
import { tell } from '../notices';

/** How many own edits, and for how long, are told of when somebody overtakes them: longer ago nobody minds. */
const RECENT = { count: 50, ms: 10 * 60_000 };
/** A refused edit waits so long for the change that it met, in milliseconds; then its refusal is told as it is. */
const EXPLAINED_MS = 3_000;

/** What becomes of a page's own edits when somebody else's meet them: told with both values, or asked about. */
export class OwnEdits {
  /** Keys of edits that were made while the server was out of reach, or by an earlier page. */
  private readonly waited = new Set<string>();
  /** Edits that waited and were refused, until it is known what they met. */
  private readonly unexplained = new Map<string, { readonly pending: Pending; readonly sentence: string }>();
  /** One's own edits of late, by their keys. */
  private readonly recent = new Map<string, { readonly command: Command; readonly at: number }>();

  constructor(private readonly store: BrandStore) {}

  hasWaited(key: string): boolean {
    return this.waited.has(key);
  }

  waits(key: string): void {
    this.waited.add(key);
  }

  remember({ key, command }: Pending): void {
    const now = Date.now();
    this.recent.set(key, { command, at: now });
    for (const [old, { at }] of this.recent) if (this.recent.size > RECENT.count || now - at > RECENT.ms) this.recent.delete(old);
  }

  /** An edit will not be kept. One that waited, and met a later one of somebody else, asks; any other says why. */
  giveUp(pending: Pending, sentence: string): void {
    this.recent.delete(pending.key);
    if (!this.waited.has(pending.key)) return tell(`${pending.command.label} was not kept: ${sentence}`);
    this.unexplained.set(pending.key, { pending, sentence });
    this.explain();
    setTimeout(() => {
      if (this.unexplained.delete(pending.key)) tell(`${pending.command.label} was not kept: ${sentence}`);
    }, EXPLAINED_MS);
  }

  /** Asks about refused edits as soon as what they met has arrived here. */
  explain(): void {
    const { getState: get, setState: set } = this.store;
    for (const [key, { pending }] of this.unexplained) {
      const fields = conflictsOf(get().replica.confirmed, pending.command);
      if (fields.length === 0) continue;
      this.unexplained.delete(key);
      const by = get().touched.get(fields[0]!.entity)?.by ?? 'somebody else';
      set(({ conflicts }) => ({ conflicts: [...conflicts, { key, command: unguarded(pending.command), fields, by }] }));
    }
  }

  /** Tells what of one's own late edits somebody else has set otherwise; what still waits here comes after theirs. */
  tellOvertaken(change: ToldChange): void {
    const { replica } = this.store.getState();
    for (const [key, { command }] of this.recent) {
      if (replica.pending.some((pending) => pending.key === key)) continue;
      const fields = overtakenBy(replica.confirmed, command, change.command);
      if (fields.length === 0) continue;
      this.recent.delete(key);
      const [{ what, theirs, mine }] = fields as [Overtaken, ...Overtaken[]];
      const more = fields.length > 1 ? ` And ${fields.length - 1} more of that edit.` : '';
      tell(`${change.by} has set ${what} to ${theirs.words}; you had set it to ${mine.words}.${more}`, {
        words: 'Set it to mine again',
        run: () => void this.store.getState().run(unguarded(command)),
      });
    }
  }
}
