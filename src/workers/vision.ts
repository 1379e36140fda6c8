import { wrap, type Remote } from 'comlink';
import type { VisionWorker } from './vision.worker';

/** A picture in a worker of its own, to be seen with other eyes, until it is closed. */
export class SeenPicture {
  private readonly worker = new Worker(new URL('./vision.worker.ts', import.meta.url), { type: 'module' });
  readonly remote: Remote<VisionWorker> = wrap<VisionWorker>(this.worker);

  close(): void {
    this.worker.terminate();
  }
}
