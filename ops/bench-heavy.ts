/**
 * Files made to take endless time or memory, each given to the command line as a process of its own: how long it takes,
 * and the most memory that the process held. Prints the table that stands in docs/performance.md.
 */
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { HEAVY_FILES } from '../tests/heavy-files';

/** How often the memory of a process is looked at, in milliseconds; the system itself keeps the most there ever was. */
const LOOK_MS = 10;

const folder = mkdtempSync(join(tmpdir(), 'breakwater-heavy-'));
const rows: string[] = [];
// The bundle is made before anything is measured.
await measured(['formats']);
const [control] = await measured(['formats']);
for (const [what, name, make] of HEAVY_FILES) {
  const path = join(folder, name);
  const bytes = make();
  writeFileSync(path, bytes);
  const [seconds, megabytes] = await measured(['inspect', path, '--json']);
  rows.push(`| ${what} | ${Math.round(bytes.length / 1024)} | ${seconds.toFixed(1)} | ${megabytes.toFixed(0)} |`);
}
rmSync(folder, { recursive: true });
process.stdout.write(
  `\n| a file of | KB | seconds | MB |\n|---|---|---|---|\n${rows.join('\n')}\nControl of the same run: the list of formats takes ${control!.toFixed(1)} s.\n\n`,
);

/** Seconds from start to end, and the most memory in MB. */
async function measured(args: readonly string[]): Promise<[number, number]> {
  const started = performance.now();
  const child = spawn('bin/breakwater', args, { stdio: 'ignore' });
  let most = 0;
  const look = setInterval(() => {
    try {
      const status = readFileSync(`/proc/${child.pid}/status`, 'utf8');
      most = Math.max(most, Number(/VmHWM:\s+(\d+)/.exec(status)?.[1] ?? 0));
    } catch {
      // It has ended between two looks.
    }
  }, LOOK_MS);
  await new Promise((resolve) => child.once('exit', resolve));
  clearInterval(look);
  return [(performance.now() - started) / 1000, most / 1024];
}
