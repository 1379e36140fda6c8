import { execFile } from 'node:child_process';
import { join } from 'node:path';
import { bounded } from '../database/bounded';
import type { ForeignJobs } from './foreign.program';
import { log } from '../http/log';
import { onePerProcess } from '../database/one-per-process';
import { Refused } from '../http/refused';

/** How long one piece of work may take, in milliseconds, and its answer, in bytes. */
const PATIENCE_MS = 20_000;
const LONGEST = 16 * 1024 * 1024;

type Job = keyof ForeignJobs;

const turn = () =>
  onePerProcess('foreign files', () => bounded(1, 8, 'Many files are being decoded just now; try again in a moment.'));

/**
 * Decodes a file of a stranger in a process of its own, which gets nothing of the server's environment.
 * @param failed the sentence for a file that cannot be decoded
 */
export function foreign<Name extends Job>(
  job: Name,
  asked: Parameters<ForeignJobs[Name]>[0],
  failed: string,
): Promise<Awaited<ReturnType<ForeignJobs[Name]>>> {
  return turn()(
    () =>
      new Promise((resolve, reject) => {
        const program = join(/* turbopackIgnore: true */ process.cwd(), '.next/foreign.mjs');
        const options = {
          timeout: PATIENCE_MS,
          killSignal: 'SIGKILL',
          maxBuffer: LONGEST,
          env: { PATH: process.env.PATH, NODE_ENV: process.env.NODE_ENV },
        } as const;
        const child = execFile(process.execPath, ['--max-old-space-size=256', program], options, (error, stdout, stderr) => {
          if (error) {
            const said = stderr.split('\n').find((line) => /^\w*Error: /.test(line));
            log.warn({ error: new Error(said ?? error.message) }, 'a file could not be decoded');
            reject(new Refused(400, failed));
          } else resolve(JSON.parse(stdout) as Awaited<ReturnType<ForeignJobs[Name]>>);
        });
        // A program that has ended does not read on; how it ended is told above.
        child.stdin!.on('error', (error) => log.debug({ error }, 'a program stopped reading'));
        child.stdin!.end(JSON.stringify({ job, asked }));
      }),
  );
}
