import { timingSafeEqual } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { isLoopback, type Asker } from './client-address';
import { database } from '../database/database';
import { environment } from './environment';
import { log } from './log';
import { metrics } from './metrics';
import { migrationState } from '../database/migrations';

/**
 * How the server is, for those who run it: `/health` and `/metrics`. They are for this machine itself, asked for by its own name and by
 * nobody's way, or for who has the token of the settings; to everybody else they are not there.
 * @returns whether the request was for one of them, and is answered
 */
export async function operations(
  request: IncomingMessage,
  response: ServerResponse,
  path: string,
  asker: Asker,
): Promise<boolean> {
  if (path !== '/health' && path !== '/metrics') return false;
  response.setHeader('cache-control', 'no-store');
  if (!isFromHere(request, asker) && !hasToken(request)) {
    response.writeHead(404).end();
  } else if (path === '/metrics') {
    const { registry } = metrics();
    response.writeHead(200, { 'content-type': registry.contentType }).end(await registry.metrics());
  } else {
    const state = await health();
    response
      .writeHead(state.database === 'reached' && state.pending.length === 0 ? 200 : 503, { 'content-type': 'application/json' })
      .end(JSON.stringify(state));
  }
  return true;
}

/** A proxy on this machine that nobody named asks from here as well, but by the application's name or with its headers. */
function isFromHere({ headers }: IncomingMessage, { address, isForwarded }: Asker): boolean {
  return !isForwarded && isLoopback(address) && /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/.test(headers.host ?? '');
}

function hasToken({ headers }: IncomingMessage): boolean {
  const { BREAKWATER_OPERATIONS_TOKEN: token } = environment();
  const given = Buffer.from(headers.authorization ?? '');
  const wanted = Buffer.from(`Bearer ${token}`);
  return token !== undefined && given.length === wanted.length && timingSafeEqual(given, wanted);
}

/** Alive it is when it answers; the rest says whether it can do its work. */
async function health(): Promise<{ alive: true; database: 'reached' | 'away'; pending: string[] }> {
  try {
    await database().sequelize.query('SELECT 1');
    return { alive: true, database: 'reached', pending: (await migrationState()).pending };
  } catch (error) {
    log.warn({ error }, 'the database cannot be reached');
    return { alive: true, database: 'away', pending: [] };
  }
}
