import { createStore } from 'zustand/vanilla';
import { shortened } from '@/core/base/storable';
import type { Command } from '@/core/brand/commands/commands';
import { enqueue } from '@/core/brand/commands/replica';
import { newId } from '@/core/brand/document/identity';
import { guarded } from '@/core/brand/history/overtaken';
import { may, refusalFor } from '@/core/brand/roles';
import { withFollowingNames } from '@/core/brand/tools/following-names';
import { tell } from '../notices';
import type { BrandState, BrandStore, Opening } from './brand-state';
import { Following } from './follow';
import { Outbox } from './outbox';
import { OwnEdits } from './own-edits';
import { undoActions } from './undo';
import { showReplica, viewActions } from './view';

const LABEL_LENGTH = 200;

/** One page's brand: shown at once (view), taken back (undo), sent in order (outbox), told to and by all other pages (follow). */
export function createBrandStore(opening: Opening): BrandStore {
  return createStore<BrandState>()((set, get, store) => {
    const own = new OwnEdits(store);
    const outbox = new Outbox(store, own, () => void following.look(), opening.brand.id, opening.person.id);
    const following = new Following(store, outbox, own, opening.build);
    const perform = (command: Command) => performed(store, outbox, command);
    return {
      ...begun(opening),
      ...viewActions(store),
      ...undoActions(store, perform),
      answerConflict: (key, mine) => {
        const conflict = get().conflicts.find((each) => each.key === key);
        set(({ conflicts }) => ({ conflicts: conflicts.filter((each) => each.key !== key) }));
        if (mine && conflict) get().run(conflict.command);
      },
      connect: () => {
        outbox.takeUp();
        const end = following.start();
        return () => {
          end();
          outbox.close();
        };
      },
    };
  });
}

/** What a page begins with. */
function begun({ brand, seq, release, ...opening }: Opening) {
  return {
    id: brand.id,
    role: opening.role,
    person: opening.person,
    organisation: opening.organisation,
    archived: opening.archived,
    waitingSince: opening.waitingSince,
    brand,
    replica: { confirmed: brand, seq, pending: [], brand },
    release,
    acknowledged: new Set<string>(),
    leftOnDisk: [],
    connected: true,
    parted: null,
    keptAt: null,
    undoable: [],
    redoable: [],
    touched: new Map<string, never>(),
    here: [],
    caught: 0,
    signOffNews: 0,
    screenNews: 0,
    writing: null,
    conflicts: [],
    selection: null,
    trial: null,
    palette: brand.palettes[0]?.id ?? null,
    theme: brand.themes[0]!.id,
  };
}

/** @returns the command that takes it back, or null when it was refused and the person told. */
function performed(store: BrandStore, outbox: Outbox, command: Command): Command | null {
  const { role, replica, connected } = store.getState();
  if (!may(role, 'edit')) {
    tell(refusalFor(role, 'edit'));
    return null;
  }
  // Two long names make a longer label than the log has room for.
  const label = shortened(command.label, LABEL_LENGTH);
  const named = { ...withFollowingNames(replica.brand, command), label };
  const result = enqueue(replica, { key: newId(), command: connected ? named : guarded(replica.brand, named) });
  if ('refusal' in result) {
    tell(result.refusal);
    store.setState({ brand: replica.brand });
    return null;
  }
  outbox.add(result.pending);
  store.setState({ trial: null });
  showReplica(store, result.replica);
  void outbox.send();
  return result.inverse;
}
