import { z } from 'zod';
import { EntityId } from '@/core/brand/document/fields';
import { ROLES } from '@/core/brand/roles';
import { giveRole } from '@/server/people/members';
import { allowedIn, answer, body } from '@/server/http/request';

const GivenRole = z.strictObject({
  /** The one brand that it is for; null for the organisation. */
  brand: EntityId.nullable(),
  /** None closes a brand; null takes the role away. */
  role: z.enum([...ROLES, 'none']).nullable(),
});

/** Gives somebody a role, or takes it away. */
export function PATCH(
  request: Request,
  { params }: { params: Promise<{ organisation: string; person: string }> },
): Promise<Response> {
  return answer(async () => {
    const { organisation, person: id } = await params;
    const { person } = await allowedIn(organisation, 'govern');
    await giveRole(person, organisation, id, await body(request, GivenRole));
    return Response.json({});
  });
}
