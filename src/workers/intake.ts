import { proxy, wrap } from 'comlink';
import type { Earlier } from '@/core/formats/catch';
import type { SourceFile } from '@/core/formats/format';
import type { Intake, IntakeWorker } from './intake.worker';

/**
 * Reads a file or a pasted text in a worker, so that the page goes on answering whatever it is.
 * @param earlier what is in the catch already, which its colours are compared with
 * @throws DOMException "AbortError" when stopped
 */
export async function takeIn(
  file: SourceFile,
  earlier: readonly Earlier[],
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<Intake> {
  const worker = new Worker(new URL('./intake.worker.ts', import.meta.url), { type: 'module' });
  const stopped = new Promise<never>((_, reject) => signal.addEventListener('abort', () => reject(signal.reason as Error)));
  try {
    return await Promise.race([wrap<IntakeWorker>(worker).read(file, earlier, proxy(onProgress)), stopped]);
  } finally {
    worker.terminate();
  }
}
