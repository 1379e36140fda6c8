import { useMemo } from 'react';
import type { Difference } from '@/core/brand/history/compare';
import type { Brand } from '@/core/brand/document/document';
import type { SignOff } from '@/core/release/sign-off';
import { useBrand } from '@/ui/store/brand-context';
import { Moved, Patches } from '@/ui/changes/change-list';
import { coloursOf } from '@/ui/changes/colours-of';
import type { Verdict } from '@/ui/asked/sign-offs';
import css from './sign-off.module.css';

/** More are not listed one by one; all of them are in the pictures. */
const MOST_SHOWN = 200;

interface Props {
  before: Brand | null;
  after: Brand;
  differences: readonly Difference[];
  open: SignOff | null;
  verdicts: readonly Verdict[];
  chosen: string;
  onChoose: (id: string) => void;
}

/** What has changed, one thing under the other, with who has approved it as it is now and how much was said about it. */
export function ChangesToReview({ before, after, differences, open, verdicts, chosen, onChoose }: Props) {
  const theme = useBrand((state) => state.theme);
  const [then, now] = useMemo(() => [before && coloursOf(before, theme), coloursOf(after, theme)], [before, after, theme]);
  const approving = verdicts.filter(({ remark, unseen }) => remark.kind === 'approve' && unseen);
  const remarks = open?.remarks ?? [];
  return (
    <ul className={css.changes} aria-label="Changes to look at">
      {differences.slice(0, MOST_SHOWN).map(({ id, kind, name, what, effect }) => {
        const seen = approving.filter(({ unseen }) => !unseen!.has(id)).map(({ remark }) => remark.by);
        const said = remarks.filter(({ about, closedBy }) => about === id && !closedBy).length;
        return (
          <li key={id}>
            <button aria-current={id === chosen || undefined} onClick={() => onChoose(id)}>
              <Patches before={then?.(id) ?? null} after={now(id)} />
              <b>{name}</b>
              <small>
                {what} {kind}
                <Moved before={then?.(id) ?? null} after={now(id)} />
              </small>
              {effect && <small>{effect}</small>}
              {(seen.length > 0 || said > 0) && (
                <small>
                  {seen.length > 0 && `approved by ${seen.join(', ')}`}
                  {seen.length > 0 && said > 0 && ' · '}
                  {said > 0 && `${said} to answer`}
                </small>
              )}
            </button>
          </li>
        );
      })}
      {differences.length > MOST_SHOWN && <li>and {differences.length - MOST_SHOWN} more</li>}
    </ul>
  );
}
