/** A brand whole as a file: out of one place, into another, and nothing of such a file is believed. */
import { strFromU8, strToU8, unzipSync, zipSync, type Unzipped } from 'fflate';
import { spawnSync } from 'node:child_process';
import { Client } from 'pg';
import { proofsOf } from '@/core/archive/proofs';
import { startTestServer, Visitor, type TestServer } from '../test-server';

const ORGANISATION = '/api/organisations/quillhaven';
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

let server: TestServer;
let ida: Visitor;
let archive: Uint8Array;
beforeAll(async () => {
  server = await startTestServer('archive');
  ida = await Visitor.demo(server, 'ida');
  const oren = await Visitor.demo(server, 'oren');
  await ida.change([{ do: 'swatch.edit', id: 'core-foam', set: { value: '#101010' } }]);
  await oren.change([{ do: 'palette.edit', id: 'core', set: { name: 'Slipway' } }]);
  await ida.fetch('/api/brands/quillhaven/pictures', { method: 'POST', body: PNG, headers: { origin: server.url } });
  const { seq } = (await ida.send('GET', '/api/brands/quillhaven')).body;
  expect((await ida.send('POST', '/api/brands/quillhaven/releases', { seq, title: 'Spring', note: 'For all' })).status).toBe(200);
  const held = await ida.send('PATCH', '/api/brands/quillhaven/screens/booking', { held: 1, name: 'Booking, held' });
  expect(held.status).toBe(200);
  const review = { id: 'review1', title: 'Look at it', note: '' };
  expect((await oren.send('POST', '/api/brands/quillhaven/sign-offs', review)).status).toBe(200);
  await ida.change([{ do: 'swatch.edit', id: 'core-foam', set: { value: '#202020' } }]);
  archive = new Uint8Array(await (await ida.fetch(`${ORGANISATION}/brands/quillhaven/archive`)).arrayBuffer());
});
afterAll(() => server.close());

async function imported(bytes: Uint8Array) {
  const response = await ida.fetch(`${ORGANISATION}/archives`, {
    method: 'POST',
    body: Buffer.from(bytes),
    headers: { origin: server.url },
  });
  return { status: response.status, ...((await response.json()) as { id: string; error: string }) };
}
const get = async (path: string) => (await ida.send('GET', `/api/brands/${path}`)).body;
const bytesAt = async (path: string) => Buffer.from(await (await ida.fetch(path)).arrayBuffer());

