import type { QueryInterface } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { database } from './database';
import { prepareJobs } from './jobs';
import { MIGRATIONS } from './migration-steps/all-steps';
import { indexAll } from '../brands/swatch-index';

/** The way from an empty database to today's. */
export function migrations(): Umzug<QueryInterface> {
  const { sequelize } = database();
  return new Umzug({
    // All of a step or nothing, and however long it takes.
    migrations: MIGRATIONS.map(({ name, sql }) => ({
      name,
      up: () => sequelize.query(`BEGIN; SET LOCAL statement_timeout = 0; SET LOCAL lock_timeout = 0; ${sql}; COMMIT`),
    })),
    context: sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize }),
    logger: undefined,
  });
}

/**
 * How long a statement, waiting for a lock, and a transaction that does nothing may take. Nothing that is done here takes so
 * long; what does holds everybody up. Kept with the role for this database, so that it holds through a pooler too.
 */
const PATIENCE = { statement_timeout: '60s', lock_timeout: '10s', idle_in_transaction_session_timeout: '30s' };

/** Brings the database up to date. @returns the names of the steps that were taken. */
export async function migrate(): Promise<string[]> {
  const { sequelize } = database();
  const taken = (await migrations().up()).map((step) => step.name);
  await indexAll();
  await prepareJobs();
  for (const [setting, value] of Object.entries(PATIENCE))
    await sequelize.query(
      `DO $$ BEGIN EXECUTE format('ALTER ROLE CURRENT_USER IN DATABASE %I SET ${setting} = ''${value}''', current_database()); END $$`,
    );
  return taken;
}

/** What has been done to the database, and what this version would still do. */
export async function migrationState(): Promise<{ done: string[]; pending: string[] }> {
  const all = migrations();
  const names = (steps: readonly { name: string }[]) => steps.map(({ name }) => name);
  return { done: names(await all.executed()), pending: names(await all.pending()) };
}
