/** bin/start as a person uses it: first start, Ctrl-C, a kill, a second start; nothing that was kept is lost. */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import { createServer } from 'node:net';
import { databaseUrl, freePort, isRunning, startCluster, stopCluster, type Cluster } from '../../ops/cluster';
import { binariesFor } from '../../ops/postgres';
import { testPort, Visitor, type TestServer } from '../test-server';

const data = mkdtempSync(join(tmpdir(), 'breakwater-start-'));
const running: ChildProcess[] = [];

afterAll(async () => {
  running.forEach((child) => child.kill('SIGINT'));
  await Promise.all(running.map(ended));
  // The cluster lies elsewhere where its user cannot walk into the temporary folder.
  for (const folder of [settings().cluster.folder, data]) rmSync(folder, { recursive: true, force: true });
});

const settings = () => JSON.parse(readFileSync(join(data, 'settings.json'), 'utf8')) as { cluster: Cluster; secret: string };
const ended = (child: ChildProcess) =>
  child.exitCode !== null || child.signalCode !== null
    ? Promise.resolve()
    : new Promise<void>((resolve) => child.once('exit', () => resolve()));

/** Starts and waits for the line with the address. */
async function start(...args: string[]): Promise<{ child: ChildProcess; output: string; server: TestServer }> {
  const child = spawn('bin/start', args, { env: { ...process.env, BREAKWATER_DATA: data }, stdio: ['ignore', 'pipe', 'pipe'] });
  running.push(child);
  let output = '';
  const ready = await new Promise<RegExpMatchArray>((resolve, reject) => {
    const take = (chunk: Buffer) => {
      output += chunk.toString();
      const match = /ready after [\d.]+ s at (http:\S+)/.exec(output);
      if (match) resolve(match);
    };
    child.stdout.on('data', take);
    child.stderr.on('data', take);
    child.once('exit', () => reject(new Error(`bin/start ended:\n${output}`)));
  });
  return { child, output, server: { url: ready[1] } as TestServer };
}

const name = async (server: TestServer) =>
  (await (await Visitor.demo(server, 'ida')).send('GET', '/api/brands/quillhaven')).body.brand.name;

/** Two releases, a review under way that lacks an approval of the last change, and a second brand that is behind the house set. */
async function arrivesWithHistory(server: TestServer): Promise<void> {
  const ida = await Visitor.demo(server, 'ida');
  const get = async (path: string) => (await ida.send('GET', path)).body;
  const { releases } = await get('/api/brands/quillhaven/releases');
  expect(releases).toMatchObject([
    { number: 2, version: '2.0.0', signedBy: ['Petra'] },
    { number: 1, version: '1.0.0' },
  ]);
  const { brand, seq } = await get('/api/brands/quillhaven');
  const { document } = await get(`/api/brands/quillhaven/at/${releases[0].seq}`);
  expect(document).toEqual((await get('/api/brands/quillhaven/releases/2')).document);
  // The past leads to the brand as its file says it.
  const file = JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')) as object;
  expect(brand).toEqual({ ...file, house: { number: 2 } });
  const { signOffs } = await get('/api/brands/quillhaven/sign-offs');
  expect(signOffs[0]).toMatchObject({
    outcome: null,
    by: 'Oren',
    remarks: [{ kind: 'comment' }, { kind: 'approve', by: 'Petra' }],
  });
  expect(await ida.send('POST', '/api/brands/quillhaven/releases', { seq, note: '' })).toMatchObject({
    status: 409,
    body: { error: expect.stringContaining('did not see the latest changes') },
  });
  const { holders } = await get('/api/organisations/quillhaven/house');
  expect(holders).toMatchObject([{ differ: 3 }, { name: 'Quillhaven Harbours', differ: 3, house: { number: 1 } }]);
}

