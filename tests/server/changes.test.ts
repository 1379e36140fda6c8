import { unzipSync } from 'fflate';
import { Client } from 'pg';
import { startTestServer, Visitor, type TestServer } from '../test-server';
import { sha256 } from '@/core/base/sha256';

let server: TestServer;
let ida: Visitor;
beforeAll(async () => {
  server = await startTestServer('changes');
  ida = await Visitor.demo(server, 'ida');
});
afterAll(() => server.close());

const value = (id: string, css: string) => ({ do: 'swatch.edit', id, set: { value: css } });
const brand = async () => (await ida.send('GET', '/api/brands/quillhaven')).body;
const swatch = async (id: string) =>
  (await brand()).brand.palettes
    .flatMap((palette: { swatches: { id: string }[] }) => palette.swatches)
    .find((entity: { id: string }) => entity.id === id);

test('a command sent twice is done once and answered alike', async () => {
  const add = {
    do: 'swatch.add',
    palette: 'deck',
    swatches: [{ id: 'once', name: 'Once', value: 'teal', locked: false }],
    before: null,
  };
  const first = await ida.change([add], ['samekey1']);
  expect(await ida.change([add], ['samekey1'])).toEqual(first);
  expect((await brand()).seq).toBe(first.body.outcomes[0].seq);
});

test('what is refused has its sentence, and the rest of what was sent is done', async () => {
  const { body } = await ida.change([value('core-harbour', 'red'), value('core-foam', '#eeffee')]);
  expect(body.outcomes).toEqual([
    { key: expect.any(String), refusal: 'Harbour is locked. Unlock it to change its colour.' },
    { key: expect.any(String), seq: expect.any(Number) },
  ]);
  expect((await swatch('core-foam')).value).toBe('#eeffee');
});

test('text that no database holds is refused by itself, with a sentence', async () => {
  const named = (name: string) => ({ do: 'swatch.edit', id: 'core-foam', set: { name } });
  const described = (description: string) => ({ do: 'token.edit', id: 't-surface-page', set: { description } });
  const { body } = await ida.change([
    named('Half \ud83d'),
    described('\0'),
    { do: 'destination.edit', id: 'd-site', set: { options: { prefix: '\ude00' } } },
    { do: 'nothing.known' },
    named('Whole 🚢'),
  ]);
  const refusals = body.outcomes.map(({ refusal }: { refusal?: string }) => refusal);
  expect(refusals.slice(0, 3)).toEqual(Array(3).fill(expect.stringContaining('half a character')));
  expect(refusals.slice(3)).toEqual([expect.stringContaining('“steps.0.do” is not as it should be'), undefined]);
  expect(await ida.send('POST', '/api/brands/quillhaven/build-tokens', { name: 'a\0b' })).toMatchObject({
    status: 400,
    body: { error: expect.stringContaining('half a character') },
  });
  expect((await ida.fetch('/deliver/%00/latest/x')).status).toBe(404);
  expect(await ida.send('DELETE', '/api/brands/quillhaven/build-tokens/%00', {})).toMatchObject({ status: 404 });
  await ida.change([named('Foam')]);
});

test('many at once are put in one order without gaps, and everybody hears of them', async () => {
  const oren = await Visitor.demo(server, 'oren');
  const { seq } = await brand();
  const stream = await oren.fetch(`/api/brands/quillhaven/events?after=${seq}`);
  const reader = stream.body!.getReader();
  const sent = await Promise.all(
    Array.from({ length: 20 }, (_, n) => (n % 2 ? ida : oren).change([value('core-rope', `rgb(${n} ${n} ${n})`)])),
  );
  const places = sent.map(({ body }) => body.outcomes[0].seq).sort((a, b) => a - b);
  expect(places).toEqual(Array.from({ length: 20 }, (_, n) => seq + 1 + n));
  let heard = '';
  while (!heard.includes(`id: ${seq + 20}\n`)) heard += new TextDecoder().decode((await reader.read()).value);
  expect([...heard.matchAll(/^id: (\d+)$/gm)].map((match) => Number(match[1]))).toEqual(places);
  expect(heard).toContain('"by":"Oren"');
  await reader.cancel();
});

