import { Button } from '@chakra-ui/react';
import { useEffect } from 'react';
import type { Palette, Swatch } from '@/core/brand/document';
import { tokensUsing } from '@/core/brand/resolve';
import { useBrandStore, useMayEdit } from '@/ui/brand-context';
import { isTyping } from '@/ui/typing';
import { tell } from '@/ui/notices';
import { deleteSwatch, duplicateSwatch, editSwatch, insertSwatch } from './swatch-edits';
import css from './mix.module.css';

/** What can be done with the chosen swatch, each with its key. */
export function SwatchActions({ palette, chosen }: { palette: Palette; chosen: Swatch | undefined }) {
  const acts = useSwatchActs(palette, chosen);
  const mayEdit = useMayEdit();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const act = acts.find(({ key }) => key.toLowerCase() === event.key.toLowerCase());
      if (!act) return;
      event.preventDefault();
      act.run();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [acts]);
  return (
    <div className={css.actions} role="toolbar" aria-label="Swatch">
      {acts.map(({ label, key, run, needsSwatch }) => (
        <Button key={label} size="2xs" variant="ghost" disabled={!mayEdit || (needsSwatch && !chosen)} onClick={run}>
          {label} <kbd>{key}</kbd>
        </Button>
      ))}
      {!chosen && palette.swatches.length > 0 && <p>Choose a swatch to tune it; drag to reorder.</p>}
    </div>
  );
}

function useSwatchActs(palette: Palette, chosen: Swatch | undefined) {
  const store = useBrandStore();
  const { run, select } = store.getState();
  const create = ({ command, id }: ReturnType<typeof insertSwatch>) => {
    if (run(command)) select({ swatch: id });
  };
  const withChosen = (act: (swatch: Swatch) => void) => () => chosen && act(chosen);
  return [
    { label: 'Add', key: 'A', needsSwatch: false, run: () => create(insertSwatch(palette, null)) },
    {
      label: 'Insert before',
      key: 'I',
      needsSwatch: true,
      run: withChosen((swatch) => create(insertSwatch(palette, swatch.id))),
    },
    { label: 'Duplicate', key: 'D', needsSwatch: true, run: withChosen((swatch) => create(duplicateSwatch(palette, swatch))) },
    {
      label: chosen?.locked ? 'Unlock' : 'Lock',
      key: 'L',
      needsSwatch: true,
      run: withChosen((swatch) => {
        run(editSwatch(swatch, `${swatch.locked ? 'Unlock' : 'Lock'} ${swatch.name}`, { locked: !swatch.locked }));
      }),
    },
    {
      label: 'Delete',
      key: 'Delete',
      needsSwatch: true,
      run: withChosen((swatch) => {
        const { brand } = store.getState();
        const users = tokensUsing(brand.tokens, { swatch: swatch.id }).length;
        const at = palette.swatches.indexOf(swatch);
        const next = palette.swatches[at + 1] ?? palette.swatches[at - 1];
        if (!run(deleteSwatch(brand, swatch))) return;
        select(next ? { swatch: next.id } : null);
        if (users > 0)
          tell(`Tokens that came to ${swatch.name}: ${users}. They keep its colour as their own; undo brings the link back.`);
      }),
    },
  ];
}
