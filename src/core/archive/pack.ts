import { zipFiles } from '../formats/kit/zip';
import { ARCHIVE_PATHS, type BrandArchive } from './archive';

/** A brand whole as one zip. The same brand gives the same bytes. */
export function packArchive({ head, changes, files }: BrandArchive): Uint8Array {
  const encoder = new TextEncoder();
  const lines = changes.map((change) => `${JSON.stringify(change)}\n`).join('');
  return zipFiles([
    { path: ARCHIVE_PATHS.head, bytes: encoder.encode(`${JSON.stringify(head, null, 1)}\n`) },
    { path: ARCHIVE_PATHS.changes, bytes: encoder.encode(lines) },
    ...[...files].map(([sha256, bytes]) => ({ path: `${ARCHIVE_PATHS.files}${sha256}`, bytes })),
  ]);
}
