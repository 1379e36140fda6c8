import { z } from 'zod';
import { EntityId, LIMITS } from '@/core/brand/document/fields';
import { Refused } from '@/server/http/refused';
import { allowed, answer } from '@/server/http/request';
import { weightOf } from '@/server/releases/weight';

const Asked = z.object({ brand: z.string().max(40), destination: EntityId, group: z.string().max(LIMITS.path) });

/** Bytes of a destination, as they are and compressed, by the families below a group. */
export function GET(request: Request, { params }: { params: Promise<Record<string, unknown>> }): Promise<Response> {
  return answer(async () => {
    const group = new URL(request.url).searchParams.get('group') ?? '';
    const parsed = Asked.safeParse({ ...(await params), group });
    if (!parsed.success) throw new Refused(404, 'There is no such destination.');
    const { brand, destination } = parsed.data;
    await allowed(brand, 'read');
    return Response.json({ weight: await weightOf(brand, destination, parsed.data.group) });
  });
}
