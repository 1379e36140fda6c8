import { Button } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { compareBrands } from '@/core/brand/history/compare';
import { restoreCommand } from '@/core/brand/history/restore';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { ChangeList } from '@/ui/changes/change-list';
import { FormDialog } from '@/ui/form-dialog';
import { tell } from '@/ui/notices';
import { releaseQuery } from '@/ui/asked/releases';

/** Makes the brand what it was at a release, as a change of today: what that changes is shown first. */
export function RestoreRelease({ number }: { number: number }) {
  const mayEdit = useMayEdit();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button size="xs" variant="outline" disabled={!mayEdit} onClick={() => setOpen(true)}>
        Restore release {number}…
      </Button>
      {open && <Confirm number={number} onClose={() => setOpen(false)} />}
    </>
  );
}

function Confirm({ number, onClose }: { number: number; onClose: () => void }) {
  const { id, brand, theme, run } = useBrand((state) => ({
    id: state.id,
    brand: state.replica.brand,
    theme: state.theme,
    run: state.run,
  }));
  const { data: then, isError } = useQuery(releaseQuery(id, number));
  const command = useMemo(() => then && restoreCommand(brand, then, `Restore release ${number}`), [brand, then, number]);
  const differences = useMemo(() => (then ? compareBrands(brand, then) : []), [brand, then]);
  const restore = () => {
    if (!command || !run(command)) return;
    tell(`The brand is what it was at release ${number}. Undo takes that back; a new release brings it out.`);
    onClose();
  };
  return (
    <FormDialog
      title={`Restore release ${number}`}
      act="Restore it"
      size="lg"
      disabled={!command}
      onAct={restore}
      onClose={onClose}
    >
      {isError && <p>This release cannot be reached just now; try again in a moment.</p>}
      {!then && !isError && <p>Fetching it…</p>}
      {then && (
        <>
          <p>
            {command
              ? 'This is what would change. Nothing in the history is rewritten: it is a change like any other, and can be undone.'
              : 'The brand is just what it was then; there is nothing to restore.'}
          </p>
          <ChangeList before={brand} after={then} theme={theme} differences={differences} />
        </>
      )}
    </FormDialog>
  );
}
