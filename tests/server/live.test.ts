/** Two instances of the application on one database: what is done at one is heard at the other. */
import type { ChildProcess } from 'node:child_process';
import { Client } from 'pg';
import { end, serve } from '../../ops/server';
import { startTestServer, testPort, Visitor, type TestServer } from '../test-server';

let first: TestServer;
let second: TestServer;
let server: ChildProcess;
beforeAll(async () => {
  first = await startTestServer('live');
  const port = await testPort();
  server = await serve(port, first.env);
  second = { ...first, url: `http://127.0.0.1:${port}` };
});
afterAll(async () => {
  await end(server);
  await first.close();
});

/** The events of a brand's stream, as they come; each begins by saying its build. @param presence those of who is here, or all others */
async function* events(visitor: Visitor, after: number, presence = false): AsyncGenerator<{ event: string; data: object }> {
  const { body } = await visitor.fetch(`/api/brands/quillhaven/events?after=${after}`);
  let text = '';
  for await (const chunk of body!.pipeThrough(new TextDecoderStream())) {
    text += chunk;
    for (let at = text.indexOf('\n\n'); at >= 0; at = text.indexOf('\n\n')) {
      const match = /event: (\w+)\ndata: (.*)$/m.exec(text.slice(0, at));
      text = text.slice(at + 2);
      if (match && match[1] !== 'build' && (match[1] === 'here') === presence)
        yield { event: match[1]!, data: JSON.parse(match[2]!) };
    }
  }
}

const rename = (name: string) => ({ do: 'palette.edit', id: 'core', set: { name } });

test('a change made at one instance reaches a page at the other', async () => {
  const [ida, oren] = [await Visitor.demo(first, 'ida'), await Visitor.demo(second, 'oren')];
  const { seq } = (await oren.send('GET', '/api/brands/quillhaven')).body as { seq: number };
  const heard = events(oren, seq);
  const next = heard.next();
  await ida.change([rename('Slipway')], ['acrossinstances1']);
  const { value } = await next;
  expect(value).toMatchObject({ event: 'change', data: { key: 'acrossinstances1', by: 'Ida' } });
});

test('an instance that has the old document in hand answers with the newest, and knows a key the other took', async () => {
  const [ida, atOther] = [await Visitor.demo(first, 'ida'), await Visitor.demo(second, 'ida')];
  const { body, status } = await ida.change([rename('Mole')], ['knownkey1']);
  expect(status).toBe(200);
  const again = await atOther.change([rename('Mole')], ['knownkey1']);
  expect(again.body.outcomes).toEqual(body.outcomes);
  const { brand } = (await atOther.send('GET', '/api/brands/quillhaven')).body as { brand: { palettes: { name: string }[] } };
  expect(brand.palettes[0]!.name).toBe('Mole');
});

test('a release is told while its files are written, then by its number alone, and fetched by it', async () => {
  const [ida, oren] = [await Visitor.demo(first, 'ida'), await Visitor.demo(second, 'oren')];
  const { seq } = (await ida.send('GET', '/api/brands/quillhaven')).body as { seq: number };
  const heard = events(oren, seq);
  const next = heard.next();
  await ida.send('POST', '/api/brands/quillhaven/releases', { seq, note: '' });
  const told = [(await next).value];
  while (told.at(-1)!.event === 'writing') told.push((await heard.next()).value);
  const shares = told.slice(0, -1).map(({ data }) => data as { by: string; share: number });
  expect(shares.map(({ by }) => by)).toEqual(shares.map(() => 'Ida'));
  expect(shares.length).toBeGreaterThan(1);
  expect(shares.map(({ share }) => share)).toEqual(shares.map(({ share }) => share).sort());
  expect(shares.at(-1)!.share).toBe(1);
  expect(told.at(-1)).toEqual({ event: 'release', data: { number: 1 } });
  const { body } = await oren.send('GET', '/api/brands/quillhaven/releases/1');
  expect(body).toMatchObject({ number: 1, document: { id: 'quillhaven' } });
  // Whoever comes later is told at once, and of nothing that they know.
  expect((await events(oren, seq).next()).value).toEqual({ event: 'release', data: { number: 1 } });
});

