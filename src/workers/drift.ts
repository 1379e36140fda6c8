import { proxy } from 'comlink';
import type { Brand } from '@/core/brand/document/document';
import type { OlderFiles } from '@/core/drift/compare-delivery';
import type { StoredFiles } from '@/core/release/bundle';
import type { DriftWorker, ShownFile } from './drift.worker';
import { keptWorker } from './kept-worker';

const inWorker = keptWorker<DriftWorker>(() => new Worker(new URL('./drift.worker.ts', import.meta.url), { type: 'module' }));

/** Compares delivered files with what a brand would deliver. @throws DOMException "AbortError" when stopped */
export function compareDelivered(
  brand: Brand,
  kept: StoredFiles,
  older: OlderFiles,
  files: readonly { readonly name: string; readonly file: File }[],
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<{ readonly compared: readonly ShownFile[]; readonly problems: readonly string[] }> {
  return inWorker((worker) => worker.compare(brand, kept, older, files, proxy(onProgress)), signal);
}
