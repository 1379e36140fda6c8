import { FORMATS } from '@/core/formats/registry';

export function listFormats(options: { json?: boolean }): void {
  const rows = FORMATS.map(({ id, title, family, extensions, read, write }) => ({
    id,
    title,
    family,
    extensions,
    reads: read !== undefined,
    writes: write !== undefined,
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
