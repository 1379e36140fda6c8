import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import { useDropzone } from 'react-dropzone';
import type { Graft } from '@/core/brand/document/graft-shape';
import { useBrandStore, useMayEdit } from '@/ui/store/brand-context';
import { FormDialog } from '@/ui/form-dialog';
import { keepHost } from '@/ui/asked/kept-files';
import { tell } from '@/ui/notices';
import { bytesOf } from '@/workers/decode';
import type { Rebinding } from '@/workers/graft.worker';
import type { ReadyHost } from './use-host';
import css from './graft.module.css';

/** Puts a newer file in the host's place: what stays bound, what is lost and what is new is said before anything changes. */
export function NewerHost({ graft, ready }: { graft: Graft; ready: ReadyHost }) {
  const store = useBrandStore();
  const mayEdit = useMayEdit();
  const [coming, setComing] = useState<{ file: File; bytes: Uint8Array; outcome: Rebinding } | null>(null);
  const [busy, setBusy] = useState(false);
  const look = async (file: File) => {
    const bytes = await bytesOf(file);
    const outcome = await ready.open.rebind(file.name, bytes, graft);
    if (typeof outcome === 'string') tell(outcome);
    else setComing({ file, bytes, outcome });
  };
  const take = async () => {
    const { file, bytes, outcome } = coming!;
    setBusy(true);
    try {
      const { id, run } = store.getState();
      const host = { sha256: await keepHost(id, bytes), name: file.name.slice(0, 120), bytes: bytes.length };
      const { bindings, banks } = outcome;
      run({
        label: `Take a newer ${graft.host.name}`,
        steps: [{ do: 'graft.edit', id: graft.id, set: { host, bindings, banks } }],
      });
      setComing(null);
    } catch (error) {
      tell(
        error instanceof TypeError
          ? 'The server cannot be reached, so the file was not taken; try again in a moment.'
          : (error as Error).message,
      );
    } finally {
      setBusy(false);
    }
  };
  const { getInputProps, open } = useDropzone({
    onDrop: ([first]) => void (first && look(first)),
    multiple: false,
    noClick: true,
    noKeyboard: true,
  });
  return (
    <>
      <input {...getInputProps()} data-testid="newer-host" />
      <Button size="2xs" variant="outline" disabled={!mayEdit} onClick={open}>
        Newer host…
      </Button>
      {coming && (
        <FormDialog
          title={`A newer ${graft.host.name}`}
          act="Take it"
          loading={busy}
          onAct={() => void take()}
          onClose={() => setComing(null)}
          size="lg"
        >
          <div className={css.newer}>
            <p>
              <b>{Object.keys(coming.outcome.bindings).length + Object.keys(coming.outcome.banks).length}</b> bindings stay,{' '}
              {coming.outcome.moved.length} of them at another place; <b>{coming.outcome.lost.length}</b> are lost;{' '}
              <b>{coming.outcome.added.length}</b> of its {coming.outcome.slots} slots are new.
            </p>
            {(['lost', 'added'] as const).map(
              (kind) =>
                coming.outcome[kind].length > 0 && (
                  <section key={kind}>
                    <h3>{kind === 'lost' ? 'Lost: their slots are not there any more' : 'New: bound to nothing yet'}</h3>
                    <ul>
                      {coming.outcome[kind].slice(0, 12).map((key) => (
                        <li key={key}>
                          <code>{key}</code>
                        </li>
                      ))}
                      {coming.outcome[kind].length > 12 && <li>and {coming.outcome[kind].length - 12} more</li>}
                    </ul>
                  </section>
                ),
            )}
          </div>
        </FormDialog>
      )}
    </>
  );
}
