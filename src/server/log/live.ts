import { randomUUID } from 'node:crypto';
import { Client } from 'pg';
import { QueryTypes } from 'sequelize';
import { announce, CHANNEL, type Here, type News } from './announce';
import { buildId } from '../http/build-id';
import { changesAfter } from './changes';
import type { ToldChange } from '@/core/brand/commands/told-change';
import { database } from '../database/database';
import { environment } from '../http/environment';
import { log } from '../http/log';
import { metrics } from '../http/metrics';
import { onePerProcess } from '../database/one-per-process';
import { latestNumber } from '../releases/release-number';

/** Changes read at once. */
const BATCH = 100;
/** How often streams are told that they live, and asked whether their person still belongs to the brand, in milliseconds. */
const HEARTBEAT_MS = 10_000;
/** Open streams of one person at one instance: as many pages as anybody has open, and no more. */
const MOST_STREAMS = 30;
/** Bytes that may wait for a page that does not read. It is cut off then, and catches up when it asks again. */
const MOST_WAITING = 8 * 1024 * 1024;

/** Somebody who came or left is told of after so long, in milliseconds: a page that is loaded anew leaves and comes at once. */
const SETTLE_MS = 300;
/** An instance that has said nothing for so long is gone, and its people with it, in milliseconds. */
const SILENT_MS = 3.5 * HEARTBEAT_MS;
/** People told of as being here, those of whom it is told what they hold, and how much of each: a notification holds 8,000 bytes. */
const MOST_HERE = 100;
const MOST_CHOOSING = 30;
const MOST_CHOSEN = 2;

/** What this instance is called among the others. */
const INSTANCE = randomUUID();

/** What is read once more, or told, however often it is heard of meanwhile. */
type NewsKind = 'change' | 'release' | 'signOff' | 'screens';

/** One page that listens to one brand. */
interface Stream {
  readonly person: string;
  /** Id of the page; empty where it did not say. */
  readonly page: string;
  /** Id of what is chosen there. */
  chosen: string | null;
  readonly isOpen: () => boolean;
  readonly send: (bytes: Uint8Array) => void;
  readonly end: () => void;
}

const encoder = new TextEncoder();
const event = (name: string, data: unknown) => encoder.encode(`event: ${name}\ndata: ${JSON.stringify(data)}\n\n`);
const changeEvents = (changes: readonly ToldChange[]) =>
  encoder.encode(changes.map((change) => `id: ${change.seq}\nevent: change\ndata: ${JSON.stringify(change)}\n\n`).join(''));

/** The streams of one brand at this instance. Each change is read once, and all get the same bytes. */
class Channel {
  /** Those that are up to date. */
  private readonly streams = new Set<Stream>();
  private readonly joining = new Set<Stream>();
  /** The last change that all streams were told. */
  private seq = 0;
  private reading = false;
  private readonly news = new Set<NewsKind>();
  /** Who listens, by instance. */
  private readonly people = new Map<string, { readonly here: readonly Here[]; readonly at: number }>();
  /** What was told last of who is here. */
  private here = '';
  private settling: NodeJS.Timeout | undefined;

  constructor(private readonly brand: string) {}

  /** Tells a stream what it has missed, and takes it in. What it is told twice meanwhile, its page passes over. */
  async join(stream: Stream, after: number): Promise<void> {
    this.joining.add(stream);
    let seq = after;
    for (let more = true; more;) {
      const changes = await changesAfter(this.brand, seq, BATCH);
      if (!stream.isOpen()) return;
      if (changes.length > 0) stream.send(changeEvents(changes));
      seq = changes.at(-1)?.seq ?? seq;
      more = changes.length === BATCH;
    }
    const release = await latestNumber(this.brand);
    if (!stream.isOpen()) return;
    if (release > 0) stream.send(event('release', { number: release }));
    if (this.streams.size === 0 || seq < this.seq) this.seq = seq;
    this.joining.delete(stream);
    this.streams.add(stream);
    if (this.here !== '') stream.send(encoder.encode(this.here));
    this.saySoon();
    // What happened since it was read is found by looking once more.
    this.hear('change');
  }

  /** @returns whether nobody listens any more */
  leave(stream: Stream): boolean {
    this.joining.delete(stream);
    this.streams.delete(stream);
    this.saySoon();
    return this.joining.size + this.streams.size === 0;
  }

  /** Something happened. However often that is said while it is read, it is read once more. */
  hear(kind: NewsKind): void {
    this.news.add(kind);
    if (!this.reading && this.streams.size > 0) void this.read();
  }

  /** A person has sent colours to their other pages. */
  hearCaught(person: string): void {
    for (const stream of [...this.streams]) if (stream.person === person) stream.send(event('caught', {}));
  }

