import { Field, Input } from '@chakra-ui/react';
import { useState, type ReactNode } from 'react';
import { request } from '../asked/request';
import css from './entrance.module.css';

/** The picture and the panel that stand before everything else: where people sign in, and join. */
export function EntranceFrame({ error, children }: { error: string; children: ReactNode }) {
  return (
    <main className={css.page}>
      <div className={css.bands} aria-hidden>
        <i />
        <i />
        <i />
        <i />
        <i />
        <i />
      </div>
      <section className={css.panel}>
        <h1>Breakwater</h1>
        <p className={css.motto}>Define once; identical everywhere; provably so.</p>
        {children}
        <p role="alert" className={css.error}>
          {error}
        </p>
      </section>
    </main>
  );
}

/** Asks the server to let somebody in, and goes on from there. */
export function useEntering(to: string) {
  const [error, setError] = useState('');
  const [busy, setBusy] = useState(false);
  const enter = async (path: string, body: unknown) => {
    setBusy(true);
    setError('');
    try {
      await request(path, 'POST', body);
      window.location.replace(to);
    } catch (failure) {
      setError(
        failure instanceof TypeError ? 'The server cannot be reached; try again in a moment.' : (failure as Error).message,
      );
      setBusy(false);
    }
  };
  return { error, busy, enter };
}

interface LineProps {
  label: string;
  name: string;
  type?: string;
  autoComplete: string;
}

export function Line({ label, name, type = 'text', autoComplete }: LineProps) {
  return (
    <Field.Root required>
      <Field.Label>{label}</Field.Label>
      <Input name={name} type={type} autoComplete={autoComplete} size="sm" variant="outline" borderColor="var(--soft)" />
    </Field.Root>
  );
}
