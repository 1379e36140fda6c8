import { houseSetOf } from '@/server/brands/house';
import { brandsIn } from '@/server/people/organisations';
import { allowedIn, answer } from '@/server/http/request';

type Context = { params: Promise<{ organisation: string }> };

/** An organisation: its brands, and the palettes that new ones begin with. */
export function GET(_request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { organisation } = await params;
    const { person, role } = await allowedIn(organisation, 'read');
    return Response.json({ role, brands: await brandsIn(person, organisation), house: await houseSetOf(organisation) });
  });
}
