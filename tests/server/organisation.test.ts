/** Invitations and roles, brands and the house set, search and what is written down: asked of the server itself, as no page would. */
import { Client } from 'pg';
import { ciede2000 } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import { newId } from '@/core/brand/document/identity';
import { startTestServer, Visitor, type TestServer } from '../test-server';

const ORGANISATION = '/api/organisations/quillhaven';

let server: TestServer;
let database: Client;
let ida: Visitor;
let oren: Visitor;
beforeAll(async () => {
  server = await startTestServer('organisation');
  database = new Client({ connectionString: server.env.BREAKWATER_DATABASE_URL });
  await database.connect();
  ida = await Visitor.demo(server, 'ida');
  oren = await Visitor.demo(server, 'oren');
});
afterAll(async () => {
  await database.end();
  await server.close();
});

const invite = async (set: object = {}) =>
  (await ida.send('POST', `${ORGANISATION}/invitations`, { role: 'editor', brand: null, days: 7, ...set })).body.secret as string;
let count = 0;
const newcomer = () => ({ name: `Guest ${++count}`, email: `guest${count}@new.example`, password: 'a long password' });
async function joined(secret: string) {
  const visitor = new Visitor(server);
  const { status, body } = await visitor.send('POST', '/api/join', { secret, newcomer: newcomer() });
  return { visitor, status, error: body.error as string | undefined };
}
const sees = async (who: Visitor, brand = 'quillhaven') => (await who.send('GET', `/api/brands/${brand}`)).status;
const people = async () => (await ida.send('GET', `${ORGANISATION}/people`)).body;
const idOf = async (name: string) => (await people()).people.find((person: { name: string }) => person.name === name).id;
const give = async (name: string, role: string | null, brand: string | null = null) =>
  ida.send('PATCH', `${ORGANISATION}/people/${await idOf(name)}`, { brand, role });

test('a link of an invitation lets one person in, once, until it ends or is withdrawn', async () => {
  const secret = await invite();
  const look = await new Visitor(server).send('POST', '/api/join/look', { secret });
  expect(look.body).toEqual({ organisation: 'Quillhaven Ferries', brand: null, role: 'editor', you: null });
  const { visitor, status } = await joined(secret);
  expect([status, await sees(visitor)]).toEqual([200, 200]);
  expect((await joined(secret)).error).toContain('not good any more');
  const late = await invite();
  await database.query(`UPDATE invitations SET ends_at = now() - interval '1 second'`);
  expect((await joined(late)).error).toContain('not good any more');
  const withdrawn = await invite();
  const { invitations } = await people();
  expect(invitations).toHaveLength(1);
  await ida.send('DELETE', `${ORGANISATION}/invitations/${invitations[0].id}`, {});
  expect((await joined(withdrawn)).error).toContain('not good any more');
  // An address that is known is not taken over, and the invitation is not used up by trying.
  const again = await invite();
  const known = await new Visitor(server).send('POST', '/api/join', {
    secret: again,
    newcomer: { ...newcomer(), email: 'guest1@new.example' },
  });
  expect([known.status, known.body.error]).toEqual([409, expect.stringContaining('account with this address already')]);
  expect((await joined(again)).status).toBe(200);
  // Nothing that opens anything is kept, or written down.
  const { rows } = await database.query('SELECT * FROM invitations, deeds');
  expect(JSON.stringify(rows)).not.toContain(secret);
});

test('two who follow one link at once: one is let in', async () => {
  const secret = await invite();
  const results = await Promise.all([joined(secret), joined(secret), joined(secret)]);
  expect(results.map(({ status }) => status).sort()).toEqual([200, 404, 404]);
});

test('a role for one brand goes before that for all; none closes it; a guest sees that brand alone', async () => {
  const { id: harbours } = (await ida.send('POST', `${ORGANISATION}/brands`, { name: 'Harbours' })).body;
  const { visitor: guest } = await joined(await invite({ role: 'reviewer', brand: harbours }));
  expect([await sees(guest, harbours), await sees(guest), (await guest.send('GET', ORGANISATION)).status]).toEqual([
    200, 404, 404,
  ]);
  expect((await guest.send('POST', `/api/brands/${harbours}/changes`, { changes: [] })).status).toBe(403);
  await give('Wim', 'editor', harbours);
  const wim = await Visitor.demo(server, 'wim');
  const edit = (brand: string) => wim.send('POST', `/api/brands/${brand}/changes`, { changes: [] });
  expect([(await edit(harbours)).status, (await edit('quillhaven')).status]).toEqual([400, 403]);
  await give('Wim', 'none', harbours);
  expect(await sees(wim, harbours)).toBe(404);
  const { brands } = (await wim.send('GET', ORGANISATION)).body;
  expect(brands.map(({ name }: { name: string }) => name)).toEqual(['Quillhaven Ferries']);
  // What is closed is not found either.
  const found = async (who: Visitor) => {
    const { swatches } = (await who.send('GET', '/api/brands/quillhaven/search?for=wet')).body;
    return swatches.some(({ brand }: { brand: string }) => brand === harbours);
  };
  await ida.send('POST', `/api/brands/${harbours}/changes`, {
    changes: [
      {
        key: newId().padEnd(10, '0').toLowerCase(),
        command: {
          label: 'Test',
          steps: [
            {
              do: 'palette.add',
              palette: {
                id: 'wet',
                name: 'Wet',
                kind: 'loose',
                swatches: [{ id: 'wet1', name: 'Wet sand', value: '#aa9977', locked: false }],
              },
              before: null,
            },
          ],
        },
      },
    ],
  });
  expect([await found(ida), await found(wim)]).toEqual([true, false]);
  await give('Wim', null, harbours);
  expect(await found(wim)).toBe(true);
  await ida.send('PATCH', `${ORGANISATION}/brands/${harbours}`, { whereabouts: 'in the bin' });
});

