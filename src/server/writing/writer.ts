import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { serialize } from 'node:v8';
import { LRUCache } from 'lru-cache';
import workerpool, { type Pool } from 'workerpool';
import type { WrittenFile } from '@/core/formats/kit/format';
import { bounded } from '../database/bounded';
import type { BrandAt } from '../log/brand-at';
import { log } from '../http/log';
import { metrics } from '../http/metrics';
import { sender } from '../http/request-log';
import { onePerProcess } from '../database/one-per-process';
import { Refused } from '../http/refused';
import type { WriterJobs } from './writer.program';

/** So many write beside each other, and so many wait; of one brand and for one person, one writes and so many wait. */
const PROCESSES = 2;
const MOST_WAITING = 16;
const MOST_OF_ONE = 4;
/** Bytes of what was written and is kept for whoever asks for the same of the same change. */
const KEPT_BYTES = 32 * 1024 * 1024;

const BUSY = 'Many files are being written just now; try again in a moment.';

/** What is being done, and what a person can do about it when it takes too much. */
const FILES = ['Writing these files', 'make templates shorter, or ship fewer tokens and to fewer destinations at once'] as const;
const BACKUP = 'whoever runs the server can move such a brand by a backup';
const ARCHIVES = {
  packBrand: ['Packing this brand', BACKUP],
  openBrand: ['Opening this archive', BACKUP],
} as const;

type Job = keyof WriterJobs;
type Asked<Name extends Job> = Parameters<WriterJobs[Name]>[0];
type Result<Name extends Job> = Awaited<ReturnType<WriterJobs[Name]>>;

/** What one piece of work may take until its process is ended by force: seconds, and megabytes of heap. */
export interface WriterLimits {
  readonly seconds: number;
  readonly megabytes: number;
}

const programPath = () => join(/* turbopackIgnore: true */ process.cwd(), '.next/writer.mjs');

/**
 * Writes in processes of their own, for a brand may be large and a template may be anything. A thread would not do: one that runs out
 * of memory can end the whole server.
 */
export class Writer {
  private readonly pool: Pool;
  private readonly queue = bounded(PROCESSES, MOST_WAITING, BUSY);
  /** One queue for each brand and each person with something to be written, so that none of them keeps the others from writing. */
  private readonly queues = new Map<string, { queue: ReturnType<typeof bounded>; users: number }>();
  /** By what was asked of which change. Whoever asks for what is under way waits for the same. */
  private readonly answers = new LRUCache<string, { result: unknown }, () => Promise<unknown>>({
    maxSize: KEPT_BYTES,
    sizeCalculation: ({ result }) => bytesOf(result),
    ignoreFetchAbort: true,
    fetchMethod: async (_key, _old, { context: write }) => ({ result: await write() }),
  });

  constructor(private readonly limits: WriterLimits) {
    this.pool = workerpool.pool(programPath(), {
      workerType: 'process',
      maxWorkers: PROCESSES,
      // Nothing in there listens while it computes, so there is nothing to wait for.
      workerTerminateTimeout: 1,
      // What the engine prints as it ends is no line of the log; the signal says the same.
      emitStdStreams: true,
      forkOpts: {
        execArgv: [`--max-old-space-size=${limits.megabytes}`],
        env: { PATH: process.env.PATH, NODE_ENV: process.env.NODE_ENV },
        serialization: 'advanced',
      },
    });
  }

  /**
   * One thing at a time for each brand, and for each person.
   * @param more what is asked besides the brand's document
   * @param late what belongs to the document and is kept elsewhere, fetched when it is its turn
   * @param onShare told the share done, 0..1, now and then
   * @throws Refused when too many wait, or when it takes too long or too much memory: then the process is ended, for what
   * it computes cannot be asked to stop
   */
  async write<Name extends Job>(
    name: Name,
    { brand, seq }: BrandAt,
    more: Omit<Asked<Name>, 'brand'>,
    { late, onShare }: { late?: () => Promise<Partial<Asked<Name>>>; onShare?: (share: number) => void } = {},
  ): Promise<Result<Name>> {
    const write = () => this.inTurn(brand.id, async () => this.run(name, { brand, ...more, ...(await late?.()) }, onShare));
    const { result } = await this.answers.forceFetch(JSON.stringify([name, brand.id, seq, more]), { context: write });
    return result as Result<Name>;
  }

  /**
   * Work that is done like everything that is written for a brand, and kept for nobody.
   * @param brand that it is done for; its organisation, where there is none yet
   * @param asked fetched when it is its turn, so that those who wait hold nothing
   */
  async once<Name extends Job>(name: Name, brand: string, asked: () => Promise<Asked<Name>>): Promise<Result<Name>> {
    const result = await this.inTurn(brand, async () => this.run(name, await asked()));
    return result as Result<Name>;
  }

  /** Whoever asks waits for themselves first: while they do, they hold neither the brand nor a process. */
  private async inTurn<T>(brand: string, work: () => Promise<T>): Promise<T> {
    const person = sender();
    const ofBrand = () => this.oneOf(`brand ${brand}`, () => this.queue(work));
    metrics().waitingWrites.inc();
    try {
      return await (person === undefined ? ofBrand() : this.oneOf(`person ${person}`, ofBrand));
    } finally {
      metrics().waitingWrites.dec();
    }
  }

  private async oneOf<T>(whose: string, work: () => Promise<T>): Promise<T> {
    const mine = this.queues.get(whose) ?? { queue: bounded(1, MOST_OF_ONE, BUSY), users: 0 };
    this.queues.set(whose, mine);
    mine.users++;
    try {
      return await mine.queue(work);
    } finally {
      if (--mine.users === 0) this.queues.delete(whose);
    }
  }

  private async run(name: Job, asked: object, onShare?: (share: number) => void): Promise<unknown> {
    const { seconds, megabytes } = this.limits;
    const message = messageOf(asked);
    try {
      return await this.pool
        .exec(name, [message], {
          on: (told) => typeof told === 'number' && onShare?.(told),
        })
        .timeout(seconds * 1_000);
    } catch (error) {
      log.warn({ error }, 'files could not be written');
      const [what, instead] = name in ARCHIVES ? ARCHIVES[name as keyof typeof ARCHIVES] : FILES;
      if (error instanceof workerpool.Promise.TimeoutError)
        throw new Refused(413, `${what} takes longer than ${seconds} seconds and was stopped; ${instead}.`);
      // Node aborts whoever reaches the end of its heap; the system kills whoever takes the last of its memory.
      if (error instanceof workerpool.TerminateError && /`SIG(ABRT|KILL)`/.test(error.message))
        throw new Refused(413, `${what} takes more than ${megabytes} MB and was stopped; ${instead}.`);
      throw error;
    }
  }

  async close(): Promise<void> {
    await this.pool.terminate(true);
  }
}

/**
 * What a process is asked, in the form in which it is sent. Made here and not by whoever sends it: that may be when a process
 * is ready at last, and what is thrown then is caught by nobody.
 */
function messageOf(asked: object): Uint8Array {
  try {
    return serialize(asked);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw new Refused(413, 'This is nested too deep to be written; look for options of a destination that are.');
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

/** SHA-256 of the program that writes files: as long as it is the same, the same document gives the same files. */
export function writerMark(): string {
  return onePerProcess('writer mark', () => createHash('sha256').update(readFileSync(programPath())).digest('hex'));
}
