import { z } from 'zod';
import { keepProfile, keepSystemProfile, systemProfiles } from '@/server/writing/print';
import { allowed, answer, bytes, checked } from '@/server/http/request';

type Context = { params: Promise<{ brand: string }> };

/** The printing profiles that the server's system offers, by name. */
export function GET(_request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    await allowed((await params).brand, 'read');
    return Response.json({ system: [...(await systemProfiles()).keys()] });
  });
}

/** Keeps a printing profile: its bytes are the body, or `system` names one of the system's. */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'edit');
    const system = checked(new URL(request.url).searchParams.get('system'), z.string().max(200).nullable());
    const body = await bytes(request);
    return Response.json(
      system === null ? await keepProfile(person, brand, body) : await keepSystemProfile(person, brand, system),
    );
  });
}
