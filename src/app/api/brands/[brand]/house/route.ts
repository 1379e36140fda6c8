import { houseSetOf } from '@/server/brands/house';
import { organisationOf } from '@/server/people/organisations';
import { allowed, answer } from '@/server/http/request';

/** The house set of the organisation that a brand belongs to. */
export function GET(_request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    await allowed(brand, 'read');
    return Response.json(await houseSetOf(await organisationOf(brand)));
  });
}
