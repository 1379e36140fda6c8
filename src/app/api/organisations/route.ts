import { brandsOf } from '@/server/brands';
import { organisationsOf } from '@/server/organisations';
import { answer, signedIn } from '@/server/request';

/** The organisations that somebody belongs to, and the brands that they can see. */
export function GET(): Promise<Response> {
  return answer(async () => {
    const person = await signedIn();
    return Response.json({ organisations: await organisationsOf(person), brands: await brandsOf(person) });
  });
}
