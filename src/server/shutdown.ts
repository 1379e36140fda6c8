import { endStreams } from './live';
import { log } from './log';

/** How long requests that are under way may take to finish once the server is asked to end, in milliseconds. */
const PATIENCE_MS = 10_000;

/**
 * Asked to end (SIGTERM, SIGINT), Next.js takes no new requests and waits for those under way, without a bound. Live streams are
 * ended, for they never end by themselves; whatever else is not done in time is cut off. What was acknowledged is in the
 * database, so that nothing is lost.
 */
export function endOnSignal(): void {
  const stop = () => {
    endStreams();
    setTimeout(() => {
      log.error('requests were still under way; the server ends without them');
      process.exit(1);
    }, PATIENCE_MS).unref();
  };
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
}
