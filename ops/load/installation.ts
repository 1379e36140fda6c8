import { mkdtempSync, readFileSync, rmSync, chmodSync } from 'node:fs';
import type { ChildProcess } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import { demoSource } from '../../demo/demo';
import { build } from '../build';
import { createCluster, databaseUrl, freePort, startCluster, stopCluster, type Cluster } from '../cluster';
import { ensurePostgres } from '../postgres';
import { end, serve } from '../server';
import { Editor } from './editor';

const SECRET = 'for load only, for load only, for load only';
/** People who may edit, each with streams of their own. */
export const PEOPLE = 50;

/** A server of this run's own. */
export interface Instance {
  readonly url: string;
  readonly process: ChildProcess;
}

/** An installation for one run: a durable database, with the demo and people to edit it, and as many servers as are wanted. */
export class Installation {
  readonly instances: Instance[] = [];
  private readonly folder = mkdtempSync(join(tmpdir(), 'breakwater-load-'));
  private cluster!: Cluster;
  private env!: Record<'BREAKWATER_DATABASE_URL' | 'BREAKWATER_SECRET' | 'BREAKWATER_DEMO', string>;

  /** @param settings more than its servers are started with */
  static async make(settings: Readonly<Record<string, string>> = {}): Promise<Installation> {
    const made = new Installation();
    await ensurePostgres();
    await build();
    // The database's own user has to be able to walk in.
    chmodSync(made.folder, 0o755);
    made.cluster = await startCluster(await createCluster(join(made.folder, 'postgres')));
    made.env = {
      BREAKWATER_DATABASE_URL: await databaseUrl(made.cluster, 'load'),
      BREAKWATER_SECRET: SECRET,
      BREAKWATER_DEMO: '1',
      ...settings,
    };
    Object.assign(process.env, made.env);
    const { migrate } = await import('../../src/server/database/migrations');
    const { loadDemo } = await import('../../src/server/brands/demo');
    await migrate();
    const { document, hosts } = demoSource();
    await loadDemo(document, false, hosts);
    await made.query(`
      INSERT INTO people (id, name, email, demo) SELECT 'load-' || n, 'Editor ' || n, 'load-' || n || '@load.example', true
        FROM generate_series(1, ${PEOPLE}) AS n;
      INSERT INTO memberships SELECT 'load-' || n, 'quillhaven', 'editor' FROM generate_series(1, ${PEOPLE}) AS n`);
    return made;
  }

  /** Another server of this installation. */
  async serve(port?: number): Promise<Instance> {
    const at = port ?? (await freePort(20_000));
    const instance = { url: `http://127.0.0.1:${at}`, process: await serve(at, this.env) };
    this.instances.push(instance);
    return instance;
  }

  /** Ends a server at once, as a power cut would, and starts it again at the same address. */
  async killServer(instance: Instance): Promise<Instance> {
    await end(instance.process, 'SIGKILL');
    this.instances.splice(this.instances.indexOf(instance), 1);
    return this.serve(Number(new URL(instance.url).port));
  }

  /** Ends the whole database at once, and starts it again at the same port. */
  async killDatabase(): Promise<void> {
    const file = join(this.cluster.folder, 'data/postmaster.pid');
    process.kill(Number(readFileSync(file, 'utf8').split('\n')[0]), 'SIGKILL');
    for (let left = 50; ; left--) {
      try {
        // What the killed one leaves behind ends by itself a moment later.
        await new Promise((resolve) => setTimeout(resolve, 200));
        const { port } = await startCluster(this.cluster);
        if (port !== this.cluster.port) throw new Error('The database came back at another port.');
        return;
      } catch (error) {
        if (left === 0) throw error;
      }
    }
  }

  /** Asks the database itself. */
  async query<Row extends object>(sql: string, values: unknown[] = []): Promise<Row[]> {
    const client = new Client({ connectionString: this.env.BREAKWATER_DATABASE_URL });
    await client.connect();
    try {
      return (await client.query<Row>(sql, values)).rows;
    } finally {
      await client.end();
    }
  }

  /** Copies of the demo, by id. */
  async copyDemo(ids: readonly string[]): Promise<void> {
    await this.query(
      `INSERT INTO brands (id, organisation_id, name, shelf, templates)
         SELECT copy, organisation_id, name, shelf, templates FROM brands, unnest($1::text[]) AS copy WHERE id = 'quillhaven'`,
      [ids],
    );
    await this.query(
      `INSERT INTO snapshots SELECT copy, 0, jsonb_set(document::jsonb, '{id}', to_jsonb(copy)) FROM snapshots, unnest($1::text[]) AS copy WHERE brand_id = 'quillhaven' AND seq = 0`,
      [ids],
    );
    // What its grafts are written onto, or nothing of it could be released.
    await this.query(
      `INSERT INTO hosts (brand_id, sha256, bytes, person_id)
         SELECT copy, sha256, bytes, person_id FROM hosts, unnest($1::text[]) AS copy WHERE brand_id = 'quillhaven'`,
      [ids],
    );
  }

  /** So many people, signed in at a server. */
  async editors(count: number, { url }: Instance, brand: (at: number) => string): Promise<Editor[]> {
    return Promise.all(Array.from({ length: count }, (_, at) => Editor.signIn(url, `load-${(at % PEOPLE) + 1}`, brand(at))));
  }

  async close(): Promise<void> {
    const { closeDatabase } = await import('../../src/server/database/database');
    await closeDatabase();
    for (const instance of this.instances) await end(instance.process);
    await stopCluster(this.cluster);
    rmSync(this.folder, { recursive: true, force: true });
  }
}
