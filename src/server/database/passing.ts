import { ConnectionError } from 'sequelize';

/**
 * SQLSTATE codes that say nothing of the request (PostgreSQL 15, appendix A): the connection broke (08), the disk or the memory
 * is full (53), the server is stopping or starting (57P), a file could not be written (58); a lock or a statement took too
 * long (55P03, 57014).
 */
const PASSING = /^(08|53|57P|58)|^(55P03|57014)$/;

/** Whether an error lies with the database as it is now, so that the same request may be carried out a little later. */
export function isPassing(error: unknown): boolean {
  if (error instanceof ConnectionError) return true;
  const { code, message } = (error as { parent?: NodeJS.ErrnoException }).parent ?? {};
  return PASSING.test(code ?? '') || code === 'ECONNRESET' || /^Connection terminated/.test(message ?? '');
}
