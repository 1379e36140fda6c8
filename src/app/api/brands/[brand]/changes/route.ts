import { z } from 'zod';
import { acceptChanges } from '@/server/brands';
import { allowed, answer, checked, json } from '@/server/request';

/** Each command is checked by itself, so that one that cannot be taken in costs none of the others. */
const Sent = z.strictObject({
  changes: z
    .array(z.strictObject({ key: z.string().regex(/^[a-z0-9]{8,40}$/), command: z.unknown() }))
    .min(1)
    .max(200),
});

export function POST(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'edit');
    const { changes } = checked(await json(request), Sent);
    return Response.json({ outcomes: await acceptChanges(person, brand, changes) });
  });
}
