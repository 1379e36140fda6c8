/** Ship with mouse and keyboard: what reads it, its options, what it weighs, templates, what has changed since a release. */
import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { unzipSync } from 'fflate';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, ElementHandle } from 'puppeteer-core';
import { startTestServer, type TestServer } from '../test-server';
import { arrived, launch, Person } from './browser';

let server: TestServer;
let browser: Browser;
let ida: Person;
beforeAll(async () => {
  server = await startTestServer('ship', 'demo', { BREAKWATER_REACH: '127.0.0.1/32' });
  browser = await launch();
  ida = await Person.enter(browser, server, 'Ida');
  await ida.stage('Ship');
});
const receivers: Server[] = [];
afterAll(async () => {
  for (const receiver of receivers) {
    receiver.close();
    receiver.closeAllConnections();
  }
  await browser.close();
  await server.close();
  expect(ida.errors).toEqual([]);
});

/** The text of the file that is shown, as much of it as is drawn. */
const shown = () =>
  ida.page.$$eval('[aria-label^="Contents of"] .cm-line', (lines) => lines.map((line) => line.textContent).join('\n'));
const showsLine = (line: string) =>
  ida.page.waitForFunction(
    (wanted) =>
      [...document.querySelectorAll('[aria-label^="Contents of"] .cm-line')].some((line) => line.textContent === wanted),
    {},
    line,
  );
const destination = (name: string) =>
  ida.page.locator(`::-p-xpath(//ul[contains(@class, "destinations")]//button[b="${name}"])`).click();
const choose = async (label: string, value: string) => {
  const select = await ida.find(`::-p-xpath(//label[starts-with(normalize-space(.), "${label}")]//select)`);
  await select.select(value);
};
const tick = (label: string) => ida.page.locator(`::-p-xpath(//label[normalize-space(.)="${label}"]/input)`).click();

test('it is asked what reads the file, and the file is there before it is added', async () => {
  await ida.click('Add a destination');
  await ida.fill('Filter by reader', 'rust', false);
  expect(await ida.page.$$eval('[aria-label="What reads it?"] button', (all) => all.length)).toBe(1);
  await ida.click('Games and programs in Rust');
  await showsLine('pub mod day {');
  await showsLine('    pub const SURFACE_PAGE: u32 = 0xddf0eeff;');
  await choose('Kept as', 'bytes');
  await showsLine('    pub const SURFACE_PAGE: [u8; 4] = [221, 240, 238, 255];');
  await ida.click('Ship to this');
  await ida.page.waitForFunction(() => document.querySelectorAll('ul[class*=destinations] button').length === 9);
  await showsLine('    pub const SURFACE_PAGE: [u8; 4] = [221, 240, 238, 255];');
});

test('options that change bytes are seen to change them', async () => {
  await destination('Booking site');
  await showsLine('  --qf-surface-page: #ddf0ee;');
  await ida.fill('Put before every name', 'v1-');
  await showsLine('  --v1-surface-page: #ddf0ee;');
  await choose('Names', 'camel');
  await showsLine('  --v1SurfacePage: #ddf0ee;');
  await choose('Notation', 'rgb');
  await showsLine('  --v1SurfacePage: rgb(221 240 238);');
  await tick('Registered as colours (@property)');
  await showsLine('@property --v1SurfacePage {');
  await tick('Registered as colours (@property)');
  await choose('Order', 'lightness');
  await ida.page.waitForFunction(() =>
    document.querySelector('[aria-label^="Contents of"]')!.textContent!.includes('rgb(255 255 255)'),
  );
  expect((await shown()).split('\n')[2]).toContain('rgb(255 255 255)');
  await ida.fill('Only a group of tokens', 'fare');
  await ida.page.waitForFunction(
    () => !document.querySelector('[aria-label^="Contents of"]')!.textContent!.includes('SurfacePage'),
  );
  await ida.fill('Only a group of tokens', '');
  await choose('Notation', 'hex');
  await choose('Names', 'kebab');
  await choose('Order', 'brand');
  await ida.fill('Put before every name', 'qf-');
  await showsLine('  --qf-surface-page: #ddf0ee;');
});

test('a patch stands beside each colour, and a colour leads to its token', async () => {
  // The file is set anew when its options come to rest, and its patches with it.
  await ida.page.waitForFunction(() =>
    [...document.querySelectorAll('.cm-patches i')].some(
      (patch) => getComputedStyle(patch).backgroundColor === 'rgb(221, 240, 238)',
    ),
  );
  await ida.page
    .locator('::-p-xpath(//*[@class="cm-line"][contains(., "--qf-text-link:")]//*[contains(@class, "cm-code")])')
    .click();
  await ida.page.waitForFunction(() => document.querySelector('aside[aria-label=Readout] h2')?.textContent === 'text.link');
  await ida.click('Back to the options');
});

