import { z } from 'zod';
import { demoPeople } from '@/server/demo';
import { environment } from '@/server/environment';
import { Refused } from '@/server/refused';
import { answer, body } from '@/server/request';
import { signIn } from '@/server/session';

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
