import { revokeBuildToken } from '@/server/people/build-tokens';
import { allowed, answer, mustBeSameOrigin } from '@/server/http/request';

export function DELETE(request: Request, { params }: { params: Promise<{ brand: string; token: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand, token } = await params;
    const { person } = await allowed(brand, 'release');
    mustBeSameOrigin(request);
    await revokeBuildToken(person, brand, token);
    return Response.json({});
  });
}
