import { EntityId } from '@/core/brand/document/fields';
import { liveStream } from '@/server/log/live';
import { allowed, answer } from '@/server/http/request';

/** Server-sent events: every change after the last one the page knows, then each as it is made, and the numbers of releases. */
export function GET(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'read');
    const asked = new URL(request.url).searchParams;
    const known = request.headers.get('last-event-id') ?? asked.get('after') ?? '';
    const page = EntityId.safeParse(asked.get('page'));
    const { body, end } = liveStream(brand, person.id, page.data ?? '', /^\d{1,15}$/.test(known) ? Number(known) : 0);
    request.signal.addEventListener('abort', end);
    return new Response(body, {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform', 'x-accel-buffering': 'no' },
    });
  });
}
