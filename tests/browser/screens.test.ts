/** Screens and what they really show: simulated ones held back and edited by hand, an outside page read back by the command. */
import { execFile, execFileSync } from 'node:child_process';
import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import type { Browser, ElementHandle } from 'puppeteer-core';
import { startTestServer, Visitor, type TestServer } from '../test-server';
import { arrived, launch, Person } from './browser';

let server: TestServer;
let browser: Browser;
let ida: Person;
let visitor: Visitor;
let site: Server;
let address: string;
/** Style of the outside page, besides that of the brand. */
let own = '';
/** What it includes besides. */
let included = '';

/** A page that takes the brand's released sheet, as a site of somebody's would. */
const PAGE = (sheet: string) => `<!doctype html><html lang="en"><meta charset="utf-8"><title>Quay</title><style>${sheet}
  body { margin: 0; background: var(--qf-surface-page); color: var(--qf-text-default) }
  button { background: var(--qf-action-confirm-rest); color: var(--qf-text-on-action); border: 0; transition: all 9s }
  button:hover { background: var(--qf-action-confirm-hover) }
  button:active { background: var(--qf-action-confirm-pressed) }
  button:focus-visible { background: var(--qf-action-confirm-focus); outline: none }
  button:disabled { background: var(--qf-action-confirm-disabled) }
  a { color: var(--qf-text-link) }
  ${own}</style>
  <p>Text, <a id="more">more</a></p><button>Book</button><svg width="9" height="9"><rect width="9" height="9" fill="var(--qf-status-alert)"/></svg>
  <canvas width="9" height="9"></canvas><script>
    const look = () => getComputedStyle(document.documentElement).getPropertyValue('--qf-status-delayed');
    const paint = () => Object.assign(document.querySelector('canvas').getContext('2d'), { fillStyle: look() }).fillRect(0, 0, 9, 9);
    new MutationObserver(paint).observe(document.documentElement, { attributes: true }); paint();
  </script>${included}`;

beforeAll(async () => {
  server = await startTestServer('screens');
  visitor = await Visitor.demo(server, 'ida');
  await release();
  const { releases } = (await visitor.send('GET', '/api/brands/quillhaven/releases')).body;
  const sheet = releases[0].manifest.find(
    ({ format, path }: { format: string; path: string }) => format === 'css' && path.endsWith('.css'),
  );
  site = createServer((request, response) => {
    if (request.url !== '/') return void response.writeHead(404).end();
    void visitor
      .fetch(`/deliver/quillhaven/latest/${sheet.path}`)
      .then((file) => file.text())
      .then((text) => response.writeHead(200, { 'content-type': 'text/html' }).end(PAGE(text)));
  }).listen(0, '127.0.0.1');
  await once(site, 'listening');
  address = `http://127.0.0.1:${(site.address() as AddressInfo).port}/`;
  browser = await launch();
  ida = await Person.enter(browser, server, 'Ida');
  await ida.stage('Watch');
});
afterAll(async () => {
  await browser.close();
  site.closeAllConnections();
  site.close();
  await server.close();
});

async function release(): Promise<void> {
  const { seq } = (await visitor.send('GET', '/api/brands/quillhaven')).body;
  expect((await visitor.send('POST', '/api/brands/quillhaven/releases', { seq, title: '', note: '' })).status).toBe(200);
}
const isRead = () => ida.page.waitForSelector('[data-testid=match][data-complete=true]');
/** The cells of a token that differ, as `screen: words`. */
async function differing(token: string): Promise<string[]> {
  await isRead();
  return ida.page.$$eval(`tr[data-token="${token}"] [data-match=different]`, (cells) =>
    cells.map((cell) => `${(cell as HTMLElement).dataset.screen}: ${(cell as HTMLElement).innerText.replace(/\s+/g, ' ')}`),
  );
}
async function menu(screen: string, item: string): Promise<void> {
  await (await ida.find(`[aria-label="What to do with ${screen}"]`)).click();
  await (await ida.find(`::-p-xpath(//*[@role="menuitem"][starts-with(., "${item}")])`)).click();
}

