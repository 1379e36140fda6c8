import { z } from 'zod';
import { writeDownOwn } from '@/server/people/audit';
import { authenticate } from '@/server/people/people';
import { addressOf, answer, body } from '@/server/http/request';
import { signIn } from '@/server/people/session';

const SignIn = z.strictObject({ email: z.email('That is not an address.').max(200), password: z.string().min(1).max(500) });

export function POST(request: Request): Promise<Response> {
  return answer(async () => {
    const { email, password } = await body(request, SignIn);
    const person = await authenticate(email, password, addressOf(request));
    await signIn(person.id);
    await writeDownOwn(person, 'sign-in');
    return Response.json({});
  });
}
