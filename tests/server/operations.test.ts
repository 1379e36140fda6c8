/** What whoever runs Breakwater does: backup, restore, verify, people; upgrades of an old database; how the server is. */
import { spawn } from 'node:child_process';
import { Agent, request } from 'node:http';
import { chmodSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import { databaseUrl, type Cluster } from '../../ops/cluster';
import { end, serve } from '../../ops/server';
import { serverEnv } from '../../ops/test-databases';
import { startTestServer, testPort, Visitor, type TestServer } from '../test-server';

let server: TestServer;
let ida: Visitor;
const token = 'a token of twenty letters';
const folder = mkdtempSync(join(tmpdir(), 'breakwater-operations-'));
const cluster = JSON.parse(process.env.BREAKWATER_TEST_CLUSTER!) as Cluster;
beforeAll(async () => {
  server = await startTestServer('operations', 'demo', { BREAKWATER_OPERATIONS_TOKEN: token });
  ida = await Visitor.demo(server, 'ida');
});
afterAll(async () => {
  await server.close();
  rmSync(folder, { recursive: true, force: true });
});

/** The command as an operator runs it, for a database that is elsewhere. */
function admin(url: string, ...args: string[]): Promise<{ code: number | null; said: string }> {
  const child = spawn('bin/breakwater-admin', args, {
    env: { ...process.env, BREAKWATER_DATABASE_URL: url, BREAKWATER_DATA: join(folder, 'data') },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk: Buffer) => (said += chunk.toString()));
  return new Promise((resolve) => child.once('close', (code) => resolve({ code, said })));
}

async function inDatabase<T>(url: string, work: (client: Client) => Promise<T>): Promise<T> {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

const rename = (name: string) => ({ do: 'palette.edit', id: 'core', set: { name } });
const url = () => server.env.BREAKWATER_DATABASE_URL;

test('a backup made while people work is restored into an empty place, whole; damage is found', async () => {
  const picture = readFileSync('demo/gather/harbour-at-dusk.jpg');
  await ida.fetch('/api/brands/quillhaven/pictures', { method: 'POST', body: picture, headers: { origin: server.url } });
  await ida.change(Array.from({ length: 10 }, (_, n) => rename(`Before ${n}`)));
  const { seq } = (await ida.send('GET', '/api/brands/quillhaven')).body;
  expect(await ida.send('POST', '/api/brands/quillhaven/releases', { seq, note: '' })).toMatchObject({ status: 200 });
  let going = true;
  const working = (async () => {
    for (let n = 0; going; n++) await ida.change([rename(`While ${n}`)]);
  })();
  const file = join(folder, 'backup.tar');
  expect(await admin(url(), 'backup', file)).toMatchObject({ code: 0, said: expect.stringContaining('Written to') });
  going = false;
  await working;
  expect((statSync(file).mode & 0o777).toString(8)).toBe('600');
  expect(await admin(url(), 'restore', file)).toMatchObject({ code: 1, said: expect.stringContaining('is not empty') });

  const restored = await databaseUrl(cluster, 'restored');
  const torn = join(folder, 'torn.tar');
  writeFileSync(torn, readFileSync(file).subarray(0, 20_000));
  expect(await admin(restored, 'restore', torn)).toMatchObject({
    code: 1,
    said: expect.stringContaining('not all of it is there'),
  });
  const { code, said } = await admin(restored, 'restore', file);
  expect([code, said]).toEqual([
    0,
    expect.stringMatching(/1 brands, \d+ changes, 1 releases, 3\d files, 1 pictures, 3 hosts\.\nEverything agrees/),
  ]);
  // What was acknowledged before is there, and a server goes on from it.
  await inDatabase(restored, async (client) => {
    const { rows } = await client.query<{ seq: number; changes: number }>(
      'SELECT seq, (SELECT count(*)::int FROM changes) AS changes FROM brands',
    );
    expect(rows[0]!.seq).toBeGreaterThanOrEqual(seq);
    expect(rows[0]!.changes).toBe(rows[0]!.seq);
    await client.query(`
      UPDATE changes SET command = replace(command::text, 'Before 3', 'Before 4')::json WHERE seq = 4;
      DELETE FROM snapshots WHERE seq > 0; UPDATE brands SET name = 'Else';
      ALTER TABLE release_files DISABLE TRIGGER ALL; UPDATE release_files SET bytes = 'x' WHERE path LIKE '%.css';
      UPDATE pictures SET bytes = 'x'`);
  });
  const damaged = await admin(restored, 'verify');
  expect(damaged.code).toBe(1);
  for (const fault of [
    /What lists are made of is not what the log of quillhaven gives/,
    /css\/quillhaven-ferries\.css has not the bytes that its hash says/,
    /The picture [0-9a-f]{64} of quillhaven has not the bytes/,
  ])
    expect(damaged.said).toMatch(fault);
  await inDatabase(restored, (client) => client.query('DELETE FROM changes WHERE seq = 6'));
  expect((await admin(restored, 'verify')).said).toContain('In the log of quillhaven, change 6 is missing.');
});

test('an organisation, a colleague and a forgotten password', async () => {
  const own = await databaseUrl(cluster, 'own', 'template_empty');
  const add = ['add-organisation', 'Harbour office', '--owner', 'runa@harbour.example', '--owner-name', 'Runa'];
  const { code, said } = await admin(own, ...add);
  expect(code).toBe(0);
  const password = (text: string) => /password (\S+)/.exec(text)![1]!;
  expect(await admin(own, ...add)).toMatchObject({ code: 1, said: expect.stringContaining('already') });
  const invite = (...more: string[]) => admin(own, 'invite', 'tove@harbour.example', '--name', 'Tove', ...more);
  expect(await invite('--organisation', 'Elsewhere', '--role', 'editor')).toMatchObject({
    code: 1,
    said: expect.stringContaining('no organisation called'),
  });
  const invited = await invite('--organisation', 'Harbour office', '--role', 'viewer');

  const port = await testPort();
  const child = await serve(port, serverEnv(own, 'empty'));
  try {
    const at = { ...server, url: `http://127.0.0.1:${port}` };
    const enter = async (email: string, word: string) => {
      const visitor = new Visitor(at);
      const answer = await visitor.send('POST', '/api/sign-in', { email, password: word });
      return { visitor, status: answer.status };
    };
    const brandOf = async (visitor: Visitor) => /brand\/(\w+)/.exec((await visitor.fetch('/')).headers.get('location')!)?.[1];
    const runa = await enter('Runa@harbour.example', password(said));
    const tove = await enter('tove@harbour.example', password(invited.said));
    expect([runa.status, tove.status]).toEqual([200, 200]);
    const brand = await brandOf(tove.visitor);
    expect(brand).toBe(await brandOf(runa.visitor));
    const edit = {
      changes: [{ key: 'firstedit1', command: { label: 'x', steps: [{ do: 'brand.edit', set: { name: 'Ours' } }] } }],
    };
    expect((await runa.visitor.send('POST', `/api/brands/${brand}/changes`, edit)).status).toBe(200);
    expect((await tove.visitor.send('POST', `/api/brands/${brand}/changes`, edit)).status).toBe(403);
    const reset = await admin(own, 'reset-password', 'TOVE@harbour.example');
    expect((await tove.visitor.send('GET', `/api/brands/${brand}`)).status).toBe(401);
    expect((await enter('tove@harbour.example', password(invited.said))).status).toBe(401);
    expect((await enter('tove@harbour.example', password(reset.said))).status).toBe(200);
  } finally {
    await end(child);
  }
});

test('a database of the time before snapshots is brought up to date, with what is in it', async () => {
  const old = await databaseUrl(cluster, 'old');
  const document = JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')) as Record<string, unknown>;
  const first = { ...document, version: 1, name: 'Old Ferries', fields: undefined, carried: undefined };
  const palettes = document.palettes as { id: string; name: string }[];
  palettes[0]!.name = 'After';
  const step = (name: string, was: string) => ({
    label: 'Old',
    steps: [{ do: 'palette.edit', id: palettes[0]!.id, set: { name }, was: { name: was } }],
  });
  Object.assign(process.env, serverEnv(old, 'demo'));
  const { migrate, migrations } = await import('@/server/database/migrations');
  const { closeDatabase } = await import('@/server/database/database');
  await migrations().up({ to: '0003-build-tokens' });
  await inDatabase(old, async (client) => {
    await client.query(`INSERT INTO organisations VALUES ('o', 'Old'); INSERT INTO people VALUES ('p', 'Ida', 'i@old.example', NULL, true);
      INSERT INTO memberships VALUES ('p', 'o', 'owner')`);
    await client.query(`INSERT INTO brands VALUES ('quillhaven', 'o', 1, $1)`, [JSON.stringify(first)]);
    await client.query(`INSERT INTO changes VALUES ('quillhaven', 1, 'oldchange1', $1, $2, '{core}', 'p')`, [
      JSON.stringify(step('After', 'Before')),
      JSON.stringify(step('Before', 'After')),
    ]);
    await client.query(`INSERT INTO releases VALUES ('quillhaven', 1, 1, '', $1, '[]', 'p')`, [JSON.stringify(first)]);
  });
  expect(await migrate()).toEqual([
    '0004-snapshots',
    '0005-tokens-end',
    '0006-print-profiles',
    '0007-caught',
    '0008-hosts',
    '0009-release-titles',
    '0010-sign-offs',
    '0011-search',
    '0012-people-and-brands',
    '0013-house-sets',
    '0014-identities',
    '0015-people-of-elsewhere',
    '0016-screens',
    '0017-webhooks',
    '0018-imported-releases',
    '0019-writers-of-approvals',
    '0020-drift-told',
  ]);
  await closeDatabase();
  for (const name of Object.keys(serverEnv(old, 'demo'))) delete process.env[name];
  const port = await testPort();
  const child = await serve(port, serverEnv(old, 'demo'));
  try {
    const visitor = new Visitor({ ...server, url: `http://127.0.0.1:${port}` });
    await visitor.send('POST', '/api/sign-in/demo', { person: 'p' });
    const { body } = await visitor.send('GET', '/api/brands/quillhaven');
    expect(body).toMatchObject({
      seq: 1,
      brand: { version: 8, name: 'Old Ferries', fields: [] },
      release: { number: 1, document: { carried: [] } },
    });
    const { releases } = (await visitor.send('GET', '/api/brands/quillhaven/releases')).body;
    expect(releases).toMatchObject([{ number: 1, title: 'Release 1', version: '1.0.0' }]);
    expect((await visitor.change([rename('Core')])).body.outcomes[0].seq).toBe(2);
    const { history } = (await visitor.send('GET', '/api/brands/quillhaven/history?of=core')).body;
    expect(history.map(({ label }: { label: string }) => label)).toEqual(['Test', 'Old']);
    // The brand as it was before its first change, of which nothing whole was kept.
    const { document: past } = (await visitor.send('GET', '/api/brands/quillhaven/at/0')).body;
    expect(past.palettes[0].name).toBe('Before');
  } finally {
    await end(child);
  }
  const { code, said } = await admin(old, 'verify');
  expect(said).toContain('1 changes, 1 releases');
  expect(said).toContain('Not looked at: The first 1 changes of quillhaven: its first snapshot was kept after them.');
  expect([code, said.includes('Everything agrees')]).toEqual([1, false]);
});

test('how the server is, it tells this machine or who has the token, and nobody else', async () => {
  const ask = (path: string, headers: Record<string, string> = {}) => fetch(server.url + path, { headers });
  const health = await ask('/health');
  expect([health.status, await health.json()]).toEqual([200, { alive: true, database: 'reached', pending: [] }]);
  const text = await (await ask('/metrics')).text();
  for (const name of [
    'request_seconds',
    'save_seconds',
    'changes_total',
    'streams',
    'writes_waiting',
    'nodejs_eventloop_lag_seconds',
  ])
    expect(text).toContain(`breakwater_${name}`);
  for (const path of ['/health', '/metrics']) {
    // By way of a proxy that nobody named, it is not this machine that asks.
    expect((await ask(path, { 'x-forwarded-for': '203.0.113.9' })).status).toBe(404);
    expect((await ask(path, { forwarded: 'for=203.0.113.9', authorization: 'Bearer wrong' })).status).toBe(404);
    expect((await ask(path, { 'x-forwarded-for': '203.0.113.9', authorization: `Bearer ${token}` })).status).toBe(200);
  }
  await inDatabase(url(), (client) => client.query(`DELETE FROM sequelize_meta WHERE name = '0005-tokens-end'`));
  const behind = await ask('/health');
  expect([behind.status, await behind.json()]).toEqual([503, expect.objectContaining({ pending: ['0005-tokens-end'] })]);
  await inDatabase(url(), (client) => client.query(`INSERT INTO sequelize_meta VALUES ('0005-tokens-end')`));
});

test('a connection is used on after a request that was refused before all of it had arrived', async () => {
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const ask = (method: string, body = '') =>
    new Promise((resolve, reject) => {
      const asked = request(`${server.url}/icon.svg`, { agent, method }, (answer) => {
        answer.resume().once('end', () => resolve([answer.statusCode, asked.reusedSocket]));
      });
      asked.once('error', reject).end(body);
    });
  expect(await ask('PUT', 'x'.repeat(300_000))).toEqual([405, false]);
  // For longer than the server waits for the rest of what it refused.
  for (const until = Date.now() + 1_500; Date.now() < until;) expect(await ask('GET')).toEqual([200, true]);
  agent.destroy();
});

test('behind a pooler that lends connections by transaction everything works, with a connection of its own to listen', async () => {
  const { pooler, stop } = await startPooler(url());
  const port = await testPort();
  const child = await serve(port, { ...server.env, BREAKWATER_DATABASE_URL: pooler, BREAKWATER_LISTEN_URL: url() });
  try {
    const pooled = await Visitor.demo({ ...server, url: `http://127.0.0.1:${port}` }, 'ida');
    const { seq } = (await pooled.send('GET', '/api/brands/quillhaven')).body;
    const stream = (await pooled.fetch(`/api/brands/quillhaven/events?after=${seq}`)).body!.getReader();
    // Half of the changes are made at an instance that reaches the database itself.
    const sent = await Promise.all(Array.from({ length: 20 }, (_, n) => [pooled, ida][n % 2]!.change([rename(`Pooled ${n}`)])));
    const places = sent.map(({ body }) => body.outcomes[0].seq as number).sort((a, b) => a - b);
    expect(places).toEqual(Array.from({ length: 20 }, (_, n) => seq + 1 + n));
    let heard = '';
    while (!heard.includes(`id: ${seq + 20}\n`)) heard += new TextDecoder().decode((await stream.read()).value);
    await stream.cancel();
    expect(await pooled.send('POST', '/api/brands/quillhaven/releases', { seq: seq + 20, note: '' })).toMatchObject({
      status: 200,
    });
  } finally {
    await end(child);
    await stop();
  }
});

/** Debian's pgbouncer before a database, in transaction mode. */
async function startPooler(target: string): Promise<{ pooler: string; stop: () => Promise<unknown> }> {
  const { username, password, hostname, port: databasePort, pathname } = new URL(target);
  const port = await testPort();
  const home = mkdtempSync(join(tmpdir(), 'breakwater-pooler-'));
  writeFileSync(
    join(home, 'pooler.ini'),
    `[databases]
pooled = host=${hostname} port=${databasePort} dbname=${pathname.slice(1)} user=${username} password=${password}
[pgbouncer]
listen_addr = 127.0.0.1
listen_port = ${port}
unix_socket_dir =
auth_type = any
pool_mode = transaction
default_pool_size = 5
`,
    { mode: 0o644 },
  );
  // It does not run as root.
  const asUser = process.getuid?.() === 0 ? ['setpriv', '--reuid=65534', '--regid=65534', '--clear-groups', '--'] : [];
  chmodSync(home, 0o755);
  const [program, ...args] = [...asUser, '/usr/sbin/pgbouncer', '-q', join(home, 'pooler.ini')];
  const child = spawn(program!, args, { stdio: ['ignore', 'ignore', 'inherit'] });
  const pooler = `postgresql://any@127.0.0.1:${port}/pooled`;
  for (let left = 50; ; left--) {
    try {
      await inDatabase(pooler, (client) => client.query('SELECT 1'));
      break;
    } catch (error) {
      if (left === 0) throw error;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }
  const stop = async () => {
    await end(child);
    rmSync(home, { recursive: true });
  };
  return { pooler, stop };
}