test('the first start makes a private cluster, loads the demo and prints the address', async () => {
  const port = await testPort();
  const { child, output, server } = await start('--port', String(port));
  for (const line of [
    /PostgreSQL \.\.\. [\d.]+ s/,
    /database \.\.\. [\d.]+ s {2}in /,
    /migrations \.\.\. .*0001-first/,
    /demo \.\.\. .*loaded/,
  ])
    expect(output).toMatch(line);
  expect(server.url).toBe(`http://127.0.0.1:${port}`);
  // Passwords are needed, even from this machine, and only this machine is listened to.
  const { cluster } = settings();
  await expect(databaseUrl({ ...cluster, password: 'wrong' }, 'breakwater')).rejects.toThrow('password authentication failed');
  expect(readFileSync(join(cluster.folder, 'data/pg_hba.conf'), 'utf8')).not.toMatch(/^[^#]*\btrust\b/m);
  await arrivesWithHistory(server);
  expect(
    await (await Visitor.demo(server, 'oren')).change([{ do: 'brand.edit', set: { name: 'Kept through Ctrl-C' } }]),
  ).toMatchObject({ status: 200 });
  child.kill('SIGINT');
  await ended(child);
  await expect(fetch(server.url)).rejects.toThrow();
  await expect(stopCluster(cluster)).rejects.toThrow('Is server running?');
});

test('the second start builds nothing, and everything is there; a killed starter leaves no mess', async () => {
  const first = await start();
  expect([await name(first.server), first.output]).toEqual([
    'Kept through Ctrl-C',
    expect.stringContaining('nothing has changed'),
  ]);
  // A folder that is served already is left to who serves it, whatever the port.
  await expect(start('--port', String(await testPort()))).rejects.toThrow(`is already served at ${first.server.url}`);
  expect((await fetch(`${first.server.url}/icon.svg`)).ok).toBe(true);
  await (await Visitor.demo(first.server, 'ida')).change([{ do: 'brand.edit', set: { name: 'Kept through a kill' } }]);
  first.child.kill('SIGKILL');
  await ended(first.child);

  const second = await start();
  expect(await name(second.server)).toBe('Kept through a kill');
  // What the killed one had left running is ended: its address is used again.
  expect(second.server.url).toBe(first.server.url);
  // As if the last step of the database had come with the release that is started next.
  const client = new Client({ connectionString: await databaseUrl(await startCluster(settings().cluster), 'breakwater') });
  await client.connect();
  await client.query(`DELETE FROM sequelize_meta WHERE name = '0005-tokens-end'; ALTER TABLE build_tokens DROP ends_at`);
  await client.end();
  second.child.kill('SIGINT');
  await ended(second.child);
  // Also the database that the killed one had started.
  expect(isRunning(settings().cluster)).toBe(false);
});

test('whatever ends a start ends what it has started, and what is wrong with its settings is said before', async () => {
  // Ended by whoever started it, before it is ready.
  const early = spawn('bin/start', [], { env: { ...process.env, BREAKWATER_DATA: data }, stdio: ['ignore', 'pipe', 'inherit'] });
  running.push(early);
  await new Promise<void>((resolve) => {
    let said = '';
    early.stdout.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      if (/database \.\.\. [\d.]+ s/.test(said)) resolve();
    });
  });
  early.kill('SIGINT');
  await ended(early);
  expect([early.exitCode, isRunning(settings().cluster)]).toEqual([0, false]);

  const port = await testPort();
  const other = createServer().listen(port, '127.0.0.1');
  for (const given of [{ args: ['--port', String(port)] }, { env: { PORT: String(port) } }]) {
    const { code, said } = await refused(given);
    expect([code, said]).toEqual([
      1,
      `Port ${port} is taken by another program; stop that one, or choose another port with --port or PORT.\n`,
    ]);
  }
  other.close();
  const { code, said } = await refused({
    env: {
      BREAKWATER_LOG: 'loud',
      BREAKWATER_PROXY: '127.0.0.1, here',
      BREAKWATER_OIDC_ISSUER: 'https://id.example',
      BREAKWATER_LOGS: 'info',
      PORT: '0',
    },
  });
  expect([code, said.trimEnd().split('\n').sort()]).toEqual([
    1,
    [
      'BREAKWATER_LOG is fatal, error, warn, info, debug or trace.',
      'BREAKWATER_OIDC_CLIENT_ID and BREAKWATER_OIDC_CLIENT_SECRET are missing; a provider of sign-in needs BREAKWATER_OIDC_ISSUER, BREAKWATER_OIDC_CLIENT_ID, BREAKWATER_OIDC_CLIENT_SECRET.',
      'BREAKWATER_PROXY is addresses or networks, such as 127.0.0.1 or 10.1.0.0/16, with commas between.',
      'PORT is a whole number from 1 to 65535.',
      'There is no setting BREAKWATER_LOGS; docs/operations.md lists those there are.',
    ],
  ]);
  expect(isRunning(settings().cluster)).toBe(false);
});

/** A start that refuses: how it ended and all that it said. */
async function refused({ args = [], env = {} }: { args?: string[]; env?: Record<string, string> }) {
  const child = spawn('bin/start', args, { env: { ...process.env, BREAKWATER_DATA: data, ...env } });
  running.push(child);
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk: Buffer) => (said += chunk.toString()));
  await ended(child);
  return { code: child.exitCode, said };
}

test('before the database is changed there is a backup; --reset-demo puts the demo back; --empty waits for an owner and leaves the demo alone', async () => {
  const reset = await start('--reset-demo');
  expect(reset.output).toMatch(/backup \.\.\. .*before-0005-tokens-end\.tar\nmigrations \.\.\. .*0005-tokens-end/);
  expect(readdirSync(join(data, 'backups'))).toEqual([expect.stringMatching(/before-0005-tokens-end\.tar$/)]);
  expect(await name(reset.server)).toBe('Quillhaven Ferries');
  reset.child.kill('SIGINT');
  await ended(reset.child);
  const empty = await start('--empty');
  expect(await (await fetch(`${empty.server.url}/sign-in`)).text()).toContain('you become the owner');
  await expect(Visitor.demo(empty.server, 'ida')).rejects.toThrow('403');
});

test('a database of a version that is not installed is left alone, and it is said what to install', () => {
  const folder = join(data, 'older');
  mkdirSync(join(folder, 'data'), { recursive: true });
  writeFileSync(join(folder, 'data/PG_VERSION'), '12\n');
  expect(() => binariesFor(folder)).toThrow(
    /was made by PostgreSQL 12.*Install Debian’s package postgresql-12, or restore a backup/,
  );
});

test('a port that is none is refused with a sentence', async () => {
  const child = spawn('bin/start', ['--port', '99999'], { env: { ...process.env, BREAKWATER_DATA: data } });
  let output = '';
  child.stderr.on('data', (chunk: Buffer) => (output += chunk.toString()));
  await ended(child);
  expect([child.exitCode, output]).toEqual([1, expect.stringContaining('A port is a whole number from 1 to 65535.')]);
});

test('a port that browsers refuse is never taken for a free one', async () => {
  expect(await freePort(5_060)).toBeGreaterThan(5_061);
});
