/**
 * The server's own program: Next.js behind a door of ours, which knows who asks, says how the server is, bounds how long a
 * request may take to arrive, writes down how each was answered, and closes in good order. Bundled by `ops/build.ts`.
 */
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import next from 'next';
import { nanoid } from 'nanoid';
import { settleAddress, type Asker } from './client-address';
import { closeDatabase } from '../database/database';
import { environment } from './environment';
import { endStreams } from '../log/live';
import { startJobs, stopJobs } from '../database/jobs';
import { log } from './log';
import { metrics } from './metrics';
import { operations } from './operations';
import { isOwnHost, isSecure, whereItIs } from './origin';
import { asRequest } from './request-log';
import { sendDelivery } from '../outside/webhooks';

/** How long a request may take to arrive whole, and its head, in milliseconds. */
const ARRIVING_MS = 60_000;
const HEAD_MS = 15_000;
/** How long a connection is kept for the next request, in milliseconds: longer than common proxies do, so that it is they who close. */
const KEPT_MS = 75_000;
const MOST_CONNECTIONS = 5_000;
/** How long what is left of a request that was answered before it had arrived may be read, in milliseconds. */
const LINGER_MS = 1_000;
/** How long requests that are under way may take to finish once the server is asked to end, in milliseconds. */
const PATIENCE_MS = 4_500;
const LOOK_MS = 50;

const { PORT: port, BREAKWATER_HOST: host } = environment();
const dev = process.env.NODE_ENV === 'development';
const server = createServer();
const app = next({ dev, hostname: host, port, httpServer: server });
await app.prepare();
const handle = app.getRequestHandler();

let underWay = 0;
server.requestTimeout = ARRIVING_MS;
server.headersTimeout = HEAD_MS;
server.keepAliveTimeout = KEPT_MS;
server.maxConnections = MOST_CONNECTIONS;
server.on('request', (request: IncomingMessage, response: ServerResponse) => {
  const id = nanoid();
  const started = performance.now();
  const path = request.url?.split('?')[0] ?? '';
  const asker = settleAddress(request);
  underWay++;
  response.setHeader('x-request-id', id);
  response.once('close', () => {
    underWay--;
    const seconds = (performance.now() - started) / 1000;
    const { method } = request;
    const { statusCode: status } = response;
    if (!path.endsWith('/events')) metrics().requests.observe({ method, status: String(status) }, seconds);
    log[status >= 500 ? 'warn' : 'info']({ request: id, method, path, status, ms: Math.round(seconds * 1000) }, 'answered');
  });
  // What is refused before it has arrived is not read to its end; where it ends soon, the next request may follow on the same connection.
  response.once('finish', () => {
    const giveUp = () => request.complete || request.socket.destroy();
    if (!request.complete) setTimeout(giveUp, LINGER_MS).unref();
  });
  void asRequest(id, () => answer(request, response, path, asker));
});

async function answer(request: IncomingMessage, response: ServerResponse, path: string, asker: Asker): Promise<void> {
  try {
    if (await operations(request, response, path, asker)) return;
    // A name that is not the application's own may be one that another site's owner pointed here. The icon alone tells anybody that it answers.
    if (!isOwnHost(request.headers.host) && path !== '/icon.svg') {
      response.writeHead(421, { 'content-type': 'text/plain; charset=utf-8' }).end(whereItIs());
      return;
    }
    response.setHeader('x-content-type-options', 'nosniff');
    response.setHeader('referrer-policy', 'same-origin');
    // A year, as is common practice.
    if (isSecure()) response.setHeader('strict-transport-security', 'max-age=31536000');
    await handle(request, response);
  } catch (error) {
    log.error({ error }, 'a request failed');
    if (!response.headersSent) response.writeHead(500);
    response.end();
  }
}

server.listen(port, host);
startJobs(sendDelivery);

let ending = false;
/**
 * Asked to end, it takes no new requests, ends the live streams (they never end by themselves) and waits for what is under way; what is not
 * done in time is cut off. What was acknowledged is in the database, so that nothing is lost.
 */
function end(): void {
  if (ending) return;
  ending = true;
  setTimeout(() => {
    log.error({ underWay }, 'requests were still under way; the server ends without them');
    process.exit(1);
  }, PATIENCE_MS).unref();
  const jobsEnded = stopJobs();
  server.close(() => void jobsEnded.then(closeDatabase).then(() => process.exit()));
  endStreams();
  // Connections that are kept for the next request, or were opened for one that never came, are not waited for.
  setInterval(() => {
    if (underWay === 0) server.closeAllConnections();
    else server.closeIdleConnections();
  }, LOOK_MS).unref();
}
process.on('SIGTERM', end);
process.on('SIGINT', end);
// A promise that nobody waited for costs its own request at most.
process.on('unhandledRejection', (error) => log.error({ error }, 'something failed that nobody waited for'));
// After an exception that nobody caught, nothing is certain: it ends, and whatever looks after it starts it again.
process.on('uncaughtException', (error) => {
  log.fatal({ error }, 'the server ends after an error that nobody caught');
  process.exitCode = 1;
  end();
});
