import { startTestServer, Visitor, type TestServer } from '../test-server';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer('first_owner', 'empty');
});
afterAll(() => server.close());

test('without the demo the first visitor becomes the owner, once; wrong sign-ins sound alike and are slowed down', async () => {
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

  const somebody = new Visitor(server);
  const wrongPassword = await somebody.send('POST', '/api/sign-in', { email: owner.email, password: 'wrong' });
  const wrongAddress = await somebody.send('POST', '/api/sign-in', { email: 'nobody@harbour.example', password: 'wrong' });
  expect([wrongPassword.status, wrongPassword.body]).toEqual([wrongAddress.status, wrongAddress.body]);
  expect((await somebody.send('POST', '/api/sign-in', { email: owner.email, password: owner.password })).status).toBe(200);
  const tries = [];
  for (let n = 0; n < 12; n++)
    tries.push((await somebody.send('POST', '/api/sign-in', { email: 'x@y.example', password: 'no' })).status);
  expect(tries.slice(-2)).toEqual([429, 429]);
});
