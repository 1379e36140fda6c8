import type { Transaction } from 'sequelize';
import { database } from '../database/database';

/** Somebody who has pages of a brand open, and the swatches and tokens that they have chosen there. */
export interface Here {
  readonly id: string;
  readonly chosen: readonly string[];
}

/**
 * What every instance tells the others: something happened to a brand, which is read from the database; how far a release is written; who listens to it at that
 * instance, and what they have chosen there; that a person has sent colours to their other pages; that roles for it were given or taken; or that a person has signed out
 * everywhere.
 */
export type News =
  | ({ readonly brand: string } & (
      | { readonly kind: 'change' | 'release' | 'signOff' | 'screens' | 'parts' }
      | { readonly kind: 'writing'; readonly by: string; readonly share: number }
      | { readonly kind: 'here'; readonly instance: string; readonly people: readonly Here[] }
      | { readonly kind: 'chosen'; readonly person: string; readonly page: string; readonly chosen: string | null }
      | { readonly kind: 'caught'; readonly person: string }
    ))
  | { readonly kind: 'signedOut'; readonly person: string };

/** The name under which instances tell and listen (PostgreSQL's LISTEN and NOTIFY). */
export const CHANNEL = 'breakwater';

/** Told to all instances when the transaction commits, and not at all when it does not; at once where there is none. */
export async function announce(news: News, transaction?: Transaction): Promise<void> {
  await database().sequelize.query('SELECT pg_notify(:channel, :payload)', {
    replacements: { channel: CHANNEL, payload: JSON.stringify(news) },
    ...(transaction && { transaction }),
  });
}

/** Told of every brand of an organisation: roles were given or taken, and whoever listens may have lost their part. */
export async function announceParts(organisationId: string, transaction: Transaction): Promise<void> {
  await database().sequelize.query(
    `SELECT pg_notify(:channel, json_build_object('brand', id, 'kind', 'parts')::text) FROM brands WHERE organisation_id = :organisationId`,
    { replacements: { channel: CHANNEL, organisationId }, transaction },
  );
}
