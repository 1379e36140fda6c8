import { allowed, answer } from '@/server/http/request';
import { readingsOf } from '@/server/releases/screens';

/** What a screen was last found to show. */
export function GET(_request: Request, { params }: { params: Promise<{ brand: string; screen: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand, screen } = await params;
    await allowed(brand, 'read');
    return Response.json({ readings: await readingsOf(brand, screen) });
  });
}
