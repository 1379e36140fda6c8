import type { ReactNode } from 'react';
import css from './watch.module.css';

/** The head of a view: what it says first, a word about it, and what can be done there. */
export function ViewHead({ title, about, children }: { title: ReactNode; about?: ReactNode; children?: ReactNode }) {
  return (
    <div className={css.head}>
      <h2>{title}</h2>
      <span>{about}</span>
      <div>{children}</div>
    </div>
  );
}
