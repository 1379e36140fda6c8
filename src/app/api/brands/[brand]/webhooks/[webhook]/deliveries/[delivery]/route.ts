import { allowed, answer, mustBeSameOrigin } from '@/server/http/request';
import { resend } from '@/server/outside/webhooks';

/** Sends a message once more. */
export function POST(
  request: Request,
  { params }: { params: Promise<{ brand: string; webhook: string; delivery: string }> },
): Promise<Response> {
  return answer(async () => {
    const { brand, webhook, delivery } = await params;
    await allowed(brand, 'release');
    mustBeSameOrigin(request);
    await resend(brand, webhook, delivery);
    return Response.json({});
  });
}
