import { Button, Dialog, Portal } from '@chakra-ui/react';
import { useBrand } from '../store/brand-context';
import css from './conflict-dialog.module.css';

/** Asks about an edit that waited here while somebody else set the same: theirs stands, until one says otherwise. */
export function ConflictDialog() {
  const { conflicts, answerConflict } = useBrand((state) => ({
    conflicts: state.conflicts,
    answerConflict: state.answerConflict,
  }));
  const [conflict] = conflicts;
  if (!conflict) return null;
  const { key, command, fields, by } = conflict;
  return (
    <Dialog.Root open placement="center" role="alertdialog" onOpenChange={({ open }) => !open && answerConflict(key, false)}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Header>
              <Dialog.Title>{by} changed the same while you were out of reach</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body className={css.body}>
              <p>Your edit “{command.label}” has not been kept. Which is to stand?</p>
              <table>
                <thead>
                  <tr>
                    <th />
                    <th>{by}’s, as it stands now</th>
                    <th>Yours</th>
                  </tr>
                </thead>
                <tbody>
                  {fields.slice(0, 8).map(({ what, theirs, mine }) => (
                    <tr key={what}>
                      <th scope="row">{what}</th>
                      {[theirs, mine].map(({ words, hex }, at) => (
                        <td key={at}>
                          {hex && <i style={{ background: hex }} />}
                          <span>{words}</span>
                        </td>
                      ))}
                    </tr>
                  ))}
                </tbody>
              </table>
              {fields.length > 8 && <p>and {fields.length - 8} more of this edit.</p>}
              {conflicts.length > 1 && <p>{conflicts.length - 1} more of your edits ask after this one.</p>}
            </Dialog.Body>
            <Dialog.Footer>
              <Button variant="outline" onClick={() => answerConflict(key, false)}>
                Leave {by}’s
              </Button>
              <Button onClick={() => answerConflict(key, true)}>Set mine</Button>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
