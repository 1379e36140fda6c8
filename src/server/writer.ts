import { join } from 'node:path';
import { LRUCache } from 'lru-cache';
import Piscina from 'piscina';
import { bounded } from './bounded';
import type { Standing } from './documents';
import { log } from './log';
import { metrics } from './metrics';
import { onePerProcess } from './one-per-process';
import { Refused } from './refused';
import type { WrittenFile } from '@/core/formats/kit/format';
import type * as worker from './writer.worker';

/** How long writing may take until its thread is ended by force, in milliseconds. */
const PATIENCE_MS = 60_000;
/** Heap of a thread, in megabytes. The largest brand takes a fifth of it. */
const MEMORY_MB = 512;
/** So many write beside each other, and so many wait; of one brand, one writes and so many wait. */
const THREADS = 2;
const MOST_WAITING = 16;
const MOST_OF_A_BRAND = 4;
/** A thread that has had nothing to do for so long ends, in milliseconds. */
const IDLE_MS = 120_000;
/** Bytes of what was written and is kept for whoever asks for the same of the same change. */
const KEPT_BYTES = 32 * 1024 * 1024;

const BUSY = 'Many files are being written just now; try again in a moment.';

type Jobs = typeof worker;
type Job = keyof Jobs;
type Result<Name extends Job> = Awaited<ReturnType<Jobs[Name]>>;

function make() {
  return {
    pool: new Piscina({
      filename: join(/* turbopackIgnore: true */ process.cwd(), '.next/writer.mjs'),
      minThreads: 0,
      maxThreads: THREADS,
      maxQueue: MOST_WAITING,
      idleTimeout: IDLE_MS,
      resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
    }),
    /** One way for each brand that has something to be written, so that no brand keeps the others from writing. */
    ways: new Map<string, { way: ReturnType<typeof bounded>; users: number }>(),
    /** By what was asked of which change. Whoever asks for what is under way waits for the same. */
    kept: new LRUCache<string, { result: unknown }, () => Promise<unknown>>({
      maxSize: KEPT_BYTES,
      sizeCalculation: ({ result }) => bytesOf(result),
      ignoreFetchAbort: true,
      fetchMethod: async (_key, _old, { context: write }) => ({ result: await write() }),
    }),
  };
}
/** About the memory that a result takes: files and texts are all that is large. */
function bytesOf(result: unknown): number {
  if (typeof result === 'string') return 2 * result.length + 1;
  const { files = [] } = (result ?? {}) as { files?: readonly WrittenFile[] };
  return files.reduce((sum, { bytes }) => sum + bytes.length, 10_000);
}

const writer = () => onePerProcess('writer', make);

/**
 * Writes in a thread of its own, one thing at a time for each brand. Whoever asks for the same of the same change gets the same.
 * @param more besides the brand's document
 * @throws Refused when too many wait, or when it takes too long or too much memory: then the thread is ended, for what it
 * computes cannot be asked to stop
 */
export async function inWriter<Name extends Job>(
  name: Name,
  { brand, seq }: Standing,
  more: Omit<Parameters<Jobs[Name]>[0], 'brand'>,
): Promise<Result<Name>> {
  const write = () => inTurn(brand.id, () => written(name, { brand, ...more }));
  const { result } = await writer().kept.forceFetch(JSON.stringify([name, brand.id, seq, more]), { context: write });
  return result as Result<Name>;
}

async function inTurn<T>(brand: string, work: () => Promise<T>): Promise<T> {
  const { ways } = writer();
  const mine = ways.get(brand) ?? { way: bounded(1, MOST_OF_A_BRAND, BUSY), users: 0 };
  ways.set(brand, mine);
  mine.users++;
  metrics().waitingWrites.inc();
  try {
    return await mine.way(work);
  } finally {
    metrics().waitingWrites.dec();
    if (--mine.users === 0) ways.delete(brand);
  }
}

async function written(name: Job, asked: object): Promise<unknown> {
  const signal = AbortSignal.timeout(PATIENCE_MS);
  try {
    return await writer().pool.run(asked, { name, signal });
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
    if (message === 'Task queue is at limit') throw new Refused(503, BUSY);
    throw error;
  }
}
