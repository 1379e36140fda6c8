import { z } from 'zod';
import { printed } from '@/server/writing/print';
import { allowed, answer, checked } from '@/server/http/request';

/** `rrggbb`, with commas between. */
const Wanted = z
  .string()
  .regex(/^[0-9a-f]{6}(,[0-9a-f]{6}){0,63}$/, 'Up to 64 colours are asked for, as six hex digits each with commas between.');

/** Colours as the brand's printing condition prints them; null without one. */
export function GET(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    await allowed(brand, 'read');
    const wanted = checked(new URL(request.url).searchParams.get('of'), Wanted).split(',');
    const found = await printed(
      brand,
      wanted.map((digits) => `#${digits}`),
    );
    return Response.json(found && { name: found.name, inks: Object.fromEntries(found.inks) });
  });
}
