import { setTimeout as pause } from 'node:timers/promises';

/** A change that the server said it has kept. */
export interface Kept {
  readonly brand: string;
  readonly key: string;
  readonly seq: number;
}

const fresh = () => Math.random().toString(36).slice(2).padEnd(12, '0').slice(0, 12);

/** Somebody with one page open: edits, sends as a page does, and listens. */
export class Editor {
  readonly kept: Kept[] = [];
  /** How long each change took from being sent to being acknowledged, in milliseconds. */
  readonly took: number[] = [];
  readonly errors: string[] = [];
  /** Places of the changes that were heard. */
  readonly heard: number[] = [];
  private readonly leaving = new AbortController();

  private constructor(
    public url: string,
    private readonly cookie: string,
    readonly brand: string,
  ) {}

  static async signIn(url: string, person: string, brand: string): Promise<Editor> {
    const response = await fetch(`${url}/api/sign-in/demo`, {
      method: 'POST',
      headers: { origin: url, 'content-type': 'application/json' },
      body: JSON.stringify({ person }),
    });
    if (!response.ok) throw new Error(`${person} could not sign in: ${response.status}`);
    return new Editor(url, response.headers.getSetCookie()[0]!.split(';')[0]!, brand);
  }

  /** Somebody's second page: the same cookie. */
  another(brand = this.brand): Editor {
    return new Editor(this.url, this.cookie, brand);
  }

  fetch(path: string, init: RequestInit = {}): Promise<Response> {
    return fetch(`${this.url}${path}`, {
      ...init,
      headers: { cookie: this.cookie, origin: this.url, 'content-type': 'application/json' },
    });
  }

  /** Sends so many changes in one request. @throws Error when they were not answered */
  async send(count = 1, keys = Array.from({ length: count }, fresh)): Promise<void> {
    const grey = () => Math.floor(Math.random() * 256);
    const changes = keys.map((key) => ({
      key,
      command: {
        label: 'Load',
        steps: [{ do: 'swatch.edit', id: 'core-foam', set: { value: `rgb(${grey()} ${grey()} ${grey()})` } }],
      },
    }));
    const started = performance.now();
    const response = await this.fetch(`/api/brands/${this.brand}/changes`, {
      method: 'POST',
      body: JSON.stringify({ version: 1, changes }),
    });
    if (!response.ok) throw new Error(`status ${response.status}`);
    const { outcomes } = (await response.json()) as { outcomes: { key: string; seq?: number; refusal?: string }[] };
    this.took.push(performance.now() - started);
    for (const { key, seq, refusal } of outcomes) {
      if (seq === undefined) this.errors.push(refusal!);
      else this.kept.push({ brand: this.brand, key, seq });
    }
  }

  /** Edits about every so many milliseconds. What fails is noted. */
  async work(everyMs: number, goesOn: () => boolean): Promise<void> {
    await pause(Math.random() * everyMs);
    while (goesOn()) {
      await this.send().catch((error: unknown) => this.errors.push((error as Error).message));
      await pause(everyMs * (0.5 + Math.random()));
    }
  }

  /** As `work`, but sends what fails again until it is acknowledged, as a page does. */
  async persist(everyMs: number, goesOn: () => boolean): Promise<void> {
    while (goesOn()) {
      const key = [fresh()];
      while (
        !(await this.send(1, key).then(
          () => true,
          () => false,
        ))
      )
        await pause(everyMs);
      await pause(everyMs * (0.5 + Math.random()));
    }
  }

  /** Opens the stream; resolves when it stands. What it brings is read until the page is closed. */
  async listen(after: number): Promise<void> {
    const response = await fetch(`${this.url}/api/brands/${this.brand}/events?after=${after}`, {
      headers: { cookie: this.cookie },
      signal: this.leaving.signal,
    });
    if (!response.ok) throw new Error(`The stream was refused: ${response.status}`);
    void this.read(response.body!);
  }

  private async read(body: ReadableStream<Uint8Array>): Promise<void> {
    const decoder = new TextDecoder();
    let text = '';
    try {
      for await (const chunk of body) {
        text += decoder.decode(chunk as Uint8Array, { stream: true });
        const whole = text.lastIndexOf('\n\n');
        if (whole < 0) continue;
        for (const [, seq] of text.slice(0, whole).matchAll(/^id: (\d+)$/gm)) this.heard.push(Number(seq));
        text = text.slice(whole);
      }
    } catch (error) {
      if (!this.leaving.signal.aborted) this.errors.push(`stream: ${(error as Error).message}`);
    }
  }

  leave(): void {
    this.leaving.abort();
  }
}
