import { z } from 'zod';
import { createStore } from 'zustand/vanilla';
import { shortened } from '@/core/base/storable';
import { apply } from '@/core/brand/commands/apply';
import type { Command } from '@/core/brand/commands/commands';
import { touchedBy } from '@/core/brand/commands/table-step';
import { withFollowingNames } from '@/core/brand/tools/following-names';
import { newId } from '@/core/brand/document/identity';
import { guarded } from '@/core/brand/history/overtaken';
import { enqueue, receive, withdraw, type Dropped, type Pending, type Replica } from '@/core/brand/commands/replica';
import { may, refusalFor } from '@/core/brand/roles';
import { readToldChange, type ToldChange } from '@/core/brand/commands/told-change';
import { BRAND_VERSION, COMMAND_VERSION } from '@/core/brand/document/versions';
import type { BrandState, BrandStore, Opening, Released } from './brand-state';
import { openLiveStream } from './live-stream';
import { tell } from '../notices';
import { OwnEdits } from './own-edits';
import { pageId } from './page-id';
import { QueueStorage } from './queue-storage';
import { loadAgain } from './reload';
import { Declined, request } from '../asked/request';

/** How often a page that is about to load itself again looks whether everything is kept, in milliseconds. */
const LOOK_AGAIN_MS = 500;
const UNDO_DEPTH = 500;
const LABEL_LENGTH = 200;
/** Commands and bytes in one request; the server takes at most 200 and 8 MB. */
const SEND_COUNT = 100;
const SEND_BYTES = 4 * 1024 * 1024;

const ReleaseNews = z.object({ number: z.int().min(1) });
const Writing = z.object({ by: z.string(), share: z.number() });
const Refusal = z.object({ sentence: z.string() });
const Here = z.array(z.object({ id: z.string(), name: z.string(), held: z.array(z.string()).default([]) }));

