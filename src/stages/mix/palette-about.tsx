import { Button, CloseButton, Dialog, Field, Input, Portal, Textarea } from '@chakra-ui/react';
import { useState } from 'react';
import { LIMITS, PaletteMaker, type Palette } from '@/core/brand/document';
import { useBrand } from '@/ui/brand-context';
import css from './mix.module.css';

/** What a palette is for and who made it: read by whoever gets the palette, the files or the brand sheet. */
export function PaletteAbout({ palette, onClose }: { palette: Palette; onClose: () => void }) {
  const run = useBrand((state) => state.run);
  const [note, setNote] = useState(palette.note ?? '');
  const [name, setName] = useState(palette.maker?.name ?? '');
  const [link, setLink] = useState(palette.maker?.link ?? '');
  const given = { name: name.trim(), ...(link.trim() !== '' && { link: link.trim() }) };
  const maker = given.name === '' ? null : PaletteMaker.safeParse(given);
  const problem = maker?.error?.issues[0]?.message ?? (given.link && !maker ? 'A link needs a maker whose it is.' : null);
  const save = () => {
    const set = { note: note.trim() || null, maker: maker?.data ?? null };
    if (run({ label: `Describe ${palette.name}`, steps: [{ do: 'palette.edit', id: palette.id, set }] })) onClose();
  };
  return (
    <Dialog.Root open onOpenChange={({ open }) => !open && onClose()} placement="center">
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content asChild>
            <form
              onSubmit={(event) => {
                event.preventDefault();
                if (!problem) save();
              }}
            >
              <Dialog.Header>
                <Dialog.Title>About {palette.name}</Dialog.Title>
              </Dialog.Header>
              <Dialog.Body className={css.describing}>
                <Field.Root>
                  <Field.Label>Note</Field.Label>
                  <Textarea
                    size="sm"
                    placeholder="What it is for: cream up to dark grey, for paper"
                    maxLength={LIMITS.note}
                    value={note}
                    onChange={(event) => setNote(event.target.value)}
                  />
                  <Field.HelperText>Stands in palette and token files, in comments and on the brand sheet.</Field.HelperText>
                </Field.Root>
                <Field.Root>
                  <Field.Label>Made by</Field.Label>
                  <Input size="sm" maxLength={LIMITS.name} value={name} onChange={(event) => setName(event.target.value)} />
                </Field.Root>
                <Field.Root invalid={problem !== null}>
                  <Field.Label>Link</Field.Label>
                  <Input
                    size="sm"
                    placeholder="https://"
                    maxLength={LIMITS.link}
                    value={link}
                    onChange={(event) => setLink(event.target.value)}
                  />
                  <Field.ErrorText>{problem}</Field.ErrorText>
                </Field.Root>
              </Dialog.Body>
              <Dialog.Footer>
                <Button type="submit" disabled={problem !== null}>
                  Save
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
