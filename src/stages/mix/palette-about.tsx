import { Field, Input, Textarea } from '@chakra-ui/react';
import { useState } from 'react';
import { PaletteMaker, type Palette } from '@/core/brand/document/palette-shape';
import { LIMITS } from '@/core/brand/document/fields';
import { useBrand } from '@/ui/store/brand-context';
import css from './mix.module.css';
import { FormDialog } from '@/ui/form-dialog';

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
    <FormDialog
      title={`About ${palette.name}`}
      act="Save"
      disabled={problem !== null}
      body={css.describing}
      onAct={save}
      onClose={onClose}
    >
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
    </FormDialog>
  );
}
