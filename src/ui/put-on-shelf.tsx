import { Field, Input, NativeSelect, Textarea } from '@chakra-ui/react';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Palette } from '@/core/brand/document/palette-shape';
import { newId } from '@/core/brand/document/identity';
import { SHELF_KINDS, SHELF_LIMITS, ShelfPalette, type ShelfKind } from '@/core/shelf/shelf-palette';
import { useBrand } from './store/brand-context';
import { tell } from './notices';
import { request } from './asked/request';
import { ribbon } from './ribbon';
import css from './put-on-shelf.module.css';
import { FormDialog } from './form-dialog';

const SHELF_KIND: Record<Palette['kind'], ShelfKind> = {
  brand: 'interface',
  categorical: 'categorical',
  sequential: 'sequential',
  diverging: 'diverging',
  loose: 'categorical',
};

/** Puts one of the brand's palettes on the organisation's shelf, with who made it and a note. */
export function PutOnShelf({ open, onOpen }: { open: boolean; onOpen: (open: boolean) => void }) {
  const { id, palettes, current, person } = useBrand((state) => ({
    id: state.id,
    palettes: state.replica.brand.palettes,
    current: state.palette,
    person: state.person,
  }));
  const queries = useQueryClient();
  const [chosen, setChosen] = useState<string | null>(null);
  const [kind, setKind] = useState<ShelfKind | null>(null);
  const [tags, setTags] = useState('');
  const [busy, setBusy] = useState(false);
  /** As typed; until then what the palette says itself. */
  const [typed, setTyped] = useState<{ maker?: string; note?: string }>({});
  const palette = palettes.find((offered) => offered.id === (chosen ?? current)) ?? palettes[0];
  const maker = typed.maker ?? palette?.maker?.name ?? person.name;
  const note = typed.note ?? palette?.note ?? '';
  const put = async () => {
    const entry = ShelfPalette.safeParse({
      id: newId(),
      name: palette!.name,
      kind: kind ?? SHELF_KIND[palette!.kind],
      tags: tags
        .split(',')
        .map((tag) => tag.trim())
        .filter(Boolean),
      maker,
      note,
      colours: palette!.swatches.map(({ name, value, row }) => ({ name, value, ...(row !== undefined && { row }) })),
    });
    if (!entry.success) return tell(entry.error.issues[0]!.message);
    setBusy(true);
    try {
      await request(`/api/brands/${id}/shelf`, 'POST', entry.data);
      await queries.invalidateQueries({ queryKey: ['shelf', id] });
      onOpen(false);
      setTags('');
      setTyped({});
      tell(`${palette!.name} is on the shelf.`);
    } catch (error) {
      tell(error instanceof TypeError ? 'The server cannot be reached; the shelf is as it was.' : (error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  if (!palette) return null;
  return (
    <FormDialog
      title="Put a palette on the shelf"
      act="Put it on the shelf"
      open={open}
      loading={busy}
      body={css.put}
      onAct={() => void put()}
      onClose={() => onOpen(false)}
    >
      <i style={{ background: ribbon(palette.swatches.map(({ value }) => value)) }} />
      <Field.Root>
        <Field.Label>Palette</Field.Label>
        <NativeSelect.Root size="sm">
          <NativeSelect.Field value={palette.id} onChange={(event) => setChosen(event.target.value)}>
            {palettes.map((palette) => (
              <option key={palette.id} value={palette.id}>
                {palette.name}
              </option>
            ))}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
      </Field.Root>
      <Field.Root>
        <Field.Label>Kind</Field.Label>
        <NativeSelect.Root size="sm">
          <NativeSelect.Field
            value={kind ?? SHELF_KIND[palette.kind]}
            onChange={(event) => setKind(event.target.value as ShelfKind)}
          >
            {SHELF_KINDS.map((kind) => (
              <option key={kind}>{kind}</option>
            ))}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
      </Field.Root>
      <Field.Root>
        <Field.Label>Made by</Field.Label>
        <Input size="sm" value={maker} maxLength={120} onChange={(event) => setTyped({ ...typed, maker: event.target.value })} />
      </Field.Root>
      <Field.Root>
        <Field.Label>Tags</Field.Label>
        <Input size="sm" placeholder="calm, maps" value={tags} onChange={(event) => setTags(event.target.value)} />
      </Field.Root>
      <Field.Root>
        <Field.Label>Note</Field.Label>
        <Textarea
          size="sm"
          placeholder="What it is for"
          value={note}
          maxLength={SHELF_LIMITS.note}
          onChange={(event) => setTyped({ ...typed, note: event.target.value })}
        />
      </Field.Root>
    </FormDialog>
  );
}
