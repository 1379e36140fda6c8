import { zipSync } from 'fflate';
import type { WrittenFile } from './format';

/** A zip of the files. Times are fixed, so equal files give an equal archive. */
export function zipFiles(files: readonly Pick<WrittenFile, 'path' | 'bytes'>[]): Uint8Array {
  const EPOCH = new Date(1980, 0, 1);
  return zipSync(Object.fromEntries(files.map((file) => [file.path, [file.bytes, { mtime: EPOCH }]])));
}
