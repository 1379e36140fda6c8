import { headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { organisationsOf } from '@/server/people/organisations';
import { currentPerson } from '@/server/people/session';
import { OrganisationPage } from '@/organisation/organisation-page';

/** An organisation, for those who belong to it. */
export default async function Page({ params }: { params: Promise<{ organisation: string }> }) {
  const person = await currentPerson();
  if (!person) redirect(`/sign-in?to=${encodeURIComponent((await headers()).get('x-path') ?? '')}`);
  const { organisation: wanted } = await params;
  const all = await organisationsOf(person);
  const organisation = all.find(({ id }) => id === wanted);
  if (!organisation) notFound();
  return (
    <OrganisationPage
      organisation={organisation}
      person={{ id: person.id, name: person.name, hasPassword: person.passwordHash !== null }}
      others={all.filter(({ id }) => id !== wanted).map(({ id, name }) => ({ id, name }))}
    />
  );
}
