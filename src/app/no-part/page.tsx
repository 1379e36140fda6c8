import { redirect } from 'next/navigation';
import { currentPerson } from '@/server/people/session';

/** For somebody who is known and has no part in anything yet. */
export default async function NoPart() {
  const person = await currentPerson();
  if (!person) redirect('/sign-in');
  return (
    <main style={{ padding: 48 }}>
      <h1>You have no part in anything here yet</h1>
      <p>
        You are signed in as {person.name} ({person.email}). Ask an owner for an invitation, and follow its link in this browser.
      </p>
    </main>
  );
}
