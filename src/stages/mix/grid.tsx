import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { rectSortingStrategy, SortableContext, sortableKeyboardCoordinates, useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { Palette, Swatch } from '@/core/brand/document';
import { inkOn } from '@/core/colour/contrast';
import { readColour } from '@/core/colour/read';
import { useBrand, useLiveSwatch, useMayEdit } from '@/ui/brand-context';
import { insertSwatch, moveSwatch } from './swatch-edits';
import css from './mix.module.css';

/** Patch sizes in pixels by the number of swatches: few stand large, many stand close. */
const SIZES = [
  { upTo: 18, width: 78, patch: 112, words: 38 },
  { upTo: 48, width: 66, patch: 56, words: 38 },
  { upTo: Infinity, width: 44, patch: 36, words: 0 },
] as const;
const GAP = 3;
const ROW_SPACE = 6;
const TALLEST = 360;

/** The palette's swatches in their order; rows that are out of sight are not drawn. */
export function Grid({ palette, chosen }: { palette: Palette; chosen: string | null }) {
  const { run, select } = useBrand((state) => ({ run: state.run, select: state.select }));
  const mayEdit = useMayEdit();
  const scroller = useRef<HTMLDivElement>(null);
  const width = useWidth(scroller);
  const size = SIZES.find(({ upTo }) => palette.swatches.length <= upTo)!;
  const columns = Math.max(1, Math.floor((width + GAP) / (size.width + GAP)));
  const cells = palette.swatches.length + (mayEdit ? 1 : 0);
  const rowHeight = size.patch + 6 + size.words + ROW_SPACE;
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualiser keeps its own state and is never memoised
  const rows = useVirtualizer({
    count: Math.ceil(cells / columns),
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 3,
  });
  const sensors = useSensors(
    // A few pixels of movement make a drag, so that a click stays a click.
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = useMemo(() => palette.swatches.map((swatch) => swatch.id), [palette.swatches]);
  const choose = useCallback((id: string) => select({ swatch: id }), [select]);
  const drop = ({ active, over }: DragEndEvent) => {
    const command = over && moveSwatch(palette, String(active.id), String(over.id));
    if (command) run(command);
  };
  const add = () => {
    const { command, id } = insertSwatch(palette, null);
    if (run(command)) select({ swatch: id });
  };
  const total = rows.getTotalSize();
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop} id="mix-grid">
      <SortableContext items={ids} strategy={rectSortingStrategy} disabled={!mayEdit}>
        <div ref={scroller} className={css.scroller} style={{ height: Math.min(total, TALLEST) + 12 }}>
          <div style={{ height: total, position: 'relative', margin: '0 -6px' }}>
            {rows.getVirtualItems().map((row) => {
              const start = row.index * columns;
              const inRow = palette.swatches.slice(start, start + columns);
              const last = mayEdit && row.index === rows.options.count - 1;
              return (
                <div
                  key={row.key}
                  className={css.row}
                  style={
                    {
                      top: row.start,
                      gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`,
                      '--patch': `${size.patch}px`,
                    } as React.CSSProperties
                  }
                >
                  {inRow.map((swatch, at) => (
                    <SwatchCell
                      key={swatch.id}
                      swatch={swatch}
                      place={start + at + 1}
                      words={size.words > 0}
                      chosen={swatch.id === chosen}
                      onChoose={choose}
                    />
                  ))}
                  {last && (
                    <button className={`${css.cell} ${css.add}`} onClick={add} aria-label="Add a swatch">
                      <span className={css.patch}>+</span>
                    </button>
                  )}
                </div>
              );
            })}
          </div>
        </div>
      </SortableContext>
    </DndContext>
  );
}

interface SwatchCellProps {
  swatch: Swatch;
  place: number;
  words: boolean;
  chosen: boolean;
  onChoose: (id: string) => void;
}

const SwatchCell = memo(function SwatchCell({ swatch, place, words, chosen, onChoose }: SwatchCellProps) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: swatch.id });
  const live = useLiveSwatch(swatch);
  const colour = readColour(live.value)!;
  return (
    <button
      ref={setNodeRef}
      className={css.cell}
      {...attributes}
      {...listeners}
      aria-pressed={chosen}
      aria-label={`${swatch.name}, ${colour.hex}${swatch.locked ? ', locked' : ''}`}
      title={words ? undefined : `${swatch.name} ${colour.hex}`}
      data-dragging={isDragging || undefined}
      data-swatch={swatch.id}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      onClick={() => onChoose(swatch.id)}
    >
      <span className={css.patch} style={{ display: 'block', background: colour.hex, color: inkOn(colour) }}>
        {words && <code className={css.place}>{place}</code>}
        {swatch.locked && <span className={css.lock}>{words ? 'locked' : '■'}</span>}
      </span>
      {words && (
        <>
          <span className={css.name}>{swatch.name}</span>
          <code className={css.hex}>{colour.hex}</code>
        </>
      )}
    </button>
  );
});

function useWidth(element: React.RefObject<HTMLElement | null>): number {
  const [width, setWidth] = useState(756);
  useLayoutEffect(() => {
    const target = element.current!;
    const observer = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    observer.observe(target);
    return () => observer.disconnect();
  }, [element]);
  return width;
}
