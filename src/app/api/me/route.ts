import { z } from 'zod';
import { answer, body, signedIn } from '@/server/http/request';

const Preferences = z.strictObject({ surround: z.enum(['paper', 'mid', 'ink']), guideHidden: z.boolean() }).partial();

export function PATCH(request: Request): Promise<Response> {
  return answer(async () => {
    const preferences = await body(request, Preferences);
    const person = await signedIn();
    await person.update({ preferences: { ...person.preferences, ...preferences } });
    return Response.json({});
  });
}
