/** What somebody with a part in a brand could send to harm everybody: each is answered with a sentence, and the server goes on. */
import { newId } from '@/core/brand/document/identity';
import { startTestServer, Visitor, type TestServer } from '../test-server';

const BRAND = '/api/brands/quillhaven';

let server: TestServer;
let ida: Visitor;
let oren: Visitor;
beforeAll(async () => {
  server = await startTestServer('hostile', 'demo', { BREAKWATER_REACH: '127.0.0.1/32' });
  [ida, oren] = await Promise.all([Visitor.demo(server, 'ida'), Visitor.demo(server, 'oren')]);
});
afterAll(() => server.close());

const seqNow = async () => ((await ida.send('GET', BRAND)).body as { seq: number }).seq;
const give = (path: string, bytes: Uint8Array) =>
  oren.fetch(`${BRAND}/${path}`, { method: 'POST', headers: { origin: server.url }, body: Buffer.from(bytes) });

test('a profile that claims four thousand million tags is refused at once, and keeps nobody waiting', async () => {
  const claims = Buffer.alloc(132);
  claims.writeUInt32BE(132);
  claims.write('prtrCMYKLab ', 12, 'latin1');
  claims.write('acsp', 36, 'latin1');
  claims.writeUInt32BE(0xffff_ffff, 128);
  const [refused, asked] = await Promise.all([give('print-profiles', claims), ida.send('GET', BRAND)]);
  expect([refused.status, ((await refused.json()) as { error: string }).error]).toEqual([
    400,
    'This is no ICC profile of a printing condition; one for cyan, magenta, yellow and black is wanted.',
  ]);
  expect(asked.status).toBe(200);
});

test('JSON that is nested deep is refused as deep, whatever carries it, and everything is written as before', async () => {
  const before = await seqNow();
  const deep = `${'['.repeat(2_000)}${']'.repeat(2_000)}`;
  const destination = (options: string) =>
    `{"changes":[{"key":"${newId()}","command":{"label":"x","steps":[{"do":"destination.add","destination":{"id":"deep","name":"Deep","format":"css","options":${options}},"before":null}]}}]}`;
  const sentence = { status: 400, body: { error: 'This is nested more than 60 levels deep; nothing here is.' } };
  expect(await oren.send('POST', `${BRAND}/changes`, destination(`{"a":${deep}}`))).toMatchObject(sentence);
  for (const path of [`${BRAND}/releases`, `${BRAND}/sign-offs`, `${BRAND}/caught`])
    expect(await oren.send('POST', path, deep)).toMatchObject(sentence);
  // As deep as is allowed is kept, and written.
  const nested = `${'['.repeat(40)}${']'.repeat(40)}`;
  expect((await oren.send('POST', `${BRAND}/changes`, destination(`{"a":${nested}}`))).body).toMatchObject({
    outcomes: [{ seq: before + 1 }],
  });
  const sheet = await ida.fetch(`${BRAND}/sheet?as=html&parts=palettes`);
  expect(sheet.status).toBe(200);
  await oren.change([{ do: 'destination.remove', id: 'deep' }]);
});

test('colours that are sent under an id of somebody else are not said to be kept', async () => {
  const caught = { id: newId(), page: 'p', source: 'Phone', colours: [{ name: 'Sea', value: '#1f6f78' }] };
  const first = await ida.send('POST', `${BRAND}/caught`, caught);
  expect([first.status, (await ida.send('POST', `${BRAND}/caught`, caught)).status]).toEqual([200, 200]);
  expect(await oren.send('POST', `${BRAND}/caught`, caught)).toMatchObject({ status: 409 });
  expect((await oren.send('GET', `${BRAND}/caught`)).body).toEqual({ caught: [] });
});

describe('a token that reports', () => {
  const report = (secret: string, screen: string, colour = '#101010') => ({
    path: `/consumer/quillhaven/screens/${screen}/readings`,
    init: {
      method: 'POST',
      headers: { authorization: `Bearer ${secret}`, 'content-type': 'application/json' },
      body: JSON.stringify([{ theme: 'day', seen: [{ colour, token: 'surface.page', share: 1, where: 'body', state: 'rest' }] }]),
    },
  });
  const token = async () => {
    const made = await ida.send('POST', `${BRAND}/build-tokens`, { name: 'Page', fetches: false, reports: true });
    return (made.body as { secret: string }).secret;
  };
  const status = async ({ path, init }: ReturnType<typeof report>) => {
    const response = await fetch(server.url + path, init);
    await response.body?.cancel();
    return response.status;
  };

  test('speaks for the screen that it first reported of, and for no other', async () => {
    await ida.send('POST', `${BRAND}/releases`, { seq: await seqNow(), note: '' });
    const secret = await token();
    expect(await status(report(secret, 'nowhere'))).toBe(404);
    expect(await status(report(secret, 'booking'))).toBe(200);
    expect(await status(report(secret, 'console'))).toBe(403);
    expect(await status(report(await token(), 'console'))).toBe(200);
  });

  test('is slowed, and drift that comes and goes is told once in a while', async () => {
    await ida.send('POST', `${BRAND}/webhooks`, { address: 'http://127.0.0.1:9/hook', events: ['drift'] });
    const secret = await token();
    const all: number[] = [];
    for (let n = 0; n < 40; n++) all.push(await status(report(secret, 'dashboard', n % 2 ? '#101010' : '#f2f7f6')));
    expect([all.slice(0, 30).every((one) => one === 200), all.slice(30).every((one) => one === 429)]).toEqual([true, true]);
    const { webhooks } = (await ida.send('GET', `${BRAND}/webhooks`)).body as { webhooks: { deliveries: unknown[] }[] };
    expect(webhooks[0]!.deliveries).toHaveLength(1);
  });
});
