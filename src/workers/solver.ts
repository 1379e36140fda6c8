import { proxy, wrap, type Remote } from 'comlink';
import type { Categorical, CategoricalSet } from '@/core/palette/categorical';
import type { Settled, Unsettled } from '@/core/palette/settle';
import type { DerivedTheme } from '@/core/brand/derive-theme';
import type { Brand, ThemeRecipe } from '@/core/brand/document';
import type { SolverWorker } from './solver.worker';

/** @throws DOMException "AbortError" when stopped */
export function findCategories(
  wish: Categorical,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<CategoricalSet> {
  return inWorker((worker) => worker.categorical(wish, proxy(onProgress)), signal);
}

/** @throws DOMException "AbortError" when stopped */
export function settleAll(colours: readonly Unsettled[], limit: number, signal: AbortSignal): Promise<Settled> {
  return inWorker((worker) => worker.settle(colours, limit), signal);
}

/** @throws DOMException "AbortError" when stopped */
export function derive(
  brand: Brand,
  from: string,
  into: string | null,
  recipe: ThemeRecipe,
  signal: AbortSignal,
): Promise<DerivedTheme> {
  return inWorker((worker) => worker.derive(brand, from, into, recipe), signal);
}

interface Started {
  readonly worker: Worker;
  /** Wrapped once: when a wrapping is collected as garbage, the worker hears nothing any more. */
  readonly remote: Remote<SolverWorker>;
}

/** The worker at rest, kept for the next time: starting one costs more than most of its work. */
let resting: Started | null = null;

function start(): Started {
  const worker = new Worker(new URL('./solver.worker.ts', import.meta.url), { type: 'module' });
  return { worker, remote: wrap<SolverWorker>(worker) };
}

async function inWorker<T>(work: (worker: Remote<SolverWorker>) => Promise<T>, signal: AbortSignal): Promise<T> {
  const started = resting ?? start();
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
    // Its computation cannot be asked to stop half-way.
    started.worker.terminate();
    throw error;
  } finally {
    signal.removeEventListener('abort', stop);
  }
}
