import { zipFiles } from '../formats/kit/zip';
import { ARCHIVE_PATHS, type BrandArchive } from './archive';
import { proofsOf } from './proofs';

/** A brand whole as one zip. The same brand gives the same bytes. */
export async function packArchive({ head, changes, files }: BrandArchive): Promise<Uint8Array> {
  const encoder = new TextEncoder();
  const lines = changes.map((change) => ({ seq: change.seq, text: JSON.stringify(change) }));
  const proofs = await proofsOf(JSON.stringify(head.first), lines, head.releases);
  return zipFiles([
    { path: ARCHIVE_PATHS.head, bytes: encoder.encode(`${JSON.stringify({ ...head, proofs }, null, 1)}\n`) },
    { path: ARCHIVE_PATHS.changes, bytes: encoder.encode(lines.map(({ text }) => `${text}\n`).join('')) },
    ...[...files].map(([sha256, bytes]) => ({ path: `${ARCHIVE_PATHS.files}${sha256}`, bytes })),
  ]);
}
