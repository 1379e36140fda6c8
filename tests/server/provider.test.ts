/** Signing in through an organisation's own provider (OpenID Connect), which runs here beside it: a real one, on loopback. */
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { Client } from 'pg';
import { startTestServer, testPort, Visitor, type TestServer } from '../test-server';

/** Who signs in at the provider next, and what it says of them. */
interface Account {
  readonly sub: string;
  readonly name: string;
  readonly email: string;
  readonly email_verified: boolean;
}

let server: TestServer;
let issuer: string;
let program: ChildProcess;
/** All that the server says, at its most talkative. */
let said = '';
const CLIENT_SECRET = 'a secret of the client, for tests only';
const address = (path: string) => new URL(path, server.url).href;
const next = (account: Account) => fetch(`${issuer}/next`, { method: 'POST', body: JSON.stringify(account) });

beforeAll(async () => {
  const port = await testPort();
  issuer = `http://127.0.0.1:${port}`;
  const settings = {
    BREAKWATER_OIDC_ISSUER: issuer,
    BREAKWATER_OIDC_CLIENT_ID: 'breakwater',
    BREAKWATER_OIDC_CLIENT_SECRET: CLIENT_SECRET,
    BREAKWATER_OIDC_NAME: 'Quillhaven',
    BREAKWATER_LOG: 'trace',
  };
  server = await startTestServer('provider', 'demo', settings, (some) => (said += some));
  const args = ['tests/provider-program.mjs', String(port), address('/api/sign-in/provider/back')];
  program = spawn('node', args, { stdio: ['ignore', 'pipe', 'ignore'] });
  await once(program.stdout!, 'data');
});
afterAll(async () => {
  program.kill();
  await server.close();
});

/** A browser that follows redirects by hand, with the cookies of each origin. */
class Wanderer {
  /** Cookies of each origin, by name. */
  readonly jar = new Map<string, Map<string, string>>();
  readonly visited: URL[] = [];

  async get(url: string): Promise<Response> {
    const { origin } = new URL(url);
    this.visited.push(new URL(url));
    const cookies = this.jar.get(origin) ?? new Map<string, string>();
    this.jar.set(origin, cookies);
    const cookie = [...cookies].map(([name, value]) => `${name}=${value}`).join('; ');
    const response = await fetch(url, { redirect: 'manual', headers: { cookie, connection: 'close' } });
    for (const set of response.headers.getSetCookie()) {
      const [name, value] = set.split(';')[0]!.split(/=(.*)/s) as [string, string];
      cookies.set(name, value);
    }
    return response;
  }

  /** Goes on from an address until nothing leads further. */
  async follow(url: string): Promise<{ response: Response; at: string }> {
    let at = url;
    let response = await this.get(at);
    for (let n = 0; n < 20 && response.status >= 300 && response.status < 400; n++) {
      at = new URL(response.headers.get('location')!, at).href;
      response = await this.get(at);
    }
    return { response, at };
  }

  signIn = async (as: Account) => {
    await next(as);
    return this.follow(address('/api/sign-in/provider'));
  };
}

const runa: Account = { sub: 'runa', name: 'Runa', email: 'Runa@quillhaven.example', email_verified: true };

test('somebody new is let in and has no part in anything; the page of signing in leads there', async () => {
  const browser = new Wanderer();
  expect(await (await browser.get(address('/sign-in'))).text()).toMatch(/Sign in with (<!-- -->)?Quillhaven/);
  const { response, at } = await browser.signIn(runa);
  expect([response.status, new URL(at).pathname]).toEqual([200, '/api/sign-in/provider/back']);
  expect(await response.text()).toContain('url=/');
  const home = await browser.follow(address('/'));
  expect(new URL(home.at).pathname).toBe('/no-part');
  expect(await home.response.text()).toContain('Ask an owner for an invitation');
  expect((await browser.get(address('/api/brands/quillhaven'))).status).toBe(404);
});

