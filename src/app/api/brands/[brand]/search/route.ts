import { isStorable } from '@/core/base/storable';
import { Refused } from '@/server/refused';
import { allowed, answer } from '@/server/request';
import { colourAskedFor, scopeOf, swatchesNamed, swatchesNear } from '@/server/search';

const LONGEST = 200;

/** Swatches of all brands of the organisation that the person can see: near a colour, or by name. */
export function GET(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'read');
    const query = new URL(request.url).searchParams.get('for')?.trim() ?? '';
    if (query.length > LONGEST || !isStorable(query))
      throw new Refused(400, `Look for a colour or a name of at most ${LONGEST} characters.`);
    if (query === '') return Response.json({ swatches: [] });
    const scope = await scopeOf(person, brand);
    const colour = colourAskedFor(query);
    return Response.json({ swatches: colour ? await swatchesNear(scope, colour) : await swatchesNamed(scope, query) });
  });
}
