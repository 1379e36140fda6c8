import { demoPeople } from '@/server/demo';
import { environment } from '@/server/environment';
import { isEmpty } from '@/server/people';
import { Entrance } from '@/ui/entrance';

export default async function SignInPage() {
  const people = environment().BREAKWATER_DEMO === '1' ? await demoPeople() : [];
  return <Entrance demoPeople={people} first={await isEmpty()} />;
}
