import type { Verdict } from '@/ui/asked/sign-offs';
import css from './sign-off.module.css';

/** Who approved and who asked for changes, and whether that counts for what is there now. */
export function Verdicts({ verdicts, makers }: { verdicts: readonly Verdict[]; makers: readonly string[] }) {
  if (verdicts.length === 0) return <p className={css.note}>Nobody has approved it yet, or asked for changes.</p>;
  return (
    <ul className={css.verdicts} aria-label="Verdicts">
      {verdicts.map(({ remark, unseen }) => (
        <li key={remark.id} data-verdict={remark.kind}>
          <b>{remark.by}</b>
          <span>
            {remark.kind === 'ask' ? 'asked for changes' : 'approved'}
            {remark.outdated && ', before Breakwater was updated'}
            {remark.kind === 'approve' && unseen !== null && unseen.size > 0 && (
              <>
                {', '}before {unseen.size === 1 ? 'one more change' : `${unseen.size} more changes`}
              </>
            )}
            {remark.kind === 'approve' &&
              makers.includes(remark.person) &&
              ', which does not count: some of the changes are theirs'}
          </span>
          {remark.text && <q>{remark.text}</q>}
        </li>
      ))}
    </ul>
  );
}
