import type { Page } from 'puppeteer-core';

/** One event of Chromium's trace; times in microseconds. */
interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly pid: number;
  readonly tid: number;
  readonly ts: number;
  readonly dur: number;
}

const FRAME = 'ProxyMain::BeginMainFrame';
const TASK = 'ThreadControllerImpl::RunTask';

/**
 * Milliseconds the page's main thread worked for each frame of a drag that does not wait: every task from the end of
 * one frame to the end of the next, so input, script, style, layout, paint and the hand-over to the compositor. Taken
 * from Chromium's own trace, because a page cannot see the end of its frame: a task queued in it may run a frame later.
 */
export async function frameTimes(page: Page, moves: number, move: (at: number) => Promise<void>): Promise<number[]> {
  const onMain = await traced(page, async () => {
    for (let at = 0; at < moves; at++) await move(at);
  });
  const found: number[] = [];
  let work = 0;
  for (const { dur, ts } of onMain.filter(({ name }) => name === TASK)) {
    work += dur;
    const ends = onMain.some((event) => event.name === FRAME && event.ts >= ts && event.ts < ts + dur);
    if (!ends) continue;
    found.push(work / 1000);
    work = 0;
  }
  return found;
}

/** Milliseconds of the longest single task of the page's main thread during some work: for so long it answered nobody. */
export async function longestTask(page: Page, work: () => Promise<void>): Promise<number> {
  const onMain = await traced(page, work);
  return Math.max(...onMain.filter(({ name }) => name === TASK).map(({ dur }) => dur)) / 1000;
}

/** The whole events of the page's main thread during some work, by time. */
async function traced(page: Page, work: () => Promise<void>): Promise<TraceEvent[]> {
  await page.tracing.start({ categories: ['toplevel', 'cc'] });
  await work();
  const bytes = await page.tracing.stop();
  const { traceEvents } = JSON.parse(new TextDecoder().decode(bytes)) as { traceEvents: TraceEvent[] };
  return mainThreadOf(traceEvents);
}

/** The whole events of the thread that drew the most frames: the page's, not that of the browser's own parts. */
function mainThreadOf(events: readonly TraceEvent[]): TraceEvent[] {
  const threads = new Map<string, TraceEvent[]>();
  for (const event of events) {
    if (event.ph !== 'X') continue;
    const thread = `${event.pid}/${event.tid}`;
    if (!threads.get(thread)?.push(event)) threads.set(thread, [event]);
  }
  const drawn = (thread: TraceEvent[]) => thread.filter(({ name }) => name === FRAME).length;
  const [main] = [...threads.values()].sort((one, two) => drawn(two) - drawn(one));
  return main!.sort((one, two) => one.ts - two.ts);
}
