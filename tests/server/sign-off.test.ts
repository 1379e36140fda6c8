/** What a release wants, and who says it: asked of the server itself, as no page would. */
import { Client } from 'pg';
import { newId } from '@/core/brand/document/identity';
import { startTestServer, Visitor, type TestServer } from '../test-server';

const BRAND = '/api/brands/quillhaven';

let server: TestServer;
let ida: Visitor;
let oren: Visitor;
let petra: Visitor;
beforeAll(async () => {
  server = await startTestServer('signoff');
  [ida, oren, petra] = await Promise.all([
    Visitor.demo(server, 'ida'),
    Visitor.demo(server, 'oren'),
    Visitor.demo(server, 'petra'),
  ]);
});
afterAll(() => server.close());

const seqNow = async () => ((await ida.send('GET', BRAND)).body as { seq: number }).seq;
const paint = (who: Visitor, value: string) => who.change([{ do: 'swatch.edit', id: 'core-shoal', set: { value } }]);
const release = async (who: Visitor) => who.send('POST', `${BRAND}/releases`, { seq: await seqNow(), note: '' });
const ask = async (who: Visitor) => {
  const id = newId();
  const { status, body } = await who.send('POST', `${BRAND}/sign-offs`, { id, title: 'Winter colours', note: 'Please look.' });
  return { id, status, body };
};
const say = async (who: Visitor, signOff: string, kind: string, text = 'So.', about: string | null = null) =>
  who.send('POST', `${BRAND}/sign-offs/${signOff}/remarks`, { id: newId(), kind, about, seq: await seqNow(), text });
const rule = (set: object) =>
  ida.send('PATCH', `${BRAND}/rule`, { approvals: 0, releasers: 'owners and editors', newErrors: 'told', ...set });

test('a release waits for the approvals that its brand wants, of people who saw what is released', async () => {
  expect((await rule({ approvals: 1 })).status).toBe(200);
  expect(await release(oren)).toMatchObject({
    status: 409,
    body: { error: expect.stringContaining('wants 1 person to approve') },
  });
  const { id } = await ask(oren);
  expect((await ask(ida)).body.error).toContain('under way already');
  expect((await say(oren, id, 'approve')).body.error).toContain('somebody else approves it');
  expect((await say(petra, id, 'comment', 'Too dark by night?', 'core-shoal')).status).toBe(200);
  expect((await say(petra, id, 'approve', '')).status).toBe(200);
  expect((await paint(oren, '#123456')).status).toBe(200);
  expect((await release(oren)).body.error).toContain('earlier approvals did not see the latest changes');
  expect((await say(petra, id, 'ask', 'Lighter, please.')).status).toBe(200);
  expect((await release(ida)).body.error).toContain('Petra asked for changes');
  expect((await say(petra, id, 'approve', '')).status).toBe(200);
  // As if another program had written the files then.
  const client = new Client({ connectionString: server.env.BREAKWATER_DATABASE_URL });
  await client.connect();
  await client.query("UPDATE remarks SET writer = 'another'");
  await client.end();
  expect((await release(oren)).body.error).toContain('Breakwater was updated since earlier approvals');
  expect((await say(petra, id, 'approve', '')).status).toBe(200);
  expect(await release(oren)).toMatchObject({ status: 200, body: { number: 1 } });
  const { releases } = (await ida.send('GET', `${BRAND}/releases`)).body;
  expect(releases[0]).toMatchObject({ number: 1, by: 'Oren', signedBy: ['Petra'] });
  const { signOffs } = (await ida.send('GET', `${BRAND}/sign-offs`)).body;
  expect(signOffs[0]).toMatchObject({ id, outcome: 'released', release: 1, by: 'Oren' });
  expect((await say(petra, id, 'comment')).status).toBe(409);
});

