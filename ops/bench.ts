/**
 * Measures everything that has an aim, part after part, each in a process of its own so that none finds another's memory. Each
 * part prints its tables, which stand in docs/performance.md; at the end comes one table of all that was measured against its aim.
 *   npm run bench [part ...]   some parts only
 */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { AIMS_FILE, aimsTable } from './bench-aims';
import { watchStolen } from './stolen';

const PARTS = ['core', 'files', 'prove', 'drag', 'load', 'tokens', 'ship', 'heavy', 'search'];

const wanted = process.argv.slice(2);
const unknown = wanted.find((part) => !PARTS.includes(part));
if (unknown) throw new Error(`There is no part “${unknown}”; npm run bench [${PARTS.join('|')}]`);

const folder = mkdtempSync(join(tmpdir(), 'breakwater-aims-'));
const file = join(folder, 'aims');
writeFileSync(file, '');
const failed: string[] = [];
const stolen: string[] = [];
for (const part of wanted.length > 0 ? wanted : PARTS) {
  const share = watchStolen();
  const { status } = spawnSync(process.execPath, ['--import', 'tsx', `ops/bench-${part}.ts`], {
    stdio: 'inherit',
    env: { ...process.env, [AIMS_FILE]: file },
  });
  stolen.push(`${part} ${share().toFixed(0)} %`);
  if (status !== 0) failed.push(part);
}
process.stdout.write(
  `\n${aimsTable(file)}\nOf the processor time that was wanted, the host gave to others: ${stolen.join(', ')}.\n`,
);
rmSync(folder, { recursive: true });
if (failed.length > 0) throw new Error(`Not measured to the end: ${failed.join(', ')}.`);
