import { z } from 'zod';
import { changePassword } from '@/server/people/people';
import { addressOf, answer, body, newPassword, signedIn } from '@/server/http/request';
import { currentSession } from '@/server/people/session';

const Passwords = z.strictObject({ current: z.string().min(1).max(500), next: newPassword });

/** Gives oneself another password. */
export function POST(request: Request): Promise<Response> {
  return answer(async () => {
    const passwords = await body(request, Passwords);
    const person = await signedIn();
    await changePassword(person, { ...passwords, from: addressOf(request), session: await currentSession() });
    return Response.json({});
  });
}
