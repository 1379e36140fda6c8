import { houseHolders, houseSetOf, makeHouseSet, NewHouseSet } from '@/server/brands/house';
import { allowedIn, answer, body } from '@/server/http/request';

type Context = { params: Promise<{ organisation: string }> };

/** The house set, and which brands have it: for the owners, who make it. */
export function GET(_request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { organisation } = await params;
    await allowedIn(organisation, 'govern');
    const house = await houseSetOf(organisation);
    return Response.json({ house, holders: await houseHolders(organisation, house) });
  });
}

export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { organisation } = await params;
    const { person } = await allowedIn(organisation, 'govern');
    return Response.json({ number: await makeHouseSet(person, organisation, await body(request, NewHouseSet)) });
  });
}
