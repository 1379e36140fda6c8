/** Builds fetch released files by a token: only of its brand, all files or none, and with an ending they can go by. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { OpenAPIClientAxios } from 'openapi-client-axios';
import { Client } from 'pg';
import { OTHERS, startTestServer, Visitor, type TestServer } from '../test-server';

let server: TestServer;
let ida: Visitor;
let secret: string;
beforeAll(async () => {
  server = await startTestServer('builds');
  ida = await Visitor.demo(server, 'ida');
  const made = await ida.send('POST', '/api/brands/quillhaven/build-tokens', { name: 'site build' });
  secret = (made.body as { secret: string }).secret;
  await ida.send('POST', '/api/brands/quillhaven/releases', { seq: 0, note: 'First' });
});
afterAll(() => server.close());

const folder = mkdtempSync(join(tmpdir(), 'breakwater-pull-'));
const pull = (token: string | undefined, ...args: string[]) => {
  const env = { ...process.env, ...(token === undefined ? {} : { BREAKWATER_TOKEN: token }) };
  return spawnSync('bin/breakwater', ['pull', `${server.url}/deliver/quillhaven`, '--out', join(folder, 'out'), ...args], {
    encoding: 'utf8',
    env,
    timeout: 60_000,
  });
};

test('a release is fetched whole, checked, and known to be up to date afterwards', () => {
  expect(pull(secret, '--check').status).toBe(4);
  const { status, stderr, stdout } = pull(secret);
  expect([status, stderr]).toEqual([0, 'breakwater: release 1\n']);
  expect(stdout.split('\n').filter(Boolean)).toHaveLength(35);
  expect(readFileSync(join(folder, 'out/css/quillhaven-ferries.css'), 'utf8')).toContain('--qf-text-default: #162631;');
  expect(pull(secret, '--check').status).toBe(0);
  writeFileSync(join(folder, 'out/css/quillhaven-ferries.css'), 'old');
  const check = pull(secret, '--check');
  expect([check.status, check.stderr]).toEqual([4, expect.stringContaining('is not up to date: css/quillhaven-ferries.css.')]);
  expect(pull(secret, '--release', '1').status).toBe(0);
});

test.each([
  ['no token', undefined, [], 3, 'set BREAKWATER_TOKEN'],
  ['a wrong token', 'bwb_x', [], 3, 'does not take this token'],
  ['a release that is not there', 'own', ['--release', '9'], 3, 'no such brand or release'],
  ['no release number', 'own', ['--release', '../1'], 2, 'is no release'],
])('%s ends with one sentence and writes nothing', (_name, token, args, code, sentence) => {
  const { status, stderr } = pull(token === 'own' ? secret : token, ...args);
  expect([status, stderr]).toEqual([code, expect.stringContaining(sentence)]);
});

test('a token opens its own brand’s released files and nothing else; revoked, nothing', async () => {
  const database = new Client({ connectionString: server.env.BREAKWATER_DATABASE_URL });
  await database.connect();
  await database.query(OTHERS);
  // Kept as a hash only.
  const rows = await database.query<{ hash: string }>('SELECT * FROM build_tokens');
  expect(JSON.stringify(rows.rows)).not.toContain(secret);
  await database.end();
  const headers = { authorization: `Bearer ${secret}` };
  const status = async (path: string) => (await fetch(server.url + path, { headers })).status;
  expect(await status('/deliver/quillhaven/latest/manifest.json')).toBe(200);
  expect(await status('/deliver/others/latest/manifest.json')).toBe(404);
  expect(await status('/api/brands/quillhaven')).toBe(401);
  const wim = await Visitor.demo(server, 'wim');
  expect(await wim.send('POST', '/api/brands/quillhaven/build-tokens', { name: 'x' })).toMatchObject({ status: 403 });
  expect(await wim.send('GET', '/api/brands/quillhaven/build-tokens')).toMatchObject({ status: 403 });
  const { body } = await ida.send('GET', '/api/brands/quillhaven/build-tokens');
  const [token] = (body as { tokens: { id: string; name: string; usedAt: string }[] }).tokens;
  expect(token).toMatchObject({ name: 'site build', usedAt: expect.any(String) });
  expect(await wim.send('DELETE', `/api/brands/quillhaven/build-tokens/${token!.id}`, {})).toMatchObject({ status: 403 });
  expect(await ida.send('DELETE', `/api/brands/quillhaven/build-tokens/${token!.id}`, {})).toMatchObject({ status: 200 });
  expect(await status('/deliver/quillhaven/latest/manifest.json')).toBe(401);
});

test('a token may have an end, after which it opens nothing', async () => {
  const made = await ida.send('POST', '/api/brands/quillhaven/build-tokens', { name: 'for a month', days: 30 });
  const asked = () =>
    new Visitor(server).fetch('/deliver/quillhaven/1/manifest.json', {
      headers: { authorization: `Bearer ${made.body.secret}` },
    });
  expect((await asked()).status).toBe(200);
  const { body } = await ida.send('GET', '/api/brands/quillhaven/build-tokens');
  const { endsAt } = body.tokens.find(({ name }: { name: string }) => name === 'for a month');
  expect((Date.parse(endsAt) - Date.now()) / 86_400_000).toBeCloseTo(30, 1);
  const database = new Client({ connectionString: server.env.BREAKWATER_DATABASE_URL });
  await database.connect();
  await database.query(`UPDATE build_tokens SET ends_at = now() - interval '1 second' WHERE name = 'for a month'`);
  await database.end();
  const ended = await asked();
  expect([ended.status, await ended.json()]).toEqual([401, { error: expect.stringContaining('come to its end') }]);
  for (const days of [0, -1, 1.5, 99_999, 'x'])
    expect((await ida.send('POST', '/api/brands/quillhaven/build-tokens', { name: 'x', days })).status).toBe(400);
});

test('a token ends with the membership of whoever made it', async () => {
  const oren = await Visitor.demo(server, 'oren');
  const made = await oren.send('POST', '/api/brands/quillhaven/build-tokens', { name: 'his build' });
  const headers = { authorization: `Bearer ${(made.body as { secret: string }).secret}` };
  const status = async () => (await fetch(`${server.url}/deliver/quillhaven/latest/manifest.json`, { headers })).status;
  const database = new Client({ connectionString: server.env.BREAKWATER_DATABASE_URL });
  await database.connect();
  expect(await status()).toBe(200);
  await database.query("UPDATE memberships SET organisation_id = 'other' WHERE person_id = 'demo-oren'");
  expect(await status()).toBe(401);
  await database.query(
    "UPDATE memberships SET organisation_id = (SELECT organisation_id FROM brands WHERE id = 'quillhaven') WHERE person_id = 'demo-oren'",
  );
  await database.end();
  expect(await status()).toBe(200);
});

test('while templates that run as long as they may are written, everybody else is answered', async () => {
  const source = '{% for i in (1..9999) %}{% for k in (1..9999) %}{% endfor %}{% endfor %}';
  const adding = [1, 2, 3].map((n) => ({
    do: 'destination.add',
    destination: { id: `long${n}`, name: `Long ${n}`, format: 'template', options: { source, file: `long${n}.txt` } },
    before: null,
  }));
  const { body } = await ida.change(adding);
  const { seq } = (body as { outcomes: { seq: number }[] }).outcomes.at(-1)!;
  let isDone = false;
  const release = ida.send('POST', '/api/brands/quillhaven/releases', { seq, note: '' }).finally(() => (isDone = true));
  const oren = await Visitor.demo(server, 'oren');
  for (let n = 0; n < 5; n++) expect((await oren.send('GET', '/api/brands/quillhaven')).status).toBe(200);
  // Nothing is locked meanwhile.
  expect((await oren.change([{ do: 'swatch.edit', id: 'core-mist', set: { value: '#abcdef' } }])).status).toBe(200);
  expect(isDone).toBe(false);
  expect(await release).toMatchObject({
    status: 409,
    body: { error: expect.stringContaining('it runs for more than 1 second') },
  });
  await ida.change([1, 2, 3].map((n) => ({ do: 'destination.remove', id: `long${n}` })));
});

test('what a destination weighs and the organisation’s templates are for its people only', async () => {
  const { status, body } = await ida.send('GET', '/api/brands/quillhaven/weight/d-classes');
  expect(status).toBe(200);
  const { weight } = body as { weight: { total: { raw: number; brotli: number }; parts: { path: string; left: boolean }[] } };
  expect(weight.total.raw).toBeGreaterThan(weight.total.brotli * 3);
  expect(weight.parts.find(({ path }) => path === 'trainer')).toMatchObject({ left: true });
  expect((await ida.send('GET', '/api/brands/quillhaven/weight/d-game?group=trainer')).body).toMatchObject({
    weight: { parts: expect.any(Array) },
  });
  expect(await ida.send('GET', '/api/brands/quillhaven/weight/nothing')).toMatchObject({ status: 404 });
  expect(await ida.send('GET', '/api/brands/others/weight/d-classes')).toMatchObject({ status: 404 });
  expect(await ida.send('GET', '/api/brands/others/templates')).toMatchObject({ status: 404 });
});

test('an outside client, made from the served description alone, is told of releases, fetches files by hash and reports', async () => {
  const made = await ida.send('POST', '/api/brands/quillhaven/build-tokens', { name: 'kiosk', reports: true });
  const authorization = `Bearer ${made.body.secret}`;
  const description = new OpenAPIClientAxios({
    definition: `${server.url}/consumer/openapi.json`,
    axiosConfigDefaults: { headers: { authorization }, validateStatus: () => true },
  });
  const client = await description.init();
  const { data: release } = await client.release!({ brand: 'quillhaven', release: 'latest' });
  expect(release).toMatchObject({ brand: 'Quillhaven Ferries', number: 1, version: '1.0.0' });
  expect(release.themes[0]).toMatchObject({ identifier: 'day', colours: { 'surface.header': '#006871' } });
  const entry = release.files.find(({ path }: { path: string }) => path === 'css/quillhaven-ferries.css');
  const file = await client.file!({ brand: 'quillhaven', sha256: entry.sha256 }, null, { responseType: 'text' });
  expect(createHash('sha256').update(String(file.data)).digest('hex')).toBe(entry.sha256);
  expect(file.headers).toMatchObject({ etag: `"${entry.sha256}"`, 'cache-control': 'private, max-age=31536000, immutable' });
  const again = { headers: { 'if-none-match': `"${entry.sha256}"` } };
  expect((await client.file!({ brand: 'quillhaven', sha256: entry.sha256 }, null, again)).status).toBe(304);
  const byPath = { brand: 'quillhaven', release: 'latest', path: entry.path };
  expect((await client.fileAt!(byPath, null, { responseType: 'text' })).data).toBe(file.data);
  const seen = [{ colour: '#006872', share: 0.5, where: 'background-color of header', state: 'rest' }];
  const report = (readings: unknown) => client.report!({ brand: 'quillhaven', screen: 'booking' }, readings as never);
  expect((await report([{ theme: 'day', seen }])).status).toBe(200);
  expect((await ida.send('GET', '/api/brands/quillhaven/screens')).body.figures).toEqual([{ release: 1, same: 0, differing: 1 }]);
  expect((await report([{ theme: 'teatime', seen }])).data.error).toContain('no theme teatime');
  expect(await report([{ theme: 'day', seen: [{ ...seen[0], share: 2 }] }])).toMatchObject({
    status: 400,
    data: { error: '“0.seen.0.share” is not as it should be: too big: expected number to be <=1.' },
  });
});

test('by hand only a file is edited that the release has', async () => {
  const edit = (path: string) =>
    ida.send('PATCH', '/api/brands/quillhaven/screens/booking', { file: { path, text: ':root {}' } });
  for (const path of ['css/other.css', '__proto__'])
    expect(await edit(path)).toEqual({ status: 404, body: { error: 'There is no such file in this release.' } });
  expect((await edit('css/quillhaven-ferries.css')).status).toBe(200);
  const { screens } = (await ida.send('GET', '/api/brands/quillhaven/screens')).body;
  expect(screens.find(({ id }: { id: string }) => id === 'booking').edited).toEqual(['css/quillhaven-ferries.css']);
});

test('programs are answered by the manners of HTTP: tags weak, listed or any, on releases and their zip too, and how to say who one is', async () => {
  const made = (await ida.send('POST', '/api/brands/quillhaven/build-tokens', { name: 'manners' })).body as { secret: string };
  const ask = async (path: string, headers: Record<string, string> = {}) => {
    const response = await fetch(server.url + path, { headers: { authorization: `Bearer ${made.secret}`, ...headers } });
    await response.arrayBuffer();
    return response;
  };
  const paths = [
    '/consumer/quillhaven/releases/1',
    '/deliver/quillhaven/1',
    '/deliver/quillhaven/latest/css/quillhaven-ferries.css',
  ];
  for (const path of paths) {
    const etag = (await ask(path)).headers.get('etag')!;
    expect(etag).toMatch(/^"[\w-]+"$/);
    for (const named of [etag, `W/${etag}`, `"other", W/"x,y", ${etag}`, '*']) {
      const known = await ask(path, { 'if-none-match': named });
      expect([path, named, known.status, known.headers.get('etag')]).toEqual([path, named, 304, etag]);
    }
    for (const named of ['"other"', etag.slice(1, -1), 'W/"x"', ''])
      expect([named, (await ask(path, { 'if-none-match': named })).status]).toEqual([named, 200]);
  }
  const refused = await fetch(`${server.url}/consumer/quillhaven/releases/1`);
  expect([refused.status, refused.headers.get('www-authenticate')]).toEqual([401, 'Bearer realm="Breakwater"']);
});
