import { proxy, wrap } from 'comlink';
import { catchColours, TEXT_LIMIT, type CatchLine } from '@/core/formats/text';
import type { CatchWorker } from './catch.worker';

/** Shorter texts are read in a few milliseconds, faster than a worker starts. */
const AT_ONCE = 50_000;

/**
 * Reads a pasted text, a long one in a worker so that the page goes on answering.
 * @throws RangeError with the sentence when the text is too long; DOMException "AbortError" when stopped
 */
export async function readText(text: string, onProgress: (share: number) => void, signal: AbortSignal): Promise<CatchLine[]> {
  const bytes = new Blob([text]).size;
  if (bytes > TEXT_LIMIT) {
    throw new RangeError(
      `This text is ${(bytes / 1_048_576).toFixed(1)} MB and Breakwater reads up to 5 MB at once; paste it in parts.`,
    );
  }
  if (text.length < AT_ONCE) return catchColours(text);
  const worker = new Worker(new URL('./catch.worker.ts', import.meta.url), { type: 'module' });
  const stopped = new Promise<never>((_, reject) => signal.addEventListener('abort', () => reject(signal.reason as Error)));
  try {
    return await Promise.race([wrap<CatchWorker>(worker).catchColours(text, proxy(onProgress)), stopped]);
  } finally {
    worker.terminate();
  }
}
