import { z } from 'zod';
import { authenticate } from '@/server/people';
import { addressOf, answer, body } from '@/server/request';
import { signIn } from '@/server/session';

const SignIn = z.strictObject({ email: z.email('That is not an address.').max(200), password: z.string().min(1).max(500) });

export function POST(request: Request): Promise<Response> {
  return answer(async () => {
    const { email, password } = await body(request, SignIn);
    await signIn((await authenticate(email, password, addressOf(request))).id);
    return Response.json({});
  });
}
