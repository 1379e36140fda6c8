import { allowed, answer, mustBeSameOrigin } from '@/server/http/request';
import { withdrawSignOff } from '@/server/releases/sign-offs';

/** Withdraws a review that is under way. */
export function DELETE(request: Request, { params }: { params: Promise<{ brand: string; signOff: string }> }): Promise<Response> {
  return answer(async () => {
    mustBeSameOrigin(request);
    const { brand, signOff } = await params;
    const { person, role } = await allowed(brand, 'edit');
    await withdrawSignOff(person, role, brand, signOff);
    return Response.json({});
  });
}
