import { allowed, answer, mustBeSameOrigin } from '@/server/http/request';
import { tryWebhook } from '@/server/outside/webhooks';

/** Sends a trial. */
export function POST(request: Request, { params }: { params: Promise<{ brand: string; webhook: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand, webhook } = await params;
    await allowed(brand, 'release');
    mustBeSameOrigin(request);
    await tryWebhook(brand, webhook);
    return Response.json({});
  });
}
