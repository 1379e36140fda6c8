import { z } from 'zod';
import { acceptChanges } from '@/server/log/changes';
import { allowed, answer, checked, json } from '@/server/http/request';

/** Each command is checked by itself, so that one that cannot be taken in costs none of the others. */
const Sent = z.strictObject({
  /** Of the shape that the commands have. A page that does not say is of the time before versions. */
  version: z.int().min(1).default(1),
  changes: z
    .array(z.strictObject({ key: z.string().regex(/^[a-z0-9]{8,40}$/), command: z.unknown() }))
    .min(1)
    .max(200),
});

export function POST(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'edit');
    const { version, changes } = checked(await json(request), Sent);
    return Response.json({ outcomes: await acceptChanges(person, brand, version, changes) });
  });
}
