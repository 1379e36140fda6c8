'use client';

import { Button } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import type { PersonRole } from '@/core/brand/roles';
import { EntranceFrame, Line, useEntering } from './entrance-frame';
import { request } from '../asked/request';
import css from './entrance.module.css';

interface InvitedTo {
  readonly organisation: string;
  readonly brand: string | null;
  readonly role: PersonRole;
  /** Who is signed in here; null for nobody. */
  readonly you: string | null;
}

/** Follows an invitation: says what to, and lets whoever is signed in, or somebody new, take it up. */
export function Joining() {
  const secret = useSyncExternalStore(
    () => () => {},
    () => window.location.hash.slice(1),
    () => '',
  );
  const { data, error: refusal } = useQuery({
    queryKey: ['invitation', secret],
    queryFn: () => request<InvitedTo>('/api/join/look', 'POST', { secret }),
    enabled: secret !== '',
    retry: false,
  });
  const { error, busy, enter } = useEntering('/');
  return (
    <EntranceFrame error={error || (refusal?.message ?? '')}>
      {data && (
        <h2>
          You are invited to {data.brand === null ? data.organisation : `${data.brand} of ${data.organisation}`} as {data.role}
        </h2>
      )}
      {data && data.you !== null && (
        <div className={css.form}>
          <Button disabled={busy} onClick={() => void enter('/api/join', { secret })}>
            Join as {data.you}
          </Button>
        </div>
      )}
      {data && data.you === null && (
        <form
          className={css.form}
          onSubmit={(event) => {
            event.preventDefault();
            void enter('/api/join', { secret, newcomer: Object.fromEntries(new FormData(event.currentTarget)) });
          }}
        >
          <Line label="Your name" name="name" autoComplete="name" />
          <Line label="E-mail address" name="email" type="email" autoComplete="email" />
          <Line label="Password, 10 characters or more" name="password" type="password" autoComplete="new-password" />
          <Button type="submit" disabled={busy}>
            Join
          </Button>
          <p>
            You have an account already? <a href="/sign-in">Sign in</a>, then follow the link again.
          </p>
        </form>
      )}
    </EntranceFrame>
  );
}
