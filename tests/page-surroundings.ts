/** What a page's store stands on in its tests: the browser's disk, the server's routes, and its live stream, all played by hand. */
import { apply } from '@/core/brand/commands/apply';
import type { Command } from '@/core/brand/commands/commands';
import type { Brand } from '@/core/brand/document/document';

/** The browser's disk, of a given size. */
export class Disk implements Storage {
  [name: string]: unknown;
  constructor(private readonly room = Infinity) {
    Object.defineProperty(this, 'room', { enumerable: false });
  }
  get length() {
    return Object.keys(this).length;
  }
  key = undefined as never;
  clear = undefined as never;
  getItem(name: string) {
    return (this[name] as string | undefined) ?? null;
  }
  setItem(name: string, value: string) {
    if (value.length > this.room) throw new DOMException('full', 'QuotaExceededError');
    this[name] = value;
  }
  removeItem(name: string) {
    delete this[name];
  }
}
/** A server that keeps a log as the real one does, and can be out of reach or refuse. */
export class Server {
  log: { seq: number; key: string; command: Command }[] = [];
  down = false;
  status = 200;
  /** Of whoever asks. */
  role = 'owner';
  sent: string[][] = [];

  constructor(public brand: Brand) {}

  fetch = async (path: string, init: RequestInit): Promise<Response> => {
    if (this.down) throw new TypeError('fetch failed');
    const release = /\/releases\/(\d+)$/.exec(path);
    if (release) return Response.json({ number: Number(release[1]), document: this.brand });
    if (path.endsWith('/part'))
      return this.status === 200
        ? Response.json({ role: this.role })
        : Response.json({ error: 'Signed out.' }, { status: this.status });
    const { changes } = JSON.parse(init.body as string) as { changes: { key: string; command: Command }[] };
    this.sent.push(changes.map(({ key }) => key));
    if (this.status !== 200) return Response.json({ error: `Status ${this.status}.` }, { status: this.status });
    return Response.json({ outcomes: changes.map((change) => this.take(change)) });
  };

  take({ key, command }: { key: string; command: Command }) {
    const earlier = this.log.find((change) => change.key === key);
    if (earlier) return { key, seq: earlier.seq };
    const applied = apply(this.brand, command);
    if (!applied.ok) return { key, refusal: applied.refusal };
    this.brand = applied.brand;
    this.log.push({ seq: this.log.length + 1, key, command });
    return { key, seq: this.log.length };
  }
}

/** The live stream, played by hand. */
export class Stream {
  static open: Stream[] = [];
  static readonly CLOSED = 2;
  readyState = 1;
  private readonly listeners = new Map<string, (event: { data: string }) => void>();
  constructor(readonly url: string) {
    Stream.open.push(this);
  }
  addEventListener(kind: string, listener: (event: { data: string }) => void) {
    this.listeners.set(kind, listener);
  }
  close() {
    Stream.open = Stream.open.filter((stream) => stream !== this);
  }
  emit(kind: string, data: unknown = {}) {
    this.listeners.get(kind)!({ data: JSON.stringify(data) });
  }
}
