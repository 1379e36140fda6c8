import { verdictsOf, type SignOff } from '@/core/release/sign-off';
import css from './sign-off.module.css';

/** Reviews that are over: what became of each, and who had a part in it. */
export function EarlierSignOffs({ signOffs }: { signOffs: readonly SignOff[] }) {
  const over = signOffs.filter(({ outcome }) => outcome !== null);
  if (over.length === 0) return null;
  return (
    <section className={css.earlier}>
      <h3>Earlier sign-offs</h3>
      <ul aria-label="Earlier sign-offs">
        {over.map(({ id, title, by, at, outcome, release, remarks }) => {
          const verdicts = verdictsOf(remarks).map(
            (remark) => `${remark.by} ${remark.kind === 'approve' ? 'approved' : 'asked for changes'}`,
          );
          const comments = remarks.filter(({ kind }) => kind === 'comment').length;
          return (
            <li key={id}>
              <b>{title}</b>
              <span>{outcome === 'released' ? `released as ${release}` : 'withdrawn'}</span>
              <small>
                {[`asked by ${by}, ${new Date(at).toLocaleDateString([], { dateStyle: 'medium' })}`, ...verdicts].join('; ')}
                {comments > 0 && `; ${comments} ${comments === 1 ? 'comment' : 'comments'}`}
              </small>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
