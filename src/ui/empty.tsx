import type { ReactNode } from 'react';
import css from './empty.module.css';

/** A stage with nothing in it yet: what belongs there, and the first act. */
export function Empty({ title, children, act }: { title: string; children: ReactNode; act?: ReactNode }) {
  return (
    <section className={css.empty}>
      <h1>{title}</h1>
      <p>{children}</p>
      {act}
    </section>
  );
}
