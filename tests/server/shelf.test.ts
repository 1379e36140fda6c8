/** What a brand keeps besides its document: the organisation's shelf, and the pictures that palettes were made from. */
import { readFileSync } from 'node:fs';
import { Client } from 'pg';
import { OTHERS, startTestServer, Visitor, type TestServer } from '../test-server';

let server: TestServer;
let ida: Visitor;
let wim: Visitor;
let database: Client;
beforeAll(async () => {
  server = await startTestServer('shelf');
  ida = await Visitor.demo(server, 'ida');
  wim = await Visitor.demo(server, 'wim');
  database = new Client({ connectionString: server.env.BREAKWATER_DATABASE_URL });
  await database.connect();
  await database.query(OTHERS);
});
afterAll(async () => {
  await database.end();
  await server.close();
});

const SHELF = '/api/brands/quillhaven/shelf';
const entry = {
  id: 'ourdusk',
  name: 'Our dusk',
  kind: 'categorical',
  tags: ['Evening ', 'calm'],
  maker: 'Ida',
  note: 'For the late boats.',
  colours: [{ name: 'Plum', value: 'oklch(0.4 0.1 320)', row: 'Late' }],
};
const shelf = async () => (await wim.send('GET', SHELF)).body;

test('editors put palettes on the shelf once, everybody of the organisation sees them, and editors take them off', async () => {
  expect(await wim.send('POST', SHELF, entry)).toMatchObject({ status: 403 });
  expect(await ida.send('POST', SHELF, entry)).toMatchObject({ status: 200 });
  expect(await ida.send('POST', SHELF, entry)).toMatchObject({ status: 200 });
  expect((await shelf()).ours).toEqual([{ ...entry, tags: ['evening', 'calm'] }]);
  expect(await wim.send('DELETE', `${SHELF}/ourdusk`, {})).toMatchObject({ status: 403 });
  expect(await ida.send('DELETE', `${SHELF}/ourdusk`, {}, { origin: 'http://evil.example' })).toMatchObject({ status: 403 });
  expect(await ida.send('DELETE', `${SHELF}/ourdusk`, {})).toMatchObject({ status: 200 });
  expect(await ida.send('DELETE', `${SHELF}/ourdusk`, {})).toMatchObject({ status: 404 });
  expect((await shelf()).ours).toEqual([]);
});

test.each([
  ['no colours', { colours: [] }, 'no colour'],
  ['no colour', { colours: [{ name: 'x', value: 'url(//evil)' }] }, 'is not a CSS colour'],
  ['a tag of markup', { tags: ['<b>'] }, 'A tag is letters'],
  ['a name with a line break', { name: 'a\nb' }, 'no line breaks'],
])('%s is refused with a sentence', async (_what, wrong, sentence) => {
  const { status, body } = await ida.send('POST', SHELF, { ...entry, ...wrong });
  expect([status, body.error]).toEqual([400, expect.stringContaining(sentence)]);
});

test('a full shelf takes no more, and says so; two at once cannot both be the last', async () => {
  await database.query(
    `INSERT INTO shelf_palettes SELECT 'full' || n, 'quillhaven', $1::jsonb, 'demo-ida' FROM generate_series(1, 499) AS n`,
    [JSON.stringify({ ...entry, id: undefined })],
  );
  const both = await Promise.all(['last1', 'last2'].map((id) => ida.send('POST', SHELF, { ...entry, id })));
  expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
  expect(both.find(({ status }) => status === 409)!.body.error).toBe('A shelf holds at most 500 palettes; take one off first.');
  expect((await shelf()).ours).toHaveLength(500);
  await database.query(`DELETE FROM shelf_palettes WHERE organisation_id = 'quillhaven'`);
});