test('a screen that is held stays behind when a release moves all others, and follows when it is let go', async () => {
  await isRead();
  await ida.sees('All 122 colours are identical on every screen');
  await menu('Booking site', 'Hold at release 1');
  await ida.sees('held at release 1');
  const { body } = await visitor.change([{ do: 'swatch.edit', id: 'core-foam', set: { value: '#cfeeea' } }]);
  expect(body.outcomes).toEqual([expect.objectContaining({ seq: expect.any(Number) })]);
  await release();
  await ida.page.waitForFunction(() => document.body.innerText.includes('release 2, 4 themes'));
  expect((await differing('surface.page')).join()).toMatch(/^booking: #ddf0ee ΔE [\d.]+ off older release, Day$/);
  // Differences come first, and alone when that is wanted.
  await ida.click('differences');
  const shown = await ida.texts('[data-testid=match] tbody th');
  expect(shown.length).toBeGreaterThan(0);
  expect(shown.length).toBeLessThan(20);
  await ida.click('all');
  await menu('Booking site', 'Follow the latest');
  await ida.sees('All 122 colours are identical on every screen');
});

test('a file that somebody edits at a screen is caught, and taken back', async () => {
  await menu('Bridge console', 'Edit its files by hand');
  await ida.page.waitForSelector('[role=dialog] option[value$="-day.xml"]');
  const path = (await ida.page.$$eval('[role=dialog] option', (all) => all.map(({ value }) => value))).find((one) =>
    one.endsWith('-day.xml'),
  )!;
  await ida.page.select('[role=dialog] select', path);
  await ida.page.waitForFunction(() =>
    document.querySelector<HTMLTextAreaElement>('[role=dialog] textarea')!.value.includes('gauge.dial'),
  );
  const area = await ida.find('[role=dialog] textarea');
  const text = await area.evaluate((one) => (one as HTMLTextAreaElement).value);
  const changed = text.replace(/("gauge\.dial"[^>]*>)#[0-9a-f]+/, '$1#123456');
  expect(changed).not.toBe(text);
  await area.click();
  await ida.keys('Control', 'a');
  await ida.page.keyboard.sendCharacter(changed);
  await ida.click('Change the file at this screen');
  await ida.sees('edited by hand');
  await ida.page.waitForSelector('tr[data-token="gauge.dial"] [data-match=different]');
  expect((await differing('gauge.dial'))[0]).toMatch(/^console: #123456 ΔE [\d.]+ off edited by hand, Day$/);
  // A build, and whoever wants it on paper, is told the same.
  const told = await match();
  expect([told.code, told.stdout]).toEqual([
    1,
    expect.stringMatching(
      /^Quillhaven Ferries, release 2: 121 of 122 .*\n(.*\n)*  gauge\.dial on Bridge console, Day: #ffffff wanted, #123456 found, .*; edited by hand;/,
    ),
  ]);
  const folder = await ida.downloads();
  await ida.click('PDF');
  await arrived(folder, 'quillhaven-ferries-match-release-2.pdf');
  const file = join(folder, 'quillhaven-ferries-match-release-2.pdf');
  const words = execFileSync(process.execPath, ['tests/pdf-texts.mjs', file]).toString();
  expect(words).toMatch(/121 of 122 colours are identical/);
  expect(words).toMatch(/gauge\.dial/);
  await menu('Bridge console', 'Edit its files by hand');
  await ida.click('Take the change by hand back');
  await ida.sees('All 122 colours are identical on every screen');
});

test('simulated screens are used for real when they are large', async () => {
  const large = async (name: string) => {
    await (await ida.find(`::-p-aria([name="See ${name} large"][role="button"])`)).click();
    const frame = await (await ida.find(`iframe[title="${name}, large"]`)).contentFrame();
    await frame!.waitForFunction(() => ((window as { shown?: unknown[] }).shown?.length ?? 0) > 0, { polling: 100 });
    return frame!;
  };
  const close = async () => (await ida.find('[role=dialog] button')).click();
  // The game's own menu changes its theme.
  const game = await large('Deckhand trainer');
  const sky = () =>
    game.$eval('canvas', (canvas) => [...canvas.getContext('2d')!.getImageData(4, 30, 1, 1).data].slice(0, 3).join());
  const day = await sky();
  await game.focus('canvas');
  for (const key of ['m', 'ArrowDown', 'Enter'] as const) await ida.keys(key);
  await game.waitForFunction(() => document.documentElement.dataset.theme === 'dusk');
  expect(await sky()).not.toBe(day);
  await close();
  // The workbook's pickers hold the palette, and paint a cell.
  const workbook = await large('Fares workbook');
  await workbook.locator('#C4').click();
  await workbook.locator('[data-picker=background]').click();
  expect(await workbook.$$eval('#picker div', (all) => all.map(({ children }) => children.length))).toEqual([12, 159]);
  await workbook.locator('[aria-label="sea-state.9"]').click();
  const { themes } = (await visitor.send('GET', '/consumer/quillhaven/releases/latest')).body;
  const wanted = [1, 3, 5].map((at) => parseInt(themes[0].colours['sea-state.9'].slice(at, at + 2), 16));
  expect(await workbook.$eval('#C4', (cell) => getComputedStyle(cell).backgroundColor)).toBe(`rgb(${wanted.join(', ')})`);
  await close();
  // The terminal answers.
  const terminal = await large('Harbour-office terminal');
  await terminal.click('.xterm');
  await ida.page.keyboard.type('release');
  await ida.keys('Enter');
  await terminal.waitForFunction(() => document.querySelector('.xterm-rows')!.textContent.includes('colours of release 2office'));
  await close();
});

const verify = (...options: string[]) => run('verify', address, '--server', `${server.url}/deliver/quillhaven`, ...options);
const match = () => run('match', `${server.url}/deliver/quillhaven`);

/** Runs a command as somebody at their own machine would. */
async function run(...args: string[]) {
  const { body } = await visitor.send('POST', '/api/brands/quillhaven/build-tokens', { name: 'Checks', reports: true });
  const env = { ...process.env, BREAKWATER_TOKEN: body.secret as string };
  return promisify(execFile)('bin/breakwater', args, { env }).then(
    ({ stdout }) => ({ code: 0, stdout, stderr: '' }),
    (error: { code: number; stdout: string; stderr: string }) => ({
      code: error.code,
      stdout: error.stdout,
      stderr: error.stderr,
    }),
  );
}

test('an outside page is read in every theme and state; one colour off is found, and told to Watch', async () => {
  const right = await verify('--json');
  const { identical, pages } = JSON.parse(right.stdout) as {
    identical: boolean;
    pages: { themes: { theme: string; equal: string[] }[] }[];
  };
  expect([right.code, identical, pages[0]!.themes.map(({ theme }) => theme)]).toEqual([
    0,
    true,
    ['Day', 'Dusk', 'Night bridge', 'High contrast'],
  ]);
  for (const state of ['rest', 'hover', 'pressed', 'focus', 'disabled'])
    expect(pages[0]!.themes[0]!.equal).toContain(`action.confirm.${state}`);
  expect(pages[0]!.themes[0]!.equal).toEqual(expect.arrayContaining(['status.alert', 'status.delayed', 'text.link']));

  own = '#more::after { content: "!"; color: #ff00aa } [data-theme=dusk] button:hover { background: #00ff00 }';
  await ida.click('Add a screen');
  await ida.fill('Name', 'The quay');
  // Enter adds it.
  await ida.fill('Address', address);
  await ida.sees('not read yet');
  const { screens } = (await visitor.send('GET', '/api/brands/quillhaven/screens')).body;
  const { id } = screens.find(({ name }: { name: string }) => name === 'The quay');
  const wrong = await verify('--screen', id);
  expect(wrong.code).toBe(1);
  expect(wrong.stdout).toMatch(/Dusk: .*\n(.*\n)*.*#00ff00 {2}no token’s.*background-color of button, hover/);
  expect(wrong.stdout).toMatch(/#ff00aa {2}no token’s.*color of a#more::after/);
  await ida.page.waitForFunction(() => /read (just now|.* ago), release 2/.test(document.body.innerText));
  await ida.sees('#ff00aa');
  expect(await ida.page.$eval('[aria-label^="Colours that are no token"]', (list) => (list as HTMLElement).innerText)).toMatch(
    /The quay, background-color of button, hover/,
  );
});

test('a page that includes the module tells by itself what it shows, also while somebody points at it', async () => {
  expect((await (await fetch(`${server.url}/reader.js`)).arrayBuffer()).byteLength).toBeLessThan(6_000);
  const { body } = await visitor.send('POST', '/api/brands/quillhaven/build-tokens', {
    name: 'Staging',
    fetches: false,
    reports: true,
  });
  // What stands in a page for everybody to read opens nothing.
  const fetched = await fetch(`${server.url}/consumer/quillhaven/releases/latest`, {
    headers: { authorization: `Bearer ${body.secret}` },
  });
  expect([fetched.status, await fetched.json()]).toEqual([403, { error: expect.stringContaining('reports what screens show') }]);
  const kind = { is: 'page', address };
  await visitor.send('POST', '/api/brands/quillhaven/screens', { id: 'staging', name: 'Staging', kind });
  own = 'button { transition: all 0.3s } button:hover { background: #0000ee }';
  included = `<script type="module" src="${server.url}/reader.js" data-brand="quillhaven" data-screen="staging" data-theme="day" data-token="${body.secret}"></script>`;
  const page = await browser.newPage();
  await page.goto(address);
  await page.hover('button');
  const seen = async () => {
    const { readings } = (await visitor.send('GET', '/api/brands/quillhaven/screens/staging/readings')).body;
    return (readings[0]?.seen ?? []) as { colour: string; state: string; where: string }[];
  };
  for (let n = 0; n < 300 && !(await seen()).some(({ state }) => state === 'hover'); n++)
    await new Promise((resolve) => setTimeout(resolve, 100));
  expect(await seen()).toEqual(
    expect.arrayContaining([
      expect.objectContaining({ state: 'rest', where: 'background-color of body' }),
      expect.objectContaining({ colour: '#0000ee', state: 'hover', where: 'background-color of button' }),
    ]),
  );
  await page.close();
  included = '';
});

test('a screenshot that is handed in is read, and a newer one takes its place', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'breakwater-shots-'));
  const page = await browser.newPage();
  const shoot = async (file: string) => {
    await page.goto(address);
    await page.screenshot({ path: join(folder, file) as `${string}.png` });
    return join(folder, file);
  };
  own = '';
  const right = await shoot('right.png');
  own = 'body { box-shadow: inset 0 -400px #cfeeef }';
  const wrong = await shoot('wrong.png');
  await page.close();
  await ida.click('Add a screen');
  await (await ida.find('::-p-xpath(//*[@role="dialog"]//button[.="picture"])')).click();
  await ida.fill('Name', 'The kiosk');
  await ((await ida.find('[role=dialog] input[type=file]')) as ElementHandle<HTMLInputElement>).uploadFile(right);
  await ida.click('Add it');
  await ida.page.waitForSelector('[role=dialog]', { hidden: true });
  const kiosk = async () => {
    const { screens } = (await visitor.send('GET', '/api/brands/quillhaven/screens')).body;
    return screens.find(({ name }: { name: string }) => name === 'The kiosk').id as string;
  };
  await ida.page.waitForSelector(`tr[data-token="surface.page"] [data-screen="${await kiosk()}"][data-match=same]`);
  await menu('The kiosk', 'Name…');
  await ida.keys('Escape');
  const input = (await ida.page.$('input[aria-label="A newer picture of The kiosk"]'))!;
  await (input as ElementHandle<HTMLInputElement>).uploadFile(wrong);
  await ida.sees('#cfeeef');
});

test('what cannot be read, or may not be told, ends with a sentence', async () => {
  const gone = await promisify(execFile)('bin/breakwater', [
    'verify',
    `${address}gone`,
    '--brand',
    'demo/quillhaven.breakwater.json',
  ]).catch((error: { code: number; stderr: string }) => error);
  expect(gone).toMatchObject({ code: 2, stderr: expect.stringContaining('answers with 404') });
  const { body } = await visitor.send('POST', '/api/brands/quillhaven/build-tokens', { name: 'Fetches only' });
  const path = '/consumer/quillhaven/screens/booking/readings';
  const readings = JSON.stringify([{ theme: 'day', release: 1, seen: [] }]);
  const send = (headers: Record<string, string>) =>
    fetch(server.url + path, { method: 'POST', body: readings, headers: { 'content-type': 'application/json', ...headers } });
  expect((await send({ authorization: `Bearer ${body.secret}` })).status).toBe(403);
  expect((await send({})).status).toBe(401);
  expect(ida.errors).toEqual([]);
});
