import { CaughtColours } from '@/core/intake/caught-colours';
import { caughtBy, sendCaught } from '@/server/log/caught';
import { allowed, answer, body } from '@/server/http/request';

type Params = { params: Promise<{ brand: string }> };

/** Colours that the person has sent from other pages of theirs, the oldest first. */
export function GET(_request: Request, { params }: Params): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'read');
    return Response.json({ caught: await caughtBy(person, brand) });
  });
}

/** Sends colours to the person's other pages. */
export function POST(request: Request, { params }: Params): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'read');
    await sendCaught(person, brand, await body(request, CaughtColours));
    return Response.json({});
  });
}
