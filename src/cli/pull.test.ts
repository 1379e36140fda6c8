/** What a server may answer, by one of the test's own that answers as each test wants. */
import { createHash } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { breakwater } from '../../tests/command-line';

let server: Server;
let address: string;
let folder: string;
let asked: { path: string; authorization: string | undefined }[];
let answer: (path: string, response: ServerResponse, request: IncomingMessage) => void;
beforeAll(async () => {
  server = createServer((request, response) => {
    asked.push({ path: request.url!, authorization: request.headers.authorization });
    answer(request.url!, response, request);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/deliver/b`;
});
afterAll(() => new Promise((resolve) => server.close(resolve)));
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'breakwater-pull-'));
  asked = [];
  process.env.BREAKWATER_TOKEN = 'bwb_secret';
});
afterEach(() => {
  rmSync(folder, { recursive: true });
  delete process.env.BREAKWATER_TOKEN;
});

const pull = (...args: string[]) => breakwater('pull', address, '--out', join(folder, 'out'), ...args);
const HOST = () => new URL(address).host;

interface Entry {
  path: string;
  format: string;
  mediaType: string;
  bytes: number;
  sha256: string;
}
const entry = (path: string, text: string): Entry => ({
  path,
  format: 'css',
  mediaType: 'text/css',
  bytes: Buffer.byteLength(text),
  sha256: createHash('sha256').update(text).digest('hex'),
});
/** A server with a release of these files. */
function release(number: string, files: Record<string, string>, entries = Object.entries(files).map(([p, t]) => entry(p, t))) {
  answer = (path, response) => {
    response.setHeader('x-breakwater-release', number);
    if (path.endsWith('/manifest.json')) return response.end(JSON.stringify({ files: entries }));
    const text = files[decodeURIComponent(path.replace(/^\/deliver\/b\/\d+\//, ''))];
    response.statusCode = text === undefined ? 404 : 200;
    response.end(text);
  };
}

test('the files of a release, asked for by its number and with the token, and put in place', async () => {
  release('7', { 'css/a b.css': 'one', 'c.css': 'two' });
  const { status, stdout, stderr } = await pull();
  expect([status, stderr]).toEqual([0, 'breakwater: release 7\n']);
  expect(stdout.split('\n')).toEqual([expect.stringMatching(/^[0-9a-f]{12} {9}3 {2}css\/a b\.css$/), expect.any(String), '']);
  expect(asked).toEqual(
    ['latest/manifest.json', '7/css/a%20b.css', '7/c.css'].map((path) => ({
      path: `/deliver/b/${path}`,
      authorization: 'Bearer bwb_secret',
    })),
  );
  expect(readFileSync(join(folder, 'out/css/a b.css'), 'utf8')).toBe('one');
  expect((await pull('--check')).status).toBe(0);
  release('8', { 'css/a b.css': 'new', 'c.css': 'two' });
  expect(await pull('--check')).toMatchObject({
    status: 4,
    stderr: `breakwater: ${join(folder, 'out')} is not up to date: css/a b.css.\n`,
  });
  expect(readFileSync(join(folder, 'out/css/a b.css'), 'utf8')).toBe('one');
  expect(JSON.parse((await pull('--release', '8', '--json')).stdout)).toEqual({
    files: [entry('css/a b.css', 'new'), entry('c.css', 'two')].map(({ format, path, bytes, sha256 }) => ({
      format,
      path,
      bytes,
      sha256,
    })),
  });
  expect(asked.at(-3)!.path).toBe('/deliver/b/8/manifest.json');
  release('12', {});
  expect((await pull('--release', '12')).stderr).toBe('breakwater: release 12\n');
});

test('more files than are fetched side by side all come, each once', async () => {
  const files = Object.fromEntries(Array.from({ length: 20 }, (_, n) => [`${n}.css`, `text ${n}`]));
  release('1', files);
  expect((await pull()).status).toBe(0);
  expect(
    Object.fromEntries(readdirSync(join(folder, 'out')).map((path) => [path, readFileSync(join(folder, 'out', path), 'utf8')])),
  ).toEqual(files);
  expect(new Set(asked.map(({ path }) => path)).size).toBe(asked.length);
});

const status =
  (code: number, headers: Record<string, string> = {}): typeof answer =>
  (_path, response) =>
    response.writeHead(code, { 'x-breakwater-release': '1', ...headers }).end('{}');
const manifest =
  (files: unknown): typeof answer =>
  (_path, response) =>
    response.writeHead(200, { 'x-breakwater-release': '1' }).end(JSON.stringify({ files }));

test.each<[string, typeof answer, number, string]>([
  ['401', status(401), 3, 'the server does not take this token; make a new one under Ship.'],
  ['403', status(403), 3, 'the server does not take this token; make a new one under Ship.'],
  ['404', status(404), 3, 'ADDRESS/latest/manifest.json is not there: no such brand or release for this token.'],
  ['500', status(500), 1, 'HOST answered 500; nothing was written.'],
  [
    'a way to elsewhere, which would be handed the token',
    status(302, { location: 'http://127.0.0.1:1/' }),
    1,
    'HOST answered 302; nothing was written.',
  ],
  [
    'something that is no list',
    (_path, response) => response.writeHead(200, { 'x-breakwater-release': '1' }).end('<html>'),
    1,
    'ADDRESS answers, but not as Breakwater does; look at the address.',
  ],
  [
    'no release',
    (_path, response) => response.end('{"files":[]}'),
    1,
    'ADDRESS answers, but not as Breakwater does; look at the address.',
  ],
  ['a list of another shape', manifest([{ path: 'a' }]), 1, 'ADDRESS answers, but its list of files is not as it should be.'],
  ['a file without a path', manifest([entry('', 'x')]), 1, 'ADDRESS answers, but its list of files is not as it should be.'],
  [
    'a path of endless length',
    manifest([entry('x'.repeat(501), 'x')]),
    1,
    'ADDRESS answers, but its list of files is not as it should be.',
  ],
  [
    'a file of more than 32 MB',
    manifest([{ ...entry('a', 'x'), bytes: 32 * 1024 * 1024 + 1 }]),
    1,
    'ADDRESS answers, but its list of files is not as it should be.',
  ],
  [
    'a size below nothing',
    manifest([{ ...entry('a', 'x'), bytes: -1 }]),
    1,
    'ADDRESS answers, but its list of files is not as it should be.',
  ],
  [
    'a hash with more behind it',
    manifest([{ ...entry('a', 'x'), sha256: `${'0'.repeat(64)}\n` }]),
    1,
    'ADDRESS answers, but its list of files is not as it should be.',
  ],
  [
    'more than 50000 files',
    manifest(Array.from({ length: 50_001 }, () => ({ ...entry('a', 'x'), mediaType: '' }))),
    1,
    'ADDRESS answers, but its list of files is not as it should be.',
  ],
  [
    'more than 256 MB',
    manifest(Array.from({ length: 9 }, () => ({ ...entry('a', 'x'), bytes: 32 * 1024 * 1024 }))),
    1,
    'the release is larger than 256 MB.',
  ],
])('%s: one sentence, and nothing is written', async (_name, answering, code, line) => {
  answer = answering;
  const told = line.replace('ADDRESS', address).replace('HOST', HOST());
  expect(await pull()).toEqual({ status: code, stdout: '', stderr: `breakwater: ${told}\n` });
  expect(readdirSync(folder)).toEqual([]);
});

test('nobody there', async () => {
  const gone = createServer();
  await new Promise<void>((resolve) => gone.listen(0, '127.0.0.1', resolve));
  const { port } = gone.address() as AddressInfo;
  await new Promise((resolve) => gone.close(resolve));
  expect(await breakwater('pull', `http://127.0.0.1:${port}/deliver/b`, '--out', join(folder, 'out'))).toEqual({
    status: 1,
    stdout: '',
    stderr: `breakwater: 127.0.0.1:${port} cannot be reached (ECONNREFUSED); nothing was written.\n`,
  });
});

