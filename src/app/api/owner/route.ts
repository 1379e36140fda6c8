import { z } from 'zod';
import { Brand } from '@/core/brand/document/document';
import { createOwner } from '@/server/people/people';
import { answer, body, newPassword } from '@/server/http/request';
import { signIn } from '@/server/people/session';

const Owner = z.strictObject({
  name: Brand.shape.name,
  organisation: Brand.shape.name,
  email: z.email('That is not an address.').max(200),
  password: newPassword,
});

export function POST(request: Request): Promise<Response> {
  return answer(async () => {
    await signIn((await createOwner(await body(request, Owner))).id);
    return Response.json({});
  });
}
