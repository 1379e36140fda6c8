/** Who may do what, route by route, and for how long: every handler the application has, asked by everybody. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Client } from 'pg';
import { OTHERS, startTestServer, Visitor, type TestServer } from '../test-server';

/** Nobody; somebody of another organisation; a viewer, a reviewer, an editor and the owner of this one. */
const PEOPLE = ['nobody', 'stranger', 'wim', 'petra', 'oren', 'ida'] as const;
type Person = (typeof PEOPLE)[number];

let server: TestServer;
let database: Client;
let visitors: Record<Person, Visitor>;
beforeAll(async () => {
  server = await startTestServer('authority');
  database = new Client({ connectionString: server.env.BREAKWATER_DATABASE_URL });
  await database.connect();
  // A brand of an organisation that none of the people belongs to.
  await database.query(OTHERS);
  await database.query(`INSERT INTO people VALUES ('demo-stranger', 'Una', 'una@other.example', NULL, true);
    INSERT INTO memberships VALUES ('demo-stranger', 'other', 'owner')`);
  visitors = { nobody: new Visitor(server) } as Record<Person, Visitor>;
  for (const person of PEOPLE.slice(1) as Exclude<Person, 'nobody'>[]) visitors[person] = await Visitor.demo(server, person);
});
afterAll(async () => {
  await database.end();
  await server.close();
});

