import { useDndMonitor, type DragMoveEvent } from '@dnd-kit/core';
import { Button } from '@chakra-ui/react';
import { useCallback, useDeferredValue, useMemo, useRef, useState } from 'react';
import { useBrand, useBrandStore, useMayEdit } from '@/ui/store/brand-context';
import { draggedIn, underPointer } from '@/ui/dragged';
import { Empty } from '@/ui/empty';
import { showView } from '../views';
import { ChosenBar } from './chosen-bar';
import { NewToken } from './new-token';
import { useTable } from './table-state';
import { tokenInGroup } from './token-edits';
import { TokenTable } from './token-table';
import { filtered } from './tree-rows';
import css from './tokens.module.css';

/** The table of all tokens, how it is filtered, and how it grows. */
export function TokensView() {
  const { all, themes } = useBrand((state) => ({ all: state.brand.tokens, themes: state.brand.themes }));
  const mayEdit = useMayEdit();
  const filter = useTable((state) => state.filter);
  const wanted = useDeferredValue(filter);
  const tokens = useMemo(() => filtered(all, wanted), [all, wanted]);
  const [path, setPath] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const addTo = useCallback((group: string) => {
    setPath(`${group}.`);
    field.current?.focus();
  }, []);
  return (
    <>
      <div className={css.add}>
        <input
          className={css.filter}
          type="search"
          aria-label="Filter tokens"
          placeholder="Filter by path, role, state"
          value={filter}
          onChange={(event) => useTable.setState({ filter: event.target.value })}
        />
        {mayEdit && <NewToken ref={field} path={path} onPath={setPath} />}
      </div>
      {all.length === 0 ? (
        <FirstToken />
      ) : (
        <>
          <TokenTable tokens={tokens} themes={themes} onAddTo={addTo} />
          <ChosenBar />
        </>
      )}
    </>
  );
}

/** An empty tree takes a swatch too: its first token. */
function FirstToken() {
  const store = useBrandStore();
  const mayEdit = useMayEdit();
  const isHere = (event: DragMoveEvent) =>
    mayEdit && draggedIn(event)?.what === 'swatch' && underPointer(event, '[data-first]') !== null;
  const [hot, setHot] = useState(false);
  useDndMonitor({
    onDragMove: (event) => setHot(isHere(event)),
    onDragEnd: (event) => {
      setHot(false);
      const dragged = draggedIn(event);
      if (!dragged || !isHere(event)) return;
      const { command, id } = tokenInGroup(store.getState().brand, '', { id: dragged.id, name: dragged.label });
      if (store.getState().run(command)) store.getState().select({ token: id });
    },
  });
  return (
    <div className={css.first} data-first data-hot={hot || undefined}>
      <Empty
        title="Tokens are named here"
        act={
          mayEdit && (
            <Button size="sm" onClick={() => showView('scaffolds')}>
              Start from a scaffold
            </Button>
          )
        }
      >
        A token is a use, such as text.default, with a colour in every theme. Type a path above and point it at a swatch, drag a
        colour of the strand here, or begin with a whole tree.
      </Empty>
    </div>
  );
}
