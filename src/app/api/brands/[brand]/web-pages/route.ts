import { z } from 'zod';
import { pageAddress } from '@/core/screens/screen';
import { allowed, answer, body } from '@/server/http/request';
import { fetchPart } from '@/server/outside/web-page';

const Asked = z.strictObject({ address: pageAddress });

/** Fetches a page whose colours somebody likes, or one of its style sheets or drawings. */
export function POST(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'edit');
    const { address } = await body(request, Asked);
    return Response.json(await fetchPart(person, brand, address));
  });
}
