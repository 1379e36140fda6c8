import { Button, Input, NativeSelect } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { PALETTE_KINDS, type Palette, type Swatch } from '@/core/brand/document';
import { newId } from '@/core/brand/identity';
import type { CatchLine } from '@/core/formats/catch';
import { useBrand, useMayEdit } from '@/ui/brand-context';
import { useCatch } from '@/ui/catch-store';
import css from './gather.module.css';

const NEW = 'new';

/** Where the ticked lines go: a new palette with a name (one for each group of the source), or the end of one that is there. */
export function SendCatch({ onSent }: { onSent: () => void }) {
  const { lines, ticked, names, clear } = useCatch();
  const { palettes, run, choosePalette } = useBrand((state) => ({
    palettes: state.brand.palettes,
    run: state.run,
    choosePalette: state.choosePalette,
  }));
  const mayEdit = useMayEdit();
  const [target, setTarget] = useState(NEW);
  const [typed, setTyped] = useState<string | null>(null);
  const [kind, setKind] = useState<Palette['kind']>('loose');
  const groups = useMemo(() => {
    const chosen = new Set(ticked);
    const found = new Map<string, CatchLine[]>();
    for (const line of lines) {
      if (!line.colour || !chosen.has(line.index)) continue;
      const group = found.get(line.palette);
      if (group) group.push(line);
      else found.set(line.palette, [line]);
    }
    return [...found];
  }, [lines, ticked]);
  const name = typed ?? groups[0]?.[0] ?? 'Gathered';
  const swatchOf = ({ index, name: read, css }: CatchLine): Swatch => ({
    id: newId(),
    name: names[index]?.trim() || read,
    value: css!,
    locked: false,
  });
  const send = () => {
    const count = `${ticked.length} ${ticked.length === 1 ? 'colour' : 'colours'}`;
    const existing = palettes.find((one) => one.id === target);
    const made = groups.map(([group, members]): Palette => ({
      id: newId(),
      name: (groups.length === 1 ? name.trim() : group) || 'Gathered',
      kind,
      swatches: members.map(swatchOf),
    }));
    const done = run(
      existing
        ? {
            label: `Add ${count} to ${existing.name}`,
            steps: [{ do: 'swatch.add', palette: existing.id, swatches: made.flatMap(({ swatches }) => swatches), before: null }],
          }
        : {
            label: `Make ${made.map((palette) => palette.name).join(', ')} of ${count}`.slice(0, 200),
            steps: made.map((palette) => ({ do: 'palette.add', palette, before: null })),
          },
    );
    if (!done) return;
    choosePalette(existing?.id ?? made[0]!.id);
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
            <option value={NEW}>{groups.length > 1 ? `${groups.length} new palettes` : 'a new palette'}</option>
            {palettes.map((palette) => (
              <option key={palette.id} value={palette.id}>
                {palette.name}
              </option>
            ))}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
      </label>
      {target === NEW && groups.length <= 1 && (
        <label>
          Named
          <Input size="sm" width="150px" value={name} maxLength={120} onChange={(event) => setTyped(event.target.value)} />
        </label>
      )}
      {target === NEW && (
        <label>
          Kind
          <NativeSelect.Root size="sm" width="130px">
            <NativeSelect.Field value={kind} onChange={(event) => setKind(event.target.value as Palette['kind'])}>
              {PALETTE_KINDS.map((one) => (
                <option key={one}>{one}</option>
              ))}
            </NativeSelect.Field>
            <NativeSelect.Indicator />
          </NativeSelect.Root>
        </label>
      )}
      <Button size="sm" type="submit" disabled={ticked.length === 0 || !mayEdit}>
        Take {ticked.length} {ticked.length === 1 ? 'colour' : 'colours'}
      </Button>
    </form>
  );
}
