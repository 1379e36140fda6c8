import { wrap, type Remote } from 'comlink';
import type { ArtWorker } from './art.worker';

/** Sheets kept decoded in a worker of their own, until they are closed. */
export class OpenArt {
  private readonly worker = new Worker(new URL('./art.worker.ts', import.meta.url), { type: 'module' });
  readonly remote: Remote<ArtWorker> = wrap<ArtWorker>(this.worker);

  close(): void {
    this.worker.terminate();
  }
}
