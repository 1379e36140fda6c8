import { expose } from 'comlink';
import { categorical, type Categorical, type CategoricalSet } from '@/core/palette/categorical';
import { settle, type Settled, type Unsettled } from '@/core/palette/settle';

const api = {
  categorical: (wish: Categorical, onProgress: (share: number) => void): CategoricalSet =>
    categorical(wish, (share) => void onProgress(share)),
  settle: (colours: readonly Unsettled[], limit: number): Settled => settle(colours, limit),
};

export type PaletteWorker = typeof api;

expose(api);
