import type { ManifestEntry } from '@/core/release/bundle';
import { printable } from './patch';

/** What was written, a line a file: hash, bytes, path; or as JSON for programs. */
export function listFiles(rows: readonly ManifestEntry[], json: boolean): void {
  if (json) {
    const files = rows.map(({ format, path, bytes, sha256 }) => ({ format, path, bytes, sha256 }));
    process.stdout.write(JSON.stringify({ files }, null, 2) + '\n');
    return;
  }
  for (const row of rows)
    process.stdout.write(`${row.sha256.slice(0, 12)}  ${String(row.bytes).padStart(8)}  ${printable(row.path)}\n`);
}
