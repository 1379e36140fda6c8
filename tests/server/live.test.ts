/** Two instances of the application on one database: what is done at one is heard at the other. */
import type { ChildProcess } from 'node:child_process';
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
  leaving.abort();
  await end(server);
  await first.close();
});

/** Ends the open streams, which would hold the servers up. */
const leaving = new AbortController();

/** The events of a brand's stream, as they come. */
async function* events(visitor: Visitor, after: number): AsyncGenerator<{ event: string; data: { key: string; by: string } }> {
  const { body } = await visitor.fetch(`/api/brands/quillhaven/events?after=${after}`, { signal: leaving.signal });
  let text = '';
  for await (const chunk of body!.pipeThrough(new TextDecoderStream())) {
    text += chunk;
    for (let at = text.indexOf('\n\n'); at >= 0; at = text.indexOf('\n\n')) {
      const match = /event: (\w+)\ndata: (.*)$/m.exec(text.slice(0, at));
      text = text.slice(at + 2);
      if (match) yield { event: match[1]!, data: JSON.parse(match[2]!) };
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
