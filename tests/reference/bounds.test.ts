/** What is made to take endless time or memory, given to the command line as a process of its own with less memory than it may use. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { BAD_FILES } from '../bad-files';
import { HEAVY_FILES } from '../heavy-files';

const folder = mkdtempSync(join(tmpdir(), 'breakwater-bounds-'));
/** Far more than it takes (docs/performance.md): what never ends is told from what is slow today. */
const PATIENCE_MS = 120_000;
const MEMORY_MB = 256;
const MOST_OUTPUT = 16 * 1024 * 1024;

const all = [...HEAVY_FILES, ...BAD_FILES.map(([what, name, bytes]) => [what, name, () => bytes] as const)];

test.each(all)('%s: the command line answers, within its memory, in few words', (_what, name, make) => {
  const path = join(folder, name);
  writeFileSync(path, make());
  const { status, signal, stdout, stderr } = spawnSync('bin/breakwater', ['inspect', path, '--json'], {
    encoding: 'utf8',
    timeout: PATIENCE_MS,
    maxBuffer: MOST_OUTPUT,
    env: { ...process.env, NODE_OPTIONS: `--max-old-space-size=${MEMORY_MB}` },
  });
  expect([signal, stderr.length < 1_000, [0, 2].includes(status!)]).toEqual([null, true, true]);
  // No entity is expanded, no other file read, no control character handed on.
  expect(stdout + stderr).not.toMatch(/haha|root:|\\u001b|\\u0007|[\u0007\u001b]/);
  if (status === 2) expect([stdout, stderr.trim().split('\n')]).toEqual(['', [expect.stringMatching(/^breakwater: .*[.)]$/)]]);
  else {
    const { problems } = JSON.parse(stdout) as { problems: { message: string }[] };
    for (const { message } of problems.slice(0, 50))
      expect([message.length < 400, message]).toEqual([true, expect.stringMatching(/\.$/)]);
  }
});
