import { redirect } from 'next/navigation';
import { brandsOf } from '@/server/brands/brands';
import { organisationsOf } from '@/server/people/organisations';
import { currentPerson } from '@/server/people/session';

/** The way in: to the person's first brand, or to signing in. */
export default async function Home() {
  const person = await currentPerson();
  if (!person) redirect('/sign-in');
  const [brand] = await brandsOf(person);
  if (!brand) {
    const [organisation] = await organisationsOf(person);
    redirect(organisation ? `/organisation/${organisation.id}` : '/no-part');
  }
  redirect(`/brand/${brand.id}/mix`);
}
