import PgBoss from 'pg-boss';
import type { Transaction } from 'sequelize';
import { database } from './database';
import { environment } from '../http/environment';
import { log } from '../http/log';
import { forgotten, onePerProcess } from './one-per-process';

/**
 * Work that outlives the process that took it on, kept in the database by pg-boss: no instance's end loses any, and however many instances
 * look for it, one does it.
 */
const QUEUE = 'deliver';

/** The first pause after a failure, in seconds; each is twice as long as the last, the fourteenth some nineteen hours. */
const FIRST_PAUSE_S = 5;
const MOST_TRIES = 15;
/** How long one try may take before another instance takes it for lost, in seconds. */
const LOST_S = 60;
const LOOK_S = 1;
/** How long a try that is under way is waited for once the server is asked to end, in milliseconds. */
const ENDING_MS = 2_500;
const AGAIN_MS = 5_000;

/** A delivery, by the id of its row. */
interface Delivery {
  readonly delivery: string;
}

const queue = () =>
  onePerProcess('jobs', () => {
    const boss = new PgBoss({
      connectionString: environment().BREAKWATER_DATABASE_URL,
      application_name: 'breakwater-jobs',
      max: 2,
      migrate: false,
      schedule: false,
    });
    boss.on('error', (error) => log.warn({ error }, 'work that waits could not be looked for; it is tried again'));
    return boss;
  });

/** Prepares the database for it, as a step of bringing that up to date. */
export async function prepareJobs(): Promise<void> {
  const boss = new PgBoss({
    connectionString: environment().BREAKWATER_DATABASE_URL,
    max: 1,
    supervise: false,
    schedule: false,
  });
  // What goes wrong here is thrown as well.
  boss.on('error', (error) => log.debug({ error }, 'the queue could not be prepared'));
  await boss.start();
  try {
    await boss.createQueue(QUEUE, {
      name: QUEUE,
      retryLimit: MOST_TRIES - 1,
      retryDelay: FIRST_PAUSE_S,
      retryBackoff: true,
      expireInSeconds: LOST_S,
    });
  } finally {
    await boss.stop({ graceful: false });
  }
}

/** Has deliveries done, once the transaction is through that they are part of, and not at all when that is not. */
export async function queueDeliveries(deliveries: readonly string[], transaction: Transaction): Promise<void> {
  const executeSql = async (text: string, values: unknown[]) => {
    const [rows] = await database().sequelize.query(text, { bind: values.map((value) => value ?? null), transaction });
    return { rows };
  };
  const jobs = deliveries.map((delivery) => ({ name: QUEUE, data: { delivery } satisfies Delivery }));
  await queue().insert(jobs, { db: { executeSql } });
}

/**
 * Does what waits, one after the other, for as long as this instance runs.
 * @param work throws when it is to be tried again; told whether this is the last try
 */
export function startJobs(work: (delivery: string, isLast: boolean) => Promise<void>): void {
  const start = async () => {
    try {
      await queue().start();
      await queue().work<Delivery>(
        QUEUE,
        { pollingIntervalSeconds: LOOK_S, includeMetadata: true },
        async ([job]: PgBoss.JobWithMetadata<Delivery>[]) => work(job!.data.delivery, job!.retryCount >= job!.retryLimit),
      );
    } catch (error) {
      log.warn({ error }, 'work that waits cannot be looked for yet; it is tried again');
      // What was half begun is made anew.
      await stopJobs();
      setTimeout(() => void start(), AGAIN_MS).unref();
    }
  };
  void start();
}

/** Takes on nothing more, waits a little for what is under way, and leaves the rest to be tried again. */
export async function stopJobs(): Promise<void> {
  const boss = forgotten<PgBoss>('jobs');
  if (boss) await boss.stop({ timeout: ENDING_MS });
}
