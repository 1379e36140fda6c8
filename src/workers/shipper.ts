import { proxy } from 'comlink';
import type { Brand } from '@/core/brand/document/document';
import type { Destination } from '@/core/brand/document/destination-shape';
import type { StoredFiles } from '@/core/release/bundle';
import type { Written } from '@/core/formats/kit/format';
import { keptWorker } from './kept-worker';
import type { Packed, ShipperWorker } from './shipper.worker';

const inWorker = keptWorker<ShipperWorker>(() => new Worker(new URL('./shipper.worker.ts', import.meta.url), { type: 'module' }));

/** Every destination and graft of a brand in one archive. @throws DOMException "AbortError" when stopped */
export function packAll(
  brand: Brand,
  hosts: StoredFiles,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<Packed> {
  return inWorker((worker) => worker.packAll(brand, hosts, proxy(onProgress)), signal);
}

/** One destination's files, where writing them may take long. @throws DOMException "AbortError" when stopped */
export function writeBeside(brand: Brand, destination: Destination, signal: AbortSignal): Promise<Written> {
  return inWorker((worker) => worker.write(brand, destination), signal);
}
