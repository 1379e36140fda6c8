import { isStorable } from '@/core/base/storable';
import { Refused } from '@/server/http/refused';
import { allowed, answer } from '@/server/http/request';
import { scopeOf, swatchesFor } from '@/server/brands/search';

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
    return Response.json({ swatches: await swatchesFor(await scopeOf(person, brand), query) });
  });
}
