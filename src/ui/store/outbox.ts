import { apply } from '@/core/brand/commands/apply';
import { withdraw, type Dropped, type Pending, type Replica } from '@/core/brand/commands/replica';
import { COMMAND_VERSION } from '@/core/brand/document/versions';
import { guarded } from '@/core/brand/history/overtaken';
import { Declined, request } from '../asked/request';
import { tell } from '../notices';
import type { BrandStore } from './brand-state';
import type { OwnEdits } from './own-edits';
import { QueueStorage } from './queue-storage';
import { showReplica } from './view';

/** Commands and bytes in one request; the server takes at most 200 and 8 MB. */
const SEND_COUNT = 100;
const SEND_BYTES = 4 * 1024 * 1024;
/** How long a page that cannot send waits before it tries again, in milliseconds: at first, and at most. */
const PAUSE = { first: 500, most: 5_000 };

type Outcome = { readonly key: string; readonly seq: number } | { readonly key: string; readonly refusal: string };

/** The page's edits on their way to the server: on disk first, then sent in order, until the server has taken or refused each. */
export class Outbox {
  private readonly storage: QueueStorage;
  /** Keys of edits that the disk had no room for. */
  private readonly unstored = new Set<string>();
  private sending = false;
  private retry: ReturnType<typeof setTimeout> | undefined;
  private pause = 0;

  constructor(
    private readonly store: BrandStore,
    private readonly own: OwnEdits,
    private readonly onTurnedAway: () => void,
    brand: string,
    person: string,
  ) {
    this.storage = new QueueStorage(person, brand);
  }

  /** Whether everything would still be there if the page were closed now. */
  get isSafe(): boolean {
    return this.unstored.size === 0;
  }

  /** Takes in an edit that has just been done here. */
  add(pending: Pending): void {
    this.storeOnDisk(pending);
    if (!this.store.getState().connected) this.own.waits(pending.key);
    this.own.remember(pending);
  }

  /** Takes up what an earlier page left on disk. The server may have it already, so it is not applied here again. */
  takeUp(): void {
    const { pending, unreadable } = this.storage.all();
    if (unreadable > 0) tell(`${unreadable} earlier edits on this disk cannot be read by this version; they were left there.`);
    const known = new Set(this.store.getState().replica.pending.map(({ key }) => key));
    const leftOnDisk = pending.filter(({ key }) => !known.has(key));
    for (const { key } of leftOnDisk) this.own.waits(key);
    this.store.setState({ leftOnDisk });
    void this.send();
  }

  /** The server is there again. */
  sendAtOnce(): void {
    this.pause = 0;
    void this.send();
  }

  /** Sends what waits, in order, one request at a time; tries again for as long as the page is open. */
  async send(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    clearTimeout(this.retry);
    let batch = this.nextBatch();
    try {
      for (; batch.length > 0; batch = this.nextBatch()) await this.sendBatch(batch);
      this.pause = 0;
    } catch (error) {
      this.notSent(batch, error);
    } finally {
      this.sending = false;
    }
  }

  /** Stops trying again. */
  close(): void {
    clearTimeout(this.retry);
  }

  /** The server has it, or will never take it. */
  forget(key: string): void {
    this.storage.forget(key);
    this.unstored.delete(key);
  }

  /** Shows a replica; edits that no longer stand on it are given up. */
  show(replica: Replica, dropped: readonly Dropped[]): void {
    showReplica(this.store, replica);
    for (const { pending, refusal } of dropped) {
      this.forget(pending.key);
      this.own.giveUp(pending, refusal);
    }
  }

  private async sendBatch(changes: readonly Pending[]): Promise<void> {
    const { outcomes } = await request<{ outcomes: readonly Outcome[] }>(
      `/api/brands/${this.store.getState().id}/changes`,
      'POST',
      { version: COMMAND_VERSION, changes },
    );
    this.store.setState({ connected: true, keptAt: new Date() });
    for (const outcome of outcomes) {
      if ('refusal' in outcome) this.drop(outcome.key, outcome.refusal);
      else this.acknowledge(outcome.key, outcome.seq);
    }
  }

  private notSent(batch: readonly Pending[], error: unknown): void {
    // Whoever was signed out, or has no part here any more, may have one again: until then the edits wait on disk.
    const isTurnedAway = error instanceof Declined && (error.status === 401 || error.status === 404);
    if (error instanceof Declined && error.status < 500 && !isTurnedAway) {
      // Only what was sent: what has been done since stands on its own.
      for (const { key } of batch) this.drop(key, error.message);
      this.retry = setTimeout(() => void this.send(), 0);
      return;
    }
    // Nothing is lost: out of reach, failing or turned away, the edits wait on disk.
    if (error instanceof Declined && this.pause === 0) tell(`${error.message} Your edits wait here.`);
    this.store.setState({ connected: false });
    this.guardWaiting();
    this.pause = Math.min(PAUSE.most, this.pause * 2 || PAUSE.first);
    this.retry = setTimeout(() => void this.send(), this.pause);
    if (isTurnedAway) this.onTurnedAway();
  }

  /** What waits from now on may meet later edits of others when it is sent. The server knows by its key what it has already. */
  private guardWaiting(): void {
    const { replica, acknowledged } = this.store.getState();
    let brand = replica.confirmed;
    const pending = replica.pending.map((each) => {
      const before = brand;
      const applied = apply(brand, each.command);
      if (applied.ok) brand = applied.brand;
      if (acknowledged.has(each.key) || this.own.hasWaited(each.key)) return each;
      this.own.waits(each.key);
      const asking = { ...each, command: guarded(before, each.command) };
      if (!this.unstored.has(each.key)) this.storeOnDisk(asking);
      return asking;
    });
    this.store.setState({ replica: { ...replica, pending } });
  }

  private storeOnDisk(pending: Pending): void {
    try {
      this.storage.keep(pending);
    } catch (error) {
      if (!(error instanceof DOMException)) throw error;
      this.unstored.add(pending.key);
      tell('This edit is too large for this browser’s disk; keep the page open until the header says it is kept.');
    }
  }

  private nextBatch(): Pending[] {
    const { replica, acknowledged, leftOnDisk } = this.store.getState();
    const batch: Pending[] = [];
    let bytes = 0;
    for (const pending of [...leftOnDisk, ...replica.pending]) {
      if (acknowledged.has(pending.key)) continue;
      bytes += JSON.stringify(pending.command).length;
      if (batch.length > 0 && (bytes > SEND_BYTES || batch.length >= SEND_COUNT)) break;
      batch.push(pending);
    }
    return batch;
  }

  private acknowledge(key: string, seq: number): void {
    this.forget(key);
    const { replica, leftOnDisk, acknowledged } = this.store.getState();
    if (leftOnDisk.some((change) => change.key === key))
      this.store.setState({ leftOnDisk: leftOnDisk.filter((change) => change.key !== key) });
    else if (seq > replica.seq) this.store.setState({ acknowledged: new Set(acknowledged).add(key) });
  }

  private drop(key: string, sentence: string): void {
    this.forget(key);
    const { replica, leftOnDisk } = this.store.getState();
    const pending = [...leftOnDisk, ...replica.pending].find((change) => change.key === key);
    this.store.setState({ leftOnDisk: leftOnDisk.filter((change) => change.key !== key) });
    const withdrawn = withdraw(replica, key);
    this.show(withdrawn.replica, withdrawn.dropped);
    if (pending) this.own.giveUp(pending, sentence);
  }
}
