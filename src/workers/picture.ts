import { proxy, wrap, type Remote } from 'comlink';
import type { EntryParts } from '@/core/intake/intake';
import type { Extracted, Wanted } from '@/core/image/extract';
import type { Pixels } from '@/core/image/pixels';
import type { PictureWorker, Preview } from './picture.worker';

/** A picture kept decoded in a worker of its own, until it is closed. */
export class OpenPicture {
  private worker: Worker;
  private remote: Remote<PictureWorker>;
  private opened: Promise<EntryParts[] | null | 'damaged'>;

  constructor(private readonly file: File) {
    this.worker = OpenPicture.start();
    this.remote = wrap<PictureWorker>(this.worker);
    this.opened = this.remote.open(file);
  }

  private static start(): Worker {
    return new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' });
  }

  /** The picture's colours when it is a palette; null for any other. */
  exact(): Promise<EntryParts[] | null | 'damaged'> {
    return this.opened;
  }

  /** @throws DOMException "AbortError" when stopped, also while it is being decoded; the picture stays open */
  async extract(wanted: Wanted, onProgress: (share: number) => void, signal: AbortSignal): Promise<Extracted[]> {
    let stop = () => {};
    const stopped = new Promise<never>((_, reject) => {
      stop = () => {
        // Neither decoding nor computing can be asked to stop half-way, so the worker ends and another takes the picture up.
        this.worker.terminate();
        this.worker = OpenPicture.start();
        this.remote = wrap<PictureWorker>(this.worker);
        this.opened = this.remote.open(this.file);
        reject(signal.reason as Error);
      };
    });
    signal.addEventListener('abort', stop);
    try {
      await Promise.race([this.opened, stopped]);
      return await Promise.race([this.remote.extract(wanted, proxy(onProgress)), stopped]);
    } finally {
      signal.removeEventListener('abort', stop);
    }
  }

  /** The picture at most so many pixels wide, to be shown; null when it is damaged. */
  async preview(most: number): Promise<Preview | null> {
    await this.opened;
    return this.remote.preview(most);
  }

  /** The square of pixels about a place, `reach` on each side; null when it is damaged. */
  async around(x: number, y: number, reach: number): Promise<Pixels | null> {
    await this.opened;
    return this.remote.around(x, y, reach);
  }

  close(): void {
    this.worker.terminate();
  }
}