test('the history says who changed what', async () => {
  const { body } = await ida.send('GET', '/api/brands/quillhaven/history?of=core-rope');
  expect(body.history).toHaveLength(20);
  expect(new Set(body.history.map((entry: { by: string }) => entry.by))).toEqual(new Set(['Ida', 'Oren']));
});

test('ten thousand swatches are taken in one command; more than a brand holds are refused', async () => {
  const many = (count: number, start: number) => ({
    do: 'swatch.add',
    palette: 'deck',
    swatches: Array.from({ length: count }, (_, n) => ({
      id: `m${start + n}`,
      name: `</script> 🚢 \u202e ${n}`,
      value: `#${n.toString(16).padStart(6, '0')}`,
      locked: false,
    })),
    before: null,
  });
  expect((await ida.change([many(10_000, 0)])).body.outcomes[0].seq).toEqual(expect.any(Number));
  expect((await ida.change([many(10_000, 10_000)])).body.outcomes[0].refusal).toContain('at most 20000 swatches');
  const page = await (await ida.fetch('/brand/quillhaven/mix')).text();
  expect(page).not.toContain('</script> 🚢');
  expect(
    (await ida.change([{ do: 'swatch.remove', ids: Array.from({ length: 10_000 }, (_, n) => `m${n}`) }])).body.outcomes[0].seq,
  ).toEqual(expect.any(Number));
});

test('an acknowledged change survives the server being killed', async () => {
  await ida.change([value('core-mist', '#c0ffee')]);
  await server.kill();
  await server.restart();
  expect((await swatch('core-mist')).value).toBe('#c0ffee');
});

test('a document is kept after every so many changes, the first and the last one only; what follows is replayed', async () => {
  const client = new Client({ connectionString: server.env.BREAKWATER_DATABASE_URL });
  await client.connect();
  const snapshots = async () => {
    const { rows } = await client.query<{ seq: number }>(`SELECT seq FROM snapshots WHERE brand_id = 'quillhaven' ORDER BY seq`);
    return rows.map(({ seq }) => seq);
  };
  const { seq } = await brand();
  for (let round = 1; round <= 2; round++) {
    await ida.change(Array.from({ length: 200 }, (_, n) => value('core-mist', `rgb(${n} ${round} 0)`)));
    while ((await snapshots()).at(-1) !== seq + 200 * round) await new Promise((resolve) => setTimeout(resolve, 20));
  }
  // What lies between is taken away a moment later.
  while ((await snapshots()).length > 2) await new Promise((resolve) => setTimeout(resolve, 20));
  await ida.change([value('core-mist', '#c0ffee')]);
  await server.kill();
  await server.restart();
  expect([(await swatch('core-mist')).value, (await brand()).seq]).toEqual(['#c0ffee', seq + 401]);
  expect(await snapshots()).toEqual([0, seq + 400]);
  await client.end();
});

test('commands of a page that is newer than the server are not refused but asked to wait', async () => {
  const command = { label: 'x', steps: [{ do: 'swatch.glow', id: 'core-mist' }] };
  const sent = (version: unknown) =>
    ida.send('POST', '/api/brands/quillhaven/changes', { version, changes: [{ key: 'fromafar1', command }] });
  expect(await sent(99)).toEqual({ status: 503, body: { error: expect.stringContaining('its edits wait') } });
  expect((await sent(1)).body.outcomes).toEqual([
    { key: 'fromafar1', refusal: expect.stringContaining('“steps.0.do” is not as it should be') },
  ]);
  for (const version of [0, 1.5, 'x']) expect((await sent(version)).status).toBe(400);
});

