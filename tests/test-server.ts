import type { ChildProcess } from 'node:child_process';
import { databaseUrl, freePort, type Cluster } from '../ops/cluster';
import { end, serve } from '../ops/server';
import { serverEnv, TEMPLATES, type ServerEnv } from '../ops/test-databases';

/** A server of a test's own, with a database of its own in the cluster that bin/test started. */
export interface TestServer {
  readonly url: string;
  /** What it was started with. */
  readonly env: ServerEnv;
  /** Ends the server as a power cut would, and starts it again on the same port. */
  readonly kill: () => Promise<unknown>;
  readonly restart: () => Promise<void>;
  /** Asks it to end, and waits until it has. @returns its exit code; null when it had to be killed */
  readonly close: () => Promise<number | null>;
}

/**
 * @param name of the database, another for every file of tests
 * @param settings more than every test's server is started with
 * @param hear told what it says
 */
export async function startTestServer(
  name: string,
  template: keyof typeof TEMPLATES = 'demo',
  settings: Readonly<Record<string, string>> = {},
  hear?: (said: string) => void,
): Promise<TestServer> {
  const given = process.env.BREAKWATER_TEST_CLUSTER;
  if (!given) throw new Error('This test needs a database; run it with bin/test.');
  const env = serverEnv(await databaseUrl(JSON.parse(given) as Cluster, name, TEMPLATES[template]), template);
  const port = await testPort();
  let child: ChildProcess = await serve(port, { ...env, ...settings }, false, hear);
  return {
    url: `http://127.0.0.1:${port}`,
    env,
    kill: () => end(child, 'SIGKILL'),
    restart: async () => {
      child = await serve(port, { ...env, ...settings }, false, hear);
    },
    close: () => end(child),
  };
}

/** A free port. Each of the processes that run tests beside each other looks among its own, so that no two take the same. */
export function testPort(): Promise<number> {
  return freePort(10_000 + 1_000 * Number(process.env.JEST_WORKER_ID) + Math.floor(Math.random() * 500));
}

/** Somebody with a browser, with a cookie once signed in; sends what a browser's page would send. */
export class Visitor {
  private cookie = '';

  /** What their cookie holds. */
  get session(): string {
    return this.cookie.slice(this.cookie.indexOf('=') + 1);
  }

  constructor(private readonly server: TestServer) {}

  static async demo(server: TestServer, person: 'ida' | 'oren' | 'petra' | 'wim' | 'stranger'): Promise<Visitor> {
    const visitor = new Visitor(server);
    const { status } = await visitor.send('POST', '/api/sign-in/demo', { person: `demo-${person}` });
    if (status !== 200) throw new Error(`Signing in as ${person} failed with ${status}.`);
    return visitor;
  }

  /** @returns status and parsed body. `headers` overrides what a page would send; an undefined one is left out. */
  async send(method: string, path: string, body?: unknown, headers: Record<string, string | undefined> = {}) {
    const response = await this.fetch(path, {
      method,
      headers: { ...(body !== undefined && { 'content-type': 'application/json', origin: this.server.url }), ...headers },
      ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    // eslint-disable-next-line @typescript-eslint/no-explicit-any -- each test knows the answer it asked for
    return { status: response.status, body: (await response.json()) as any };
  }

  async fetch(
    path: string,
    { headers, ...init }: { headers?: Record<string, string | undefined> } & Omit<RequestInit, 'headers'> = {},
  ): Promise<Response> {
    // A connection of its own each time: one kept over a pause may be closed by the server just when it is used again.
    const given = Object.entries({ cookie: this.cookie, connection: 'close', ...headers }).filter(
      (pair): pair is [string, string] => pair[1] !== undefined,
    );
    const response = await fetch(this.server.url + path, { ...init, headers: Object.fromEntries(given), redirect: 'manual' });
    const cookie = response.headers.getSetCookie().find((header) => header.startsWith('breakwater='));
    if (cookie) this.cookie = cookie.split(';')[0]!;
    return response;
  }

  /** Sends commands' steps, each as a command of its own, with fresh or given keys. */
  change(steps: object[], keys: string[] = []) {
    const changes = steps.map((step, at) => ({
      key: keys[at] ?? `key${Math.random().toString(36).slice(2)}`,
      command: { label: 'Test', steps: [step] },
    }));
    return this.send('POST', '/api/brands/quillhaven/changes', { changes });
  }
}

/** SQL that makes a brand, a copy of the demo's, of an organisation that none of the demo's people belongs to. */
export const OTHERS = `INSERT INTO organisations VALUES ('other', 'Other');
  INSERT INTO brands (id, organisation_id, seq, name, shelf, templates)
    SELECT 'others', 'other', 0, name, shelf, templates FROM brands WHERE id = 'quillhaven';
  INSERT INTO snapshots SELECT 'others', 0, jsonb_set(document::jsonb, '{id}', '"others"') FROM snapshots WHERE brand_id = 'quillhaven' AND seq = 0`;
