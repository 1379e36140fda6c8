import { expose } from 'comlink';
import type { Brand } from '@/core/brand/document/document';
import { Delivery, type ComparedFile, type DeliveredFile, type OlderFiles } from '@/core/drift/compare-delivery';
import { isPacked, unpackDelivery } from '@/core/drift/unpack-delivery';
import type { StoredFiles } from '@/core/release/bundle';
import { bytesOf } from './decode';

/** A delivered file as a page shows it, with its own bytes, for one that is put right keeps the rest of them. */
export interface ShownFile extends ComparedFile {
  readonly bytes: Uint8Array;
}

/** Office files are zips too, and are one file each. */
const OFFICE = /\.(?:xlsx|thmx|pptx|docx)$/i;

const api = {
  /** Compares files with what a brand would deliver; zips and packages are unpacked. @returns the files, and a sentence for each that cannot be compared */
  async compare(
    brand: Brand,
    kept: StoredFiles,
    older: OlderFiles,
    files: readonly { readonly name: string; readonly file: File }[],
    onProgress: (share: number) => void,
  ): Promise<{ readonly compared: readonly ShownFile[]; readonly problems: readonly string[] }> {
    const delivery = await Delivery.of(brand, kept, (share) => void onProgress(share / 2));
    const compared: ShownFile[] = [];
    const problems: string[] = [];
    for (const [at, { name, file }] of files.entries()) {
      const bytes = await bytesOf(file);
      const unpacked = isPacked(bytes) && !OFFICE.test(name) ? unpackDelivery(bytes) : [{ name, bytes } satisfies DeliveredFile];
      if (typeof unpacked === 'string') problems.push(`${name}: ${unpacked}`);
      else for (const one of unpacked) compared.push({ ...(await delivery.compare(one, older)), bytes: one.bytes });
      onProgress(0.5 + (at + 1) / files.length / 2);
    }
    return { compared, problems };
  },
};

export type DriftWorker = typeof api;

expose(api);
