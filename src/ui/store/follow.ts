import { z } from 'zod';
import { receive } from '@/core/brand/commands/replica';
import { touchedBy } from '@/core/brand/commands/table-step';
import { readToldChange, type ToldChange } from '@/core/brand/commands/told-change';
import { BRAND_VERSION } from '@/core/brand/document/versions';
import { ROLES } from '@/core/brand/roles';
import { Declined, request } from '../asked/request';
import { tell } from '../notices';
import type { BrandStore, Released } from './brand-state';
import { openLiveStream, type Listeners } from './live-stream';
import type { Outbox } from './outbox';
import type { OwnEdits } from './own-edits';
import { pageId } from './page-id';
import { loadAgain } from './reload';

/** How often a page that is about to load itself again looks whether everything is kept, in milliseconds. */
const LOOK_AGAIN_MS = 500;

const Part = z.object({ role: z.enum(ROLES) });
const ROLE_WORDS = { owner: 'an owner', editor: 'an editor', reviewer: 'a reviewer', viewer: 'a viewer' } as const;
const ReleaseNews = z.object({ number: z.int().min(1) });
const Writing = z.object({ by: z.string(), share: z.number() });
const Refusal = z.object({ sentence: z.string() });
const Here = z.array(z.object({ id: z.string(), name: z.string(), chosen: z.array(z.string()).default([]) }));

/** What the server tells a page, for as long as the page follows it. */
export class Following {
  /** Whether the page is of an earlier build than the server. */
  private outdated = false;
  private stopListening = () => {};

  /** @param build which the page is of */
  constructor(
    private readonly store: BrandStore,
    private readonly outbox: Outbox,
    private readonly own: OwnEdits,
    private readonly build: string,
  ) {}

  private get address(): string {
    return `/api/brands/${this.store.getState().id}`;
  }

  /** @returns what ends it */
  start(): () => void {
    const { getState: get, setState: set } = this.store;
    /** For a page that is older than what it is told: it loads itself again, or asks again later when that was of no use. */
    const stop = (sentence: string) => {
      stream.pause();
      void this.leaveFor(sentence);
    };
    const on: Listeners = {
      build: (build) => {
        if (build !== this.build) this.becomeOutdated();
      },
      change: (news) => {
        const change = readToldChange(news);
        const taken = change ? this.takeChange(change) : 'cannot follow';
        if (taken === 'cannot follow') stop('Somebody’s change cannot be shown by this page; load it again in a moment.');
        // A change in between was missed: ask again from the last one known.
        if (taken === 'gap') stream.again();
      },
      release: (news) => {
        const told = ReleaseNews.safeParse(news);
        if (told.success) void this.takeRelease(told.data.number);
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
      part: () => void this.look(),
      refused: (news) => {
        tell(Refusal.parse(news).sentence);
        // The server is there and keeps what is done here; only listening has to wait.
        stream.pause();
      },
    };
    const stream = openLiveStream({
      address: () => `${this.address}/events?after=${get().replica.seq}&page=${pageId()}`,
      onConnected: (connected) => {
        set({ connected });
        if (connected) this.outbox.sendAtOnce();
      },
      onTurnedAway: () => void this.look(),
      on,
    });
    this.stopListening = stream.close;
    return stream.close;
  }

  /** Asks what part the person has here: they may have been signed out, or their role been taken or made another. */
  async look(): Promise<void> {
    const { role: before } = this.store.getState();
    try {
      const { role } = Part.parse(await request(`${this.address}/part`));
      if (role === before) return;
      this.store.setState({ role });
      tell(`You are ${ROLE_WORDS[role]} of this brand now.`);
    } catch (error) {
      // Out of reach or failing it tells nothing of that; the stream and the edits try again.
      if (!(error instanceof Declined) || (error.status !== 401 && error.status !== 404)) return;
      const signIn = error.status === 401;
      const sentence = signIn ? error.message : 'You have no part in this brand any more; an owner can give you one.';
      this.store.setState({ connected: false, parted: { sentence, signIn } });
      this.stopListening();
      this.outbox.close();
    }
  }

  /** @returns 'gap' when a change in between is missing, 'cannot follow' when it does not stand on what is here. */
  private takeChange(change: ToldChange): 'taken' | 'gap' | 'cannot follow' {
    const { replica, acknowledged, person, touched: before } = this.store.getState();
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
    if (isOurs) this.outbox.forget(change.key);
    const touched = new Map(before);
    for (const id of touchedBy(change.command)) touched.set(id, { by: isOurs ? person.name : change.by, at: change.at });
    this.store.setState({ touched });
    this.outbox.show(taken.replica, taken.dropped);
    this.store.setState({ acknowledged: new Set([...acknowledged].filter((key) => key !== change.key)) });
    if (!isOurs && change.by !== person.name) this.own.tellOvertaken(change);
    this.own.explain();
    return 'taken';
  }

  /** Fetches a release that was made elsewhere. */
  private async takeRelease(number: number): Promise<void> {
    const latest = () => this.store.getState().release?.number ?? 0;
    if (latest() >= number) return;
    try {
      const release = await request<Released>(`${this.address}/releases/${number}`);
      if (release.document.version > BRAND_VERSION)
        return await this.leaveFor(`Release ${number} is newer than this page; load it again.`);
      if (latest() < release.number) this.store.setState({ release });
    } catch (error) {
      tell(`Release ${number} was made, and could not be fetched: ${(error as Error).message} Load the page again to see it.`);
    }
  }

  /** The application was updated while this page was open. It goes on, and is loaded again when nobody looks. */
  private becomeOutdated(): void {
    if (this.outdated) return;
    this.outdated = true;
    tell('Breakwater was updated. This page loads itself again when you look elsewhere; nothing is lost.');
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'hidden' && this.outbox.isSafe) loadAgain();
    });
  }

  /** Loads the page again, once what the disk has no room for is with the server. */
  private async leaveFor(sentence: string): Promise<void> {
    while (!this.outbox.isSafe) {
      void this.outbox.send();
      await new Promise((resolve) => setTimeout(resolve, LOOK_AGAIN_MS));
    }
    if (!loadAgain()) tell(`${sentence} Your edits wait here.`);
  }
}