test('comes back with its history, its releases byte for byte, its pictures and its reviews; people of elsewhere are nobody here', async () => {
  const { id, status } = await imported(archive);
  expect(status).toBe(200);
  const [was, is] = [await get('quillhaven'), await get(id)];
  // Its name is taken here: with it comes one change more.
  expect([is.brand, is.seq]).toEqual([{ ...was.brand, id, name: `${was.brand.name} (imported)` }, was.seq + 1]);
  const told = async (brand: string) => {
    const { history } = await get(`${brand}/history`);
    return history.map(({ label, by, at }: { label: string; by: string; at: string }) => ({ label, by, at }));
  };
  const before = await told('quillhaven');
  expect(before.length).toBeGreaterThan(2);
  const [last, ...rest] = await told(id);
  expect(last).toMatchObject({ label: 'Import', by: 'Ida' });
  expect(rest).toEqual(before.map((one: { by: string }) => ({ ...one, by: `${one.by} (imported)` })));
  expect((await get(`${id}/at/1`)).document).toEqual({ ...(await get('quillhaven/at/1')).document, id });
  const [release] = (await get(`${id}/releases`)).releases;
  expect(release.imported).toBe('written again');
  expect(release).toMatchObject({ number: 1, title: 'Spring', version: '1.0.0', by: 'Ida (imported)' });
  for (const { path } of release.manifest)
    expect(await bytesAt(`/deliver/${id}/1/${path}`)).toEqual(await bytesAt(`/deliver/quillhaven/1/${path}`));
  const [picture] = Object.entries(unzipSync(archive)).find(([, bytes]) => PNG.equals(bytes))!;
  expect(await bytesAt(`/api/brands/${id}/pictures/${picture.slice('files/'.length)}`)).toEqual(PNG);
  const screens = async (brand: string) => (await get(`${brand}/screens`)).screens;
  expect(await screens(id)).toEqual(await screens('quillhaven'));
  expect(await screens(id)).toEqual(expect.arrayContaining([expect.objectContaining({ name: 'Booking, held', held: 1 })]));
  // What was under way there is over here, for those who would answer are not here.
  const { signOffs } = await get(`${id}/sign-offs`);
  expect(signOffs).toMatchObject([{ title: 'Look at it', outcome: 'withdrawn', by: 'Oren (imported)' }]);
  // It goes on as any other brand.
  const { seq } = is;
  expect((await ida.send('POST', `/api/brands/${id}/releases`, { seq, title: '', note: '' })).status).toBe(200);

  const database = new Client({ connectionString: server.env.BREAKWATER_DATABASE_URL });
  await database.connect();
  const elsewhere = async () => (await database.query('SELECT name FROM people WHERE of_brand = $1', [id])).rows.length;
  expect(await elsewhere()).toBe(2);
  await ida.send('PATCH', `${ORGANISATION}/brands/${id}`, { whereabouts: 'in the bin' });
  expect((await ida.send('DELETE', `${ORGANISATION}/brands/${id}`, {})).status).toBe(200);
  expect(await elsewhere()).toBe(0);
  await database.end();
});

/** The archive with one of its parts made another. */
function altered(change: (parts: Unzipped) => void): Uint8Array {
  const parts = unzipSync(archive);
  change(parts);
  return zipSync(parts);
}
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- it is made wrong on purpose
function head(change: (head: any) => void): Uint8Array {
  return altered((parts) => {
    const told: unknown = JSON.parse(strFromU8(parts['about.json']!));
    change(told);
    parts['about.json'] = strToU8(JSON.stringify(told));
  });
}
const lines = (change: (lines: string[]) => string[]) =>
  altered((parts) => {
    parts['history.jsonl'] = strToU8(change(strFromU8(parts['history.jsonl']!).split('\n')).join('\n'));
  });

