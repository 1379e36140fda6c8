import { Button, Textarea } from '@chakra-ui/react';
import { useState } from 'react';
import { newId } from '@/core/brand/document/identity';
import { may } from '@/core/brand/roles';
import { SIGN_OFF_LIMITS, type SignOff } from '@/core/release/sign-off';
import { useBrand } from '@/ui/store/brand-context';
import { useSay } from '@/ui/asked/sign-offs';
import css from './sign-off.module.css';

interface Props {
  signOff: SignOff;
  /** Id of what the remarks are about. */
  about: string;
  name: string;
}

/** What was said about one change, and a line to say more. */
export function Remarks({ signOff, about, name }: Props) {
  const { seq, mayReview } = useBrand((state) => ({ seq: state.replica.seq, mayReview: may(state.role, 'review') }));
  const say = useSay();
  const [text, setText] = useState('');
  const [busy, setBusy] = useState(false);
  const path = `sign-offs/${signOff.id}/remarks`;
  const said = signOff.remarks.filter((remark) => remark.about === about);
  const comment = async () => {
    setBusy(true);
    if (await say(path, 'POST', { id: newId(), kind: 'comment', about, seq, text })) setText('');
    setBusy(false);
  };
  return (
    <div className={css.remarks}>
      <ul aria-label={`Said about ${name}`}>
        {said.map((remark) => (
          <li key={remark.id} data-closed={remark.closedBy !== null || undefined}>
            <b>{remark.by}</b>
            <span>{remark.text}</span>
            {mayReview && (
              <Button
                size="2xs"
                variant="outline"
                aria-pressed={remark.closedBy !== null}
                onClick={() => void say(`${path}/${remark.id}`, 'PATCH', { closed: remark.closedBy === null })}
              >
                {remark.closedBy === null ? 'Dealt with' : `Dealt with, says ${remark.closedBy}`}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {mayReview && (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void comment();
          }}
        >
          <Textarea
            size="xs"
            rows={1}
            aria-label={`A comment on ${name}`}
            value={text}
            maxLength={SIGN_OFF_LIMITS.remark}
            onChange={(event) => setText(event.target.value)}
            placeholder={`A comment on ${name}`}
          />
          <Button type="submit" size="xs" variant="outline" disabled={text.trim() === ''} loading={busy}>
            Comment
          </Button>
        </form>
      )}
    </div>
  );
}
