import { Button, Input, NativeSelect } from '@chakra-ui/react';
import { useState } from 'react';
import type { Palette, Swatch } from '@/core/brand/document';
import { newId } from '@/core/brand/identity';
import { authoredValue, swatchName } from '@/core/formats/text';
import { useBrand, useMayEdit } from '@/ui/brand-context';
import { useCatch } from '@/ui/catch-store';
import css from './gather.module.css';

const NEW = 'new';

/** Where the ticked lines go: a new palette with a name, or the end of one that is there. */
export function SendCatch({ onSent }: { onSent: () => void }) {
  const { lines, ticked, names, clear } = useCatch();
  const { palettes, run, choosePalette } = useBrand((state) => ({
    palettes: state.brand.palettes,
    run: state.run,
    choosePalette: state.choosePalette,
  }));
  const mayEdit = useMayEdit();
  const [target, setTarget] = useState(NEW);
  const [name, setName] = useState('Gathered');
  const send = () => {
    const swatches = lines.flatMap((line): Swatch[] =>
      line.colour && ticked.has(line.index)
        ? [{ id: newId(), name: names.get(line.index)?.trim() || swatchName(line), value: authoredValue(line), locked: false }]
        : [],
    );
    const palette: Palette = { id: newId(), name: name.trim() || 'Gathered', kind: 'loose', swatches };
    const count = `${swatches.length} ${swatches.length === 1 ? 'colour' : 'colours'}`;
    const existing = palettes.find((one) => one.id === target);
    const done = run(
      existing
        ? {
            label: `Add ${count} to ${existing.name}`,
            steps: [{ do: 'swatch.add', palette: existing.id, swatches, before: null }],
          }
        : { label: `Make ${palette.name} of ${count}`, steps: [{ do: 'palette.add', palette, before: null }] },
    );
    if (!done) return;
    choosePalette(existing?.id ?? palette.id);
    clear();
    onSent();
  };
  return (
    <form
      className={css.send}
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      <label>
        Send to
        <NativeSelect.Root size="sm" width="190px">
          <NativeSelect.Field value={target} onChange={(event) => setTarget(event.target.value)}>
            <option value={NEW}>a new palette</option>
            {palettes.map((palette) => (
              <option key={palette.id} value={palette.id}>
                {palette.name}
              </option>
            ))}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
      </label>
      {target === NEW && (
        <label>
          Named
          <Input size="sm" width="180px" value={name} maxLength={120} onChange={(event) => setName(event.target.value)} />
        </label>
      )}
      <Button size="sm" type="submit" disabled={ticked.size === 0 || !mayEdit}>
        Take {ticked.size} {ticked.size === 1 ? 'colour' : 'colours'}
      </Button>
    </form>
  );
}
