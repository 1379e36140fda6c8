import { z } from 'zod';
import { invitedTo } from '@/server/people/invitations';
import { answer, body } from '@/server/http/request';
import { currentPerson } from '@/server/people/session';

/** What an invitation is to, and who is asking. The secret comes in the body, so that it stands in no address that is written down. */
export function POST(request: Request): Promise<Response> {
  return answer(async () => {
    const { secret } = await body(request, z.strictObject({ secret: z.string().max(100) }));
    const person = await currentPerson();
    return Response.json({ ...(await invitedTo(secret)), you: person?.name ?? null });
  });
}