  /** A page has chosen something; the instance that it listens at tells the others. */
  hearChosen(person: string, page: string, chosen: string | null): void {
    for (const stream of this.streams)
      if (stream.person === person && stream.page === page && stream.chosen !== chosen) {
        stream.chosen = chosen;
        this.saySoon();
      }
  }

  /** Says at all instances who listens here, once coming and going has settled. */
  private saySoon(): void {
    clearTimeout(this.settling);
    this.settling = setTimeout(() => void this.sayHere(), SETTLE_MS).unref();
  }

  async sayHere(): Promise<void> {
    const chosen = new Map<string, Set<string>>();
    for (const { person, chosen: one } of this.streams) {
      const all = chosen.get(person) ?? new Set<string>();
      if (one !== null) all.add(one);
      chosen.set(person, all);
    }
    const people = [...chosen]
      .slice(0, MOST_HERE)
      .map(([id, all], at) => ({ id, chosen: at < MOST_CHOOSING ? [...all].slice(0, MOST_CHOSEN) : [] }));
    try {
      await announce({ brand: this.brand, kind: 'here', instance: INSTANCE, people });
    } catch (error) {
      log.warn({ error }, 'who is here could not be told; it is told again');
    }
  }

  /** Who listens at an instance; the pages are told who is here when that is somebody else than before. */
  async hearHere(instance: string, here: readonly Here[]): Promise<void> {
    this.people.set(instance, { here, at: Date.now() });
    for (const [name, { at }] of this.people) if (Date.now() - at > SILENT_MS) this.people.delete(name);
    const chosen = new Map<string, string[]>();
    for (const { id, chosen: some } of [...this.people.values()].flatMap((there) => there.here))
      chosen.set(id, [...(chosen.get(id) ?? []), ...some]);
    const all = [...chosen.keys()].slice(0, MOST_HERE);
    try {
      const rows = await database().Person.findAll({ where: { id: all }, attributes: ['id', 'name'], order: ['name'] });
      const people = rows.map(({ id, name }) => ({ id, name, chosen: [...new Set(chosen.get(id))] }));
      const told = `event: here\ndata: ${JSON.stringify(people)}\n\n`;
      if (told === this.here) return;
      this.here = told;
      this.tell(encoder.encode(told));
    } catch (error) {
      log.warn({ error }, 'who is here could not be looked up; it is told again');
    }
  }

  private async read(): Promise<void> {
    this.reading = true;
    try {
      while (this.news.size > 0 && this.streams.size > 0) {
        const kinds = new Set(this.news);
        this.news.clear();
        if (kinds.has('change')) await this.tellChanges();
        if (kinds.has('release')) {
          const number = await latestNumber(this.brand);
          if (number > 0) this.tell(event('release', { number }));
        }
        for (const kind of ['signOff', 'screens'] as const) if (kinds.has(kind)) this.tell(event(kind, {}));
      }
    } catch (error) {
      log.warn({ error }, 'live streams broke off');
      // Their pages ask again, and catch up.
      for (const { end } of [...this.streams]) end();
    } finally {
      this.reading = false;
    }
  }

  private async tellChanges(): Promise<void> {
    for (let more = true; more;) {
      const changes = await changesAfter(this.brand, this.seq, BATCH);
      more = changes.length === BATCH;
      // One that joined meanwhile may stand before these; it is read for again.
      if (changes.length === 0 || changes[0]!.seq !== this.seq + 1) return;
      this.seq = changes.at(-1)!.seq;
      this.tell(changeEvents(changes));
    }
  }

  tell(bytes: Uint8Array): void {
    for (const { send } of [...this.streams]) send(bytes);
  }

  /** Ends the streams of people who have no part in the brand any more. */
  async checkMembers(): Promise<void> {
    const rows = await database().sequelize.query<{ id: string }>(
      'SELECT person_id AS id FROM brand_parts WHERE brand_id = :brand',
      { type: QueryTypes.SELECT, replacements: { brand: this.brand } },
    );
    const members = new Set(rows.map(({ id }) => id));
    for (const stream of [...this.streams])
      if (members.has(stream.person)) stream.send(event('part', {}));
      else stream.end();
  }
}

class Hub {
  private readonly channels = new Map<string, Channel>();
  private readonly open = new Set<Stream>();
  private client: Client | undefined;
  private heartbeat: ReturnType<typeof setInterval> | undefined;
  private stopping = false;
  /** Whether the connection that listens was lost since it was last opened. */
  private wasLost = false;

