import { Client } from 'pg';
import type { Transaction } from 'sequelize';
import { database } from './database';
import { environment } from './environment';
import { log } from './log';

/** What every instance tells the others: something happened to a brand. What, is read from the database. */
export interface News {
  readonly brand: string;
  readonly kind: 'change' | 'release';
}

type Listener = (kind: News['kind']) => void;

const CHANNEL = 'breakwater';

class Hub {
  private readonly listeners = new Map<string, Set<Listener>>();
  private client: Client | undefined;

  subscribe(brand: string, listener: Listener): () => void {
    const set = this.listeners.get(brand) ?? new Set();
    this.listeners.set(brand, set.add(listener));
    void this.listen();
    return () => {
      set.delete(listener);
      if (set.size === 0) this.listeners.delete(brand);
    };
  }

  private async listen(): Promise<void> {
    if (this.client) return;
    const client = new Client({ connectionString: environment().DATABASE_URL });
    this.client = client;
    const again = (error: Error) => {
      if (this.client !== client) return;
      this.client = undefined;
      log.warn({ error: error.message }, 'the live connection to the database was lost; trying again');
      client.end().catch((cause: unknown) => log.debug({ cause }, 'the lost connection did not close'));
      setTimeout(() => void this.listen(), 1_000).unref();
    };
    client.on('error', again);
    client.on('notification', ({ payload }) => {
      const news = JSON.parse(payload ?? '{}') as News;
      this.listeners.get(news.brand)?.forEach((listener) => listener(news.kind));
    });
    try {
      await client.connect();
      await client.query(`LISTEN ${CHANNEL}`);
      // What happened while nobody listened is found by asking for it.
      for (const set of this.listeners.values()) set.forEach((listener) => (listener('change'), listener('release')));
    } catch (error) {
      again(error as Error);
    }
  }
}

const shared = globalThis as { breakwaterHub?: Hub };

/** Calls the listener whenever something happens to a brand, on any instance. @returns what ends it. */
export function subscribe(brand: string, listener: Listener): () => void {
  return (shared.breakwaterHub ??= new Hub()).subscribe(brand, listener);
}

/** Told to all instances when the transaction commits, and not at all when it does not. */
export async function announce(news: News, transaction: Transaction): Promise<void> {
  await database().sequelize.query('SELECT pg_notify(:channel, :payload)', {
    replacements: { channel: CHANNEL, payload: JSON.stringify(news) },
    transaction,
  });
}
