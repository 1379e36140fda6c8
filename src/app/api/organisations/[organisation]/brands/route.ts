import { z } from 'zod';
import { EntityId, name } from '@/core/brand/document/fields';
import { duplicateBrand, makeBrand } from '@/server/brands/brand-acts';
import { authorise } from '@/server/brands/brands';
import { houseSetOf } from '@/server/brands/house';
import { organisationOf } from '@/server/people/organisations';
import { Refused } from '@/server/http/refused';
import { allowedIn, answer, body } from '@/server/http/request';

const NewBrand = z.strictObject({
  name,
  /** The brand that it is a duplicate of; without it, it begins with the house set. */
  from: EntityId.optional(),
});

/** Makes a brand: with the house set, or as a duplicate of another. */
export function POST(request: Request, { params }: { params: Promise<{ organisation: string }> }): Promise<Response> {
  return answer(async () => {
    const { organisation } = await params;
    const { person } = await allowedIn(organisation, 'edit');
    const wanted = await body(request, NewBrand);
    if (wanted.from === undefined) {
      const { palettes, number } = await houseSetOf(organisation);
      const begin = { palettes: [...palettes], house: { number } };
      return Response.json({ id: await makeBrand(person, organisation, wanted.name, begin) });
    }
    await authorise(person, wanted.from, 'read');
    if ((await organisationOf(wanted.from)) !== organisation) throw new Refused(404, 'There is no such brand here.');
    return Response.json({ id: await duplicateBrand(person, organisation, wanted.from, wanted.name) });
  });
}
