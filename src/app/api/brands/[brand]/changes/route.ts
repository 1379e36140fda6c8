import { z } from 'zod';
import { Command } from '@/core/brand/commands';
import { acceptChanges } from '@/server/brands';
import { allowed, answer, body } from '@/server/request';

const Sent = z.strictObject({
  changes: z
    .array(z.strictObject({ key: z.string().regex(/^[a-z0-9]{8,40}$/), command: Command }))
    .min(1)
    .max(200),
});

export function POST(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'edit');
    const { changes } = await body(request, Sent);
    return Response.json({ outcomes: await acceptChanges(person, brand, changes) });
  });
}
