import { wrap, type Remote } from 'comlink';

interface Started<Api> {
  readonly worker: Worker;
  /** Wrapped once: when a wrapping is collected as garbage, the worker hears nothing any more. */
  readonly remote: Remote<Api>;
}

/**
 * One worker kept for the next time, because starting one costs more than most of its work.
 * @param start makes the worker
 * @returns runs a task in it. @throws DOMException "AbortError" when stopped: then the worker is ended, for its
 * computation cannot be asked to stop half-way
 */
export function keptWorker<Api>(
  start: () => Worker,
): <T>(work: (worker: Remote<Api>) => Promise<T>, signal: AbortSignal) => Promise<T> {
  let resting: Started<Api> | null = null;
  return async (work, signal) => {
    const worker = resting?.worker ?? start();
    const started = resting ?? { worker, remote: wrap<Api>(worker) };
    resting = null;
    let stop = () => {};
    const stopped = new Promise<never>((_, reject) => (stop = () => reject(signal.reason as Error)));
    signal.addEventListener('abort', stop);
    try {
      const result = await Promise.race([work(started.remote), stopped]);
      if (resting) started.worker.terminate();
      else resting = started;
      return result;
    } catch (error) {
      started.worker.terminate();
      throw error;
    } finally {
      signal.removeEventListener('abort', stop);
    }
  };
}
