import { z } from 'zod';
import { EntityId } from '@/core/brand/document/fields';
import { historyOf, makersOf } from '@/server/log/changes';
import { allowed, answer, checked } from '@/server/http/request';

const Asked = z.object({
  /** Id of something: only what touched it, or a swatch in it where it is a palette. */
  of: EntityId.optional(),
  /** Id of the person who did it. */
  by: EntityId.optional(),
  /** Only what came before the change with this number. */
  before: z.coerce.number().int().min(0).max(2_000_000_000).optional(),
});

/** The changes of a brand, the latest first: all of them, or those of one thing or of one person. */
export function GET(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    await allowed(brand, 'read');
    const asked = checked(Object.fromEntries(new URL(request.url).searchParams), Asked);
    const history = await historyOf(brand, asked);
    return Response.json({ history, ...(asked.of === undefined && { people: await makersOf(brand) }) });
  });
}
