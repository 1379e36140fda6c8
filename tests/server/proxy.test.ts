/** The proxy that docs/operations.md describes, nginx of Debian's packages, in front of a server: it lets through what Breakwater takes. */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startTestServer, testPort, Visitor, type TestServer } from '../test-server';

let server: TestServer;
let proxy: ChildProcess;
let behind: TestServer;
const folder = mkdtempSync(join(tmpdir(), 'breakwater-proxy-'));

/** The documented server, on a port of this machine and without TLS. */
function configuration(port: number): string {
  const documented = /```nginx\n([^]*?)```/.exec(readFileSync('docs/operations.md', 'utf8'))![1]!;
  const here = documented
    .replace('listen 443 ssl', `listen 127.0.0.1:${port}`)
    .replace(/ *ssl_certificate.*\n/g, '')
    .replace('server_name colours.example', 'server_name 127.0.0.1')
    .replace('http://127.0.0.1:3000', server.url)
    .replace('Host $host;', 'Host $http_host;');
  const paths = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map((name) => `${name}_temp_path ${folder}/${name};`);
  return `daemon off; user root; pid ${folder}/pid; error_log ${folder}/error.log; events {}\nhttp { access_log off; ${paths.join(' ')}\n${here}}`;
}

beforeAll(async () => {
  const port = await testPort();
  const origin = `http://127.0.0.1:${port}`;
  server = await startTestServer('proxy', 'demo', { BREAKWATER_ORIGIN: origin, BREAKWATER_PROXY: '127.0.0.1' });
  writeFileSync(join(folder, 'nginx.conf'), configuration(port));
  proxy = spawn('/usr/sbin/nginx', ['-c', join(folder, 'nginx.conf')], { stdio: 'inherit' });
  behind = { ...server, url: origin };
  for (let answered = false; !answered;) {
    answered = await fetch(`${origin}/icon.svg`).then(
      ({ ok }) => ok,
      () => false,
    );
    if (!answered) await new Promise((resolve) => setTimeout(resolve, 50));
  }
}, 30_000);
afterAll(async () => {
  proxy.kill();
  await server.close();
  rmSync(folder, { recursive: true, force: true });
});

test('hosts and archives of the sizes that are taken come through, and live news at once', async () => {
  const ida = await Visitor.demo(behind, 'ida');
  const give = (path: string, bytes: Buffer) =>
    ida.fetch(path, { method: 'POST', headers: { origin: behind.url }, body: new Uint8Array(bytes) });
  const host = Buffer.from(`# ${'x'.repeat(19 * 1024 * 1024)}\nink = #1f6f78\n`);
  expect((await give('/api/brands/quillhaven/hosts', host)).status).toBe(200);
  // Breakwater itself answers, by its sentence, to what it would not take: the largest archive that it reads, and a byte more than a host.
  const answer = async (response: Response) => ((await response.json()) as { error: string }).error;
  expect(await answer(await give('/api/organisations/quillhaven/archives', Buffer.alloc(128 * 1024 * 1024)))).toContain(
    'archive',
  );
  expect(await answer(await give('/api/brands/quillhaven/hosts', Buffer.alloc(20 * 1024 * 1024 + 1)))).toContain('20 MB');

  const stream = await ida.fetch('/api/brands/quillhaven/events?after=1000000&page=p', { headers: {} });
  const reader = stream.body!.getReader();
  const first = await reader.read();
  expect(new TextDecoder().decode(first.value)).toContain('event: build');
  await reader.cancel();
  for (const path of ['/health', '/metrics']) expect((await fetch(behind.url + path)).status).toBe(404);
}, 60_000);
