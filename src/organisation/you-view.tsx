import { Button, Field, Input } from '@chakra-ui/react';
import { useState } from 'react';
import { tell } from '@/ui/notices';
import { useAct, useLooking } from './organisation-context';
import css from './organisation.module.css';

/** One's own account: another password, and an end to every session. */
export function YouView() {
  const { person } = useLooking();
  const act = useAct();
  const [passwords, setPasswords] = useState({ current: '', next: '' });
  const change = async () => {
    if (!(await act('/api/me/password', 'POST', passwords))) return;
    setPasswords({ current: '', next: '' });
    tell('Your password is another now. Everywhere else you are signed out.');
  };
  const leave = async () => {
    if (await act('/api/me/sessions', 'DELETE')) window.location.replace('/sign-in');
  };
  return (
    <div className={css.view}>
      {person.hasPassword ? (
        <form
          className={css.password}
          onSubmit={(event) => {
            event.preventDefault();
            void change();
          }}
        >
          <h2>Another password</h2>
          <Field.Root required>
            <Field.Label>The one you have</Field.Label>
            <Input
              size="sm"
              type="password"
              autoComplete="current-password"
              value={passwords.current}
              onChange={(event) => setPasswords({ ...passwords, current: event.target.value })}
            />
          </Field.Root>
          <Field.Root required>
            <Field.Label>The new one, 10 characters or more</Field.Label>
            <Input
              size="sm"
              type="password"
              autoComplete="new-password"
              value={passwords.next}
              onChange={(event) => setPasswords({ ...passwords, next: event.target.value })}
            />
          </Field.Root>
          <Button type="submit" size="xs" disabled={!passwords.current || passwords.next.length < 10}>
            Change it
          </Button>
        </form>
      ) : (
        <p>You sign in without a password here.</p>
      )}
      <section>
        <h2>Sign out everywhere</h2>
        <p>On every device, this one too. Edits that wait on a device stay there until you sign in again.</p>
        <Button size="xs" variant="outline" onClick={() => void leave()}>
          Sign out everywhere
        </Button>
      </section>
    </div>
  );
}
