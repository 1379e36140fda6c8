import { z } from 'zod';
import { makeRelease, releasesOf } from '@/server/releases';
import { allowed, answer, body } from '@/server/request';

const NewRelease = z.strictObject({
  /** The last change the person saw. */
  seq: z.int().min(0),
  note: z.string().trim().max(500, 'A note has at most 500 characters.'),
});

type Context = { params: Promise<{ brand: string }> };

export function GET(_request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    await allowed(brand, 'read');
    return Response.json({ releases: await releasesOf(brand) });
  });
}

export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'release');
    const { seq, note } = await body(request, NewRelease);
    return Response.json({ number: await makeRelease(person, brand, seq, note) });
  });
}