test('families are weighed, and leaving one out makes the file lighter', async () => {
  await destination('Booking site classes');
  await ida.click('Weight');
  const total = () => ida.page.$eval('tfoot td', (cell) => Number(cell.textContent!.replace(/\D/g, '')));
  await ida.sees('All files of this destination');
  const before = await total();
  const row = (path: string) => `::-p-xpath(//tr[.//input[@aria-label="Ship ${path}"]])`;
  const ours = await (
    await ida.find(row('action'))
  ).$$eval('td', (cells) => cells.slice(3).map((cell) => Number(cell.textContent!.replace(/\D/g, ''))));
  expect(ours[0]).toBeGreaterThan(ours[1]!);
  await ida.page.locator('[aria-label="Ship action"]').click();
  await ida.page.waitForFunction(
    (was) => Number(document.querySelector('tfoot td')!.textContent!.replace(/\D/g, '')) < was,
    {},
    before,
  );
  expect(await total()).toBe(before - ours[0]!);
  await ida.page.locator('[aria-label$="tokens of text"]').click();
  await ida.page.locator('[aria-label="Ship text.code"]').click();
  await ida.sees('text.code ×');
  await ida.click('File');
  await ida.page.waitForFunction(() => document.querySelector('[aria-label^="Contents of"]') !== null);
  expect(await shown()).not.toContain('--text-code');
  await ida.click('text.code');
  await ida.click('action');
});

test('a template is written beside what it gives; a mistake is told with its line, and nothing is lost', async () => {
  await ida.click('Add a destination');
  await ida.click('Anything else, by a template of your own');
  await ida.sees('surface.page = #ddf0ee');
  await ida.click('Ship to this');
  // Until then the template on the page is the offer's, and what is written into it is gone with it.
  await ida.page.waitForFunction(
    () => ![...document.querySelectorAll('button')].some((button) => button.textContent === 'Ship to this'),
  );
  const write = async (source: string) => {
    // By the keyboard: while the file beside it is drawn the editor moves, and a press of the mouse may miss it.
    await (await ida.find('[aria-label=Template]')).focus();
    await ida.keys('Control', 'a');
    await ida.page.keyboard.sendCharacter(source);
  };
  await write('{% for t in tokens %}set {{ t.path }} {{ t.argb }}\n{% endfor %}');
  await showsLine('set surface.page ffddf0ee');
  await write('one\n{{ tokns }}');
  await ida.sees('Line 2 of the template: undefined variable: tokns.');
  expect(await ida.page.$eval('[aria-label=Template]', (field) => field.textContent)).toContain('tokns');
  await write('{% for i in (1..99999) %}{% for k in (1..99999) %}{% endfor %}{% endfor %}');
  await ida.sees('Line 1 of the template: it runs for more than 1 second');
  await write('{{ tokens[0].hex }}');
  await showsLine('#ddf0ee');
  await ida.click('Start from another template');
  await ida.find('[role=menuitem] ::-p-text((Quillhaven Ferries))');
  await ida.keys('Escape');
});

test('since a release only what has changed is marked, line by line', async () => {
  await ida.click('Release…');
  await ida.click('Make release 1');
  await ida.page.waitForFunction(() => location.pathname.endsWith('/watch'));
  await ida.stage('Ship');
  await destination('Booking site');
  await ida.click('Since release 1');
  await ida.sees('Byte for byte as in release 1');
  await ida.fill('Attribute that chooses the theme', 'data-look');
  await ida.page.waitForFunction(() => document.querySelector('.cm-changedLine')?.textContent === "[data-look='day'] {");
  await ida.page.waitForFunction(() => document.querySelector('.cm-deletedChunk')?.textContent === "[data-theme='day'] {");
  // What has not changed is folded away.
  await ida.sees('unchanged lines');
  await ida.fill('Attribute that chooses the theme', 'data-theme');
  await ida.sees('Byte for byte as in release 1');
});

test('a token for builds is shown once, listed, and taken away', async () => {
  await ida.click('For builds');
  await ida.fill('Where the new token is used', 'site build');
  await ida.sees('Copy it now; it is not shown again.');
  await ida.sees('never used');
  await (await ida.find('[aria-label="Revoke site build"]')).click();
  await ida.page.waitForFunction(() => !document.body.innerText.includes('never used'));
  await ida.keys('Escape');
  await ida.page.waitForFunction(() => !document.querySelector('[role=dialog]'));
});

test('the brand sheet is seen page by page, and taken along as PDF and as pictures', async () => {
  await ida.click('Brand sheet');
  // Pages out of sight are drawn when they come into it.
  const drawn = (count: number) =>
    ida.page.waitForFunction(
      (wanted) => {
        const pages = [...document.querySelectorAll<HTMLImageElement>('ol[class*=pages] img')];
        return pages.length === wanted && pages[0]!.naturalWidth > 0;
      },
      {},
      count,
    );
  await drawn(10);
  await tick('Tokens by theme');
  await drawn(7);
  for (const palette of ['Route lines', 'Sea state', 'Tide offset', 'Deck paint', 'Trainer 16']) await tick(palette);
  await drawn(4);
  await ida.fill('A line at the head', 'For the harbour office');
  const folder = await ida.downloads();
  await ida.click('Download as PDF, 4 pages');
  const pdf = (await arrived(folder, 'quillhaven-ferries-sheet.pdf')).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page\b/g)).toHaveLength(4);
  await (await ida.find('[aria-label="SVG of page 1"]')).click();
  expect((await arrived(folder, 'quillhaven-ferries-sheet-1.svg')).toString()).toContain('For the harbour office');
  await ida.click('Back to the files');
});

