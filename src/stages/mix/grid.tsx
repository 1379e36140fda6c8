import {
  closestCenter,
  DndContext,
  DragOverlay,
  KeyboardSensor,
  PointerSensor,
  useDndContext,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type CollisionDetection,
  type DragEndEvent,
} from '@dnd-kit/core';
import { rectSortingStrategy, SortableContext, sortableKeyboardCoordinates } from '@dnd-kit/sortable';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ChevronDown, ChevronUp, GripVertical, X } from 'lucide-react';
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState, type KeyboardEvent, type MouseEvent } from 'react';
import type { Palette, Swatch } from '@/core/brand/document/palette-shape';
import { useBrand, useBrandStore, useMayEdit } from '@/ui/store/brand-context';
import { CommitInput } from '@/ui/commit-input';
import { ribbon } from '@/ui/ribbon';
import { chosenIn, choice, clicked } from './chosen';
import { cellSize, GAP, useGridView } from './grid-view';
import { dissolveRow, moveRow, renameRow, rowsOf, sharedStart, type PaletteRow } from './rows';
import { SwatchCell } from './swatch-cell';
import { deleteSwatches, insertSwatch, moveSwatches } from './swatch-edits';
import css from './mix.module.css';

const ROW_SPACE = 6;
const HEAD_HEIGHT = 24;
const TALLEST = 372;
/** Marks ids of rows among those of swatches, for what is dragged. */
const ROW = 'row:';

/** One line of the grid as it is drawn: the head of a row, or some swatches side by side. */
type Line =
  | { readonly head: PaletteRow }
  | { readonly swatches: readonly Swatch[]; readonly from: number; readonly last: boolean; readonly unsaid: number };

