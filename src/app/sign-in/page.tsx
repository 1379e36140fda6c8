import { demoPeople } from '@/server/brands/demo';
import { environment } from '@/server/http/environment';
import { isEmpty } from '@/server/people/people';
import { providerName } from '@/server/outside/provider';
import { Entrance } from '@/ui/entrance/entrance';

/** Pages of a brand and of an organisation, which whoever was asked to sign in is led back to; anything else is not followed. */
const INSIDE = /^\/(?:brand\/[A-Za-z0-9_-]{1,40}\/[a-z]{1,10}(?:\?camera)?|organisation\/[A-Za-z0-9_-]{1,40})$/;

export default async function SignInPage({ searchParams }: { searchParams: Promise<Record<string, unknown>> }) {
  const { to } = await searchParams;
  const people = environment().BREAKWATER_DEMO === '1' ? await demoPeople() : [];
  return (
    <Entrance
      demoPeople={people}
      first={await isEmpty()}
      provider={providerName()}
      to={INSIDE.test(String(to)) ? String(to) : '/'}
    />
  );
}
