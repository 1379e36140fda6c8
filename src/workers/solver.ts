import { proxy } from 'comlink';
import type { Categorical, CategoricalSet } from '@/core/palette/categorical';
import type { Run } from '@/core/palette/runs';
import type { Settled, Unsettled } from '@/core/palette/settle';
import type { DerivedTheme } from '@/core/brand/tools/derive-theme';
import type { Brand } from '@/core/brand/document/document';
import type { ThemeRecipe } from '@/core/brand/document/theme-shape';
import { keptWorker } from './kept-worker';
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
export function settleAll(
  colours: readonly Unsettled[],
  limit: number,
  runs: readonly Run[],
  signal: AbortSignal,
): Promise<Settled> {
  return inWorker((worker) => worker.settle(colours, limit, runs), signal);
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

const inWorker = keptWorker<SolverWorker>(() => new Worker(new URL('./solver.worker.ts', import.meta.url), { type: 'module' }));
