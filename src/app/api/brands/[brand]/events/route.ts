import { changesAfter } from '@/server/brands';
import { subscribe } from '@/server/live';
import { log } from '@/server/log';
import { latestRelease } from '@/server/releases';
import { allowed, answer } from '@/server/request';

const BATCH = 100;
const HEARTBEAT_MS = 15_000;

/** Server-sent events: every change after the last one the page knows, and then each as it is made; releases likewise. */
export function GET(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    await allowed(brand, 'read');
    const url = new URL(request.url);
    let seq = Number(request.headers.get('last-event-id') ?? url.searchParams.get('after')) || 0;
    let release: number | null = null;
    let end = () => {};
    const stream = new ReadableStream<Uint8Array>({
      start(controller) {
        const encoder = new TextEncoder();
        const send = (text: string) => controller.enqueue(encoder.encode(text));
        let waiting: Promise<void> = Promise.resolve();
        let open = true;
        const catchUp = async () => {
          for (let more = true; more && open;) {
            const changes = await changesAfter(brand, seq, BATCH);
            for (const change of changes) {
              if (!open) return;
              send(`id: ${change.seq}\nevent: change\ndata: ${JSON.stringify(change)}\n\n`);
              seq = change.seq;
            }
            more = changes.length === BATCH;
          }
          const latest = await latestRelease(brand);
          if (open && latest && latest.number !== release) {
            release = latest.number;
            send(`event: release\ndata: ${JSON.stringify(latest)}\n\n`);
          }
        };
        // One after the other, so that no two read the same changes and send them twice.
        const queue = () => {
          waiting = waiting.then(catchUp).catch((error: unknown) => {
            log.warn({ error }, 'a live stream broke off');
            end();
          });
        };
        const unsubscribe = subscribe(brand, queue);
        const heartbeat = setInterval(() => send(': still here\n\n'), HEARTBEAT_MS);
        end = () => {
          if (!open) return;
          open = false;
          unsubscribe();
          clearInterval(heartbeat);
          controller.close();
        };
        request.signal.addEventListener('abort', end);
        send('retry: 1000\n\n');
        queue();
      },
      cancel: () => end(),
    });
    return new Response(stream, {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform', 'x-accel-buffering': 'no' },
    });
  });
}