test('a role that is taken away ends what its person hears, at once, and what they may do', async () => {
  const { visitor } = await joined(await invite());
  const { body } = await visitor.fetch('/api/brands/quillhaven/events?after=0');
  const reader = body!.getReader();
  await reader.read();
  const ended = (async () => {
    const started = Date.now();
    while (!(await reader.read()).done);
    return Date.now() - started;
  })();
  await give(`Guest ${count}`, null);
  // Long before the next heartbeat would have looked.
  expect(await ended).toBeLessThan(8_000);
  expect(await sees(visitor)).toBe(404);
});

test('an organisation keeps an owner, whoever asks and however many at once', async () => {
  expect((await give('Ida', 'editor')).body.error).toContain('at least one owner');
  await give('Oren', 'owner');
  const both = await Promise.all([
    ida.send('PATCH', `${ORGANISATION}/people/demo-oren`, { brand: null, role: 'editor' }),
    oren.send('PATCH', `${ORGANISATION}/people/demo-ida`, { brand: null, role: 'editor' }),
  ]);
  expect(both.map(({ status }) => status).filter((status) => status === 200)).toHaveLength(1);
  await database.query(
    `UPDATE memberships SET role = CASE person_id WHEN 'demo-ida' THEN 'owner' ELSE 'editor' END WHERE person_id IN ('demo-ida', 'demo-oren')`,
  );
});

test('a brand is made with the house set, duplicated, archived, binned, taken out and deleted for good', async () => {
  const make = async (body: object) => (await oren.send('POST', `${ORGANISATION}/brands`, body)).body.id as string;
  const standing = (id: string, to: string, who = ida) => who.send('PATCH', `${ORGANISATION}/brands/${id}`, { whereabouts: to });
  const fresh = await make({ name: 'Lights' });
  const { brand } = (await ida.send('GET', `/api/brands/${fresh}`)).body;
  expect([brand.house, brand.palettes.length]).toEqual([{ number: 0 }, 5]);
  const copy = await make({ name: 'Ferries again', from: 'quillhaven' });
  const copied = (await ida.send('GET', `/api/brands/${copy}`)).body;
  expect([copied.brand.name, copied.brand.tokens.length > 20, copied.release]).toEqual(['Ferries again', true, null]);
  const { sha256: host } = copied.brand.grafts[0].host as { sha256: string };
  expect((await ida.fetch(`/api/brands/${copy}/hosts/${host}`)).status).toBe(200);
  const edit = () =>
    oren.send('POST', `/api/brands/${copy}/changes`, {
      changes: [{ key: 'aaaaaaaaaa', command: { label: 'x', steps: [{ do: 'brand.edit', set: { name: 'Y' } }] } }],
    });
  expect((await standing(copy, 'archived', oren)).status).toBe(403);
  await standing(copy, 'archived');
  expect([await sees(oren, copy), (await edit()).body.error]).toEqual([200, expect.stringContaining('is archived')]);
  await standing(copy, 'in the bin');
  expect([await sees(oren, copy), await sees(ida, copy)]).toEqual([404, 404]);
  const names = async (who: Visitor) =>
    (await who.send('GET', ORGANISATION)).body.brands.map(({ name }: { name: string }) => name);
  expect([(await names(ida)).includes('Ferries again'), (await names(oren)).includes('Ferries again')]).toEqual([true, false]);
  await standing(copy, 'in use');
  expect([(await edit()).status, await sees(oren, copy)]).toEqual([200, 200]);
  const erase = () => ida.send('DELETE', `${ORGANISATION}/brands/${copy}`, {});
  expect((await erase()).body.error).toContain('not in the bin');
  await standing(copy, 'in the bin');
  expect((await erase()).status).toBe(200);
  expect((await standing(copy, 'in use')).status).toBe(404);
});

