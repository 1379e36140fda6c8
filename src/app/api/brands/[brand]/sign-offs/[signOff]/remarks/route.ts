import { NewRemark } from '@/core/release/sign-off';
import { allowed, answer, body } from '@/server/http/request';
import { remarkOn } from '@/server/releases/sign-offs';

/** Says something in a review. */
export function POST(request: Request, { params }: { params: Promise<{ brand: string; signOff: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand, signOff } = await params;
    const { person } = await allowed(brand, 'review');
    await remarkOn(person, brand, signOff, await body(request, NewRemark));
    return Response.json({});
  });
}
