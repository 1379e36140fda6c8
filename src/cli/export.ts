import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { brandFromReading } from '@/core/brand/from-reading';
import type { Brand } from '@/core/brand/document';
import { manifestEntry, type ManifestEntry } from '@/core/formats/bundle';
import { brandFile, parseBrandFile } from '@/core/formats/brand-file';
import type { WrittenFile } from '@/core/formats/format';
import { FORMATS, formatById, writeDestination } from '@/core/formats/registry';
import { fail } from './failure';
import { load, readingOf } from './input';

interface Options {
  to: string;
  out: string;
  theme?: string;
  json?: boolean;
}

export async function exportFiles(path: string, options: Options): Promise<void> {
  const brand = await brandOf(path);
  const themes = options.theme === undefined ? brand.themes : brand.themes.filter((theme) => theme.name === options.theme);
  if (themes.length === 0) {
    fail(`there is no theme “${options.theme}”; this brand has ${brand.themes.map((theme) => theme.name).join(', ')}.`);
  }
  const ids = options.to === 'all' ? FORMATS.filter((format) => format.write).map((format) => format.id) : options.to.split(',');
  const written: { file: WrittenFile; format: string }[] = [];
  for (const id of ids) {
    if (!formatById(id)?.write) fail(`there is no format “${id}” to write; “breakwater formats” lists them.`);
    // The brand's own destinations carry the options its people chose; a format it does not ship to takes the defaults.
    const own = brand.destinations.filter((destination) => destination.format === id);
    for (const destination of own.length > 0 ? own : [{ name: id, format: id, options: {} }]) {
      const { files, problems } = writeDestination(brand, destination, themes);
      for (const problem of problems) {
        if (problem.severity === 'error') fail(problem.message);
        process.stderr.write(`breakwater: ${problem.message}\n`);
      }
      written.push(...files.map((file) => ({ file, format: id })));
    }
  }
  // Nothing is written before everything could be.
  const rows: ManifestEntry[] = [];
  for (const { file, format } of written) {
    const target = join(options.out, file.path);
    mkdirSync(dirname(target), { recursive: true });
    writeFileSync(target, file.bytes);
    rows.push(await manifestEntry(file, format));
  }
  if (options.json) {
    const files = rows.map(({ format, path: filePath, bytes, sha256 }) => ({ format, path: filePath, bytes, sha256 }));
    process.stdout.write(JSON.stringify({ files }, null, 2) + '\n');
    return;
  }
  for (const row of rows) process.stdout.write(`${row.sha256.slice(0, 12)}  ${String(row.bytes).padStart(8)}  ${row.path}\n`);
}

async function brandOf(path: string): Promise<Brand> {
  const file = load(path);
  if (await brandFile.read!(file, {})) {
    const parsed = parseBrandFile(new TextDecoder().decode(file.bytes));
    if ('brand' in parsed) return parsed.brand;
    fail(`${file.name}: ${parsed.problems[0]!.message}`);
  }
  return brandFromReading(file.name.replace(/\.[^.]+$/, ''), await readingOf(file));
}
