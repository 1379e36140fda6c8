import { allowed, answer, mustBeSameOrigin } from '@/server/http/request';
import { removeWebhook } from '@/server/outside/webhooks';

export function DELETE(request: Request, { params }: { params: Promise<{ brand: string; webhook: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand, webhook } = await params;
    const { person } = await allowed(brand, 'release');
    mustBeSameOrigin(request);
    await removeWebhook(person, brand, webhook);
    return Response.json({});
  });
}
