import type { Command } from '@/core/brand/commands/commands';
import type { BrandState, BrandStore } from './brand-state';
import { showBroughtBack } from './view';

const UNDO_DEPTH = 500;

type UndoActions = Pick<BrandState, 'run' | 'undo' | 'redo'>;

/**
 * Edits, and what takes them back.
 * @param perform carries out an edit; it returns the command that takes it back, or null when it was refused and the person told
 */
export function undoActions(store: BrandStore, perform: (command: Command) => Command | null): UndoActions {
  const { getState: get, setState: set } = store;
  /** Performs the last of one list, and puts what takes it back at the end of the other. */
  const step = (from: 'undoable' | 'redoable', to: 'undoable' | 'redoable') => {
    const command = get()[from].at(-1);
    if (!command) return;
    set({ [from]: get()[from].slice(0, -1) });
    const inverse = perform(command);
    if (!inverse) return;
    set({ [to]: [...get()[to], inverse] });
    showBroughtBack(store, command);
  };
  return {
    run: (command) => {
      const inverse = perform(command);
      if (inverse) set(({ undoable }) => ({ undoable: [...undoable.slice(-UNDO_DEPTH), inverse], redoable: [] }));
      return inverse !== null;
    },
    undo: () => step('undoable', 'redoable'),
    redo: () => step('redoable', 'undoable'),
  };
}