test('uses are the palettes that were made from it, in every brand of the organisation', async () => {
  const palette = { id: 'fromkiln', name: 'Kiln', kind: 'sequential', source: { shelf: 'kiln', name: 'Kiln' }, swatches: [] };
  await ida.change([{ do: 'palette.add', palette, before: null }]);
  await database.query(`UPDATE brands SET shelf = ARRAY['kiln'] WHERE id = 'others'`);
  expect((await shelf()).uses).toEqual({ kiln: 1 });
  await ida.change([{ do: 'palette.remove', id: 'fromkiln' }]);
  expect((await shelf()).uses).toEqual({});
});

const PICTURES = '/api/brands/quillhaven/pictures';
const send = (visitor: Visitor, bytes: Uint8Array | string, path = PICTURES, origin: string | undefined = server.url) =>
  visitor.fetch(path, { method: 'POST', body: bytes as BodyInit, headers: { origin, 'content-type': 'text/html' } });

test('a picture is kept byte for byte, under its hash, as the kind its bytes say', async () => {
  const bytes = readFileSync('demo/gather/harbour-at-dusk.jpg');
  const { picture } = (await (await send(ida, bytes)).json()) as { picture: string };
  expect(((await (await send(ida, bytes)).json()) as { picture: string }).picture).toBe(picture);
  const kept = await wim.fetch(`${PICTURES}/${picture}`);
  expect([kept.headers.get('content-type'), kept.headers.get('x-content-type-options')]).toEqual(['image/jpeg', 'nosniff']);
  expect(Buffer.from(await kept.arrayBuffer()).equals(bytes)).toBe(true);
  // As large as is taken, with what no decoder reads after its end.
  const large = Buffer.concat([bytes, Buffer.alloc(20 * 2 ** 20 - bytes.length, 7)]);
  const { picture: name } = (await (await send(ida, large)).json()) as { picture: string };
  expect(Buffer.from(await (await wim.fetch(`${PICTURES}/${name}`)).arrayBuffer()).equals(large)).toBe(true);
  expect((await wim.fetch(`${PICTURES}/${'0'.repeat(64)}`)).status).toBe(404);
  expect((await new Visitor(server).fetch(`${PICTURES}/${picture}`)).status).toBe(401);
  for (const path of ['/api/brands/others/shelf', `/api/brands/others/pictures/${picture}`])
    expect([path, (await ida.fetch(path)).status]).toEqual([path, 404]);
});

test('what is no picture, too large, or comes from elsewhere is not kept', async () => {
  const status = async (...given: Parameters<typeof send>) => (await send(...given)).status;
  expect(await status(ida, '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>')).toBe(400);
  expect(await status(ida, '')).toBe(400);
  expect(await status(ida, Buffer.from('\x89PNG\r\n\x1a\n\0\0\0\rIHDR\0\0\xff\xff\0\0\xff\xff', 'latin1'))).toBe(400);
  expect(await status(ida, Buffer.alloc(21_000_000))).toBe(413);
  const bytes = readFileSync('demo/gather/trainer-strip.png');
  expect(await status(wim, bytes)).toBe(403);
  expect(await status(ida, bytes, '/api/brands/others/pictures')).toBe(404);
  expect(await status(ida, bytes, PICTURES, 'http://evil.example')).toBe(403);
});

test('a brand keeps five hundred pictures, and one that it has already is no more', async () => {
  const [had, other] = ['harbour-at-dusk.jpg', 'trainer-strip.png'].map((name) => readFileSync(`demo/gather/${name}`));
  expect((await send(ida, had!)).status).toBe(200);
  await database.query(
    `INSERT INTO pictures (brand_id, sha256, media_type, bytes, person_id) SELECT 'quillhaven', 'full' || n, 'image/png', '', 'demo-ida' FROM generate_series(1, 499) AS n`,
  );
  const full = await send(ida, other!);
  expect([full.status, await full.json()]).toEqual([409, { error: 'A brand keeps at most 500 pictures.' }]);
  expect((await send(ida, had!)).status).toBe(200);
});
