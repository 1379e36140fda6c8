import { Button, CloseButton, Dialog, Portal } from '@chakra-ui/react';
import type { ReactNode } from 'react';

interface FormDialogProps {
  readonly title: ReactNode;
  /** The words of the one button, which Enter in a field presses as well. */
  readonly act: ReactNode;
  readonly disabled?: boolean;
  readonly loading?: boolean;
  readonly size?: 'md' | 'lg';
  /** The class of what is between the title and the button. */
  readonly body?: string | undefined;
  readonly open?: boolean;
  readonly onAct: () => void;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A dialog that asks for something and does one thing with it. */
export function FormDialog({ title, act, disabled = false, open = true, onAct, onClose, children, ...more }: FormDialogProps) {
  return (
    <Dialog.Root open={open} onOpenChange={(change) => !change.open && onClose()} placement="center" size={more.size ?? 'md'}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content asChild>
            <form
              onSubmit={(event) => {
                event.preventDefault();
                if (!disabled) onAct();
              }}
            >
              <Dialog.Header>
                <Dialog.Title>{title}</Dialog.Title>
              </Dialog.Header>
              <Dialog.Body className={more.body}>{children}</Dialog.Body>
              <Dialog.Footer>
                <Button type="submit" disabled={disabled} loading={more.loading ?? false}>
                  {act}
                </Button>
              </Dialog.Footer>
              <Dialog.CloseTrigger asChild>
                <CloseButton size="sm" />
              </Dialog.CloseTrigger>
            </form>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
