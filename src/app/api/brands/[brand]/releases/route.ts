import { z } from 'zod';
import { VERSION_STEPS } from '@/core/release/version';
import { makeRelease, releasesOf } from '@/server/releases/releases';
import { allowed, answer, body } from '@/server/http/request';

const NewRelease = z.strictObject({
  /** The last change the person saw. */
  seq: z.int().min(0),
  title: z.string().trim().max(120, 'A title has at most 120 characters.').default(''),
  note: z.string().trim().max(2_000, 'Notes have at most 2,000 characters.'),
  /** How far its version goes; without it what the differences ask for. */
  step: z.enum(VERSION_STEPS).optional(),
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
    const who = await allowed(brand, 'release');
    return Response.json({ number: await makeRelease(who, brand, await body(request, NewRelease)) });
  });
}
