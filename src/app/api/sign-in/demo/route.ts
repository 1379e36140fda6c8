import { z } from 'zod';
import { demoPeople } from '@/server/brands/demo';
import { environment } from '@/server/http/environment';
import { Refused } from '@/server/http/refused';
import { answer, body } from '@/server/http/request';
import { signIn } from '@/server/people/session';

const DemoSignIn = z.strictObject({ person: z.string().max(40) });

export function POST(request: Request): Promise<Response> {
  return answer(async () => {
    const { person } = await body(request, DemoSignIn);
    const known = environment().BREAKWATER_DEMO === '1' && (await demoPeople()).some(({ id }) => id === person);
    if (!known) throw new Refused(403, 'There is no such demo person here; sign in with your own address.');
    await signIn(person);
    return Response.json({});
  });
}