test('a file that is another than the list says, or out of the folder, or not there: none is written', async () => {
  const files = { 'a.css': 'one', 'b.css': 'two' };
  release('1', files, [entry('a.css', 'one'), { ...entry('b.css', 'two'), sha256: entry('b.css', 'owt').sha256 }]);
  expect(await pull()).toMatchObject({
    status: 1,
    stderr: 'breakwater: b.css is not what the release says it is; nothing was written.\n',
  });
  release('1', { 'a.css': 'one', '../\u001b[2Jb.css': 'two' });
  expect(await pull()).toMatchObject({
    status: 2,
    stderr: 'breakwater: “../·[2Jb.css” leads out of the folder; nothing was written.\n',
  });
  // Found before anything is asked for.
  expect(asked.at(-1)!.path).toBe('/deliver/b/latest/manifest.json');
  release('1', files, [entry('a.css', 'one'), entry('c.css', 'three')]);
  expect((await pull()).stderr).toBe(`breakwater: ${address}/1/c.css is not there: no such brand or release for this token.\n`);
  expect(readdirSync(folder)).toEqual([]);
});

test('an answer without end is left when it is larger than it may be', async () => {
  let closed = false;
  answer = (_path, response, request) => {
    request.on('close', () => (closed = true));
    response.writeHead(200, { 'x-breakwater-release': '1' });
    const more = () => {
      while (!closed && response.write(Buffer.alloc(1024 * 1024)));
      if (!closed) response.once('drain', more);
    };
    more();
  };
  expect((await pull()).stderr).toBe(`breakwater: ${address}/latest/manifest.json is larger than 32 MB; nothing was written.\n`);
});

test.each([
  [['--release', '0'], '“0” is no release; give its number, or latest.', 2],
  [['--release', '../1'], '“../1” is no release; give its number, or latest.', 2],
  [['--release', '12345678'], '“12345678” is no release; give its number, or latest.', 2],
])('%j asks nobody', async (args, line, code) => {
  expect(await pull(...args)).toEqual({ status: code, stdout: '', stderr: `breakwater: ${line}\n` });
  expect(asked).toEqual([]);
});

test('an address of another kind and a token that is not set ask nobody', async () => {
  for (const other of ['colours.example', 'ftp://colours.example/b', 'file:///etc/passwd', 'xhttps://colours.example'])
    expect((await breakwater('pull', other, '--out', folder)).stderr).toBe(
      `breakwater: “${other}” is no address; it looks like https://colours.example/deliver/BRAND.\n`,
    );
  delete process.env.BREAKWATER_TOKEN;
  expect(await pull()).toEqual({
    status: 3,
    stdout: '',
    stderr: 'breakwater: set BREAKWATER_TOKEN to a token for builds; one is made under Ship.\n',
  });
  expect(asked).toEqual([]);
});
