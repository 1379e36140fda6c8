import { Button, CloseButton, Dialog, Portal } from '@chakra-ui/react';
import { useState, type ReactNode } from 'react';
import { may } from '@/core/brand/roles';
import { useBrand } from '@/ui/store/brand-context';

interface Props {
  /** What the button says that opens it. */
  opens: string;
  title: string;
  /** Drawn only while it is open. */
  children: (brand: string) => ReactNode;
}

/** A dialog about who gets what is released, for those who may release. */
export function ConsumerDialog({ opens, title, children }: Props) {
  const { id, role } = useBrand((state) => ({ id: state.id, role: state.role }));
  const [open, setOpen] = useState(false);
  if (!may(role, 'release')) return null;
  return (
    <Dialog.Root open={open} onOpenChange={(next) => setOpen(next.open)} size="lg" scrollBehavior="inside">
      <Dialog.Trigger asChild>
        <Button size="xs" variant="outline">
          {opens}
        </Button>
      </Dialog.Trigger>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Header>
              <Dialog.Title>{title}</Dialog.Title>
              <Dialog.CloseTrigger asChild>
                <CloseButton size="sm" />
              </Dialog.CloseTrigger>
            </Dialog.Header>
            <Dialog.Body>{open && children(id)}</Dialog.Body>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
