import { CloseButton, Dialog, Portal } from '@chakra-ui/react';
import { KEYS } from '../keys/keys';
import { STAGES, type StageId } from './stages';
import css from './frame.module.css';

/** Every key that works here, from the one table of keys. */
export function KeyHelp({ stage, open, onOpen }: { stage: StageId; open: boolean; onOpen: (open: boolean) => void }) {
  const { label } = STAGES.find(({ id }) => id === stage)!;
  const parts = [
    [label, KEYS[stage]],
    ['Everywhere', KEYS.everywhere],
  ] as const;
  return (
    <Dialog.Root open={open} onOpenChange={(next) => onOpen(next.open)} size="md">
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Header>
              <Dialog.Title>Keys</Dialog.Title>
              <Dialog.CloseTrigger asChild>
                <CloseButton size="sm" />
              </Dialog.CloseTrigger>
            </Dialog.Header>
            <Dialog.Body className={css.keys}>
              {parts.map(
                ([title, lines]) =>
                  lines.length > 0 && (
                    <section key={title}>
                      <h3>{title}</h3>
                      <dl>
                        {lines.map(({ keys, does }) => (
                          <div key={does}>
                            <dt>{keys.map((key) => (key === '…' ? '… ' : <kbd key={key}>{key}</kbd>))}</dt>
                            <dd>{does}</dd>
                          </div>
                        ))}
                      </dl>
                    </section>
                  ),
              )}
            </Dialog.Body>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
