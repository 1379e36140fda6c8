/** Builds fetch released files by a token: only of its brand, all files or none, and with an ending they can go by. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import { openStand, Visitor, type Stand } from '../stand';

let stand: Stand;
let ida: Visitor;
let secret: string;
jest.setTimeout(60_000);
beforeAll(async () => {
  stand = await openStand('builds');
  ida = await Visitor.demo(stand, 'ida');
  const made = await ida.send('POST', '/api/brands/quillhaven/build-tokens', { name: 'site build' });
  secret = (made.body as { secret: string }).secret;
  await ida.send('POST', '/api/brands/quillhaven/releases', { seq: 0, note: 'First' });
});
afterAll(() => stand.close());

const folder = mkdtempSync(join(tmpdir(), 'breakwater-pull-'));
const pull = (token: string | undefined, ...args: string[]) => {
  const env = { ...process.env, ...(token === undefined ? {} : { BREAKWATER_TOKEN: token }) };
  return spawnSync('bin/breakwater', ['pull', `${stand.url}/deliver/quillhaven`, '--out', join(folder, 'out'), ...args], {
    encoding: 'utf8',
    env,
  });
};

test('a release is fetched whole, checked, and known to be up to date afterwards', () => {
  expect(pull(secret, '--check').status).toBe(4);
  const { status, stderr, stdout } = pull(secret);
  expect([status, stderr]).toEqual([0, 'breakwater: release 1\n']);
  expect(stdout.split('\n').filter(Boolean)).toHaveLength(33);
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
  const database = new Client({ connectionString: stand.databaseUrl });
  await database.connect();
  await database.query(`INSERT INTO organisations VALUES ('other', 'Other');
    INSERT INTO brands SELECT 'others', 'other', 0, document FROM brands WHERE id = 'quillhaven'`);
  // Kept as a hash only.
  const rows = await database.query<{ hash: string }>('SELECT * FROM build_tokens');
  expect(JSON.stringify(rows.rows)).not.toContain(secret);
  await database.end();
  const headers = { authorization: `Bearer ${secret}` };
  const status = async (path: string) => (await fetch(stand.url + path, { headers })).status;
  expect(await status('/deliver/quillhaven/latest/manifest.json')).toBe(200);
  expect(await status('/deliver/others/latest/manifest.json')).toBe(404);
  expect(await status('/api/brands/quillhaven')).toBe(401);
  const wim = await Visitor.demo(stand, 'wim');
  expect(await wim.send('POST', '/api/brands/quillhaven/build-tokens', { name: 'x' })).toMatchObject({ status: 403 });
  expect(await wim.send('GET', '/api/brands/quillhaven/build-tokens')).toMatchObject({ status: 403 });
  const { body } = await ida.send('GET', '/api/brands/quillhaven/build-tokens');
  const [token] = (body as { tokens: { id: string; name: string; usedAt: string }[] }).tokens;
  expect(token).toMatchObject({ name: 'site build', usedAt: expect.any(String) });
  expect(await wim.send('DELETE', `/api/brands/quillhaven/build-tokens/${token!.id}`, {})).toMatchObject({ status: 403 });
  expect(await ida.send('DELETE', `/api/brands/quillhaven/build-tokens/${token!.id}`, {})).toMatchObject({ status: 200 });
  expect(await status('/deliver/quillhaven/latest/manifest.json')).toBe(401);
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
