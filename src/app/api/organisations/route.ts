import { brandsOf } from '@/server/brands/brands';
import { organisationsOf } from '@/server/people/organisations';
import { answer, signedIn } from '@/server/http/request';

/** The organisations that somebody belongs to, and the brands that they can see. */
export function GET(): Promise<Response> {
  return answer(async () => {
    const person = await signedIn();
    return Response.json({ organisations: await organisationsOf(person), brands: await brandsOf(person) });
  });
}