/** A request for each handler, and what it answers to somebody who may: 400 where what is sent is wrong on purpose. */
const ANYBODY = 'anybody';
type Row = readonly [
  method: string,
  route: string,
  path: string,
  body: unknown,
  who: 'read' | 'review' | 'write' | 'govern' | 'signed in' | typeof ANYBODY,
  answer: number,
];
const ROUTES: readonly Row[] = [
  ['GET', 'api/brands/[brand]', 'api/brands/BRAND', undefined, 'read', 200],
  ['GET', 'api/brands/[brand]/at/[seq]', 'api/brands/BRAND/at/0', undefined, 'read', 200],
  ['GET', 'api/brands/[brand]/build-tokens', 'api/brands/BRAND/build-tokens', undefined, 'write', 200],
  ['POST', 'api/brands/[brand]/build-tokens', 'api/brands/BRAND/build-tokens', { name: ' ' }, 'write', 400],
  ['DELETE', 'api/brands/[brand]/build-tokens/[token]', 'api/brands/BRAND/build-tokens/none', {}, 'write', 404],
  ['GET', 'api/brands/[brand]/caught', 'api/brands/BRAND/caught', undefined, 'read', 200],
  ['POST', 'api/brands/[brand]/caught', 'api/brands/BRAND/caught', { colours: [] }, 'read', 400],
  ['POST', 'api/brands/[brand]/changes', 'api/brands/BRAND/changes', { changes: [] }, 'write', 400],
  ['GET', 'api/brands/[brand]/events', 'api/brands/BRAND/events', undefined, 'read', 200],
  ['GET', 'api/brands/[brand]/part', 'api/brands/BRAND/part', undefined, 'read', 200],
  ['POST', 'api/brands/[brand]/chosen', 'api/brands/BRAND/chosen', { page: 'p', chosen: null }, 'read', 200],
  ['GET', 'api/brands/[brand]/history', 'api/brands/BRAND/history?of=core', undefined, 'read', 200],
  ['GET', 'api/brands/[brand]/inks', 'api/brands/BRAND/inks?of=1f6f78', undefined, 'read', 200],
  ['POST', 'api/brands/[brand]/logo', 'api/brands/BRAND/logo', 'no logo', 'write', 400],
  ['POST', 'api/brands/[brand]/pictures', 'api/brands/BRAND/pictures', 'no picture', 'write', 400],
  ['POST', 'api/brands/[brand]/hosts', 'api/brands/BRAND/hosts', 'a file', 'write', 200],
  ['GET', 'api/brands/[brand]/hosts/[sha256]', `api/brands/BRAND/hosts/${'0'.repeat(64)}`, undefined, 'read', 404],
  ['GET', 'api/brands/[brand]/pictures/[sha256]', `api/brands/BRAND/pictures/${'0'.repeat(64)}`, undefined, 'read', 404],
  ['GET', 'api/brands/[brand]/print-profiles', 'api/brands/BRAND/print-profiles', undefined, 'read', 200],
  ['POST', 'api/brands/[brand]/print-profiles', 'api/brands/BRAND/print-profiles', 'no profile', 'write', 400],
  ['GET', 'api/brands/[brand]/releases', 'api/brands/BRAND/releases', undefined, 'read', 200],
  ['GET', 'api/brands/[brand]/releases/[number]', 'api/brands/BRAND/releases/1', undefined, 'read', 404],
  ['POST', 'api/brands/[brand]/releases', 'api/brands/BRAND/releases', { seq: -1 }, 'write', 400],
  ['PATCH', 'api/brands/[brand]/rule', 'api/brands/BRAND/rule', {}, 'govern', 400],
  ['GET', 'api/brands/[brand]/sign-offs', 'api/brands/BRAND/sign-offs', undefined, 'read', 200],
  ['POST', 'api/brands/[brand]/sign-offs', 'api/brands/BRAND/sign-offs', { title: ' ' }, 'write', 400],
  ['DELETE', 'api/brands/[brand]/sign-offs/[signOff]', 'api/brands/BRAND/sign-offs/none', {}, 'write', 404],
  ['POST', 'api/brands/[brand]/sign-offs/[signOff]/remarks', 'api/brands/BRAND/sign-offs/none/remarks', {}, 'review', 400],
  [
    'PATCH',
    'api/brands/[brand]/sign-offs/[signOff]/remarks/[remark]',
    'api/brands/BRAND/sign-offs/none/remarks/none',
    { closed: true },
    'review',
    404,
  ],
  ['GET', 'api/brands/[brand]/sheet', 'api/brands/BRAND/sheet?as=svg', undefined, 'read', 200],
  ['GET', 'api/brands/[brand]/shelf', 'api/brands/BRAND/shelf', undefined, 'read', 200],
  ['POST', 'api/brands/[brand]/shelf', 'api/brands/BRAND/shelf', {}, 'write', 400],
  ['DELETE', 'api/brands/[brand]/shelf/[palette]', 'api/brands/BRAND/shelf/none', {}, 'write', 404],
  ['GET', 'api/brands/[brand]/templates', 'api/brands/BRAND/templates', undefined, 'read', 200],
  ['POST', 'api/brands/[brand]/web-pages', 'api/brands/BRAND/web-pages', { address: 'x' }, 'write', 400],
  ['GET', 'api/brands/[brand]/webhooks', 'api/brands/BRAND/webhooks', undefined, 'write', 200],
  ['POST', 'api/brands/[brand]/webhooks', 'api/brands/BRAND/webhooks', { address: 'x', events: [] }, 'write', 400],
  ['DELETE', 'api/brands/[brand]/webhooks/[webhook]', 'api/brands/BRAND/webhooks/none', {}, 'write', 404],
  ['POST', 'api/brands/[brand]/webhooks/[webhook]/deliveries', 'api/brands/BRAND/webhooks/none/deliveries', {}, 'write', 404],
  [
    'POST',
    'api/brands/[brand]/webhooks/[webhook]/deliveries/[delivery]',
    'api/brands/BRAND/webhooks/none/deliveries/none',
    {},
    'write',
    404,
  ],
  ['GET', 'api/brands/[brand]/weight/[destination]', 'api/brands/BRAND/weight/d-site', undefined, 'read', 200],
  ['GET', 'api/brands/[brand]/house', 'api/brands/BRAND/house', undefined, 'read', 200],
  ['GET', 'api/brands/[brand]/search', 'api/brands/BRAND/search?for=teal', undefined, 'read', 200],
  ['GET', 'api/organisations', 'api/organisations', undefined, 'signed in', 200],
  ['GET', 'api/organisations/[organisation]', 'api/organisations/ORG', undefined, 'read', 200],
  ['POST', 'api/organisations/[organisation]/brands', 'api/organisations/ORG/brands', { name: ' ' }, 'write', 400],
  ['PATCH', 'api/organisations/[organisation]/brands/[brand]', 'api/organisations/ORG/brands/none', {}, 'govern', 400],
  ['DELETE', 'api/organisations/[organisation]/brands/[brand]', 'api/organisations/ORG/brands/none', {}, 'govern', 404],
  [
    'GET',
    'api/organisations/[organisation]/brands/[brand]/archive',
    'api/organisations/ORG/brands/none/archive',
    undefined,
    'govern',
    404,
  ],
  ['POST', 'api/organisations/[organisation]/archives', 'api/organisations/ORG/archives', {}, 'govern', 400],
  ['GET', 'api/organisations/[organisation]/people', 'api/organisations/ORG/people', undefined, 'govern', 200],
  ['PATCH', 'api/organisations/[organisation]/people/[person]', 'api/organisations/ORG/people/none', {}, 'govern', 400],
  ['POST', 'api/organisations/[organisation]/invitations', 'api/organisations/ORG/invitations', {}, 'govern', 400],
  [
    'DELETE',
    'api/organisations/[organisation]/invitations/[invitation]',
    'api/organisations/ORG/invitations/none',
    {},
    'govern',
    404,
  ],
  ['GET', 'api/organisations/[organisation]/audit', 'api/organisations/ORG/audit', undefined, 'govern', 200],
  ['GET', 'api/organisations/[organisation]/audit/csv', 'api/organisations/ORG/audit/csv', undefined, 'govern', 200],
  ['GET', 'api/organisations/[organisation]/house', 'api/organisations/ORG/house', undefined, 'govern', 200],
  ['POST', 'api/organisations/[organisation]/house', 'api/organisations/ORG/house', { from: 'nowhere' }, 'govern', 400],
  ['POST', 'api/me/password', 'api/me/password', { current: 'x', next: 'a long password' }, 'signed in', 409],
  ['POST', 'api/join', 'api/join', { secret: 'none' }, 'signed in', 404],
  ['POST', 'api/join/look', 'api/join/look', { secret: 'none' }, ANYBODY, 404],
  ['GET', 'deliver/[brand]/[release]', 'deliver/BRAND/1', undefined, 'read', 404],
  ['GET', 'deliver/[brand]/[release]/[...path]', 'deliver/BRAND/1/none', undefined, 'read', 404],
  ['GET', 'consumer/[brand]/releases/[release]', 'consumer/BRAND/releases/1', undefined, 'read', 404],
  ['GET', 'consumer/[brand]/match', 'consumer/BRAND/match', undefined, 'read', 409],
  ['OPTIONS', 'consumer/[brand]/match', 'consumer/BRAND/match', undefined, ANYBODY, 204],
  [
    'POST',
    'consumer/[brand]/screens/[screen]/readings',
    'consumer/BRAND/screens/none/readings',
    [{ theme: 'day', release: 1, seen: [] }],
    'write',
    404,
  ],
  ['OPTIONS', 'consumer/[brand]/releases/[release]', 'consumer/BRAND/releases/1', undefined, ANYBODY, 204],
  ['OPTIONS', 'consumer/[brand]/screens/[screen]/readings', 'consumer/BRAND/screens/none/readings', undefined, ANYBODY, 204],
  ['GET', 'consumer/openapi.json', 'consumer/openapi.json', undefined, ANYBODY, 200],
  ['GET', 'consumer/[brand]/files/[sha256]', 'consumer/BRAND/files/none', undefined, 'read', 404],
  ['OPTIONS', 'consumer/[brand]/files/[sha256]', 'consumer/BRAND/files/none', undefined, ANYBODY, 204],
  ['GET', 'reader.js', 'reader.js', undefined, ANYBODY, 200],
  ['GET', 'api/brands/[brand]/screens', 'api/brands/BRAND/screens', undefined, 'read', 200],
  ['POST', 'api/brands/[brand]/screens', 'api/brands/BRAND/screens', {}, 'write', 400],
  ['PATCH', 'api/brands/[brand]/screens/[screen]', 'api/brands/BRAND/screens/none', {}, 'write', 404],
  ['DELETE', 'api/brands/[brand]/screens/[screen]', 'api/brands/BRAND/screens/none', {}, 'write', 404],
  ['GET', 'api/brands/[brand]/screens/[screen]/readings', 'api/brands/BRAND/screens/none/readings', undefined, 'read', 404],
  ['GET', 'screens/of/[brand]/[screen]/[...path]', 'screens/of/BRAND/none/manifest.json', undefined, 'read', 404],
  ['PATCH', 'api/me', 'api/me', {}, 'signed in', 200],
  ['GET', 'screens/[...path]', 'screens/booking/index.html', undefined, 'signed in', 200],
  ['POST', 'api/owner', 'api/owner', {}, ANYBODY, 400],
  ['POST', 'api/sign-in', 'api/sign-in', {}, ANYBODY, 400],
  // No provider of sign-in is set up here.
  ['GET', 'api/sign-in/provider', 'api/sign-in/provider', undefined, ANYBODY, 404],
  ['GET', 'api/sign-in/provider/back', 'api/sign-in/provider/back?code=x&state=y', undefined, ANYBODY, 404],
  ['POST', 'api/sign-in/demo', 'api/sign-in/demo', {}, ANYBODY, 400],
  ['POST', 'api/sign-out', 'api/sign-out', { wrong: 1 }, ANYBODY, 400],
];

