import pino from 'pino';

/** The server's own log, one JSON line an event, on standard error; requests' contents are never in it. */
export const log = pino({ level: process.env.BREAKWATER_LOG ?? 'warn' }, pino.destination(2));
