import { z } from 'zod';
import { answer, body } from '@/server/http/request';
import { signOut } from '@/server/people/session';

export function POST(request: Request): Promise<Response> {
  return answer(async () => {
    await body(request, z.strictObject({}));
    await signOut();
    return Response.json({});
  });
}
