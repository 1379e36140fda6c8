import { end, serve } from '../../ops/server';
import { startTestServer, testPort, Visitor, type TestServer } from '../test-server';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer('first_owner', 'empty');
});
afterAll(() => server.close());

test('without the demo the first visitor becomes the owner, once; wrong sign-ins sound alike', async () => {
  const owner = { name: 'Runa', organisation: 'Harbour office', email: 'Runa@harbour.example', password: 'a long password' };
  const first = new Visitor(server);
  expect((await first.send('POST', '/api/sign-in/demo', { person: 'demo-ida' })).status).toBe(403);
  expect(await first.send('POST', '/api/owner', { ...owner, password: 'short' })).toMatchObject({
    status: 400,
    body: { error: expect.stringContaining('10 characters') },
  });
  expect((await first.send('POST', '/api/owner', owner)).status).toBe(200);
  expect((await new Visitor(server).send('POST', '/api/owner', owner)).status).toBe(409);

  const { headers } = await first.fetch('/');
  const brand = /brand\/([a-z0-9]+)/.exec(headers.get('location')!)![1];
  expect((await first.send('GET', `/api/brands/${brand}`)).body.brand).toMatchObject({
    name: 'Harbour office',
    palettes: [],
    tokens: [],
  });

  // A brand of one's own has no simulated screens: that is said, with how its files are fetched.
  const watch = async () => (await first.fetch(`/brand/${brand}/watch`)).text();
  expect(await watch()).toContain('Nothing has been released yet');
  const swatch = { id: 's', name: 'Ink', value: '#123456', locked: false };
  const token = { id: 't', path: 'text.ink', role: 'text', description: '', on: [], values: { day: { swatch: 's' } } };
  const steps = [
    { do: 'palette.add', palette: { id: 'p', name: 'Ours', kind: 'brand', swatches: [swatch] }, before: null },
    { do: 'token.add', tokens: [token], before: null },
    { do: 'destination.add', destination: { id: 'd', name: 'Site', format: 'css', options: {} }, before: null },
  ];
  await first.send('POST', `/api/brands/${brand}/changes`, {
    version: 1,
    changes: [{ key: 'beginning1', command: { label: 'Begin', steps } }],
  });
  expect(await first.send('POST', `/api/brands/${brand}/releases`, { seq: 1, note: '' })).toMatchObject({ status: 200 });
  const page = await watch();
  expect((await first.send('GET', `/api/brands/${brand}/screens`)).body.screens).toEqual([]);
  expect(page).not.toContain('Operations dashboard');

  const somebody = new Visitor(server);
  const wrongPassword = await somebody.send('POST', '/api/sign-in', { email: owner.email, password: 'wrong' });
  const wrongAddress = await somebody.send('POST', '/api/sign-in', { email: 'nobody@harbour.example', password: 'wrong' });
  expect([wrongPassword.status, wrongPassword.body]).toEqual([wrongAddress.status, wrongAddress.body]);
  expect((await somebody.send('POST', '/api/sign-in', { email: owner.email, password: owner.password })).status).toBe(200);
});

describe('who guesses is slowed, and keeps nobody else out', () => {
  const enter = async (url: string, password: string, from: Record<string, string>) =>
    (await new Visitor({ ...server, url }).send('POST', '/api/sign-in', { email: 'runa@harbour.example', password }, from))
      .status;
  const guess = async (url: string, from: Record<string, string>) => {
    const tries = [];
    for (let n = 0; n < 12; n++) tries.push(await enter(url, 'wrong', from));
    return tries;
  };
  const slowed = [...Array<number>(10).fill(401), 429, 429];

  test('where a proxy was named, by the address that it gives', async () => {
    const port = await testPort();
    const child = await serve(port, { ...server.env, BREAKWATER_PROXY: '10.0.0.0/8, 127.0.0.1' });
    const url = `http://127.0.0.1:${port}`;
    try {
      const from = (address: string) => ({ 'x-forwarded-for': address });
      expect(await guess(url, from('203.0.113.7, 10.1.2.3'))).toEqual(slowed);
      expect(await enter(url, 'a long password', from('203.0.113.7'))).toBe(429);
      expect(await enter(url, 'a long password', from('203.0.113.8'))).toBe(200);
      // What comes before the last address that is no proxy, anybody may have written.
      expect(await enter(url, 'a long password', from('203.0.113.8, 203.0.113.7'))).toBe(429);
      // A household has a whole network of addresses.
      expect(await guess(url, from('2001:db8:1:2::5'))).toEqual(slowed);
      expect(await enter(url, 'a long password', from('2001:db8:1:2:ffff::9'))).toBe(429);
      expect(await enter(url, 'a long password', from('2001:db8:1:3::5'))).toBe(200);
    } finally {
      await end(child);
    }
  });

  test('otherwise by the connection, whatever a request says', async () => {
    const tries = [];
    for (let n = 0; n < 12; n++)
      tries.push(await enter(server.url, 'wrong', { 'x-forwarded-for': `203.0.113.${n}`, forwarded: `for=10.0.0.${n}` }));
    expect(tries).toEqual(slowed);
  });
});
