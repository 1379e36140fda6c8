import { z } from 'zod';
import { allowed, answer, body } from '@/server/http/request';
import { closeRemark } from '@/server/releases/sign-offs';

const Closed = z.strictObject({ closed: z.boolean() });

/** Says that a comment is dealt with, or is not. */
export function PATCH(
  request: Request,
  { params }: { params: Promise<{ brand: string; signOff: string; remark: string }> },
): Promise<Response> {
  return answer(async () => {
    const { brand, signOff, remark } = await params;
    const { person } = await allowed(brand, 'review');
    const { closed } = await body(request, Closed);
    await closeRemark(person, brand, signOff, remark, closed);
    return Response.json({});
  });
}
