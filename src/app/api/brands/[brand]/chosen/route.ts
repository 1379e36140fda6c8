import { z } from 'zod';
import { EntityId } from '@/core/brand/document/fields';
import { announce } from '@/server/log/announce';
import { allowed, answer, body } from '@/server/http/request';

const Chosen = z.strictObject({
  /** Id of the page. */
  page: EntityId,
  /** Id of the swatch or token that is chosen there; null for nothing. */
  chosen: EntityId.nullable(),
});

/** Tells the others at a brand what somebody has chosen. It is kept nowhere. */
export function POST(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'read');
    await announce({ brand, kind: 'chosen', person: person.id, ...(await body(request, Chosen)) });
    return Response.json({});
  });
}
