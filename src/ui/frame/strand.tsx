'use client';

import { Input } from '@chakra-ui/react';
import { useDraggable } from '@dnd-kit/core';
import { memo, useCallback, useMemo, useState, type PointerEvent, type ReactNode } from 'react';
import { type Palette, PALETTE_KINDS } from '@/core/brand/document/palette-shape';
import { useBrand, useBrandStore, useMayEdit } from '../store/brand-context';
import type { Dragged, DraggedData } from '../dragged';
import { useGoTo } from '../stage-link';
import { ribbon } from '../ribbon';
import { useAddPalette } from './use-add-palette';
import css from './frame.module.css';

export const KIND_WORDS: Record<Palette['kind'], string> = {
  brand: 'Brand',
  categorical: 'Categorical',
  sequential: 'Sequential',
  diverging: 'Diverging',
  loose: 'Loose',
};

/** With fewer palettes than this one sees them all. */
const SEARCHED = 5;

/** Every palette of the brand as a ribbon, in view wherever there is room. @param children stand above them */
export function Strand({ children }: { children: ReactNode }) {
  const palettes = useBrand((state) => state.brand.palettes);
  const { current, choosePalette } = useBrand((state) => ({
    current: state.palette,
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
  const add = useAddPalette();
  const { onDown, setNodeRef, listeners } = useRibbonDrag();
  const [sought, setSought] = useState('');
  const found = useMemo(() => searched(palettes, sought), [palettes, sought]);
  const groups = PALETTE_KINDS.map((kind) => ({ kind, members: found.filter((palette) => palette.kind === kind) }));
  return (
    <nav ref={setNodeRef} id="strand" className={css.strand} aria-label="Palettes" {...listeners} onPointerDownCapture={onDown}>
      {children}
      {palettes.length >= SEARCHED && (
        <Input
          size="xs"
          type="search"
          className={css.seek}
          aria-label="Search palettes"
          placeholder="Search palettes"
          title="By name, note, maker or the name of a swatch"
          value={sought}
          onChange={(event) => setSought(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && setSought('')}
        />
      )}
      {found.length === 0 && palettes.length > 0 && <p>No palette says “{sought.trim()}”.</p>}
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

/** The palettes that have every word in their name, note, maker or the names of their swatches. */
function searched(palettes: readonly Palette[], sought: string): readonly Palette[] {
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return palettes;
  return palettes.filter(({ name, note = '', maker, swatches }) => {
    const said = [name, note, maker?.name ?? '', ...swatches.map((swatch) => swatch.name)].join('\n').toLowerCase();
    return words.every((word) => said.includes(word));
  });
}

/** Any colour of any ribbon can be dragged: the one under the pointer where it went down. */
function useRibbonDrag() {
  const store = useBrandStore();
  const [over, setOver] = useState<Dragged | null>(null);
  const { setNodeRef, listeners } = useDraggable({ id: 'strand', data: { at: over } satisfies DraggedData });
  const onDown = ({ target, clientX }: PointerEvent) => {
    const button = (target as Element).closest<HTMLElement>('[data-palette]');
    const box = button?.querySelector('i')?.getBoundingClientRect();
    const swatches = store.getState().brand.palettes.find(({ id }) => id === button?.dataset.palette)?.swatches;
    if (!box || !swatches || swatches.length === 0) return setOver(null);
    const share = Math.min(0.999999, Math.max(0, (clientX - box.left) / box.width));
    const { id, name, value } = swatches[Math.floor(share * swatches.length)]!;
    setOver({ what: 'swatch', id, label: name, colour: value });
  };
  return { setNodeRef, listeners, onDown };
}

interface StrandPaletteProps {
  palette: Palette;
  current: boolean;
  onOpen: (id: string) => void;
}

const StrandPalette = memo(function StrandPalette({ palette, current, onOpen }: StrandPaletteProps) {
  return (
    <button
      className={css.palette}
      aria-current={current || undefined}
      data-palette={palette.id}
      title="Drag a colour of the ribbon onto a token"
      onClick={() => onOpen(palette.id)}
    >
      <i className={css.ribbon} style={{ background: ribbon(palette.swatches.map((swatch) => swatch.value)) }} />
      <span>{palette.name}</span>
      <b>{palette.swatches.length}</b>
    </button>
  );
});