test('the house set moves: every brand is told how far it is from it', async () => {
  const house = `${ORGANISATION}/house`;
  const made = await ida.send('POST', house, { from: 'brand', brand: 'quillhaven', palettes: ['core', 'sea'] });
  expect(made.body).toEqual({ number: 1 });
  const { id } = (await oren.send('POST', `${ORGANISATION}/brands`, { name: 'Pilots' })).body;
  const holders = async () => {
    const { holders: all } = (await ida.send('GET', house)).body;
    return Object.fromEntries(all.map(({ name, differ }: { name: string; differ: number }) => [name, differ]));
  };
  expect(await holders()).toMatchObject({ 'Quillhaven Ferries': 0, Pilots: 0, Lights: 18 });
  await ida.change([{ do: 'swatch.edit', id: 'core-shoal', set: { value: '#5b8a90' } }]);
  expect(await holders()).toMatchObject({ 'Quillhaven Ferries': 1, Pilots: 0 });
  await ida.send('POST', house, { from: 'brand', brand: 'quillhaven', palettes: ['core', 'sea'] });
  expect(await holders()).toMatchObject({ 'Quillhaven Ferries': 0, Pilots: 1 });
  // Editors see it, and cannot make it another.
  expect((await oren.send('GET', `/api/brands/${id}/house`)).body.number).toBe(2);
  expect((await oren.send('POST', house, { from: 'Breakwater' })).status).toBe(403);
  await ida.send('POST', house, { from: 'Breakwater' });
  expect(await holders()).toMatchObject({ Lights: 0, Pilots: 50 });
});

test('swatches are found by colour, the nearest by ΔE2000 first, and by name, as of the last change', async () => {
  const find = async (query: string) =>
    (await oren.send('GET', `/api/brands/quillhaven/search?for=${encodeURIComponent(query)}`)).body.swatches as {
      name: string;
      hex: string;
      distance: number | null;
    }[];
  for (const query of ['near #1f6f78', 'oklch(0.7 0.15 40)', 'ffcc00']) {
    const asked = labOf(query === 'ffcc00' ? '#ffcc00' : query.replace('near ', ''));
    const { rows } = await database.query<{ value: string }>(`SELECT value FROM swatches WHERE organisation_id = 'quillhaven'
      AND brand_id IN (SELECT brand_id FROM brand_parts WHERE person_id = 'demo-oren')`);
    const nearest = rows.map(({ value }) => ciede2000(labOf(value), asked)).sort((one, two) => one - two);
    const near = (await find(query)).filter(({ distance }) => distance !== null);
    expect(near.map(({ distance }) => distance!.toFixed(4))).toEqual(nearest.slice(0, 40).map((d) => d.toFixed(4)));
  }
  await ida.change([{ do: 'swatch.edit', id: 'core-foam', set: { name: 'Cuttlebone' } }]);
  expect((await find('tleBON')).map(({ name }) => name)).toEqual(['Cuttlebone']);
  expect((await find('cu')).map(({ name }) => name)).toContain('Cuttlebone');
  for (const wild of ['%', '_', '\\', "'; DROP TABLE swatches; --"]) expect(await find(wild)).toEqual([]);
  await ida.change([{ do: 'swatch.edit', id: 'core-foam', set: { name: 'Foam' } }]);
  expect(await find('Cuttlebone')).toEqual([]);
});

test('what was done is read and taken away by owners, and rewritten by nobody', async () => {
  const { entries } = (await ida.send('GET', `${ORGANISATION}/audit`)).body;
  const lines = entries.map(({ by, what, about }: Record<string, string>) => `${by} ${what} ${about}`);
  expect(lines).toEqual(
    expect.arrayContaining([
      'Guest 1 joined as editor',
      'Ida made the house set 3, from Breakwater',
      'Oren made the brand Pilots',
    ]),
  );
  const csv = await (await ida.fetch(`${ORGANISATION}/audit/csv`)).text();
  expect(csv.split('\r\n')[0]).toBe('\uFEFFat,by,what,about'.replace('\uFEFF', ''));
  expect(csv).toContain('Oren,made the brand,Pilots');
  await expect(database.query(`UPDATE deeds SET by = 'Nobody'`)).rejects.toThrow('never rewritten');
  await expect(database.query('DELETE FROM deeds')).rejects.toThrow('never rewritten');
});

test('a password is changed by who knows it, and ends the other sessions', async () => {
  const { visitor } = await joined(await invite());
  const email = `guest${count}@new.example`;
  const elsewhere = new Visitor(server);
  expect((await elsewhere.send('POST', '/api/sign-in', { email, password: 'a long password' })).status).toBe(200);
  const change = (current: string, next: string) => visitor.send('POST', '/api/me/password', { current, next });
  expect((await change('not this one', 'another password')).status).toBe(401);
  expect((await change('a long password', 'short')).status).toBe(400);
  expect((await change('a long password', 'another password')).status).toBe(200);
  expect([await sees(visitor), await sees(elsewhere)]).toEqual([200, 401]);
  expect((await elsewhere.send('POST', '/api/sign-in', { email, password: 'a long password' })).status).toBe(401);
  expect((await elsewhere.send('POST', '/api/sign-in', { email, password: 'another password' })).status).toBe(200);
});
