import { NewWebhook } from '@/core/screens/webhook';
import { allowed, answer, body } from '@/server/http/request';
import { makeWebhook, webhooksOf } from '@/server/outside/webhooks';

type Params = { params: Promise<{ brand: string }> };

/** The brand's webhooks without their secrets, and what came of their latest messages. */
export function GET(_request: Request, { params }: Params): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    await allowed(brand, 'release');
    return Response.json({ webhooks: await webhooksOf(brand) });
  });
}

/** Makes one; its secret is in this answer and in no other. */
export function POST(request: Request, { params }: Params): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'release');
    return Response.json({ secret: await makeWebhook(person, brand, await body(request, NewWebhook)) });
  });
}