test.each<[string, () => Uint8Array, string]>([
  ['no zip', () => strToU8('Dear all'), 'This is no archive of a brand'],
  ['another zip', () => zipSync({ 'readme.txt': strToU8('Dear all') }), 'This is no archive of a brand'],
  ['cut short', () => archive.subarray(0, archive.length / 2), 'archive'],
  ['unpacks to too much', () => zipSync({ 'about.json': [new Uint8Array(200 * 2 ** 20), { level: 1 }] }), 'more than 192 MB'],
  ['a change that is missing', () => lines(([first, , ...rest]) => [first!, ...rest]), 'is not in its place'],
  [
    'a change that does not apply',
    () => lines((all) => all.map((line) => line.replaceAll('core-foam', 'nowhere'))),
    'cannot be carried out',
  ],
  [
    'a change of a newer shape',
    () => lines((all) => all.map((line) => line.replace(/"version":\d+/, '"version":99'))),
    'newer Breakwater',
  ],
  [
    'a code changed in its history',
    () => lines((all) => all.map((line) => line.replace('#101010', '#111111'))),
    'The history of this archive up to release 1 is not the one it was made with',
  ],
  [
    'a code changed after its last release',
    () => lines((all) => all.map((line) => line.replace('#202020', '#212121'))),
    'The history of this archive after its last release is not the one',
  ],
  ['no JSON', () => lines(() => ['{']), 'line 1 of history.jsonl is no JSON'],
  ['a document of a newer shape', () => head((told) => (told.first.document.version = 99)), 'newer Breakwater'],
  ['nobody who did it', () => head((told) => (told.people = [])), 'who did'],
  ['a file outside', () => head((told) => (told.releases[0].files[0].path = '../../etc/passwd')), 'releases.0.files.0.path'],
  ['a page as a file', () => head((told) => (told.releases[0].files[0].mediaType = 'text/html\nx: y')), 'mediaType'],
  [
    'releases that overtake the log',
    () => head((told) => (told.releases[0].seq = 5_000)),
    'Release 1 of this archive is not in its place',
  ],
  ['a screen at no release', () => head((told) => (told.screens[0].held = 99)), 'The screen Operations dashboard'],
  ['a screen that is a build', () => head((told) => (told.screens[0].kind = { is: 'build', token: 'x' })), 'The screen'],
  [
    'more changes than a log counts',
    () =>
      head((told) => {
        told.first.seq = 2 ** 31;
      }),
    'first.seq',
  ],
  ['a release of the year 0', () => head((told) => (told.releases[0].at = '0000-01-01T00:00:00.000Z')), 'releases.0.at'],
  ['a NUL in a manifest', () => head((told) => (told.releases[0].manifest[0].format = 'css\0')), 'manifest.0.format'],
  [
    'a path twice in a release',
    () => head((told) => told.releases[0].files.push(told.releases[0].files[0])),
    'releases.0.files: The same stands in it twice',
  ],
  ['a picture twice', () => head((told) => told.pictures.push(told.pictures[0])), 'pictures: '],
  ['a picture that says it is a page', () => head((told) => (told.pictures[0].mediaType = 'text/html')), 'pictures.0.mediaType'],
  [
    'a picture that is none',
    () =>
      head((told) => {
        told.pictures[0].sha256 = told.releases[0].files[0].sha256;
      }),
    'A picture of this archive is none',
  ],
  ['lines with nothing in them', () => lines((all) => [...all, ...Array<string>(20_000_000).fill('')]), 'is empty'],
  ['a NUL in a file of a screen', () => head((told) => (told.screens[0].edits = { 'a.css': '\0' })), 'screens.0.edits'],
  [
    'a file with other bytes',
    () =>
      altered((parts) => {
        const [path] = Object.keys(parts).filter((one) => one.startsWith('files/'));
        parts[path!] = strToU8('something else');
      }),
    'is damaged',
  ],
  [
    'a file that is missing',
    () =>
      altered((parts) => {
        const [path] = Object.keys(parts).filter((one) => one.startsWith('files/'));
        delete parts[path!];
      }),
    'is missing',
  ],
])('refuses an archive with %s in one sentence, and keeps nothing of it', async (_what, made, sentence) => {
  const brands = async () => (await ida.send('GET', ORGANISATION)).body.brands.length;
  const before = await brands();
  const { status, error } = await imported(made());
  expect([status, error]).toEqual([400, expect.stringContaining(sentence)]);
  expect(await brands()).toBe(before);
});

test('an archive that was altered and proved anew is told apart by writing its releases again, and the installation says what it does not know', async () => {
  const parts = unzipSync(archive);
  const told = JSON.parse(strFromU8(parts['about.json']!));
  const texts = strFromU8(parts['history.jsonl']!).trimEnd().split('\n');
  const forged = texts.map((text) => text.replace('#101010', '#111111')).map((text) => ({ seq: JSON.parse(text).seq, text }));
  parts['history.jsonl'] = strToU8(forged.map(({ text }) => `${text}\n`).join(''));
  told.proofs = await proofsOf(JSON.stringify(told.first), forged, told.releases);
  parts['about.json'] = strToU8(JSON.stringify(told));
  const { id, status } = await imported(zipSync(parts));
  expect(status).toBe(200);
  expect((await get(`${id}/releases`)).releases[0].imported).toBe('as it says');
  const admin = spawnSync('bin/breakwater-admin', ['verify'], { env: { ...process.env, ...server.env }, encoding: 'utf8' });
  expect(admin.stdout).toContain(`Not looked at: Whether release 1 of ${id}, which was imported`);
  expect(admin.status).not.toBe(0);
});
