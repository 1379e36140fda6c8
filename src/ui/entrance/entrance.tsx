'use client';

import { Button } from '@chakra-ui/react';
import type { FormEvent } from 'react';
import type { PersonRole } from '@/core/brand/roles';
import { EntranceFrame, Line, useEntering } from './entrance-frame';
import css from './entrance.module.css';

const WORDS: Record<PersonRole, string> = {
  owner: 'edits, releases, decides who may',
  editor: 'edits and releases',
  reviewer: 'looks and reviews',
  viewer: 'looks only',
};

interface EntranceProps {
  demoPeople: { id: string; name: string; role: PersonRole }[];
  first: boolean;
  /** What the organisation's own provider of sign-in is called; null where there is none. */
  provider: string | null;
  /** Where one goes afterwards. */
  to: string;
}

/** The way in: a demo person with one click, one's own address, or the first visitor who becomes the owner. */
export function Entrance({ demoPeople, first, provider, to }: EntranceProps) {
  const { error, busy, enter } = useEntering(to);
  const submit = (path: string) => (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    void enter(path, Object.fromEntries(new FormData(event.currentTarget)));
  };
  return (
    <EntranceFrame error={error}>
      {demoPeople.length > 0 && (
        <>
          <h2>Quillhaven Ferries, an invented company: come in as</h2>
          <ul className={css.people}>
            {demoPeople.map(({ id, name, role }) => (
              <li key={id}>
                <button disabled={busy} onClick={() => void enter('/api/sign-in/demo', { person: id })}>
                  <b>{name}</b>
                  <span>{role}</span>
                  <small>{WORDS[role]}</small>
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
      {first && (
        <form onSubmit={submit('/api/owner')} className={css.form}>
          <h2>Nobody is here yet: you become the owner</h2>
          <Line label="Your name" name="name" autoComplete="name" />
          <Line label="Organisation" name="organisation" autoComplete="organization" />
          <Line label="E-mail address" name="email" type="email" autoComplete="email" />
          <Line label="Password, 10 characters or more" name="password" type="password" autoComplete="new-password" />
          <Button type="submit" disabled={busy}>
            Begin
          </Button>
        </form>
      )}
      {!first && provider !== null && (
        <p className={css.provider}>
          <Button asChild>
            <a href="/api/sign-in/provider">Sign in with {provider}</a>
          </Button>
        </p>
      )}
      {!first && demoPeople.length === 0 && (
        <form onSubmit={submit('/api/sign-in')} className={css.form}>
          <h2>Sign in</h2>
          <Line label="E-mail address" name="email" type="email" autoComplete="email" />
          <Line label="Password" name="password" type="password" autoComplete="current-password" />
          <Button type="submit" disabled={busy}>
            Sign in
          </Button>
        </form>
      )}
    </EntranceFrame>
  );
}