/** The palette's swatches in their order, row by row; lines that are out of sight are not drawn. */
export function Grid({ palette }: { palette: Palette }) {
  const store = useBrandStore();
  const { run, select } = store.getState();
  const selection = useBrand((state) => state.selection);
  const chosen = chosenIn(palette, selection);
  const mayEdit = useMayEdit();
  const scroller = useRef<HTMLDivElement>(null);
  const width = useWidth(scroller);
  const view = useGridView();
  useEffect(() => void useGridView.persist.rehydrate(), []);
  const rows = useMemo(() => rowsOf(palette), [palette]);
  const longest = Math.max(0, ...rows.map(({ label, swatches }) => (label === null ? 0 : swatches.length)));
  const size = cellSize(width, palette.swatches.length, longest, view);
  const lines = useMemo(() => linesOf(rows, size.columns, mayEdit), [rows, size.columns, mayEdit]);
  const lineHeight = size.patch + 6 + size.words + ROW_SPACE;
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualiser keeps its own state and is never memoised
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: (at) => ('head' in lines[at]! ? HEAD_HEIGHT : lineHeight),
    overscan: 3,
    // A row's head goes along with its row, and with it the focus of whoever moves it.
    getItemKey: (at) => {
      const line = lines[at]!;
      return 'head' in line ? `row ${line.head.label}` : at;
    },
  });
  // Lines keep the heights they were drawn with until told otherwise.
  useEffect(() => virtual.measure(), [virtual, lineHeight, lines]);
  // What is added at the end comes into sight.
  const last = useRef(palette.swatches.at(-1)?.id);
  useEffect(() => {
    const id = palette.swatches.at(-1)?.id;
    if (id !== last.current && lines.length > 0) virtual.scrollToIndex(lines.length - 1);
    last.current = id;
  }, [palette.swatches, lines, virtual]);
  const sensors = useSensors(
    // A few pixels of movement make a drag, so that a click stays a click.
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = useMemo(() => palette.swatches.map((swatch) => swatch.id), [palette.swatches]);
  const choose = useCallback(
    (id: string, event: MouseEvent) => {
      const mode = event.shiftKey ? 'range' : event.ctrlKey || event.metaKey ? 'toggle' : 'only';
      select(clicked(palette, chosenIn(palette, store.getState().selection), id, mode));
    },
    [palette, select, store],
  );
  const drop = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const [from, to] = [String(active.id), String(over.id)];
    const place = (id: string) => rows.findIndex(({ label }) => ROW + label === id);
    const command = from.startsWith(ROW)
      ? moveRow(palette, from.slice(ROW.length), place(to) - place(from))
      : moveSwatches(palette, chosen.all.some(({ id }) => id === from) ? chosen.all.map(({ id }) => id) : [from], from, to);
    if (command) run(command);
  };
  const add = () => {
    const { command, id } = insertSwatch(palette, null);
    if (run(command)) select({ swatch: id });
  };
  const onKey = useGridKeys(palette, size.columns, scroller, (id) => {
    const at = lines.findIndex((line) => 'swatches' in line && line.swatches.some((swatch) => swatch.id === id));
    if (at >= 0) virtual.scrollToIndex(at);
  });
  const chosenIds = new Set(chosen.all.map(({ id }) => id));
  const total = virtual.getTotalSize();
  const columns = { gridTemplateColumns: `repeat(${size.columns}, minmax(0, 1fr))`, gap: GAP, '--patch': `${size.patch}px` };
  return (
    <DndContext sensors={sensors} collisionDetection={withinKind} onDragEnd={drop} id="mix-grid">
      <SortableContext items={ids} strategy={rectSortingStrategy} disabled={!mayEdit}>
        <div
          ref={scroller}
          className={css.scroller}
          style={{ height: Math.min(total, TALLEST) + 12 }}
          onKeyDown={onKey}
          role="group"
          id="swatches"
          tabIndex={-1}
          aria-label={`Swatches of ${palette.name}`}
        >
          <div style={{ height: total, position: 'relative', margin: '0 -6px' }}>
            {virtual.getVirtualItems().map((item) => {
              const line = lines[item.index]!;
              const style = { top: item.start, ...('head' in line ? {} : columns) } as React.CSSProperties;
              if ('head' in line)
                return (
                  <div key={item.key} className={css.head} style={style}>
                    <RowHead palette={palette} row={line.head} rows={rows} mayEdit={mayEdit} />
                  </div>
                );
              return (
                <div key={item.key} className={css.row} style={style}>
                  {line.swatches.map((swatch, at) => (
                    <SwatchCell
                      key={swatch.id}
                      swatch={swatch}
                      place={line.from + at + 1}
                      words={size.words > 0}
                      unsaid={line.unsaid}
                      lead={swatch.id === chosen.lead?.id || (!chosen.lead && line.from + at === 0)}
                      chosen={chosenIds.has(swatch.id)}
                      onChoose={choose}
                    />
                  ))}
                  {line.last && (
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
      <DraggedRow rows={rows} />
    </DndContext>
  );
}

function linesOf(rows: readonly PaletteRow[], columns: number, mayEdit: boolean): Line[] {
  const lines: Line[] = [];
  let from = 0;
  rows.forEach((row, at) => {
    if (row.label !== null) lines.push({ head: row });
    const unsaid = sharedStart(row).length;
    const room = row.swatches.length + (mayEdit && at === rows.length - 1 ? 1 : 0);
    for (let start = 0; start < room; start += columns) {
      lines.push({
        swatches: row.swatches.slice(start, start + columns),
        from: from + start,
        last: room > row.swatches.length && start + columns >= room,
        unsaid,
      });
    }
    from += row.swatches.length;
  });
  if (rows.length === 0 && mayEdit) lines.push({ swatches: [], from: 0, last: true, unsaid: 0 });
  return lines;
}

/** A row can be dropped on rows only, a swatch on swatches only. */
const withinKind: CollisionDetection = (given) => {
  const isRow = String(given.active.id).startsWith(ROW);
  const droppableContainers = given.droppableContainers.filter(({ id }) => String(id).startsWith(ROW) === isRow);
  return closestCenter({ ...given, droppableContainers });
};

/** Arrow keys go from swatch to swatch, with Shift take them along, with Alt carry the chosen ones. */
function useGridKeys(
  palette: Palette,
  columns: number,
  scroller: React.RefObject<HTMLDivElement | null>,
  reveal: (id: string) => void,
) {
  const store = useBrandStore();
  const mayEdit = useMayEdit();
  const keepOn = (id: string) => {
    reveal(id);
    // The cell may be drawn only now that it is in sight, or in another line.
    requestAnimationFrame(() => scroller.current?.querySelector<HTMLElement>(`[data-swatch="${id}"]`)?.focus());
  };
  return (event: KeyboardEvent) => {
    // While something is carried with keys, they are not ours.
    if (document.querySelector('[data-dragging]') || !(event.target as HTMLElement).matches('[data-swatch]')) return;
    const { selection, select, run } = store.getState();
    const { swatches } = palette;
    const from = swatches.findIndex(({ id }) => id === (event.target as HTMLElement).dataset.swatch);
    const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: columns, ArrowUp: -columns }[event.key];
    const { all, lead } = chosenIn(palette, selection);
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'a') {
      select(
        choice(
          lead?.id ?? swatches[from]!.id,
          swatches.map(({ id }) => id),
        ),
      );
    } else if (event.key === 'Escape' && lead) select({ swatch: lead.id });
    else if (by !== undefined) {
      const to = swatches[from + by];
      if (!to) return event.preventDefault();
      if (event.altKey) {
        const moving = all.length > 0 ? all.map(({ id }) => id) : [swatches[from]!.id];
        const edge =
          by > 0 ? swatches.findLastIndex(({ id }) => moving.includes(id)) : swatches.findIndex(({ id }) => moving.includes(id));
        const command =
          mayEdit && swatches[edge + by] && moveSwatches(palette, moving, swatches[edge]!.id, swatches[edge + by]!.id);
        if (command && run(command)) keepOn(swatches[from]!.id);
      } else {
        select(event.shiftKey ? choice(to.id, [...all.map(({ id }) => id), to.id]) : { swatch: to.id });
        keepOn(to.id);
      }
    } else return;
    event.preventDefault();
  };
}

interface RowHeadProps {
  palette: Palette;
  row: PaletteRow;
  rows: readonly PaletteRow[];
  mayEdit: boolean;
}

/** A row's label, the handle it is dragged by, and what the keyboard does instead. */
function RowHead({ palette, row, rows, mayEdit }: RowHeadProps) {
  const store = useBrandStore();
  const { run, select } = store.getState();
  const label = row.label!;
  const { attributes, listeners, setNodeRef, isDragging } = useDraggable({ id: ROW + label, disabled: !mayEdit });
  const { setNodeRef: setTarget, isOver } = useDroppable({ id: ROW + label });
  const at = rows.indexOf(row);
  const move = (by: number) => {
    const command = moveRow(palette, label, by);
    if (command) run(command);
  };
  return (
    <div ref={setTarget} className={css.rowHead} data-over={isOver || undefined} data-row={label}>
      <button
        ref={setNodeRef}
        {...attributes}
        {...listeners}
        className={css.handle}
        data-dragging={isDragging || undefined}
        aria-label={`Row ${label}: drag, or Alt and the arrows up and down, to move it`}
        disabled={!mayEdit}
        onClick={() =>
          select(
            choice(
              row.swatches[0]!.id,
              row.swatches.map(({ id }) => id),
            ),
          )
        }
        onKeyDown={(event) => {
          const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
          if (by === undefined || !event.altKey) return;
          event.preventDefault();
          move(by);
        }}
      >
        <GripVertical size={14} />
      </button>
      <CommitInput
        look="plain"
        label={`Label of row ${label}`}
        value={label}
        disabled={!mayEdit}
        onCommit={(text) => run(renameRow(palette, row, text))}
      />
      <span>{row.swatches.length}</span>
      {mayEdit && (
        <div>
          <button aria-label={`Move row ${label} up`} disabled={at === 0} onClick={() => move(-1)}>
            <ChevronUp size={14} />
          </button>
          <button aria-label={`Move row ${label} down`} disabled={at === rows.length - 1} onClick={() => move(1)}>
            <ChevronDown size={14} />
          </button>
          <button onClick={() => run(dissolveRow(row))}>Dissolve</button>
          <button
            aria-label={`Delete row ${label}`}
            onClick={() => run(deleteSwatches(store.getState().replica.brand, row.swatches))}
          >
            <X size={14} />
          </button>
        </div>
      )}
    </div>
  );
}

/** What follows the pointer while a row is dragged: its ribbon. */
function DraggedRow({ rows }: { rows: readonly PaletteRow[] }) {
  const { active } = useDndContext();
  const row = rows.find(({ label }) => ROW + label === active?.id);
  // Only for rows: an overlay, even an empty one, would be measured in place of a swatch that is dragged.
  if (!row) return null;
  return (
    <DragOverlay dropAnimation={null}>
      <i className={css.draggedRow} style={{ background: ribbon(row.swatches.map(({ value }) => value)) }} />
    </DragOverlay>
  );
}

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
