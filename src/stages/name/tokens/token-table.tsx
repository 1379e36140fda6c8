import { useDndMonitor, useDraggable, type DragMoveEvent } from '@dnd-kit/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useEffect, useMemo, useRef, useState, type ClipboardEvent, type PointerEvent } from 'react';
import type { Command } from '@/core/brand/commands/commands';
import type { Theme } from '@/core/brand/document/theme-shape';
import type { Token } from '@/core/brand/document/token-shape';
import { resolveTheme, tokensOf } from '@/core/brand/reading/resolve';
import { useBrand, useBrandStore, useMayEdit } from '@/ui/store/brand-context';
import { draggedIn, underPointer, type Dragged, type DraggedData } from '@/ui/dragged';
import { tell } from '@/ui/notices';
import { isTyping } from '@/ui/keys/typing';
import { PATH, TABLE_ID, useTable } from './table-state';
import { ThemeHead } from './theme-head';
import { placedAt, sideOf } from './token-order';
import { moveInto, pasteColumn, setValue, tokenInGroup } from './token-edits';
import { GroupRow, TokenRow, type RowActs, cellId } from './token-row';
import { treeRows, type TreeRow } from './tree-rows';
import { useTableKeys } from './use-table-keys';
import css from './tokens.module.css';

const ROW_HEIGHT = 32;
/** The least a column takes; with more themes than fit, the table scrolls sideways. */
const PATH_WIDTH = 168;
const VALUE_WIDTH = 112;
/** The heads of the columns stay in view above the rows. */
const HEAD_HEIGHT = 38;

interface TokenTableProps {
  tokens: readonly Token[];
  themes: readonly Theme[];
  /** Starts a new token in a group. */
  onAddTo: (group: string) => void;
}

