import { FORMATS, formatById } from '@/core/formats/registry';
import { readerById, READERS } from '@/core/intake/readers';

export function listFormats(options: { json?: boolean }): void {
  const onlyRead = READERS.filter(({ id }) => !formatById(id));
  const rows = [...FORMATS, ...onlyRead].map(({ id, title, family, extensions }) => ({
    id,
    title,
    family,
    extensions,
    reads: readerById(id) !== undefined,
    writes: formatById(id) !== undefined,
  }));
  if (options.json) {
    process.stdout.write(JSON.stringify(rows, null, 2) + '\n');
    return;
  }
  for (const row of rows) {
    const does = [row.reads && 'reads', row.writes && 'writes'].filter(Boolean).join(', ');
    process.stdout.write(`${row.id.padEnd(14)} ${row.title} (${row.family}; ${does}; ${row.extensions.join(' ')})\n`);
  }
}
