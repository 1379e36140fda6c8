import { NewSignOff } from '@/core/release/sign-off';
import { allowed, answer, body } from '@/server/http/request';
import { askForSignOff, ruleOf, signOffsOf } from '@/server/releases/sign-offs';

type Context = { params: Promise<{ brand: string }> };

/** The latest reviews, and what a release wants. */
export function GET(_request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    await allowed(brand, 'read');
    return Response.json({ rule: await ruleOf(brand), signOffs: await signOffsOf(brand) });
  });
}

export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'edit');
    await askForSignOff(person, brand, await body(request, NewSignOff));
    return Response.json({});
  });
}
