import type { DoubtKind } from '@/core/intake/intake';
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { Input } from '@chakra-ui/react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef } from 'react';
import { shownHex } from '@/core/colour/read';
import { useBrand } from '@/ui/store/brand-context';
import { useCatch, type CatchLine } from '@/ui/store/catch-store';
import { RouteSelect } from './route-select';
import css from './gather.module.css';

const DOUBT_WORDS: Record<DoubtKind, string> = {
  duplicate: 'Twice.',
  length: 'Wrong length.',
  'no colour': 'Nothing.',
  bare: 'No #.',
  unreadable: 'Unreadable.',
  near: 'Nearly twice.',
  ambiguous: 'Two readings.',
  outside: 'Too vivid.',
  translucent: 'See-through.',
  approximate: 'About right.',
  disagrees: 'Says two things.',
  apart: 'Offered apart.',
};

/** The catch line by line: what to take, in which order, what was read, and what is doubtful. */
export function CatchList() {
  const { lines, ticked, tick, move } = useCatch();
  const chosen = useMemo(() => new Set(ticked), [ticked]);
  const last = useRef<number | null>(null);
  const scroller = useRef<HTMLDivElement>(null);
  /** Lines, and before each group of several the name of its palette. */
  const rowsShown = useMemo(() => {
    const grouped = new Set(lines.map(({ palette }) => palette)).size > 1;
    return lines.flatMap((line, at): (CatchLine | Head)[] => {
      const { palette: name, token } = line;
      return grouped && name !== lines[at - 1]?.palette ? [{ name, aliases: Boolean(token?.alias) }, line] : [line];
    });
  }, [lines]);
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualiser keeps its own state and is never memoised
  const rows = useVirtualizer({
    count: rowsShown.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 38,
    overscan: 6,
  });
  const takeable = useMemo(() => lines.filter((line) => line.colour).map((line) => line.index), [lines]);
  // dnd-kit takes the id 0 for none, so ids are texts.
  const places = useMemo(() => takeable.map(String), [takeable]);
  const all = takeable.length > 0 && takeable.every((index) => chosen.has(index));
  /** With Shift, everything from the line ticked before to this one. */
  const tickLine = (index: number, on: boolean, range: boolean) => {
    const [one, two] = [takeable.indexOf(range && last.current !== null ? last.current : index), takeable.indexOf(index)];
    tick(takeable.slice(Math.min(one, two), Math.max(one, two) + 1), on);
    last.current = index;
  };
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const drop = ({ active, over }: DragEndEvent) => {
    if (over && over.id !== active.id) move(Number(active.id), Number(over.id));
  };
  return (
    <>
      <div className={css.head}>
        <input
          type="checkbox"
          aria-label="Take all colours"
          checked={all}
          disabled={takeable.length === 0}
          onChange={() => tick(takeable, !all)}
        />
        <span>Colour</span>
        <span>Read as</span>
        <span>Name</span>
        <span>Where it stands</span>
        <span>Doubtful because</span>
      </div>
      <div ref={scroller} className={css.list} data-testid="catch">
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop} id="catch">
          <SortableContext items={places} strategy={verticalListSortingStrategy}>
            <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
              {rows.getVirtualItems().map((row) => {
                const shown = rowsShown[row.index]!;
                return (
                  <div
                    key={row.key}
                    ref={rows.measureElement}
                    data-index={row.index}
                    className={css.row}
                    style={{ top: row.start }}
                  >
                    {'aliases' in shown ? (
                      <Group {...shown} />
                    ) : (
                      <Line line={shown} ticked={chosen.has(shown.index)} onTick={tickLine} />
                    )}
                  </div>
                );
              })}
            </div>
          </SortableContext>
        </DndContext>
      </div>
    </>
  );
}

interface Head {
  readonly name: string;
  /** Whether it heads the aliases, which go into no palette. */
  readonly aliases: boolean;
}

/** The head of a group: what its palette will be called, and where it goes. */
function Group({ name, aliases }: Head) {
  const palettes = useBrand((state) => state.replica.brand.palettes);
  const hasTokens = useCatch((state) => state.lines.some(({ token }) => token));
  const route = useCatch((state) => state.routes[name]) ?? { to: 'new', name };
  const send = useCatch((state) => state.send);
  if (name === '' || aliases) {
    return (
      <div className={css.group}>
        <h2>{aliases ? 'Aliases, brought in as tokens that point at others' : 'Left out'}</h2>
      </div>
    );
  }
  return (
    <div className={css.group}>
      <h2>
        {route.to === 'new' ? (
          <Input
            size="xs"
            variant="flushed"
            fontWeight="600"
            aria-label={`Palette for ${name}`}
            value={route.name}
            maxLength={120}
            onChange={(event) => send(name, { to: 'new', name: event.target.value })}
          />
        ) : (
          name
        )}
      </h2>
      <RouteSelect
        label={`Send ${name} to`}
        route={route}
        fresh="a new palette"
        name={name}
        palettes={palettes}
        withTokens={hasTokens}
        width="170px"
        small
        onRoute={(next) => send(name, next)}
      />
    </div>
  );
}

interface LineProps {
  line: CatchLine;
  ticked: boolean;
  onTick: (index: number, on: boolean, range: boolean) => void;
}

function Line({ line, ticked, onTick }: LineProps) {
  const { index, colour, doubts, other, token } = line;
  const { rename, readOtherwise } = useCatch.getState();
  const name = useCatch((state) => state.names[index]) ?? line.name;
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: String(index),
    // An alias is no swatch, and has no place among them.
    disabled: !colour || Boolean(token?.alias),
  });
  return (
    <div
      ref={setNodeRef}
      className={css.line}
      data-dragging={isDragging || undefined}
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      <input
        type="checkbox"
        aria-label={`Take ${name}`}
        checked={ticked}
        disabled={!colour}
        onChange={(event) => onTick(index, event.target.checked, (event.nativeEvent as MouseEvent).shiftKey)}
      />
      {colour ? (
        <button
          ref={setActivatorNodeRef}
          className={css.patch}
          style={{ background: colour.hex }}
          {...attributes}
          {...listeners}
          aria-label={`Move ${name}`}
          title={token?.alias ? undefined : 'Drag to another place'}
        />
      ) : (
        <i className={css.none} />
      )}
      <code>{colour?.hex ?? '–'}</code>
      {colour && !token?.alias ? (
        <Input
          size="xs"
          variant="flushed"
          aria-label={`Name of ${colour.hex}`}
          value={name}
          maxLength={120}
          onChange={(event) => rename(index, event.target.value)}
        />
      ) : (
        <span className={css.alias}>{token?.alias && `→ ${token.alias}`}</span>
      )}
      <code className={css.source} title={`${line.source}: ${line.text}`}>
        {line.column > 0 ? `${line.line}:${line.column}` : line.line || ''} {line.text}
      </code>
      <span className={css.doubt} title={doubts.map(({ reason }) => reason).join(' ')}>
        {doubts.map(({ kind, reason }) => (
          <span key={kind}>
            <b>{DOUBT_WORDS[kind]}</b> {reason}{' '}
            {kind === 'ambiguous' && other && (
              <button className={css.other} onClick={() => readOtherwise(index)}>
                Read it as {shownHex(other)}
              </button>
            )}
          </span>
        ))}
      </span>
    </div>
  );
}
