import type { Transaction } from 'sequelize';
import { database } from './database';

/** What every instance tells the others: something happened to a brand. What, is read from the database. */
export interface News {
  readonly brand: string;
  readonly kind: 'change' | 'release';
}

/** The name under which instances tell and listen (PostgreSQL's LISTEN and NOTIFY). */
export const CHANNEL = 'breakwater';

/** Told to all instances when the transaction commits, and not at all when it does not. */
export async function announce(news: News, transaction: Transaction): Promise<void> {
  await database().sequelize.query('SELECT pg_notify(:channel, :payload)', {
    replacements: { channel: CHANNEL, payload: JSON.stringify(news) },
    transaction,
  });
}
