import { Input } from '@chakra-ui/react';
import { useState } from 'react';
import { LIMITS } from '@/core/brand/document/fields';
import { pageAddress, SCREEN_LIMITS, type Screen } from '@/core/screens/screen';
import { FormDialog } from '@/ui/form-dialog';
import { useScreenAct } from '@/ui/asked/screens';
import css from './match.module.css';

/** Asks for another name of a screen, and of a page for its address. */
export function RenameScreen({ screen, onClose }: { screen: Screen; onClose: () => void }) {
  const act = useScreenAct();
  const was = screen.kind.is === 'page' ? screen.kind.address : null;
  const [name, setName] = useState(screen.name);
  const [address, setAddress] = useState(was ?? '');
  const problem = was === null ? null : pageAddress.safeParse(address).error?.issues[0]!.message;
  const keep = async () => {
    if (await act(`/${screen.id}`, 'PATCH', { name, ...(was !== null && { address }) })) onClose();
  };
  return (
    <FormDialog
      title={screen.name}
      act="Keep it"
      disabled={name.trim() === '' || Boolean(problem)}
      body={css.form}
      onAct={() => void keep()}
      onClose={onClose}
    >
      <label>
        Name
        <Input size="sm" autoFocus value={name} maxLength={LIMITS.name} onChange={(event) => setName(event.target.value)} />
      </label>
      {was !== null && (
        <label>
          Address
          <Input
            size="sm"
            value={address}
            maxLength={SCREEN_LIMITS.address}
            onChange={(event) => setAddress(event.target.value)}
          />
          {problem && <small role="alert">{problem}</small>}
        </label>
      )}
    </FormDialog>
  );
}
