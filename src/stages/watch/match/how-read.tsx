import { Button, CloseButton, Dialog, Portal } from '@chakra-ui/react';
import { useState, useSyncExternalStore } from 'react';
import type { Screen } from '@/core/screens/screen';
import { useBrand } from '@/ui/store/brand-context';
import { Copyable } from '@/ui/readout/copyable';
import { StageLink } from '@/ui/stage-link';
import css from './match.module.css';

/** How a page is read: by the command, from wherever it can be reached. */
export function HowRead({ screen, address }: { screen: Screen; address: string }) {
  const brand = useBrand((state) => state.id);
  const [open, setOpen] = useState(false);
  // What people reach it by is known to the page alone.
  const origin = useSyncExternalStore(
    () => () => {},
    () => location.origin,
    () => '',
  );
  return (
    <>
      <Button size="2xs" variant="outline" onClick={() => setOpen(true)}>
        How it is read
      </Button>
      <Dialog.Root open={open} onOpenChange={(change) => setOpen(change.open)} size="lg" placement="center">
        <Portal>
          <Dialog.Backdrop />
          <Dialog.Positioner>
            <Dialog.Content>
              <Dialog.Header>
                <Dialog.Title>How {screen.name} is read</Dialog.Title>
              </Dialog.Header>
              <Dialog.Body className={css.form}>
                <p>
                  Breakwater’s server opens no page. The command does, in a browser of its own, from wherever the page can be
                  reached; it looks at every theme and causes every state, and sends here what it saw. It takes a token from
                  BREAKWATER_TOKEN, which is made under <StageLink stage="ship">Ship</StageLink>, For builds.
                </p>
                <Copyable text={`breakwater verify ${address} --server ${origin}/deliver/${brand} --screen ${screen.id}`} />
              </Dialog.Body>
              <Dialog.CloseTrigger asChild>
                <CloseButton size="sm" />
              </Dialog.CloseTrigger>
            </Dialog.Content>
          </Dialog.Positioner>
        </Portal>
      </Dialog.Root>
    </>
  );
}
