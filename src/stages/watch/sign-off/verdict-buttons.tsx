import { Button, Textarea } from '@chakra-ui/react';
import { useState } from 'react';
import { newId } from '@/core/brand/document/identity';
import { SIGN_OFF_LIMITS, type NewRemark, type SignOff } from '@/core/release/sign-off';
import { useBrand } from '@/ui/store/brand-context';
import { waitingCount } from '@/ui/store/brand-state';
import { FormDialog } from '@/ui/form-dialog';
import { useSay } from '@/ui/asked/sign-offs';
import css from './sign-off.module.css';

/** Approves the changes as they are seen here, or asks for others. */
export function VerdictButtons({ signOff }: { signOff: SignOff }) {
  // What is not on the server yet was seen by nobody else, and cannot be approved.
  const { seq, waits } = useBrand((state) => ({ seq: state.replica.seq, waits: waitingCount(state) > 0 }));
  const say = useSay();
  const [asking, setAsking] = useState(false);
  const [busy, setBusy] = useState(false);
  const [text, setText] = useState('');
  const give = async (kind: NewRemark['kind'], words: string) => {
    setBusy(true);
    const done = await say(`sign-offs/${signOff.id}/remarks`, 'POST', { id: newId(), kind, about: null, seq, text: words });
    setBusy(false);
    if (!done) return;
    setAsking(false);
    setText('');
  };
  return (
    <>
      <Button size="xs" disabled={waits} loading={busy} onClick={() => void give('approve', '')}>
        Approve
      </Button>
      <Button size="xs" variant="outline" disabled={waits} onClick={() => setAsking(true)}>
        Ask for changes…
      </Button>
      {asking && (
        <FormDialog
          title="Ask for changes"
          act="Ask"
          disabled={text.trim() === ''}
          loading={busy}
          body={css.form}
          onAct={() => void give('ask', text)}
          onClose={() => setAsking(false)}
        >
          <label>
            What has to be another before you approve?
            <Textarea
              size="sm"
              autoFocus
              value={text}
              maxLength={SIGN_OFF_LIMITS.remark}
              onChange={(event) => setText(event.target.value)}
            />
          </label>
        </FormDialog>
      )}
    </>
  );
}