/** What somebody is answered; a stream that opens is closed again. */
async function status(visitor: Visitor, [method, , path, body]: Row, brand = 'quillhaven', headers: Record<string, string> = {}) {
  const leaving = new AbortController();
  const organisation = brand === 'others' ? 'other' : brand;
  const response = await visitor.fetch(`/${path.replace('BRAND', brand).replace('ORG', organisation)}`, {
    method,
    signal: leaving.signal,
    headers: { ...(body !== undefined && { 'content-type': 'application/json', origin: server.url }), ...headers },
    ...(body !== undefined && { body: JSON.stringify(body) }),
  });
  leaving.abort();
  return response.status;
}

test('every handler of the application is asked here', () => {
  const files = readdirSync('src/app', { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('/route.ts'));
  const handlers = files.flatMap((file) =>
    [...readFileSync(join('src/app', file), 'utf8').matchAll(/export (?:async )?function ([A-Z]+)/g)].map(
      ([, method]) => `${method} ${file.replace('/route.ts', '')}`,
    ),
  );
  const asked = [...ROUTES.map(([method, route]) => `${method} ${route}`), 'DELETE api/me/sessions'];
  // One that is missing wants a row in ROUTES, in tests/server/authority.test.ts, which says who may use it.
  expect(asked.sort()).toEqual(handlers.sort());
});

test.each(ROUTES)('%s %s', async (...row) => {
  const [, , , , who, answer] = row;
  const allowed: Record<typeof who, readonly Person[]> = {
    [ANYBODY]: PEOPLE,
    'signed in': ['stranger', 'wim', 'petra', 'oren', 'ida'],
    read: ['wim', 'petra', 'oren', 'ida'],
    review: ['petra', 'oren', 'ida'],
    write: ['oren', 'ida'],
    govern: ['ida'],
  };
  for (const person of PEOPLE) {
    // To those of another organisation the brand is as if it were not there.
    const refused = { nobody: 401, stranger: 404 }[person as 'nobody' | 'stranger'] ?? 403;
    const expected = allowed[who].includes(person) ? answer : refused;
    expect([person, await status(visitors[person], row)]).toEqual([person, expected]);
  }
  if (who !== 'signed in' && who !== ANYBODY) {
    expect(await status(visitors.ida, row, 'others')).toBe(404);
    expect(await status(visitors.stranger, row, 'others')).toBe(answer);
    expect(await status(visitors.ida, row, 'none')).toBe(404);
  }
});

test.each(ROUTES.filter(([method]) => method !== 'GET' && method !== 'OPTIONS'))(
  '%s %s is taken from a page of this origin only',
  async (...row) => {
    expect(await status(visitors.ida, row, 'quillhaven', { origin: 'http://evil.example' })).toBe(403);
  },
);

test('a session ends when its time is over or its person is gone, and one that is over is cleared away', async () => {
  const visitor = await Visitor.demo(server, 'wim');
  const reads = async () => (await visitor.send('GET', '/api/brands/quillhaven')).status;
  const count = async () => Number((await database.query<{ count: string }>('SELECT count(*) FROM sessions')).rows[0]!.count);
  expect(await reads()).toBe(200);
  const { rows } = await database.query<{ days: number }>(
    'SELECT round(extract(epoch FROM max(expires_at) - now()) / 86400)::int AS days FROM sessions',
  );
  expect(rows[0]!.days).toBe(30);
  const before = await count();
  await database.query(`UPDATE sessions SET expires_at = now() - interval '1 second' WHERE person_id = 'demo-wim'`);
  expect(await reads()).toBe(401);
  const ended = Number((await database.query(`SELECT 1 FROM sessions WHERE expires_at < now()`)).rowCount);
  await visitor.send('POST', '/api/sign-in/demo', { person: 'demo-wim' });
  expect(await count()).toBe(before - ended + 1);
  expect(await reads()).toBe(200);
  visitors.wim = visitor;
});

test('signing in again in the same browser ends the session before', async () => {
  const visitor = await Visitor.demo(server, 'petra');
  const copy = Object.assign(new Visitor(server), visitor);
  await visitor.send('POST', '/api/sign-in/demo', { person: 'demo-petra' });
  expect((await copy.send('GET', '/api/brands/quillhaven')).status).toBe(401);
  expect((await visitor.send('GET', '/api/brands/quillhaven')).status).toBe(200);
});

test('whoever is here already, nobody becomes the first owner any more', async () => {
  const owner = { name: 'Una', organisation: 'Ours', email: 'una@ours.example', password: 'a long password' };
  for (const person of PEOPLE)
    expect([person, (await visitors[person].send('POST', '/api/owner', owner)).status]).toEqual([person, 409]);
});

test('signing out everywhere ends every session of one person, and of nobody else', async () => {
  const [here, there] = [await Visitor.demo(server, 'petra'), await Visitor.demo(server, 'petra')];
  expect((await new Visitor(server).send('DELETE', '/api/me/sessions', {})).status).toBe(401);
  expect((await here.send('DELETE', '/api/me/sessions', {}, { origin: 'http://evil.example' })).status).toBe(403);
  expect((await there.send('DELETE', '/api/me/sessions', {})).status).toBe(200);
  for (const visitor of [here, there, visitors.petra])
    expect((await visitor.send('GET', '/api/brands/quillhaven')).status).toBe(401);
  expect((await visitors.ida.send('GET', '/api/brands/quillhaven')).status).toBe(200);
  visitors.petra = await Visitor.demo(server, 'petra');
});

test('signing out ends what each may do, and nothing of the others', async () => {
  const leaving = async (person: Person) => (person === 'nobody' ? new Visitor(server) : Visitor.demo(server, person));
  for (const person of PEOPLE) {
    const visitor = await leaving(person);
    expect([person, (await visitor.send('POST', '/api/sign-out', {})).status]).toEqual([person, 200]);
    expect([person, (await visitor.send('PATCH', '/api/me', {})).status]).toEqual([person, 401]);
    if (person !== 'nobody')
      expect([person, (await visitors[person].send('PATCH', '/api/me', {})).status]).toEqual([person, 200]);
  }
});

test('a cookie that nobody sealed opens nothing', async () => {
  const forged = { cookie: 'breakwater=Fe26.2*1*abc*def*ghi*0*jkl*mno' };
  expect((await visitors.nobody.send('GET', '/api/brands/quillhaven', undefined, forged)).status).toBe(401);
});

test('a brand has at most fifty tokens for builds', async () => {
  await database.query(
    `INSERT INTO build_tokens (id, brand_id, name, hash, person_id) SELECT 'full' || n, 'quillhaven', 'n', 'hash' || n, 'demo-ida' FROM generate_series(1, 49) AS n`,
  );
  const make = () => visitors.ida.send('POST', '/api/brands/quillhaven/build-tokens', { name: 'site' });
  expect(await make()).toMatchObject({ status: 200, body: { secret: expect.stringMatching(/^bwb_[\w-]{43}$/) } });
  expect(await make()).toEqual({
    status: 409,
    body: { error: 'A brand has at most 50 tokens for builds; take one away first.' },
  });
});

test('a body that does not say its size is counted as it comes', async () => {
  let pieces = 0;
  const body = new ReadableStream({
    pull(controller) {
      if (pieces++ < 9) controller.enqueue(new TextEncoder().encode(' '.repeat(1024 * 1024)));
      else controller.close();
    },
  });
  const headers = { 'content-type': 'application/json', origin: server.url };
  const response = await visitors.ida.fetch('/api/brands/quillhaven/changes', {
    method: 'POST',
    headers,
    body,
    duplex: 'half',
  } as never);
  expect([response.status, await response.json()]).toEqual([413, { error: 'This is more than 8 MB at once; send it in parts.' }]);
});
