import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';
import { onePerProcess } from '../database/one-per-process';

/** Seconds, from an answer out of memory to one that somebody gives up on. */
const SECONDS = [0.005, 0.01, 0.025, 0.05, 0.1, 0.15, 0.25, 0.5, 1, 2.5, 5, 10, 60];

function make() {
  const registry = new Registry();
  const registers = [registry];
  // Of the process itself: memory, and how long the event loop is held up.
  collectDefaultMetrics({ register: registry, prefix: 'breakwater_' });
  return {
    registry,
    requests: new Histogram({
      name: 'breakwater_request_seconds',
      help: 'Requests by method and status, with the time to the end of the answer (live streams excepted)',
      labelNames: ['method', 'status'],
      buckets: SECONDS,
      registers,
    }),
    saves: new Histogram({
      name: 'breakwater_save_seconds',
      help: 'Transactions that took in changes, with the time each took',
      buckets: SECONDS,
      registers,
    }),
    changes: new Counter({
      name: 'breakwater_changes_total',
      help: 'Changes kept, and commands refused',
      labelNames: ['outcome'],
      registers,
    }),
    waitingChanges: new Gauge({
      name: 'breakwater_changes_waiting',
      help: 'Requests with changes that wait for their turn at a brand',
      registers,
    }),
    streams: new Gauge({ name: 'breakwater_streams', help: 'Live streams that are open', registers }),
    waitingWrites: new Gauge({
      name: 'breakwater_writes_waiting',
      help: 'Releases, weighings and sheets that wait to be written',
      registers,
    }),
  };
}

/** What this instance counts and measures, in the common text form (OpenMetrics' forerunner, as most collectors read it). */
export function metrics(): ReturnType<typeof make> {
  return onePerProcess('metrics', make);
}