test('who is here is told to all, whichever instance they are at, when somebody comes and when somebody leaves', async () => {
  const [ida, wim] = [await Visitor.demo(first, 'ida'), await Visitor.demo(second, 'wim')];
  const heard = events(ida, 0, true);
  const isTold = async (wanted: boolean) => {
    for (;;) {
      const { value } = await heard.next();
      if ((value!.data as { name: string }[]).some(({ name }) => name === 'Wim') === wanted) return true;
    }
  };
  expect(await isTold(false)).toBe(true);
  const leaving = new AbortController();
  await wim.fetch('/api/brands/quillhaven/events?after=0', { signal: leaving.signal });
  expect(await isTold(true)).toBe(true);
  leaving.abort();
  expect(await isTold(false)).toBe(true);
});

test('colours sent from one page are told to the person’s others at every instance, and to nobody else', async () => {
  const [ida, oren] = [await Visitor.demo(first, 'ida'), await Visitor.demo(second, 'oren')];
  const atDesk = await Visitor.demo(second, 'ida');
  const { seq } = (await ida.send('GET', '/api/brands/quillhaven')).body as { seq: number };
  const [desk, others] = [events(atDesk, seq), events(oren, seq)];
  // A release is told first of all, now that there is one: both streams stand.
  await Promise.all([desk.next(), others.next()]);
  const colours = [{ name: 'Rust', value: '#8a3b12' }];
  const sending = { id: 'sending1', page: 'phone1', source: 'Camera.png', colours };
  const next = desk.next();
  expect((await ida.send('POST', '/api/brands/quillhaven/caught', sending)).status).toBe(200);
  expect((await ida.send('POST', '/api/brands/quillhaven/caught', sending)).status).toBe(200);
  expect((await next).value).toMatchObject({ event: 'caught' });
  expect((await atDesk.send('GET', '/api/brands/quillhaven/caught')).body).toEqual({ caught: [sending] });
  expect((await oren.send('GET', '/api/brands/quillhaven/caught')).body).toEqual({ caught: [] });
  const theirs = others.next();
  await ida.change([rename('Told')]);
  expect((await theirs).value).toMatchObject({ event: 'change' });
  for (const bad of [
    { ...sending, id: 'b', colours: [{ name: 'x', value: 'no' }] },
    { ...sending, id: 'b', colours: Array(257).fill(colours[0]) },
  ])
    expect((await ida.send('POST', '/api/brands/quillhaven/caught', bad)).status).toBe(400);
});

test('so many pages of one person listen, and the next is told so; others are not kept out', async () => {
  const petra = await Visitor.demo(first, 'petra');
  const listen = (visitor: Visitor) => visitor.fetch('/api/brands/quillhaven/events?after=0');
  const open = await Promise.all(Array.from({ length: 30 }, () => listen(petra)));
  expect(await (await listen(petra)).text()).toMatch(/event: refused\ndata: .*30 pages/);
  const another = (await listen(await Visitor.demo(first, 'wim'))).body!.getReader();
  let heard = '';
  while (!heard.includes('event: change')) heard += new TextDecoder().decode((await another.read()).value);
  await another.cancel();
  await Promise.all(open.map(({ body }) => body!.cancel()));
});

test('who has no part in the brand any more hears nothing more of it', async () => {
  const wim = await Visitor.demo(first, 'wim');
  const text = (await wim.fetch('/api/brands/quillhaven/events?after=0')).text();
  const database = new Client({ connectionString: first.env.BREAKWATER_DATABASE_URL });
  await database.connect();
  await database.query("DELETE FROM memberships WHERE person_id = 'demo-wim'");
  // The stream ends, or this never does.
  await text;
  expect((await wim.fetch('/api/brands/quillhaven/events?after=0')).status).toBe(404);
  await database.query(
    "INSERT INTO memberships (person_id, organisation_id, role) SELECT 'demo-wim', organisation_id, 'viewer' FROM brands",
  );
  await database.end();
});

test('asked to end while a page listens, an instance ends the stream and goes by itself', async () => {
  const heard = (await Visitor.demo(second, 'wim')).fetch('/api/brands/quillhaven/events?after=0');
  const text = (await heard).text();
  // 1 would be its own end by force, null ours.
  expect(await end(server)).toBe(0);
  expect(await text).toContain('retry: 1000');
});
