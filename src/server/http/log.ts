import pino, { type DestinationStream, type Logger } from 'pino';
import { requestId } from './request-log';

/**
 * What of an error is written down. The rest of it stays out: errors of the database carry the statement and its
 * parameters, which are what people typed.
 */
function described(error: unknown): object {
  if (!(error instanceof Error)) return { message: `something thrown that is no error: ${typeof error}` };
  const { name, message, stack, cause } = error;
  // The database's own code stands on the error that Sequelize wraps.
  const { code = (error as { parent?: NodeJS.ErrnoException }).parent?.code } = error as NodeJS.ErrnoException;
  const where = stack?.split('\n').find((line) => line.startsWith('    at '));
  return {
    name,
    ...(code !== undefined && { code }),
    message,
    ...(where && { where: where.trim() }),
    ...(cause !== undefined && { cause: described(cause) }),
  };
}

/** A log that writes one line of JSON an event. */
export function logTo(destination: DestinationStream): Logger {
  const mixin = () => {
    const request = requestId();
    return request === undefined ? {} : { request };
  };
  return pino({ level: process.env.BREAKWATER_LOG ?? 'warn', serializers: { error: described }, mixin }, destination);
}

/** The server's own log, on standard error; what requests carry is never in it. */
export const log = logTo(pino.destination(2));
