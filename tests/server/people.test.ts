/** Who is let in, from where, and what a request may carry. */
import { request, type IncomingHttpHeaders } from 'node:http';
import { Client } from 'pg';
import { end, serve } from '../../ops/server';
import { startTestServer, testPort, Visitor, type TestServer } from '../test-server';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer('people');
});
afterAll(() => server.close());

const rename = (name: string) => ({ do: 'brand.edit', set: { name } });

test('nobody reads, writes or fetches without signing in', async () => {
  const nobody = new Visitor(server);
  for (const path of [
    '/api/brands/quillhaven',
    '/api/brands/quillhaven/releases',
    '/api/brands/quillhaven/events',
    '/deliver/quillhaven/latest/manifest.json',
    '/screens/booking/index.html',
  ]) {
    expect([path, (await nobody.fetch(path)).status]).toEqual([path, 401]);
  }
  expect(await nobody.change([rename('X')])).toMatchObject({ status: 401, body: { error: expect.stringContaining('sign in') } });
});

test('the server enforces roles, with a sentence', async () => {
  for (const person of ['petra', 'wim'] as const) {
    const visitor = await Visitor.demo(server, person);
    expect((await visitor.send('GET', '/api/brands/quillhaven')).status).toBe(200);
    expect(await visitor.change([rename('X')])).toMatchObject({
      status: 403,
      body: { error: expect.stringContaining('cannot change this brand') },
    });
    expect(await visitor.send('POST', '/api/brands/quillhaven/releases', { seq: 0, note: '' })).toMatchObject({ status: 403 });
  }
  const editor = await Visitor.demo(server, 'oren');
  expect(await editor.change([rename('Quillhaven')])).toMatchObject({ status: 200 });
});

test('only a page of this origin may write', async () => {
  const ida = await Visitor.demo(server, 'ida');
  const body = { changes: [{ key: 'aaaaaaaa', command: { label: 'x', steps: [rename('Evil')] } }] };
  const path = '/api/brands/quillhaven/changes';
  expect((await ida.send('POST', path, body, { origin: 'http://evil.example' })).status).toBe(403);
  expect((await ida.send('POST', path, body, { origin: undefined })).status).toBe(403);
  expect((await ida.send('POST', path, body, { origin: 'null' })).status).toBe(403);
  const { port } = new URL(server.url);
  for (const origin of [`https://127.0.0.1:${port}`, 'http://127.0.0.1', `http://127.0.0.1.evil.example:${port}`]) {
    expect([origin, (await ida.send('POST', path, body, { origin })).status]).toEqual([origin, 403]);
  }
  // Nobody said that a proxy stands before it.
  const forwarded = { origin: 'http://evil.example', 'x-forwarded-host': 'evil.example', 'x-forwarded-proto': 'http' };
  expect((await ida.send('POST', path, body, forwarded)).status).toBe(403);
  expect((await ida.send('POST', path, body, { 'content-type': 'text/plain' })).status).toBe(400);
  expect((await ida.send('GET', '/api/brands/quillhaven')).body.brand.name).not.toBe('Evil');
});

/** A request by a name of one's own; fetch sets the address it goes to. */
const byName = (url: string, host: string, path: string, method = 'GET', headers: Record<string, string> = {}, body = '') =>
  new Promise<{ status: number; headers: IncomingHttpHeaders; text: string }>((resolve, reject) => {
    const asking = request(url + path, { method, headers: { ...headers, host } }, (response) => {
      let text = '';
      response.on('data', (chunk: Buffer) => (text += chunk.toString()));
      response.on('end', () => resolve({ status: response.statusCode!, headers: response.headers, text }));
    });
    asking.on('error', reject);
    asking.end(body);
  });

test('by another name than its own nobody is let in, and told where it is', async () => {
  for (const path of ['/sign-in', '/api/brands/quillhaven', '/api/brands/quillhaven/sheet?as=svg', '/screens/booking/index.html'])
    expect(await byName(server.url, 'evil.example', path)).toMatchObject({
      status: 421,
      text: expect.stringContaining(server.url),
    });
  expect((await byName(server.url, `localhost:${new URL(server.url).port}`, '/sign-in')).status).toBe(200);
});