  /** A page's stream of a brand's changes after a number, as server-sent events (HTML Standard, section 9.2). */
  stream(brand: string, person: string, page: string, after: number): { body: ReadableStream<Uint8Array>; end: () => void } {
    let end = () => {};
    let cancelled = () => false;
    const body = new ReadableStream<Uint8Array>(
      {
        start: (controller) => {
          let isOpen = true;
          const channel = this.channels.get(brand) ?? new Channel(brand);
          const stream: Stream = {
            person,
            page,
            chosen: null,
            isOpen: () => isOpen,
            send: (bytes) => {
              if (!isOpen) return;
              controller.enqueue(bytes);
              if ((controller.desiredSize ?? 0) <= 0) stream.end();
            },
            end: () => {
              if (leave()) controller.close();
            },
          };
          const leave = () => {
            const wasOpen = isOpen;
            isOpen = false;
            if (wasOpen) this.leave(brand, channel, stream);
            return wasOpen;
          };
          cancelled = leave;
          ({ end } = stream);
          stream.send(encoder.encode('retry: 1000\n\n'));
          stream.send(event('build', buildId()));
          if ([...this.open].filter((other) => other.person === person).length >= MOST_STREAMS) {
            const sentence = `You have ${MOST_STREAMS} pages open already. This one hears nothing of others’ work until you close some.`;
            stream.send(event('refused', { sentence }));
            return stream.end();
          }
          this.channels.set(brand, channel);
          this.open.add(stream);
          metrics().streams.set(this.open.size);
          if (this.stopping) return stream.end();
          void this.listen();
          this.heartbeat ??= setInterval(() => void this.beat(), HEARTBEAT_MS);
          channel.join(stream, after).catch((error: unknown) => {
            log.warn({ error }, 'a live stream broke off');
            stream.end();
          });
        },
        cancel: () => void cancelled(),
      },
      { highWaterMark: MOST_WAITING, size: (bytes) => bytes.length },
    );
    return { body, end: () => end() };
  }

  stop(): void {
    this.stopping = true;
    for (const { end } of [...this.open]) end();
  }

  private leave(brand: string, channel: Channel, stream: Stream): void {
    this.open.delete(stream);
    metrics().streams.set(this.open.size);
    if (channel.leave(stream)) this.channels.delete(brand);
    if (this.open.size === 0) {
      clearInterval(this.heartbeat);
      this.heartbeat = undefined;
    }
  }

  /** Ends the streams of a person; pages that may go on ask again. */
  private endOf(person: string): void {
    for (const stream of [...this.open]) if (stream.person === person) stream.end();
  }

  private async checkMembers(channel: Channel | undefined): Promise<void> {
    try {
      await channel?.checkMembers();
    } catch (error) {
      log.warn({ error }, 'who may listen could not be looked up; it is tried again');
    }
  }

  private async beat(): Promise<void> {
    try {
      for (const channel of [...this.channels.values()]) {
        await channel.checkMembers();
        await channel.sayHere();
        channel.tell(encoder.encode(': still here\n\n'));
      }
    } catch (error) {
      log.warn({ error }, 'who may listen could not be looked up; it is tried again');
    }
  }

  private async listen(): Promise<void> {
    if (this.client) return;
    const client = new Client({ connectionString: environment().BREAKWATER_LISTEN_URL ?? environment().BREAKWATER_DATABASE_URL });
    this.client = client;
    const again = (error: Error) => {
      if (this.client !== client) return;
      this.client = undefined;
      this.wasLost = true;
      log.warn({ error }, 'the live connection to the database was lost; trying again');
      client.end().catch((cause: unknown) => log.debug({ error: cause }, 'the lost connection did not close'));
      setTimeout(() => void this.listen(), 1_000).unref();
    };
    client.on('error', again);
    client.on('notification', ({ payload }) => {
      const news = JSON.parse(payload ?? '{}') as News;
      if (news.kind === 'signedOut') return this.endOf(news.person);
      const channel = this.channels.get(news.brand);
      if (news.kind === 'parts') void this.checkMembers(channel);
      else if (news.kind === 'here') void channel?.hearHere(news.instance, news.people);
      else if (news.kind === 'chosen') channel?.hearChosen(news.person, news.page, news.chosen);
      else if (news.kind === 'writing') channel?.tell(event('writing', { by: news.by, share: news.share }));
      else if (news.kind === 'caught') channel?.hearCaught(news.person);
      else channel?.hear(news.kind);
    });
    try {
      await client.connect();
      await client.query(`LISTEN ${CHANNEL}`);
      // What happened while nobody listened is found by asking for it.
      for (const channel of this.channels.values()) {
        channel.hear('change');
        channel.hear('release');
        if (this.wasLost) for (const kind of ['signOff', 'screens'] as const) channel.hear(kind);
      }
      this.wasLost = false;
    } catch (error) {
      again(error as Error);
    }
  }
}

const hub = () => onePerProcess('hub', () => new Hub());

/** A person's stream of what happens to a brand, after the last change their page knows. @returns it, and what ends it */
export function liveStream(brand: string, person: string, page: string, after: number): ReturnType<Hub['stream']> {
  return hub().stream(brand, person, page, after);
}

/** Ends every live stream of this instance: a server waits for its answers before it goes, and these never end by themselves. */
export function endStreams(): void {
  hub().stop();
}
