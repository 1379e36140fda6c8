import { Button, Textarea } from '@chakra-ui/react';
import { useState } from 'react';
import { newId } from '@/core/brand/document/identity';
import { SIGN_OFF_LIMITS, type NewRemark, type SignOff } from '@/core/release/sign-off';
import { useBrand } from '@/ui/store/brand-context';
import { waitingCount } from '@/ui/store/brand-state';
import { FormDialog } from '@/ui/form-dialog';
import { useSay } from '@/ui/asked/sign-offs';
import css from './sign-off.module.css';

const FORMS = {
  approve: { title: 'Approve the changes', act: 'Approve', question: 'A remark for the others, if you like' },
  ask: { title: 'Ask for changes', act: 'Ask', question: 'What has to be another before you approve?' },
} as const;

/** Approves the changes as they are seen here, or asks for others. */
export function VerdictButtons({ signOff }: { signOff: SignOff }) {
  // What is not on the server yet was seen by nobody else, and cannot be approved.
  const { seq, waits } = useBrand((state) => ({ seq: state.replica.seq, waits: waitingCount(state) > 0 }));
  const say = useSay();
  const [saying, setSaying] = useState<keyof typeof FORMS | null>(null);
  const [busy, setBusy] = useState(false);
  const [text, setText] = useState('');
  const give = async (kind: NewRemark['kind']) => {
    setBusy(true);
    const done = await say(`sign-offs/${signOff.id}/remarks`, 'POST', { id: newId(), kind, about: null, seq, text });
    setBusy(false);
    if (!done) return;
    setSaying(null);
    setText('');
  };
  return (
    <>
      <Button size="xs" disabled={waits} onClick={() => setSaying('approve')}>
        Approve…
      </Button>
      <Button size="xs" variant="outline" disabled={waits} onClick={() => setSaying('ask')}>
        Ask for changes…
      </Button>
      {saying && (
        <FormDialog
          title={FORMS[saying].title}
          act={FORMS[saying].act}
          disabled={waits || (saying === 'ask' && text.trim() === '')}
          loading={busy}
          body={css.form}
          onAct={() => void give(saying)}
          onClose={() => setSaying(null)}
        >
          <label>
            {FORMS[saying].question}
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
