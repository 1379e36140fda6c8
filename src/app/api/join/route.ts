import { z } from 'zod';
import { name } from '@/core/brand/document/fields';
import { join } from '@/server/people/invitations';
import { answer, body, newPassword, signedIn } from '@/server/http/request';
import { signIn } from '@/server/people/session';

const Joining = z.strictObject({
  secret: z.string().max(100),
  /** Who is new here; without it, whoever is signed in joins. */
  newcomer: z.strictObject({ name, email: z.email('That is not an address.').max(200), password: newPassword }).optional(),
});

/** Takes up an invitation. */
export function POST(request: Request): Promise<Response> {
  return answer(async () => {
    const { secret, newcomer } = await body(request, Joining);
    const person = await join(secret, newcomer ?? (await signedIn()));
    if (newcomer) await signIn(person.id);
    return Response.json({});
  });
}
