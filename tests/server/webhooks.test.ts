/** What goes out: webhooks that are lost by nobody and sent twice to nobody, and the guard at the one way out. */
import { once } from 'node:events';
import { createServer, type IncomingMessage, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { text } from 'node:stream/consumers';
import { gzipSync } from 'node:zlib';
import { Webhook } from 'standardwebhooks';
import type { ToldDelivery, ToldWebhook } from '@/core/screens/webhook';
import { startTestServer, Visitor, type TestServer } from '../test-server';

const WEBHOOKS = '/api/brands/quillhaven/webhooks';
const PAGES = '/api/brands/quillhaven/web-pages';
/** Of this machine only this one address is opened, so that its neighbours are as closed as any inner network. */
const OPENED = '127.0.0.1';

let server: TestServer;
let ida: Visitor;
beforeAll(async () => {
  server = await startTestServer('webhooks', 'demo', { BREAKWATER_REACH: `${OPENED}/32` });
  ida = await Visitor.demo(server, 'ida');
});
const sites: Server[] = [];
afterAll(async () => {
  for (const one of sites) shut(one);
  await server.close();
});

function shut(one: Server): void {
  one.close();
  one.closeAllConnections();
}

async function site(answer: RequestListener, port = 0): Promise<{ url: string; port: number; close: () => void }> {
  const made: Server = createServer(answer).listen(port, OPENED);
  sites.push(made);
  await once(made, 'listening');
  const { port: at } = made.address() as AddressInfo;
  return {
    url: `http://${OPENED}:${at}`,
    port: at,
    close: () => shut(made),
  };
}

/** Somebody who is told: keeps what came, once its signature was found good by the standard's own library. */
async function receiver(secret: () => string, port = 0) {
  const messages: { id: string; told: { type: string; data: Record<string, unknown> } }[] = [];
  const listening = await site((request: IncomingMessage, response) => {
    void text(request).then((body) => {
      try {
        new Webhook(secret()).verify(body, request.headers as Record<string, string>);
      } catch (error) {
        return response.writeHead(401).end(String(error));
      }
      messages.push({ id: String(request.headers['webhook-id']), told: JSON.parse(body) });
      response.end();
    });
  }, port);
  return { ...listening, messages };
}

/** The messages of a webhook, as soon as the newest is as wanted. */
async function deliveries(address: string, is: (newest: ToldDelivery) => boolean): Promise<readonly ToldDelivery[]> {
  for (let looks = 0; ; looks++) {
    const { body } = await ida.send('GET', WEBHOOKS);
    const told = (body.webhooks as ToldWebhook[]).find((webhook) => webhook.address === address)!.deliveries;
    if (told[0] && is(told[0])) return told;
    if (looks === 400) throw new Error(`It never came so far: ${JSON.stringify(told)}`);
    await new Promise((done) => setTimeout(done, 100));
  }
}

const add = async (address: string, events = ['release', 'drift']) =>
  (await ida.send('POST', WEBHOOKS, { address, events })).body.secret as string;

test('a release is told once, after the receiver was down and the server was killed; drift is told when it begins', async () => {
  let secret = '';
  const first = await receiver(() => secret);
  first.close();
  const address = `${first.url}/told?by=us`;
  secret = await add(address);
  expect(secret).toMatch(/^whsec_[A-Za-z0-9+/=]{44}$/);
  await ida.send('POST', '/api/brands/quillhaven/releases', { seq: 0, note: 'First', title: 'Spring' });
  const [waiting] = await deliveries(address, ({ tries }) => tries === 1);
  expect(waiting).toMatchObject({ event: 'release', state: 'waiting', came: expect.stringContaining('Nobody answers at') });
  await server.kill();
  const again = await receiver(() => secret, first.port);
  await server.restart();
  await deliveries(address, ({ state }) => state === 'received');
  expect(again.messages).toEqual([
    {
      id: waiting!.id,
      told: {
        type: 'release',
        timestamp: expect.any(String),
        data: {
          brand: { id: 'quillhaven', name: 'Quillhaven Ferries' },
          release: { number: 1, version: '1.0.0', title: 'Spring', address: `${server.url}/consumer/quillhaven/releases/1` },
        },
      },
    },
  ]);
  // Asked for, it is sent once more under its id.
  const { body } = await ida.send('GET', WEBHOOKS);
  const { id } = (body.webhooks as ToldWebhook[])[0]!;
  await ida.send('POST', `${WEBHOOKS}/${id}/deliveries/${waiting!.id}`, {});
  await deliveries(address, ({ state, tries }) => state === 'received' && tries === 1);
  expect(again.messages.map((message) => message.id)).toEqual([waiting!.id, waiting!.id]);
  // The log tells each attempt, without what may be secret in an address.
  const audit = await ida.send('GET', '/api/organisations/quillhaven/audit');
  const sent = (audit.body.entries as { by: string; what: string; about: string }[]).filter(({ what }) => what === 'sent to');
  expect(sent).toHaveLength(3);
  expect(sent[0]).toEqual(expect.objectContaining({ by: 'Breakwater', about: `${first.url}/told: 200, 0 bytes` }));

  const { body: listed } = await ida.send('GET', '/api/brands/quillhaven/screens');
  const screen = (listed.screens as { id: string; kind: { program?: string } }[]).find(({ kind }) => kind.program === 'console')!;
  const show = (colour: string, seen = [{ colour, token: 'text.default', share: 0.5, where: 'p', state: 'rest' }]) =>
    ida.send('POST', `/consumer/quillhaven/screens/${screen.id}/readings`, [{ theme: 'day', seen }]);
  for (const colour of ['#162631', '#ff0000', '#ff0000', '#162631']) expect(await show(colour)).toMatchObject({ status: 200 });
  await deliveries(address, ({ event, state }) => event === 'drift' && state === 'received');
  const drifts = again.messages.filter(({ told }) => told.type === 'drift');
  expect(drifts.map(({ told }) => told.data)).toEqual([
    expect.objectContaining({
      release: 1,
      themes: [
        {
          theme: 'day',
          tokens: [
            expect.objectContaining({
              token: 'text.default',
              wanted: '#162631',
              found: '#ff0000',
              why: 'another colour',
              where: 'p',
            }),
          ],
          more: 0,
        },
      ],
    }),
  ]);
  again.close();
});

test('drift that several pages tell of at once is told once', async () => {
  const address = `http://${OPENED}:9/at-once`;
  await add(address);
  const seen = [{ colour: '#ff0000', token: 'text.default', share: 0.5, where: 'p', state: 'rest' }];
  const tell = () => ida.send('POST', '/consumer/quillhaven/screens/booking/readings', [{ theme: 'day', seen }]);
  expect((await Promise.all(Array.from({ length: 8 }, tell))).map(({ status }) => status)).toEqual(Array(8).fill(200));
  expect(await deliveries(address, ({ event }) => event === 'drift')).toHaveLength(1);
});

test.each([
  ['another address of this machine', 'http://127.0.0.2:80/', 403],
  ['its number', 'http://2130706434/', 403],
  ['one behind IPv6', 'http://[::ffff:127.0.0.2]/', 403],
  ['one that a translator leads to', 'http://[64:ff9b::7f00:2]/', 403],
  ['one in the old wrapping', 'http://[::7f00:2]/', 403],
  ['what hosts tell their machines', 'http://169.254.169.254/latest/', 403],
  ['an inner network', 'http://10.0.0.1/', 403],
  ['a name of nobody', 'http://nobody.invalid/', 409],
  ['a file', 'file:///etc/passwd', 400],
  ['a name and a password', 'http://a:b@127.0.0.1/', 400],
])('nobody is led to %s', async (_what, address, status) => {
  const answer = await ida.send('POST', PAGES, { address });
  expect([answer.status, answer.body.error]).toEqual([status, expect.stringMatching(/^[A-Z[\d].*[.]$/s)]);
});

test('redirects are followed only where each is allowed; what is too large or no page is refused', async () => {
  const html = { 'content-type': 'text/html; charset=ISO-8859-1' };
  const asked: string[] = [];
  const site1 = await site((request, response) => {
    const { url } = request;
    asked.push(request.headers.cookie ?? request.headers.authorization ?? '');
    if (url === '/inside') response.writeHead(302, { location: 'http://127.0.0.2/' }).end();
    else if (url === '/round') response.writeHead(302, { location: '/round' }).end();
    else if (url === '/moved') response.writeHead(301, { location: '/here' }).end();
    else if (url === '/here') response.writeHead(200, html).end(Buffer.from('<p>caf\xe9</p>', 'latin1'));
    else if (url === '/bomb')
      response.writeHead(200, { ...html, 'content-encoding': 'gzip' }).end(gzipSync(Buffer.alloc(200_000_000)));
    else if (url === '/zip') response.writeHead(200, { 'content-type': 'application/zip' }).end('PK');
    else response.writeHead(404).end();
  });
  const said = async (path: string) => {
    const { status, body } = await ida.send('POST', PAGES, { address: site1.url + path });
    return [status, body.error ?? body];
  };
  expect(await said('/inside')).toEqual([403, expect.stringContaining('127.0.0.2 is no address of the public internet')]);
  expect(await said('/round')).toEqual([409, expect.stringContaining('leads on from page to page more than 5 times')]);
  expect(await said('/moved')).toEqual([200, { is: 'page', address: `${site1.url}/here`, text: '<p>café</p>' }]);
  expect(await said('/bomb')).toEqual([413, expect.stringContaining('is more than 977 KB')]);
  expect(await said('/zip')).toEqual([409, expect.stringContaining('At this address is application/zip, no page')]);
  expect(await said('/gone')).toEqual([409, expect.stringContaining('answered with 404')]);
  expect(new Set(asked)).toEqual(new Set(['']));
  site1.close();
});

test('the operator may close the way out, and without a setting only the public internet is open', async () => {
  for (const [setting, sentence] of [
    ['off', 'This server reaches out to nobody'],
    ['public', '127.0.0.1 is no address of the public internet'],
  ] as const) {
    const closed = await startTestServer(`closed-${setting}`, 'demo', { BREAKWATER_REACH: setting });
    const visitor = await Visitor.demo(closed, 'ida');
    expect(await visitor.send('POST', PAGES, { address: 'http://127.0.0.1/' })).toEqual({
      status: 403,
      body: { error: expect.stringContaining(sentence) },
    });
    await closed.close();
  }
});
