import { join } from 'node:path';
import Piscina from 'piscina';
import { log } from './log';
import { Refused } from './refused';
import type * as worker from './writer.worker';

/** How long writing may take until its thread is ended by force, in milliseconds. */
const PATIENCE_MS = 60_000;
/** Heap of a thread, in megabytes. The largest brand takes a fifth of it. */
const MEMORY_MB = 512;
/** So many write beside each other, and so many wait. */
const THREADS = 2;
const MOST_WAITING = 16;
/** A thread that has had nothing to do for so long ends, in milliseconds. */
const IDLE_MS = 120_000;

/** Routes are bundled one by one; the threads are the same for all. */
const shared = globalThis as { breakwaterWriter?: Piscina };

function pool(): Piscina {
  return (shared.breakwaterWriter ??= new Piscina({
    filename: join(/* turbopackIgnore: true */ process.cwd(), '.next/writer.mjs'),
    minThreads: 0,
    maxThreads: THREADS,
    maxQueue: MOST_WAITING,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
  }));
}

/**
 * Writes in a thread of its own.
 * @throws Refused when too many wait, or when it takes too long or too much memory: then the thread is ended, for what it
 * computes cannot be asked to stop
 */
export async function inWriter<Name extends keyof typeof worker>(
  name: Name,
  asked: Parameters<(typeof worker)[Name]>[0],
): Promise<Awaited<ReturnType<(typeof worker)[Name]>>> {
  const signal = AbortSignal.timeout(PATIENCE_MS);
  try {
    return (await pool().run(asked, { name, signal })) as Awaited<ReturnType<(typeof worker)[Name]>>;
  } catch (error) {
    const { message, code } = error as NodeJS.ErrnoException;
    log.warn({ error }, 'files could not be written');
    if (signal.aborted)
      throw new Refused(
        413,
        `Writing these files takes longer than ${PATIENCE_MS / 1000} seconds and was stopped; make templates shorter, or ship to fewer destinations.`,
      );
    if (code === 'ERR_WORKER_OUT_OF_MEMORY')
      throw new Refused(413, `Writing these files takes more than ${MEMORY_MB} MB and was stopped; ship fewer tokens at once.`);
    if (message === 'Task queue is at limit')
      throw new Refused(503, 'Many files are being written just now; try again in a moment.');
    throw error;
  }
}
