import { join } from 'node:path';
import { LRUCache } from 'lru-cache';
import Piscina from 'piscina';
import type { WrittenFile } from '@/core/formats/kit/format';
import { bounded } from './bounded';
import type { Standing } from './documents';
import { log } from './log';
import { metrics } from './metrics';
import { onePerProcess } from './one-per-process';
import { Refused } from './refused';
import type * as worker from './writer.worker';

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
type Asked<Name extends Job> = Parameters<Jobs[Name]>[0];
type Result<Name extends Job> = Awaited<ReturnType<Jobs[Name]>>;

/** What one piece of work may take until its thread is ended by force: seconds, and megabytes of heap. */
export interface WriterLimits {
  readonly seconds: number;
  readonly megabytes: number;
}

/** Writes in threads of their own, for a brand may be large and a template may be anything. */
export class Writer {
  private readonly pool: Piscina;
  private readonly way = bounded(THREADS, MOST_WAITING, BUSY);
  /** One way for each brand that has something to be written, so that no brand keeps the others from writing. */
  private readonly ways = new Map<string, { way: ReturnType<typeof bounded>; users: number }>();
  /** By what was asked of which change. Whoever asks for what is under way waits for the same. */
  private readonly kept = new LRUCache<string, { result: unknown }, () => Promise<unknown>>({
    maxSize: KEPT_BYTES,
    sizeCalculation: ({ result }) => bytesOf(result),
    ignoreFetchAbort: true,
    fetchMethod: async (_key, _old, { context: write }) => ({ result: await write() }),
  });

  constructor(private readonly limits: WriterLimits) {
    this.pool = new Piscina({
      filename: join(/* turbopackIgnore: true */ process.cwd(), '.next/writer.mjs'),
      minThreads: 0,
      maxThreads: THREADS,
      idleTimeout: IDLE_MS,
      resourceLimits: { maxOldGenerationSizeMb: limits.megabytes },
    });
    // A thread that ends between two pieces of work; the next one gets another.
    this.pool.on('error', (error: unknown) => log.error({ error }, 'a thread that writes files has ended'));
  }

  /**
   * One thing at a time for each brand.
   * @param more what is asked besides the brand's document
   * @param late what belongs to the document and is kept elsewhere, fetched when it is its turn
   * @throws Refused when too many wait, or when it takes too long or too much memory: then the thread is ended, for what it
   * computes cannot be asked to stop
   */
  async write<Name extends Job>(
    name: Name,
    { brand, seq }: Standing,
    more: Omit<Asked<Name>, 'brand'>,
    late?: () => Promise<Partial<Asked<Name>>>,
  ): Promise<Result<Name>> {
    const write = () => this.inTurn(brand.id, async () => this.run(name, { brand, ...more, ...(await late?.()) }));
    const { result } = await this.kept.forceFetch(JSON.stringify([name, brand.id, seq, more]), { context: write });
    return result as Result<Name>;
  }

  /**
   * An archive of files, made like everything else that is written for the brand.
   * @param files fetched when it is their turn, so that those who wait hold nothing
   */
  async pack(brand: string, files: () => Promise<Asked<'pack'>['files']>): Promise<Uint8Array> {
    return this.inTurn(brand, async () => (await this.run('pack', { files: await files() })) as Result<'pack'>);
  }

  private async inTurn<T>(brand: string, work: () => Promise<T>): Promise<T> {
    const mine = this.ways.get(brand) ?? { way: bounded(1, MOST_OF_A_BRAND, BUSY), users: 0 };
    this.ways.set(brand, mine);
    mine.users++;
    metrics().waitingWrites.inc();
    try {
      return await mine.way(() => this.way(work));
    } finally {
      metrics().waitingWrites.dec();
      if (--mine.users === 0) this.ways.delete(brand);
    }
  }

  private async run(name: Job, asked: object): Promise<unknown> {
    const { seconds, megabytes } = this.limits;
    const signal = AbortSignal.timeout(seconds * 1_000);
    try {
      return await this.pool.run(asked, { name, signal });
    } catch (error) {
      log.warn({ error }, 'files could not be written');
      if (signal.aborted)
        throw new Refused(
          413,
          `Writing these files takes longer than ${seconds} seconds and was stopped; make templates shorter, or ship to fewer destinations.`,
        );
      if ((error as NodeJS.ErrnoException).code === 'ERR_WORKER_OUT_OF_MEMORY')
        throw new Refused(413, `Writing these files takes more than ${megabytes} MB and was stopped; ship fewer tokens at once.`);
      throw error;
    }
  }

  close(): Promise<void> {
    return this.pool.destroy();
  }
}

/** About the memory that a result takes: files and texts are all that is large. */
function bytesOf(result: unknown): number {
  if (typeof result === 'string') return 2 * result.length + 1;
  const { files = [] } = (result ?? {}) as { files?: readonly WrittenFile[] };
  return files.reduce((sum, { bytes }) => sum + bytes.length, 10_000);
}

/** The writer of this instance. The largest brand takes a fifth of what it may. */
export function writer(): Writer {
  return onePerProcess('writer', () => new Writer({ seconds: 60, megabytes: 512 }));
}