test('a release is immutable, and its files are delivered byte for byte', async () => {
  const { seq } = await brand();
  expect(await ida.send('POST', '/api/brands/quillhaven/releases', { seq: seq - 1, note: '' })).toMatchObject({
    status: 409,
    body: { error: expect.stringContaining('has changed since') },
  });
  expect(await ida.send('POST', '/api/brands/quillhaven/releases', { seq, note: 'First' })).toMatchObject({
    status: 200,
    body: { number: 1 },
  });
  const { body } = await ida.send('GET', '/api/brands/quillhaven/releases');
  const deliver = async (path: string) => new Uint8Array(await (await ida.fetch(`/deliver/quillhaven/1/${path}`)).arrayBuffer());
  for (const entry of body.releases[0].manifest) {
    const bytes = await deliver(entry.path);
    expect([entry.path, bytes.length, await sha256(bytes)]).toEqual([entry.path, entry.bytes, entry.sha256]);
  }
  const { sha256: hash } = body.releases[0].manifest[0];
  const at = (release: string, headers = {}) =>
    ida.fetch(`/deliver/quillhaven/${release}/${body.releases[0].manifest[0].path}`, { headers });
  const [numbered, latest] = [await at('1'), await at('latest')];
  expect([numbered.headers.get('etag'), latest.headers.get('etag')]).toEqual([`"${hash}"`, `"${hash}"`]);
  expect(numbered.headers.get('cache-control')).toContain('immutable');
  expect(latest.headers.get('cache-control')).toBe('private, no-cache');
  const known = await at('latest', { 'if-none-match': `"${hash}"` });
  expect([known.status, await known.text()]).toEqual([304, '']);
  for (const number of ['01', '1e0', '0x1', '%201', '-1', '1.0'])
    expect([number, (await at(number)).status]).toEqual([number, 404]);
  expect((await ida.fetch('/api/brands/quillhaven')).headers.get('cache-control')).toBe('no-store');
  // The whole of it as one zip: the same bytes under the same paths, and the manifest.
  const zip = await ida.fetch('/deliver/quillhaven/latest');
  expect(zip.headers.get('content-disposition')).toBe('attachment; filename="quillhaven-ferries-1.zip"');
  const packed = unzipSync(new Uint8Array(await zip.arrayBuffer()));
  const paths = body.releases[0].manifest.map(({ path }: { path: string }) => path);
  expect(Object.keys(packed).sort()).toEqual([...paths, 'manifest.json'].sort());
  for (const [path, bytes] of Object.entries(packed)) expect([path, bytes]).toEqual([path, await deliver(path)]);
  expect((await ida.fetch('/deliver/quillhaven/2')).status).toBe(404);
  await ida.change([value('core-mist', '#000000')]);
  expect(new TextDecoder().decode(await deliver('css/quillhaven-ferries.css'))).toContain('#c0ffee');

  const client = new Client({ connectionString: server.env.BREAKWATER_DATABASE_URL });
  await client.connect();
  await expect(client.query("UPDATE releases SET note = 'x'")).rejects.toThrow('never changed');
  await expect(client.query("UPDATE release_files SET bytes = ''")).rejects.toThrow('never changed');
  for (const table of ['releases', 'release_files'])
    await expect(client.query(`DELETE FROM ${table}`)).rejects.toThrow('never removed');
  await client.end();
});

test('a release has a title, notes and a version: what breaks those who use it is a major step, unless somebody says otherwise', async () => {
  const called = (name: string) => ({ do: 'palette.edit', id: 'deck', set: { name } });
  const made = async (more: object) => {
    const { seq } = await brand();
    const { status } = await ida.send('POST', '/api/brands/quillhaven/releases', { seq, note: '', ...more });
    const { body } = await ida.send('GET', '/api/brands/quillhaven/releases');
    return status === 200 ? `${body.releases[0].title} ${body.releases[0].version}` : status;
  };
  const first = (await ida.send('GET', '/api/brands/quillhaven/releases')).body.releases[0];
  expect([first.title, first.version, first.note]).toEqual(['Release 1', '1.0.0', 'First']);
  await ida.change([value('core-mist', '#101010')]);
  expect(await made({ title: ' Darker mist ' })).toBe('Darker mist 1.0.1');
  await ida.change([called('Hull paint')]);
  expect(await made({})).toBe('Release 3 2.0.0');
  await ida.change([called('Deck paint')]);
  expect(await made({ step: 'minor' })).toBe('Release 4 2.1.0');
  for (const wrong of [{ step: 'huge' }, { title: 'x'.repeat(121) }, { note: 'x'.repeat(2_001) }, { version: '9.9.9' }])
    expect(await made(wrong)).toBe(400);
});

test('nothing is released while a file cannot be written', async () => {
  await ida.change([{ do: 'token.set', id: 't-surface-page', set: { night: null } }]);
  const { seq } = await brand();
  expect(await ida.send('POST', '/api/brands/quillhaven/releases', { seq, note: '' })).toMatchObject({
    status: 409,
    body: { error: expect.stringContaining('surface.page has no colour in Night bridge') },
  });
});
