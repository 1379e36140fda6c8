/** Several instances on one database behind a small proxy, ended without warning while people edit. */
import { once } from 'node:events';
import { createServer, request, type Server } from 'node:http';
import { setTimeout as pause } from 'node:timers/promises';
import { counted } from '../../ops/load/faults';
import { Installation, type Instance } from '../../ops/load/installation';
import { testPort } from '../test-server';

const BRAND = 'quillhaven';
const EDITORS = 8;
const EVERY_MS = 40;

let installation: Installation;
let instances: Instance[];
let proxy: Server;
let url: string;
beforeAll(async () => {
  const port = await testPort();
  url = `http://127.0.0.1:${port}`;
  installation = await Installation.make({ BREAKWATER_ORIGIN: url, BREAKWATER_PROXY: '127.0.0.1', BREAKWATER_LOG: 'fatal' });
  instances = [await installation.serve(), await installation.serve()];
  proxy = createServer(takingTurns()).listen(port, '127.0.0.1');
  await once(proxy, 'listening');
});
afterAll(async () => {
  proxy.close();
  proxy.closeAllConnections();
  await installation.close();
});

/** Hands each request to the next instance; one that is not there is answered for with 502, as proxies do. */
function takingTurns(): Parameters<typeof createServer>[1] {
  let turn = 0;
  return (asked, answer) => {
    const { port } = new URL(instances[turn++ % instances.length]!.url);
    const headers = { ...asked.headers, 'x-forwarded-for': asked.socket.remoteAddress };
    const passed = request({ host: '127.0.0.1', port, path: asked.url, method: asked.method, headers }, (response) => {
      answer.writeHead(response.statusCode!, response.headers);
      response.pipe(answer);
      response.on('error', () => answer.destroy());
    });
    passed.on('error', () => (answer.headersSent ? answer.destroy() : answer.writeHead(502).end()));
    answer.on('close', () => passed.destroy());
    asked.pipe(passed);
  };
}

test('changes cross between instances; with instances and the database killed in mid-save, none that was acknowledged is lost or twice', async () => {
  const people = await installation.editors(EDITORS, { ...instances[0]!, url }, () => BRAND);
  // One after the other, so that both instances have some who listen.
  for (const editor of people) await editor.listen(0);
  await people[0]!.send(3);
  const last = Math.max(...people[0]!.kept.map(({ seq }) => seq));
  while (people.some(({ heard }) => !heard.includes(last))) await pause(20);

  let going = true;
  const working = people.map((editor) => editor.persist(EVERY_MS, () => going));
  for (const at of [0, 1, 0]) {
    await pause(500);
    instances[at] = await installation.killServer(instances[at]!);
  }
  await pause(500);
  await installation.killDatabase();
  await pause(1_000);
  going = false;
  await Promise.all(working);
  for (const editor of people) editor.leave();
  const { kept, ...amiss } = await counted(installation, BRAND, people);
  expect(kept.length).toBeGreaterThan(EDITORS * 4);
  expect(amiss).toEqual({ lost: 0, twice: 0, elsewhere: 0, gaps: 0 });
});