test('one file and all of them are downloaded, each as its hash says', async () => {
  const folder = await ida.downloads();
  await ida.click('File');
  // The file as released, and no more the one with the attribute that was tried.
  await showsLine("[data-theme='day'] {");
  await ida.page.locator('::-p-xpath(//button[.="Download"])').click();
  const css = await arrived(folder, 'quillhaven-ferries.css');
  const response = await ida.page.evaluate(async () => {
    const [, , id] = location.pathname.split('/');
    const released = await fetch(`/deliver/${id}/1/css/quillhaven-ferries.css`);
    return released.headers.get('x-breakwater-sha256');
  });
  expect(createHash('sha256').update(css).digest('hex')).toBe(response);
  await ida.click('Download all as a zip');
  const zip = unzipSync(new Uint8Array(await arrived(folder, 'quillhaven-ferries.zip')));
  const manifest = JSON.parse(new TextDecoder().decode(zip['manifest.json'])) as { files: { path: string; sha256: string }[] };
  expect(manifest.files.length).toBeGreaterThan(33);
  for (const { path, sha256 } of manifest.files) expect(createHash('sha256').update(zip[path]!).digest('hex')).toBe(sha256);
});

test('a logo and a printing condition are given to the brand sheet; the readout tells what is printed', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'breakwater-ship-'));
  const give = async (label: string, name: string, content: string) => {
    writeFileSync(join(folder, name), content);
    const input = (await ida.page.waitForSelector(`input[aria-label="${label}"]`)) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(join(folder, name));
  };
  await ida.click('Brand sheet');
  await give('Logo', 'mark.svg', 'no drawing at all');
  await ida.sees('PNG or SVG');
  const drawing = '<script>document.title = "ran"</script><rect width="40" height="10" fill="#006871"/>';
  await give('Logo', 'mark.svg', `<svg xmlns="http://www.w3.org/2000/svg" width="40" height="10">${drawing}</svg>`);
  const logo = await ida.find('img[alt="mark.svg"], img[alt="mark"]');
  expect(await logo.evaluate((image) => (image as HTMLImageElement).src)).toMatch(/\/pictures\/[0-9a-f]{64}$/);
  await give('ICC profile', 'press.icc', 'no profile at all');
  await ida.sees('This is no ICC profile of a printing condition');
  const condition = await ida.find('::-p-xpath(//label[starts-with(., "Printing condition")]//select)');
  const names = await condition.evaluate((list) => [...(list as HTMLSelectElement).options].map(({ text }) => text));
  expect(names).toEqual(['none: CMYK is a hint', expect.any(String), ...names.slice(2, -1), 'an ICC profile of a file…']);
  await condition.select(names[1]!);
  await ida.page.waitForFunction(
    (name) => [...document.querySelectorAll<HTMLSelectElement>('main select')].some(({ value }) => value === name),
    {},
    names[1]!,
  );
  await ida.stage('Mix');
  await (await ida.find('[data-swatch]')).click();
  const told = await ida.find('[data-testid=print]');
  expect(await told.evaluate((line) => (line as HTMLElement).innerText)).toMatch(/\d+ % ink, ΔE \d+\.\d, by /);
  await ida.stage('Ship');
});

test('an address is told of releases, shows what came of each message, and is sent one again', async () => {
  const told: string[] = [];
  let status = 500;
  const receiver = createServer((request, response) => {
    told.push(String(request.headers['webhook-id']));
    response.writeHead(status).end();
  }).listen(0, '127.0.0.1');
  receivers.push(receiver);
  await once(receiver, 'listening');
  const address = `http://127.0.0.1:${(receiver.address() as AddressInfo).port}/`;
  await ida.click('Webhooks');
  await ida.fill('Address that is told', address);
  await ida.sees('Copy it now; it is not shown again.');
  await ida.click('Send a trial');
  await ida.sees('Answered with 500.');
  await ida.sees('Waits');
  status = 204;
  await ida.sees('Answered with 204. 2 tries.');
  await ida.click('Send again');
  await ida.page.waitForFunction(() => /Received\s+Answered with 204\.(?! 2)/.test(document.body.innerText));
  expect(new Set(told).size).toBe(1);
  expect(told).toHaveLength(3);
  await (await ida.find(`button[aria-label="Remove ${address}"]`)).click();
  await ida.page.waitForSelector(`button[aria-label="Remove ${address}"]`, { hidden: true });
  await ida.keys('Escape');
});
