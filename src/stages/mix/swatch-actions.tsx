import { adjust, BRIGHTNESS_STEP, NO_ADJUSTMENT } from '@/core/palette/adjust';
import { Button } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import type { Palette, Swatch } from '@/core/brand/document/palette-shape';
import { tokensUsing } from '@/core/brand/reading/resolve';
import { useBrandStore, useMayEdit } from '@/ui/store/brand-context';
import { MIX_KEYS } from '@/ui/keys/keys';
import { MakeTokens } from '@/ui/make-tokens';
import { isTyping } from '@/ui/keys/typing';
import { tell } from '@/ui/notices';
import { choice, type Chosen } from './chosen';
import { useGridView, ZOOM } from './grid-view';
import { makeRow } from './rows';
import { deleteSwatches, duplicateSwatches, insertSwatch, namesOf, recolour } from './swatch-edits';
import css from './mix.module.css';

interface Act {
  readonly label: string;
  readonly key: string;
  readonly needs: 'nothing' | 'one';
  /** Known by its key alone; the line has no room for every one. */
  readonly quiet?: boolean;
  readonly run: () => void;
}

/** What can be done with the chosen swatches, each with its key, and how large the patches are. */
export function SwatchActions({ palette, chosen }: { palette: Palette; chosen: Chosen }) {
  const [naming, setNaming] = useState(false);
  const acts = useSwatchActs(palette, chosen, () => setNaming(true));
  const mayEdit = useMayEdit();
  const { zoom, names } = useGridView();
  const count = chosen.all.length;
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const act = acts.find(({ key }) => key.toLowerCase() === event.key.toLowerCase());
      if (!act || (act.needs === 'one' && count === 0)) return;
      event.preventDefault();
      act.run();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [acts, count]);
  return (
    <div className={css.actions} role="toolbar" aria-label="Swatch">
      {acts.map(
        ({ label, key, run, needs, quiet }) =>
          !quiet && (
            <Button key={label} size="2xs" variant="ghost" disabled={!mayEdit || (needs === 'one' && count === 0)} onClick={run}>
              {label} <kbd>{key}</kbd>
            </Button>
          ),
      )}
      {naming && count > 0 && (
        <MakeTokens
          palette={palette}
          swatches={chosen.all}
          name={chosenName(palette, chosen.all)}
          onClose={() => setNaming(false)}
        />
      )}
      {count > 1 && <b>{count} chosen</b>}
      <label className={css.zoom}>
        Size
        <input
          type="range"
          aria-label="Size of the patches"
          min={ZOOM.least}
          max={ZOOM.most}
          value={zoom ?? 66}
          onChange={(event) => useGridView.setState({ zoom: event.target.valueAsNumber })}
        />
      </label>
      {zoom !== null && (
        <button className={css.toggle} onClick={() => useGridView.setState({ zoom: null })}>
          Fit
        </button>
      )}
      <button className={css.toggle} aria-pressed={names} onClick={() => useGridView.setState({ names: !names })}>
        Names
      </button>
    </div>
  );
}

/** What the chosen are called together: their row, where they are of one, else their palette. */
function chosenName(palette: Palette, all: readonly Swatch[]): string {
  const [row] = all.map((swatch) => swatch.row);
  return row !== undefined && all.every((swatch) => swatch.row === row) ? row : palette.name;
}

function useSwatchActs(palette: Palette, { lead, all }: Chosen, name: () => void): Act[] {
  const store = useBrandStore();
  const { run, select } = store.getState();
  const create = ({ command, id }: ReturnType<typeof insertSwatch>) => {
    if (run(command)) select({ swatch: id });
  };
  const locking = all.length === 0 || !all.every(({ locked }) => locked);
  const brighten = (by: number) => {
    const swatches = all.length > 0 ? all : palette.swatches;
    const values = adjust(
      swatches.map(({ value }) => value),
      { ...NO_ADJUSTMENT, lightness: by },
    );
    const label = `${by > 0 ? 'Brighten' : 'Dim'} ${all.length > 0 ? namesOf(all) : palette.name}`;
    const command = recolour(
      swatches.map((swatch, at) => ({ swatch, value: values[at]! })),
      label,
    );
    if (command) run(command);
  };
  return [
    { label: 'Add', key: MIX_KEYS.add, needs: 'nothing', run: () => create(insertSwatch(palette, null)) },
    { label: 'Insert', key: MIX_KEYS.insert, needs: 'one', run: () => lead && create(insertSwatch(palette, lead.id)) },
    {
      label: 'Duplicate',
      key: MIX_KEYS.duplicate,
      needs: 'one',
      run: () => {
        const { command, ids } = duplicateSwatches(palette, all);
        if (run(command)) select(choice(ids[0]!, ids));
      },
    },
    {
      label: locking ? 'Lock' : 'Unlock',
      key: MIX_KEYS.lock,
      needs: 'one',
      run: () => {
        const steps = all
          .filter(({ locked }) => locked !== locking)
          .map(({ id }) => ({ do: 'swatch.edit' as const, id, set: { locked: locking } }));
        run({ label: `${locking ? 'Lock' : 'Unlock'} ${namesOf(all)}`, steps });
      },
    },
    { label: 'Row', key: MIX_KEYS.row, needs: 'one', run: () => void run(makeRow(palette, all)) },
    { label: 'Tokens', key: MIX_KEYS.tokens, needs: 'one', run: name },
    { label: 'Delete', key: MIX_KEYS.remove, needs: 'one', run: () => deleteChosen(palette, all, store) },
    { label: 'Brighter', key: MIX_KEYS.brighter, needs: 'nothing', quiet: true, run: () => brighten(BRIGHTNESS_STEP) },
    { label: 'Dimmer', key: MIX_KEYS.dimmer, needs: 'nothing', quiet: true, run: () => brighten(-BRIGHTNESS_STEP) },
  ];
}

/** Deletes what is chosen, goes on to the next, and says what becomes of tokens that used it. */
function deleteChosen(palette: Palette, chosen: readonly Swatch[], store: ReturnType<typeof useBrandStore>): void {
  const { brand, run, select } = store.getState();
  const users = new Set(chosen.flatMap(({ id }) => tokensUsing(brand.tokens, { swatch: id })));
  const at = palette.swatches.indexOf(chosen.at(-1)!);
  const next = palette.swatches[at + 1] ?? palette.swatches.findLast((swatch) => !chosen.includes(swatch));
  if (!run(deleteSwatches(brand, chosen))) return;
  select(next ? { swatch: next.id } : null);
  if (users.size > 0)
    tell(`Tokens that came to ${namesOf(chosen)}: ${users.size}. They keep its colour as their own; undo brings the link back.`);
}