test('who has an account with the address that the provider has proved is the same person, ever after', async () => {
  const database = new Client({ connectionString: server.env.BREAKWATER_DATABASE_URL });
  await database.connect();
  await database.query(`INSERT INTO people (id, name, email) VALUES ('tove', 'Tove', 'tove@quillhaven.example');
    INSERT INTO memberships VALUES ('tove', 'quillhaven', 'editor')`);
  const browser = new Wanderer();
  await browser.signIn({ sub: 'no-7', name: 'T.', email: 'tove@quillhaven.example', email_verified: true });
  expect((await browser.get(address('/api/brands/quillhaven'))).status).toBe(200);
  // Known by the provider's name for her, though her address has become another.
  const later = new Wanderer();
  await later.signIn({ sub: 'no-7', name: 'T.', email: 'other@quillhaven.example', email_verified: false });
  expect((await later.get(address('/api/brands/quillhaven'))).status).toBe(200);
  const { rows } = await database.query(`SELECT by, what FROM deeds WHERE what = 'sign-in'`);
  expect(rows).toEqual([
    { by: 'Tove', what: 'sign-in' },
    { by: 'Tove', what: 'sign-in' },
  ]);
  await database.end();
});

test('an address that the provider has not proved gives nobody’s account away', async () => {
  const browser = new Wanderer();
  const { response } = await browser.signIn({
    sub: 'evil',
    name: 'Una',
    email: 'tove@quillhaven.example',
    email_verified: false,
  });
  expect([response.status, await response.text()]).toEqual([
    403,
    expect.stringContaining('does not say that your address is yours'),
  ]);
  expect((await browser.get(address('/api/brands/quillhaven'))).status).toBe(401);
});

test('who comes back without having set out, twice, or with what was meant for another is not let in', async () => {
  const back = (search: string) => address(`/api/sign-in/provider/back?${search}`);
  expect((await new Wanderer().get(back('code=abc&state=def'))).status).toBe(400);
  const browser = new Wanderer();
  await next(runa);
  await browser.get(address('/api/sign-in/provider'));
  expect((await browser.get(back('code=abc&state=wrong'))).status).toBe(401);
  // The way there is good once.
  const again = new Wanderer();
  const { at } = await again.signIn(runa);
  expect((await again.get(at)).status).toBe(400);
  // Somebody else's code, brought by a link, signs nobody in.
  const other = new Wanderer();
  await other.get(address('/api/sign-in/provider'));
  expect((await other.get(at)).status).toBe(401);
  expect((await other.get(address('/api/brands/quillhaven'))).status).toBe(401);
});

test('no secret is in the log, however much it says', async () => {
  const browser = new Wanderer();
  await browser.signIn(runa);
  const ida = await Visitor.demo(server, 'ida');
  const organisation = '/api/organisations/quillhaven';
  const { secret } = (await ida.send('POST', `${organisation}/invitations`, { role: 'editor', brand: null, days: 7 })).body;
  const password = 'a long and winding password';
  const newcomer = { name: 'Per', email: 'per@quillhaven.example', password };
  expect((await new Visitor(server).send('POST', '/api/join', { secret, newcomer })).status).toBe(200);
  await new Visitor(server).send('POST', '/api/sign-in', { email: newcomer.email, password });
  const token = (await ida.send('POST', '/api/brands/quillhaven/build-tokens', { name: 'CI', days: 30 })).body.secret;
  await fetch(address('/deliver/quillhaven/latest'), { headers: { authorization: `Bearer ${token}` } });
  // Something that fails, with all that was sent.
  await ida.send('POST', '/api/brands/quillhaven/changes', { changes: [{ key: password, command: secret }] });
  const codes = browser.visited.flatMap(({ searchParams }) => ['code', 'state'].flatMap((name) => searchParams.getAll(name)));
  const cookies = [...browser.jar.values()].flatMap((jar) => [...jar.values()]);
  const secrets = [secret, password, token, ida.session, CLIENT_SECRET, ...codes, ...cookies].filter((one) => one !== '');
  expect(secrets.length).toBeGreaterThan(8);
  expect(secrets.every((one: unknown) => typeof one === 'string' && one.length >= 8)).toBe(true);
  expect(said.split('\n').length).toBeGreaterThan(20);
  expect(secrets.filter((one) => said.includes(one))).toEqual([]);
});