/** Tokens down as a tree, themes across. Only the rows in sight are drawn, and each draws anew only when its own is another. */
export function TokenTable({ tokens, themes, onAddTo }: TokenTableProps) {
  const store = useBrandStore();
  const folded = useTable((state) => state.folded);
  const filter = useTable((state) => state.filter);
  const active = useTable((state) => state.active);
  const chosen = useTable((state) => state.chosen);
  const editing = useTable((state) => state.editing);
  const brand = useBrand((state) => state.brand);
  const resolved = themes.map(({ id }) => resolveTheme(brand, id));
  const mayEdit = useMayEdit();
  const rows = useMemo(() => treeRows(tokens, filter ? NONE : folded), [tokens, filter, folded]);
  const scroller = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualiser keeps its own state and is never memoised
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 6,
    // Rows are drawn with the next frame; in the midst of a scroll it would be once for every event.
    useFlushSync: false,
    scrollMargin: HEAD_HEIGHT,
    scrollPaddingStart: HEAD_HEIGHT,
  });
  const order = useMemo(() => rows.flatMap((row) => ('token' in row ? [row.token.id] : [])), [rows]);
  const selected = useBrand((state) => (state.selection && 'token' in state.selection ? state.selection.token : null));
  // A token chosen elsewhere, in a list of uses say, comes into sight.
  useEffect(() => {
    if (selected === null || useTable.getState().active?.row === selected) return;
    const at = rows.findIndex((row) => 'token' in row && row.token.id === selected);
    useTable.setState({ active: { row: selected, column: PATH }, chosen: new Set([selected]), anchor: selected, editing: false });
    if (at >= 0) virtual.scrollToIndex(at, { align: 'auto' });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only another choice moves the table
  }, [selected]);

  const choose = useCallback(
    (row: string, column: string, mode: 'only' | 'toggle' | 'range') => {
      const isToken = tokensOf(store.getState().brand).has(row);
      if (isToken) store.getState().select({ token: row });
      scroller.current?.focus({ preventScroll: true });
      useTable.setState((was) => {
        const active = { row, column };
        if (!isToken) return { active, chosen: new Set<string>(), anchor: null, editing: false };
        if (mode === 'toggle') {
          const next = new Set(was.chosen);
          if (!next.delete(row)) next.add(row);
          return { active, chosen: next, anchor: row, editing: false };
        }
        const [from, to] = [order.indexOf(was.anchor ?? row), order.indexOf(row)];
        if (mode === 'range' && from >= 0)
          return { active, chosen: new Set(order.slice(Math.min(from, to), Math.max(from, to) + 1)), editing: false };
        return { active, chosen: new Set([row]), anchor: row, editing: false };
      });
    },
    [order, store],
  );
  const chooseRef = useRef(choose);
  useEffect(() => void (chooseRef.current = choose), [choose]);
  const acts = useMemo<RowActs>(
    () => ({
      choose: (...of) => chooseRef.current(...of),
      edit: (row, column) => {
        if (!mayEdit) return;
        // Of several chosen ones each stays chosen: what is typed is for all of them.
        if (!useTable.getState().chosen.has(row)) chooseRef.current(row, column, 'only');
        useTable.setState({ active: { row, column }, editing: true });
      },
      endEdit: () => {
        useTable.setState({ editing: false });
        scroller.current?.focus({ preventScroll: true });
      },
      addTo: onAddTo,
    }),
    [mayEdit, onAddTo],
  );
  const onKeyDown = useTableKeys(rows, themes, acts, (at) => virtual.scrollToIndex(at, { align: 'auto' }));
  const onPaste = (event: ClipboardEvent) => {
    if (isTyping(event.target) || !active || active.column === PATH || !mayEdit) return;
    event.preventDefault();
    const { brand, run } = store.getState();
    const byId = tokensOf(brand);
    // From the first of the chosen rows down, as a column is copied.
    const from = order.findIndex((id) => id === active.row || chosen.has(id));
    const below = order.slice(from).flatMap((id) => byId.get(id) ?? []);
    const { command, unread } = pasteColumn(brand, below, active.column, event.clipboardData.getData('text/plain'));
    if (command) run(command);
    if (unread.length > 0)
      tell(
        `${unread.length} ${unread.length === 1 ? 'line is' : 'lines are'} neither a colour, a token nor a swatch: ${unread[0]}.`,
      );
    else if (!command) tell('There is nothing to paste here: copy one colour, token path or swatch name a line.');
  };
  const { setNodeRef, listeners, onDown } = useGrips();
  useDrops(scroller, mayEdit);
  const template = {
    gridTemplateColumns: `minmax(${PATH_WIDTH}px, 1.2fr) repeat(${themes.length}, minmax(${VALUE_WIDTH}px, 1fr))`,
  };
  const minWidth = PATH_WIDTH + themes.length * VALUE_WIDTH;
  return (
    <div
      ref={(node) => {
        scroller.current = node;
        setNodeRef(node);
      }}
      id={TABLE_ID}
      className={css.table}
      role="treegrid"
      aria-label="Tokens"
      aria-rowcount={rows.length}
      aria-multiselectable="true"
      tabIndex={0}
      aria-activedescendant={active ? cellId(active.row, order.includes(active.row) ? active.column : PATH) : undefined}
      onKeyDown={onKeyDown}
      onPaste={onPaste}
      onPointerDownCapture={onDown}
      {...listeners}
    >
      <div role="rowgroup" className={css.head} style={{ minWidth }}>
        <div className={css.headRow} style={template} role="row">
          <span role="columnheader">Token</span>
          {themes.map((theme) => (
            <ThemeHead key={theme.id} theme={theme} />
          ))}
        </div>
      </div>
      <div style={{ height: virtual.getTotalSize(), position: 'relative', minWidth }} role="rowgroup">
        {virtual.getVirtualItems().map(({ index, start }) => {
          const row = rows[index]!;
          return (
            <div
              key={'token' in row ? row.token.id : `group:${row.group}`}
              role="row"
              aria-level={row.depth + 1}
              aria-rowindex={index + 1}
              aria-expanded={'group' in row ? !row.folded : undefined}
              aria-selected={'token' in row ? chosen.has(row.token.id) : undefined}
              className={css.row}
              style={{ ...template, top: start - HEAD_HEIGHT }}
              data-token={'token' in row ? row.token.path : undefined}
              data-group={'group' in row ? row.group : groupOf(row)}
            >
              {'token' in row ? (
                <TokenRow
                  row={row}
                  themes={themes}
                  resolved={resolved.map((theme) => theme.get(row.token.id))}
                  acts={acts}
                  activeColumn={active?.row === row.token.id ? active.column : null}
                  editing={editing && active?.row === row.token.id}
                />
              ) : (
                <GroupRow
                  row={row}
                  acts={acts}
                  activeColumn={active?.row === row.group ? active.column : null}
                  editing={editing && active?.row === row.group}
                  mayEdit={mayEdit}
                />
              )}
            </div>
          );
        })}
      </div>
      {rows.length === 0 && <p className={css.none}>No token fits the filter.</p>}
    </div>
  );
}