/** One page's brand: shown at once, sent in order, told to and by all other pages. */
export function createBrandStore(opening: Opening): BrandStore {
  const brandId = opening.brand.id;
  const storage = new QueueStorage(opening.person.id, brandId);
  const address = `/api/brands/${brandId}`;
  /** Keys of edits that the disk had no room for. */
  const unkept = new Set<string>();
  /** Whether the page is of an earlier build than the server. */
  let outdated = false;
  let sending = false;
  let retry: ReturnType<typeof setTimeout> | undefined;
  let pause = 0;

  const store = createStore<BrandState>()((set, get) => ({
    id: brandId,
    role: opening.role,
    person: opening.person,
    organisation: opening.organisation,
    archived: opening.archived,
    brand: opening.brand,
    replica: { confirmed: opening.brand, seq: opening.seq, pending: [], brand: opening.brand },
    release: opening.release,
    acknowledged: new Set(),
    kept: [],
    connected: true,
    waitingSince: opening.waitingSince,
    keptAt: null,
    undoable: [],
    redoable: [],
    touched: new Map(),
    here: [],
    caught: 0,
    signOffNews: 0,
    screenNews: 0,
    writing: null,
    conflicts: [],
    selection: null,
    trial: null,
    palette: opening.brand.palettes[0]?.id ?? null,
    theme: opening.brand.themes[0]!.id,

    run: (command) => {
      const inverse = perform(command);
      if (inverse) set(({ undoable }) => ({ undoable: [...undoable.slice(-UNDO_DEPTH), inverse], redoable: [] }));
      return inverse !== null;
    },
    tryOut: (command) => {
      const { replica } = get();
      const applied = command && apply(replica.brand, command);
      if (!applied?.ok) return set({ brand: replica.brand, trial: null });
      set({ brand: applied.brand, trial: command });
    },
    undo: () => {
      const command = get().undoable.at(-1);
      if (!command) return;
      set(({ undoable }) => ({ undoable: undoable.slice(0, -1) }));
      const inverse = perform(command);
      if (!inverse) return;
      set(({ redoable }) => ({ redoable: [...redoable, inverse] }));
      showBroughtBack(command);
    },
    redo: () => {
      const command = get().redoable.at(-1);
      if (!command) return;
      set(({ redoable }) => ({ redoable: redoable.slice(0, -1) }));
      const inverse = perform(command);
      if (!inverse) return;
      set(({ undoable }) => ({ undoable: [...undoable, inverse] }));
      showBroughtBack(command);
    },
    answerConflict: (key, mine) => {
      const conflict = get().conflicts.find((each) => each.key === key);
      set(({ conflicts }) => ({ conflicts: conflicts.filter((each) => each.key !== key) }));
      if (mine && conflict) get().run(conflict.command);
    },
    select: (selection) => set({ selection }),
    choosePalette: (palette) => set({ palette }),
    chooseTheme: (theme) => set({ theme }),
    connect: () => {
      sendKept();
      const stream = openLiveStream({
        address: () => `${address}/events?after=${get().replica.seq}&page=${pageId()}`,
        onConnected: (connected) => {
          set({ connected });
          if (!connected) return;
          pause = 0;
          void send();
        },
        on: {
          build: (build) => {
            if (build !== opening.build) becomeOutdated();
          },
          change: (news) => {
            const change = readToldChange(news);
            const taken = change ? takeChange(change) : 'cannot follow';
            if (taken === 'cannot follow') stop('Somebody’s change cannot be shown by this page; load it again in a moment.');
            // A change in between was missed: ask again from the last one known.
            if (taken === 'gap') stream.again();
          },
          release: (news) => {
            const told = ReleaseNews.safeParse(news);
            if (told.success) void takeRelease(told.data.number);
            else stop('A release was made of which this page knows nothing; load it again in a moment.');
          },
          here: (news) => {
            const told = Here.safeParse(news);
            if (told.success) set({ here: told.data });
          },
          writing: (news) => {
            const told = Writing.safeParse(news);
            if (told.success) set({ writing: told.data.share < 1 ? told.data : null });
          },
          signOff: () => set(({ signOffNews }) => ({ signOffNews: signOffNews + 1 })),
          screens: () => set(({ screenNews }) => ({ screenNews: screenNews + 1 })),
          caught: () => set(({ caught }) => ({ caught: caught + 1 })),
          refused: (news) => {
            tell(Refusal.parse(news).sentence);
            // The server is there and keeps what is done here; only listening has to wait.
            stream.pause();
          },
        },
      });
      /** For a page that is older than what it is told: it loads itself again, or asks again later when that was of no use. */
      function stop(sentence: string): void {
        stream.pause();
        void leaveFor(sentence);
      }
      return () => {
        stream.close();
        clearTimeout(retry);
      };
    },
  }));
  const { getState: get, setState: set } = store;
  const own = new OwnEdits(store);

  /** @returns the command that takes it back, or null when it was refused and the person told. */
  function perform(command: Command): Command | null {
    const { role, replica } = get();
    if (!may(role, 'edit')) {
      tell(refusalFor(role, 'edit'));
      return null;
    }
    // Two long names make a longer label than the log has room for.
    const label = shortened(command.label, LABEL_LENGTH);
    const named = { ...withFollowingNames(replica.brand, command), label };
    const { connected } = get();
    const result = enqueue(replica, { key: newId(), command: connected ? named : guarded(replica.brand, named) });
    if ('refusal' in result) {
      tell(result.refusal);
      set({ brand: replica.brand });
      return null;
    }
    const { pending } = result;
    keepOnDisk(pending);
    if (!connected) own.waits(pending.key);
    own.remember(pending);
    set({ trial: null });
    show(result.replica);
    void send();
    return result.inverse;
  }

  /** A palette that an undo or a redo brings back is looked at again. */
  function showBroughtBack({ steps }: Command): void {
    const added = steps.findLast((step) => step.do === 'palette.add');
    if (added) set({ palette: added.palette.id });
  }

  /** Shows a replica; a palette or theme that is gone gives way to the first. */
  function show(replica: Replica, dropped: readonly Dropped[] = []): void {
    const { brand } = replica;
    // What is on trial stays on trial when somebody else's work arrives.
    const { trial } = get();
    const tried = trial && apply(brand, trial);
    set(({ palette, theme }) => ({
      replica,
      brand: tried?.ok ? tried.brand : brand,
      trial: tried?.ok ? trial : null,
      palette: brand.palettes.some(({ id }) => id === palette) ? palette : (brand.palettes[0]?.id ?? null),
      theme: brand.themes.some(({ id }) => id === theme) ? theme : brand.themes[0]!.id,
    }));
    for (const { pending, refusal } of dropped) {
      forget(pending.key);
      own.giveUp(pending, refusal);
    }
  }

  /** @returns 'gap' when a change in between is missing, 'cannot follow' when it does not stand on what is here. */
  function takeChange(change: ToldChange): 'taken' | 'gap' | 'cannot follow' {
    const { replica, acknowledged, person } = get();
    let taken;
    try {
      taken = receive(replica, change);
    } catch {
      // What is here is not what the server has. The page is loaded again, and begins with the server's own.
      return 'cannot follow';
    }
    if (!taken) return 'gap';
    if (taken.replica === replica) return 'taken';
    const isOurs = replica.pending.some(({ key }) => key === change.key);
    if (isOurs) forget(change.key);
    const touched = new Map(get().touched);
    for (const id of touchedBy(change.command)) touched.set(id, { by: isOurs ? person.name : change.by, at: change.at });
    set({ touched });
    show(taken.replica, taken.dropped);
    set({ acknowledged: new Set([...acknowledged].filter((key) => key !== change.key)) });
    if (!isOurs && change.by !== person.name) own.tellOvertaken(change);
    own.explain();
    return 'taken';
  }

  /** The application was updated while this page was open. It goes on, and is loaded again when nobody looks. */
  function becomeOutdated(): void {
    if (outdated) return;
    outdated = true;
    tell('Breakwater was updated. This page loads itself again when you look elsewhere; nothing is lost.');
    const leave = () => {
      if (document.visibilityState === 'hidden' && unkept.size === 0) loadAgain();
    };
    document.addEventListener('visibilitychange', leave);
  }

  /** Loads the page again, once what the disk has no room for is with the server. */
  async function leaveFor(sentence: string): Promise<void> {
    while (unkept.size > 0) {
      void send();
      await new Promise((resolve) => setTimeout(resolve, LOOK_AGAIN_MS));
    }
    if (!loadAgain()) tell(`${sentence} Your edits wait here.`);
  }

  /** Fetches a release that was made elsewhere. */
  async function takeRelease(number: number): Promise<void> {
    if ((get().release?.number ?? 0) >= number) return;
    try {
      const release = await request<Released>(`${address}/releases/${number}`);
      if (release.document.version > BRAND_VERSION)
        return await leaveFor(`Release ${number} is newer than this page; load it again.`);
      if ((get().release?.number ?? 0) < release.number) set({ release });
    } catch (error) {
      tell(`Release ${number} was made, and could not be fetched: ${(error as Error).message} Load the page again to see it.`);
    }
  }

  /** Takes up what an earlier page left on disk. The server may have it already, so it is not applied here again. */
  function sendKept(): void {
    const { pending, unreadable } = storage.all();
    if (unreadable > 0) tell(`${unreadable} earlier edits on this disk cannot be read by this version; they were left there.`);
    const known = new Set(get().replica.pending.map(({ key }) => key));
    const kept = pending.filter(({ key }) => !known.has(key));
    for (const { key } of kept) own.waits(key);
    set({ kept });
    void send();
  }

  /** Sends what waits, in order, one request at a time; tries again for as long as the page is open. */
  async function send(): Promise<void> {
    if (sending) return;
    sending = true;
    clearTimeout(retry);
    let batch = nextBatch();
    try {
      for (; batch.length > 0; batch = nextBatch()) {
        const { outcomes } = await request<{ outcomes: ({ key: string; seq: number } | { key: string; refusal: string })[] }>(
          `${address}/changes`,
          'POST',
          { version: COMMAND_VERSION, changes: batch },
        );
        set({ connected: true, keptAt: new Date() });
        for (const outcome of outcomes) {
          if ('refusal' in outcome) drop(outcome.key, outcome.refusal);
          else acknowledge(outcome.key, outcome.seq);
        }
      }
      pause = 0;
    } catch (error) {
      if (error instanceof Declined && error.status < 500 && error.status !== 401) {
        // Only what was sent: what has been done since stands on its own.
        for (const { key } of batch) drop(key, error.message);
        retry = setTimeout(() => void send(), 0);
      } else {
        // Nothing is lost: out of reach, failing or signed out, the edits wait on disk.
        if (error instanceof Declined && pause === 0) tell(`${error.message} Your edits wait here.`);
        set({ connected: false });
        guardWaiting();
        pause = Math.min(5_000, pause * 2 || 500);
        retry = setTimeout(() => void send(), pause);
      }
    } finally {
      sending = false;
    }
  }

  /** What waits from now on may meet later edits of others when it is sent. The server knows by its key what it has already. */
  function guardWaiting(): void {
    const { replica, acknowledged } = get();
    let brand = replica.confirmed;
    const pending = replica.pending.map((each) => {
      const before = brand;
      const applied = apply(brand, each.command);
      if (applied.ok) brand = applied.brand;
      if (acknowledged.has(each.key) || own.hasWaited(each.key)) return each;
      own.waits(each.key);
      const asking = { ...each, command: guarded(before, each.command) };
      if (!unkept.has(each.key)) keepOnDisk(asking);
      return asking;
    });
    set({ replica: { ...replica, pending } });
  }

  function keepOnDisk(pending: Pending): void {
    try {
      storage.keep(pending);
    } catch (error) {
      if (!(error instanceof DOMException)) throw error;
      unkept.add(pending.key);
      tell('This edit is too large for this browser’s disk; keep the page open until the header says it is kept.');
    }
  }

  function nextBatch(): Pending[] {
    const { replica, acknowledged, kept } = get();
    const batch: Pending[] = [];
    let bytes = 0;
    for (const pending of [...kept, ...replica.pending]) {
      if (acknowledged.has(pending.key)) continue;
      bytes += JSON.stringify(pending.command).length;
      if (batch.length > 0 && (bytes > SEND_BYTES || batch.length >= SEND_COUNT)) break;
      batch.push(pending);
    }
    return batch;
  }

  function acknowledge(key: string, seq: number): void {
    forget(key);
    const { replica, kept } = get();
    if (kept.some((change) => change.key === key)) set({ kept: kept.filter((change) => change.key !== key) });
    else if (seq > replica.seq) set(({ acknowledged }) => ({ acknowledged: new Set(acknowledged).add(key) }));
  }

  /** The server has it, or will never take it. */
  function forget(key: string): void {
    storage.forget(key);
    unkept.delete(key);
  }

  function drop(key: string, sentence: string): void {
    forget(key);
    const { replica, kept } = get();
    const pending = [...kept, ...replica.pending].find((change) => change.key === key);
    set({ kept: kept.filter((change) => change.key !== key) });
    const { replica: without, dropped } = withdraw(replica, key);
    show(without, dropped);
    if (pending) own.giveUp(pending, sentence);
  }

  return store;
}
