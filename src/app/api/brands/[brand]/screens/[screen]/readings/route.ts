import { Readings } from '@/core/screens/screen';
import { allowed, answer, body } from '@/server/request';
import { keepReadings, readingsOf } from '@/server/screens';

type Context = { params: Promise<{ brand: string; screen: string }> };

/** What a screen was last found to show. */
export function GET(_request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { brand, screen } = await params;
    await allowed(brand, 'read');
    return Response.json({ readings: await readingsOf(brand, screen) });
  });
}

/** Keeps what a page of somebody found a screen to show. */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { brand, screen } = await params;
    await allowed(brand, 'edit');
    await keepReadings(brand, screen, await body(request, Readings));
    return Response.json({});
  });
}
