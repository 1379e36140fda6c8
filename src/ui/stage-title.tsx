import type { ReactNode } from 'react';
import css from './stage-title.module.css';

/** The head of a stage: what is in front of one, a word about it, and what can be done with it. */
export function StageTitle({ title, about, children }: { title: ReactNode; about?: ReactNode; children?: ReactNode }) {
  return (
    <div className={css.head}>
      <h1>{title}</h1>
      <span>{about}</span>
      <div>{children}</div>
    </div>
  );
}
