import { z } from 'zod';
import { allowed, answer, body } from '@/server/http/request';
import { closeRemark } from '@/server/releases/sign-offs';

const Settled = z.strictObject({ settled: z.boolean() });

/** Says that a comment is dealt with, or is not. */
export function PATCH(
  request: Request,
  { params }: { params: Promise<{ brand: string; signOff: string; remark: string }> },
): Promise<Response> {
  return answer(async () => {
    const { brand, signOff, remark } = await params;
    const { person } = await allowed(brand, 'review');
    const { settled } = await body(request, Settled);
    await closeRemark(person, brand, signOff, remark, settled);
    return Response.json({});
  });
}
