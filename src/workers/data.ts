import { transfer, wrap, type Remote } from 'comlink';
import type { DataWorker } from './data.worker';

/** A table of data in a worker of its own, until it is closed. */
export class OpenData {
  private readonly worker = new Worker(new URL('./data.worker.ts', import.meta.url), { type: 'module' });
  readonly remote: Remote<DataWorker> = wrap<DataWorker>(this.worker);

  /** @returns one sentence when there is nothing to draw */
  open(name: string, bytes: Uint8Array, known: Parameters<DataWorker['open']>[2]): ReturnType<Remote<DataWorker>['open']> {
    return this.remote.open(name, transfer(bytes, [bytes.buffer]), known);
  }

  close(): void {
    this.worker.terminate();
  }
}
