import { expose } from 'comlink';
import { catchColours, type CatchLine } from '@/core/formats/text';

const api = {
  catchColours(text: string, onProgress: (share: number) => void): CatchLine[] {
    return catchColours(text, onProgress);
  },
};

export type CatchWorker = typeof api;

expose(api);