test('where it is reached by TLS, only that origin counts, and the cookie is tied to it', async () => {
  const port = await testPort();
  const child = await serve(port, { ...server.env, BREAKWATER_ORIGIN: 'https://colours.example' });
  const enter = (host: string, origin: string) =>
    byName(
      `http://127.0.0.1:${port}`,
      host,
      '/api/sign-in/demo',
      'POST',
      { origin, 'content-type': 'application/json' },
      '{"person":"demo-wim"}',
    );
  try {
    const { status, headers } = await enter('colours.example', 'https://colours.example');
    expect([status, headers['strict-transport-security']]).toEqual([200, 'max-age=31536000']);
    expect(headers['set-cookie']!.join()).toMatch(/^__Host-breakwater=.*; Path=\/.*; Secure/);
    expect((await enter('colours.example', 'http://colours.example')).status).toBe(403);
    expect((await enter(`127.0.0.1:${port}`, 'https://colours.example')).status).toBe(421);
  } finally {
    await end(child);
  }
});

test('what a request carries is checked and bounded', async () => {
  const ida = await Visitor.demo(server, 'ida');
  const path = '/api/brands/quillhaven/changes';
  for (const body of ['{', '[]', { changes: [] }, { changes: [{ key: 'x', command: {} }] }, { changes: [], extra: 1 }]) {
    expect((await ida.send('POST', path, body)).status).toBe(400);
  }
  expect((await ida.change([{ do: 'swatch.edit', id: 'core-foam', set: { value: 'not a colour' } }])).body.outcomes).toEqual([
    { key: expect.any(String), refusal: expect.stringContaining('“not a colour” is not a CSS colour') },
  ]);
  expect((await ida.send('POST', path, JSON.stringify({ pad: 'x'.repeat(9 * 1024 * 1024) }))).status).toBe(413);
  for (const target of [
    '/screens/..%2f..%2fpackage.json',
    '/screens/booking/..%2f..%2f..%2fpackage.js',
    '/deliver/quillhaven/latest/..%2fx',
    '/deliver/quillhaven/0/x',
    '/api/brands/nope',
    '/api/brands/%00',
    '/deliver/quillhaven/1/%00',
    '/api/brands/quillhaven/pictures/%00',
  ]) {
    expect([target, (await ida.fetch(target)).status]).toEqual([target, 404]);
  }
});

test('pages come with a strict policy, and the cookie is closed to scripts and other sites', async () => {
  const nobody = new Visitor(server);
  const page = await nobody.fetch('/sign-in');
  const policy = page.headers.get('content-security-policy')!;
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic';/);
  expect(policy).toMatch(/style-src 'self' 'nonce-[^']+';/);
  expect(policy).toContain("frame-ancestors 'self'");
  const entered = await nobody.fetch('/api/sign-in/demo', {
    method: 'POST',
    headers: { origin: server.url, 'content-type': 'application/json' },
    body: JSON.stringify({ person: 'demo-wim' }),
  });
  expect(entered.headers.getSetCookie().join()).toMatch(/HttpOnly; SameSite=Strict/i);
});

test('signing out ends the session for a copied cookie too', async () => {
  const visitor = await Visitor.demo(server, 'wim');
  const copy = Object.assign(new Visitor(server), visitor);
  expect((await copy.send('GET', '/api/brands/quillhaven')).status).toBe(200);
  await visitor.send('POST', '/api/sign-out', {});
  expect((await copy.send('GET', '/api/brands/quillhaven')).status).toBe(401);
});

test('without its database the server asks to come again, and is there again with it', async () => {
  const ida = await Visitor.demo(server, 'ida');
  const name = new URL(server.env.BREAKWATER_DATABASE_URL).pathname.slice(1);
  const admin = new Client({ connectionString: server.env.BREAKWATER_DATABASE_URL.replace(/[^/]*$/, 'postgres') });
  await admin.connect();
  await admin.query(`ALTER DATABASE "${name}" ALLOW_CONNECTIONS false`);
  await admin.query('SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = $1', [name]);
  const response = await ida.fetch('/api/brands/quillhaven');
  expect([response.status, response.headers.get('retry-after')]).toEqual([503, '5']);
  expect(await response.json()).toEqual({ error: expect.stringContaining('nothing was changed') });
  await admin.query(`ALTER DATABASE "${name}" ALLOW_CONNECTIONS true`);
  await admin.end();
  // Connections that were broken are found out one by one.
  for (let tries = 0; tries < 20 && (await ida.fetch('/api/brands/quillhaven')).status === 503; tries++);
  expect(await ida.change([rename('Quillhaven')])).toMatchObject({ status: 200 });
});
