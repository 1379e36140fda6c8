import { ReleaseRule } from '@/core/release/sign-off';
import { allowed, answer, body } from '@/server/http/request';
import { makeRule } from '@/server/releases/sign-offs';

/** Decides what a release of the brand wants. */
export function PATCH(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'govern');
    await makeRule(person, brand, await body(request, ReleaseRule));
    return Response.json({});
  });
}
