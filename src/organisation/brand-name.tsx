import { shortened } from '@/core/base/storable';
import { Input } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { LIMITS } from '@/core/brand/document/fields';
import { FormDialog } from '@/ui/form-dialog';
import { useAct, useLooking } from './organisation-context';
import type { ListedBrand } from '@/core/organisation/told';
import css from './organisation.module.css';

/** Asks for the name of a new brand, makes it and goes there. @param from the brand that it is a duplicate of; null for one that begins anew */
export function BrandName({ from, onClose }: { from: ListedBrand | null; onClose: () => void }) {
  const { address } = useLooking();
  const act = useAct();
  const router = useRouter();
  const [name, setName] = useState(from ? shortened(`${from.name}, again`, LIMITS.name) : '');
  const [busy, setBusy] = useState(false);
  const make = async () => {
    setBusy(true);
    const made = await act<{ id: string }>(`${address}/brands`, 'POST', { name, ...(from && { from: from.id }) });
    if (made) router.push(`/brand/${made.id}/mix`);
    else setBusy(false);
  };
  return (
    <FormDialog
      title={from ? `Duplicate ${from.name}` : 'New brand'}
      act={from ? 'Duplicate it' : 'Make it'}
      disabled={name.trim() === ''}
      loading={busy}
      body={css.form}
      onAct={() => void make()}
      onClose={onClose}
    >
      <p>
        {from
          ? 'With everything that is in it now, its pictures and hosts too; its history and its releases begin anew.'
          : 'It begins with the palettes of the house set, and one theme.'}
      </p>
      <label>
        Name
        <Input size="sm" autoFocus value={name} maxLength={LIMITS.name} onChange={(event) => setName(event.target.value)} />
      </label>
    </FormDialog>
  );
}
