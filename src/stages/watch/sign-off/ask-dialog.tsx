import { Input, Textarea } from '@chakra-ui/react';
import { useState } from 'react';
import { newId } from '@/core/brand/document/identity';
import { LIMITS } from '@/core/brand/document/fields';
import { SIGN_OFF_LIMITS } from '@/core/release/sign-off';
import { FormDialog } from '@/ui/form-dialog';
import { useSay } from '@/ui/asked/sign-offs';
import css from './sign-off.module.css';

/** Asks the others to look at what has changed. */
export function AskDialog({ count, onClose }: { count: string; onClose: () => void }) {
  const say = useSay();
  const [id] = useState(newId);
  const [title, setTitle] = useState('');
  const [note, setNote] = useState('');
  const [busy, setBusy] = useState(false);
  const ask = async () => {
    setBusy(true);
    if (await say('sign-offs', 'POST', { id, title, note })) onClose();
    else setBusy(false);
  };
  return (
    <FormDialog
      title="Ask for a sign-off"
      act="Ask"
      disabled={title.trim() === ''}
      loading={busy}
      body={css.form}
      onAct={() => void ask()}
      onClose={onClose}
    >
      <p>{count}. Everybody who may review sees them under Watch, and what you change until the release is seen as well.</p>
      <label>
        Title
        <Input
          size="sm"
          autoFocus
          value={title}
          maxLength={LIMITS.name}
          onChange={(event) => setTitle(event.target.value)}
          placeholder="What these changes are for"
        />
      </label>
      <label>
        What should they look at?
        <Textarea size="sm" value={note} maxLength={SIGN_OFF_LIMITS.remark} onChange={(event) => setNote(event.target.value)} />
      </label>
    </FormDialog>
  );
}