test('an approval of somebody who has no part in reviews any more does not count', async () => {
  await rule({ approvals: 1 });
  await paint(oren, '#234567');
  const { id } = await ask(oren);
  await say(petra, id, 'approve', '');
  const { Client } = await import('pg');
  const database = new Client({ connectionString: server.env.BREAKWATER_DATABASE_URL });
  await database.connect();
  await database.query(`UPDATE memberships SET role = 'viewer' WHERE person_id = 'demo-petra'`);
  expect((await release(oren)).body.error).toContain('1 person has to approve it');
  await database.query(`UPDATE memberships SET role = 'reviewer' WHERE person_id = 'demo-petra'`);
  await database.end();
  expect((await release(oren)).status).toBe(200);
});

test('owners alone release where the rule says so; a review is withdrawn by who asked for it or an owner', async () => {
  await rule({ releasers: 'owners' });
  await paint(oren, '#345678');
  expect((await release(oren)).body.error).toContain('made by its owners');
  const { id } = await ask(ida);
  const withdraw = (who: Visitor) => who.send('DELETE', `${BRAND}/sign-offs/${id}`, {});
  expect([(await withdraw(petra)).status, (await withdraw(oren)).status, (await withdraw(ida)).status]).toEqual([403, 403, 200]);
  expect((await release(ida)).status).toBe(200);
});

test('an error that the last release did not have stops it where the rule says so', async () => {
  await rule({ newErrors: 'stop' });
  // The page's ground becomes the colour of its text.
  const { brand } = (await ida.send('GET', BRAND)).body;
  const token = (path: string) => brand.tokens.find((each: { path: string }) => each.path === path).id;
  await oren.change([{ do: 'token.set', id: token('text.default'), set: { day: { token: token('surface.page') } } }]);
  expect(await release(oren)).toMatchObject({ status: 409, body: { error: expect.stringContaining('no error that the last') } });
  await rule({});
  expect((await release(oren)).status).toBe(200);
});

test('what is said is bounded and harmless, and what is not there is said to be so', async () => {
  await paint(oren, '#456789');
  const { id } = await ask(oren);
  const remark = { id: newId(), kind: 'comment', about: null, seq: 0, text: 'x' };
  const send = (path: string, body: object) => petra.send('POST', `${BRAND}/sign-offs/${path}/remarks`, body);
  expect((await send(id, { ...remark, text: 'x'.repeat(2_001) })).status).toBe(400);
  expect((await send(id, { ...remark, text: '\u0000' })).status).toBe(400);
  expect((await send(id, { ...remark, seq: 1_000_000 })).body.error).toContain('no change 1000000');
  expect((await send('none%00', remark)).status).toBe(404);
  expect((await send(id, remark)).status).toBe(200);
  // Sent again after a lost answer.
  expect((await send(id, remark)).status).toBe(200);
  const settle = (of: string) => oren.send('PATCH', `${BRAND}/sign-offs/${id}/remarks/${of}`, { closed: true });
  expect([(await settle('none')).status, (await settle(remark.id)).status]).toEqual([404, 200]);
  const { signOffs } = (await ida.send('GET', `${BRAND}/sign-offs`)).body;
  expect(signOffs[0].remarks).toEqual([expect.objectContaining({ text: 'x', by: 'Petra', closedBy: 'Oren' })]);
});

test('the brand as it was after any change is what it was then', async () => {
  const seq = await seqNow();
  const values = ['#101010', '#202020', '#303030'];
  for (const value of values) await paint(ida, value);
  const value = async (at: number) => {
    const { document } = (await ida.send('GET', `${BRAND}/at/${at}`)).body;
    return document.palettes[0].swatches.find(({ id }: { id: string }) => id === 'core-shoal').value;
  };
  expect([await value(seq + 1), await value(seq + 2), await value(seq + 3)]).toEqual(values);
  expect((await ida.send('GET', `${BRAND}/at/${seq + 4}`)).body.error).toContain(`there is no change ${seq + 4} yet`);
});