const NONE: ReadonlySet<string> = new Set();

function groupOf({ token: { path } }: Extract<TreeRow, { token: Token }>): string {
  return path.slice(0, Math.max(0, path.lastIndexOf('.')));
}

/** Tokens and groups can be dragged by their grips: what is dragged is found out where the pointer goes down. */
function useGrips() {
  const store = useBrandStore();
  const [over, setOver] = useState<Dragged | null>(null);
  const { setNodeRef, listeners } = useDraggable({ id: 'tokens', data: { at: over } satisfies DraggedData });
  const onDown = ({ target }: PointerEvent) => {
    const mark = (target as Element).closest<HTMLElement>('[data-grip]')?.dataset.grip;
    if (!mark) return setOver(null);
    const [what, id] = [mark.slice(0, mark.indexOf(':')), mark.slice(mark.indexOf(':') + 1)];
    const token = what === 'token' ? tokensOf(store.getState().brand).get(id) : undefined;
    setOver(token ? { what: 'token', id, label: token.path } : { what: 'group', id, label: id });
  };
  return { setNodeRef, listeners, onDown };
}

/** What each kind of thing can be dropped on. */
const TARGETS = {
  swatch: '[data-cell], [data-group]',
  token: '[data-beside], [data-group]',
  group: '[data-group]',
} as const;

/** Swatches dropped on a cell become its value, on a group a new token there; tokens dropped on a token stand beside it; tokens and groups dropped on a group move. */
function useDrops(scroller: { readonly current: HTMLElement | null }, mayEdit: boolean): void {
  const store = useBrandStore();
  const hot = useRef<HTMLElement | null>(null);
  const mark = (element: HTMLElement | null, dragged?: string) => {
    if (hot.current === element) return;
    if (hot.current) delete hot.current.dataset.hot;
    const { beside } = element?.dataset ?? {};
    if (element) element.dataset.hot = beside && dragged ? sideOf(store.getState().brand, dragged, beside) : 'true';
    hot.current = element;
  };
  const targetOf = (event: DragMoveEvent): HTMLElement | null => {
    const dragged = draggedIn(event);
    if (!dragged || !mayEdit) return null;
    const found = underPointer(event, TARGETS[dragged.what]);
    return found && scroller.current?.contains(found) ? found : null;
  };
  useDndMonitor({
    onDragMove: (event) => mark(targetOf(event), draggedIn(event)?.id),
    onDragCancel: () => mark(null),
    onDragEnd: (event) => {
      mark(null);
      const dragged = draggedIn(event);
      const target = targetOf(event);
      if (!dragged || !target) return;
      const { brand, run, select } = store.getState();
      const { cell, beside, group = '' } = target.dataset;
      if (dragged.what === 'swatch' && cell !== undefined) {
        const [id, theme] = cell.split('/') as [string, string];
        const token = tokensOf(brand).get(id);
        const { chosen } = useTable.getState();
        const tokens = chosen.has(id) ? brand.tokens.filter((token) => chosen.has(token.id)) : token ? [token] : [];
        if (tokens.length > 0) run(setValue(tokens, theme, { swatch: dragged.id }));
      } else if (dragged.what === 'swatch') {
        const { command, id } = tokenInGroup(brand, group, { id: dragged.id, name: dragged.label });
        if (run(command)) select({ token: id });
      } else if (beside !== undefined) {
        if (beside !== dragged.id) tryRun(placedAt(brand, dragged.id, beside), run);
      } else {
        const path = dragged.what === 'token' ? dragged.label : dragged.id;
        if (path.slice(0, Math.max(0, path.lastIndexOf('.'))) === group) return;
        tryRun(moveInto(brand, dragged.what, path, group), run);
      }
    },
  });
}

function tryRun(command: Command | { readonly refusal: string }, run: (command: Command) => boolean): void {
  if ('refusal' in command) tell(command.refusal);
  else run(command);
}
