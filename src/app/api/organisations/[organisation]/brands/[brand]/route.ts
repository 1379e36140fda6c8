import { z } from 'zod';
import { EntityId } from '@/core/brand/document/fields';
import { deleteBrand, putBrand } from '@/server/brands/brand-acts';
import { Refused } from '@/server/http/refused';
import { allowedIn, answer, body, mustBeSameOrigin } from '@/server/http/request';

type Context = { params: Promise<{ organisation: string; brand: string }> };

const Whereabouts = z.strictObject({ whereabouts: z.enum(['in use', 'archived', 'in the bin']) });

/** Who may decide about a brand that may lie in the bin: an owner of its organisation. */
async function asked({ params }: Context) {
  const { organisation, brand } = await params;
  const { person } = await allowedIn(organisation, 'govern');
  if (!EntityId.safeParse(brand).success) throw new Refused(404, 'There is no such brand here.');
  return { organisation, brand, person };
}

/** Takes a brand into use, archives it, or puts it into the bin. */
export function PATCH(request: Request, context: Context): Promise<Response> {
  return answer(async () => {
    const { organisation, brand, person } = await asked(context);
    const { whereabouts } = await body(request, Whereabouts);
    await putBrand(person, organisation, brand, whereabouts);
    return Response.json({});
  });
}

/** Deletes a brand that lies in the bin, for good. */
export function DELETE(request: Request, context: Context): Promise<Response> {
  return answer(async () => {
    mustBeSameOrigin(request);
    const { organisation, brand, person } = await asked(context);
    await deleteBrand(person, organisation, brand);
    return Response.json({});
  });
}
