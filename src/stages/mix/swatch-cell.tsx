import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { memo, useLayoutEffect, useRef, type MouseEvent } from 'react';
import type { Swatch } from '@/core/brand/document/palette-shape';
import { swatchesOf } from '@/core/brand/reading/resolve';
import { inkOn } from '@/core/colour/contrast';
import { readColour } from '@/core/colour/read';
import { useBrandStore, useHolders } from '@/ui/store/brand-context';
import css from './mix.module.css';

interface SwatchCellProps {
  swatch: Swatch;
  place: number;
  words: boolean;
  /** So many letters of the name are said by the row. */
  unsaid: number;
  /** Where the Tab key comes in. */
  lead: boolean;
  chosen: boolean;
  onChoose: (id: string, event: MouseEvent) => void;
}

/** One swatch of the grid, to be chosen and dragged. */
export const SwatchCell = memo(function SwatchCell({ swatch, place, words, unsaid, lead, chosen, onChoose }: SwatchCellProps) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: swatch.id });
  const { hex } = readColour(swatch.value)!;
  return (
    <button
      ref={setNodeRef}
      className={css.cell}
      {...attributes}
      {...listeners}
      tabIndex={lead ? 0 : -1}
      aria-pressed={chosen}
      aria-label={labelOf(swatch, hex)}
      title={words ? undefined : `${swatch.name} ${hex}`}
      data-dragging={isDragging || undefined}
      data-swatch={swatch.id}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      onClick={(event) => onChoose(swatch.id, event)}
    >
      <LivePatch swatch={swatch} place={place} words={words} unsaid={unsaid} />
      <Holders id={swatch.id} />
    </button>
  );
});

/** Who else has this one chosen: a tab at its corner with the first letter of each, and their names in words. */
function Holders({ id }: { id: string }) {
  const names = useHolders(id);
  if (names.length === 0) return null;
  const words = `${names.join(', ')} ${names.length === 1 ? 'holds' : 'hold'} this one`;
  return (
    <em className={css.holders} title={words} role="img" aria-label={words}>
      {names.map((name) => [...name][0]).join('')}
    </em>
  );
}

function labelOf({ name, locked }: Swatch, hex: string): string {
  return `${name}, ${hex}${locked ? ', locked' : ''}`;
}

/** How long a colour must rest before its code follows, in milliseconds: moving digits cannot be read. */
const REST_MS = 80;

/**
 * What is seen of a swatch, as it is this moment. While a slider moves all of a large palette, React would take most of a
 * frame to draw a hundred of these anew, so patch and code are written straight into the page, and only there.
 */
const LivePatch = memo(function LivePatch({
  swatch,
  place,
  words,
  unsaid,
}: Omit<SwatchCellProps, 'lead' | 'chosen' | 'onChoose'>) {
  const store = useBrandStore();
  const patch = useRef<HTMLSpanElement>(null);
  const code = useRef<HTMLElement>(null);
  useLayoutEffect(() => {
    let shown = '';
    let timer: ReturnType<typeof setTimeout> | undefined;
    const paint = () => {
      const live = swatchesOf(store.getState().brand).get(swatch.id)?.swatch ?? swatch;
      const colour = readColour(live.value)!;
      if (colour.hex === shown) return;
      patch.current!.style.background = colour.hex;
      // Nothing is written on the small ones but the mark of a lock.
      if (words || swatch.locked) patch.current!.style.color = inkOn(colour);
      const write = () => {
        if (!code.current) return;
        code.current.textContent = colour.hex;
        code.current.parentElement!.setAttribute('aria-label', labelOf(swatch, colour.hex));
      };
      clearTimeout(timer);
      if (shown === '') write();
      else timer = setTimeout(write, REST_MS);
      shown = colour.hex;
    };
    paint();
    const stop = store.subscribe((state, before) => {
      if (state.brand !== before.brand) paint();
    });
    return () => {
      stop();
      clearTimeout(timer);
    };
  }, [store, swatch, words]);
  return (
    <>
      {/* Both are drawn by the style sheet: the cell's name says the lock, and its place is where it stands. */}
      <span
        ref={patch}
        className={css.patch}
        data-place={words ? place : undefined}
        data-lock={swatch.locked ? (words ? 'locked' : '■') : undefined}
      />
      {words && (
        <>
          <span className={css.name}>{swatch.name.slice(unsaid)}</span> <code ref={code} className={css.hex} />
        </>
      )}
    </>
  );
});
