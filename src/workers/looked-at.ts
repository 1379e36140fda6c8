import { wrap, type Remote } from 'comlink';
import type { LookedAtWorker } from './looked-at.worker';

/** A picture in a worker of its own, to be seen with other eyes and compared with the brand, until it is closed. */
export class LookedAtPicture {
  private readonly worker = new Worker(new URL('./looked-at.worker.ts', import.meta.url), { type: 'module' });
  readonly remote: Remote<LookedAtWorker> = wrap<LookedAtWorker>(this.worker);

  close(): void {
    this.worker.terminate();
  }
}
