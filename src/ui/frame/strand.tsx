'use client';

import { memo, useCallback } from 'react';
import type { Palette } from '@/core/brand/document';
import { newId } from '@/core/brand/identity';
import { PALETTE_KINDS } from '@/core/brand/document';
import { useBrand, useMayEdit } from '../brand-context';
import { useGoTo } from '../stage-link';
import { ribbon } from '../ribbon';
import css from './frame.module.css';

export const KIND_WORDS: Record<Palette['kind'], string> = {
  brand: 'Brand',
  categorical: 'Categorical',
  sequential: 'Sequential',
  diverging: 'Diverging',
  loose: 'Loose',
};

/** Every palette of the brand as a ribbon, always in view. */
export function Strand() {
  const palettes = useBrand((state) => state.brand.palettes);
  const { current, run, choosePalette } = useBrand((state) => ({
    current: state.palette,
    run: state.run,
    choosePalette: state.choosePalette,
  }));
  const mayEdit = useMayEdit();
  const goTo = useGoTo();
  const open = useCallback(
    (palette: string) => {
      choosePalette(palette);
      goTo('mix');
    },
    [choosePalette, goTo],
  );
  const add = () => {
    const palette: Palette = { id: newId(), name: 'New palette', kind: 'loose', swatches: [] };
    if (run({ label: 'Add a palette', steps: [{ do: 'palette.add', palette, before: null }] })) open(palette.id);
  };
  const groups = PALETTE_KINDS.map((kind) => ({ kind, members: palettes.filter((palette) => palette.kind === kind) }));
  return (
    <nav className={css.strand} aria-label="Palettes">
      {groups.map(
        ({ kind, members }) =>
          members.length > 0 && (
            <section key={kind}>
              <h2>{KIND_WORDS[kind]}</h2>
              <ul>
                {members.map((palette) => (
                  <li key={palette.id}>
                    <StrandPalette palette={palette} current={palette.id === current} onOpen={open} />
                  </li>
                ))}
              </ul>
            </section>
          ),
      )}
      {mayEdit && <button onClick={add}>New palette</button>}
    </nav>
  );
}

interface StrandPaletteProps {
  palette: Palette;
  current: boolean;
  onOpen: (id: string) => void;
}

const StrandPalette = memo(function StrandPalette({ palette, current, onOpen }: StrandPaletteProps) {
  return (
    <button className={css.palette} aria-current={current || undefined} onClick={() => onOpen(palette.id)}>
      <i className={css.ribbon} style={{ background: ribbon(palette.swatches.map((swatch) => swatch.value)) }} />
      <span>{palette.name}</span>
      <b>{palette.swatches.length}</b>
    </button>
  );
});
