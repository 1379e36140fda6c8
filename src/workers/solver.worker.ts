import { expose } from 'comlink';
import { deriveTheme, type DerivedTheme } from '@/core/brand/tools/derive-theme';
import type { Brand } from '@/core/brand/document/document';
import type { ThemeRecipe } from '@/core/brand/document/theme-shape';
import { categorical, type Categorical, type CategoricalSet } from '@/core/palette/categorical';
import type { Run } from '@/core/palette/runs';
import { settle, type Settled, type Unsettled } from '@/core/palette/settle';

const api = {
  categorical: (wish: Categorical, onProgress: (share: number) => void): CategoricalSet =>
    categorical(wish, (share) => void onProgress(share)),
  derive: (brand: Brand, from: string, into: string | null, recipe: ThemeRecipe): DerivedTheme =>
    deriveTheme(brand, from, into, recipe),
  settle: (colours: readonly Unsettled[], limit: number, runs: readonly Run[]): Settled => settle(colours, limit, runs),
};

export type SolverWorker = typeof api;

expose(api);
