import type { IntakeLine } from '@/core/intake/catch';
import type { SourceFile } from '@/core/intake/reader';
import type { WebPage } from '@/core/intake/web/web-page';
import { proxy, wrap } from 'comlink';
import type { IntakeWorker, SourceIntake, Wish } from './intake.worker';

/**
 * Reads a file, a pasted text or a page of the web in a worker, so that the page goes on answering whatever it is.
 * @throws DOMException "AbortError" when stopped
 */
export async function readInWorker(
  file: SourceFile | File | WebPage,
  wish: Wish,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<SourceIntake> {
  const worker = new Worker(new URL('./intake.worker.ts', import.meta.url), { type: 'module' });
  const stopped = new Promise<never>((_, reject) => signal.addEventListener('abort', () => reject(signal.reason as Error)));
  const lines: IntakeLine[] = [];
  const onLines = async (batch: readonly IntakeLine[]) => void lines.push(...batch);
  try {
    const outcome = await Promise.race([wrap<IntakeWorker>(worker).read(file, wish, proxy(onProgress), proxy(onLines)), stopped]);
    return { ...outcome, lines };
  } finally {
    worker.terminate();
  }
}
