import { expose, transfer } from 'comlink';
import type { Brand } from '@/core/brand/document/document';
import type { Destination } from '@/core/brand/document/destination-shape';
import { bundle, manifestFile, type StoredFiles } from '@/core/release/bundle';
import type { Written } from '@/core/formats/kit/format';
import { writeDestination } from '@/core/formats/registry';
import { zipFiles } from '@/core/formats/kit/zip';

export interface Packed {
  /** Null when something stops it. */
  readonly zip: Uint8Array | null;
  readonly problem: string;
}

const api = {
  write: (brand: Brand, destination: Destination): Written => writeDestination(brand, destination),

  async packAll(brand: Brand, hosts: StoredFiles, onProgress: (share: number) => void): Promise<Packed> {
    const { files, manifest, findings } = await bundle(brand, hosts, onProgress);
    const error = findings.find(({ severity }) => severity === 'error');
    if (error) return { zip: null, problem: error.message };
    const zip = zipFiles([...files, manifestFile(brand, manifest)]);
    return transfer({ zip, problem: '' }, [zip.buffer]);
  },
};

export type ShipperWorker = typeof api;
expose(api);
