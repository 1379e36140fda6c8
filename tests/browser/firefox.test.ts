/** The whole way once more in Firefox: what is pasted is shaped, named, proved, released, and read back from every screen. */
import puppeteer, { type Browser, type Page } from 'puppeteer-core';
import { startTestServer, type TestServer } from '../test-server';

const PATIENCE_MS = 60_000;

let server: TestServer;
let browser: Browser;
let page: Page;
const errors: string[] = [];
beforeAll(async () => {
  server = await startTestServer('firefox');
  browser = await puppeteer.launch({
    browser: 'firefox',
    executablePath: '/usr/bin/firefox-esr',
    headless: true,
    defaultViewport: { width: 1280, height: 800 },
  });
  page = await browser.newPage();
  page.setDefaultTimeout(PATIENCE_MS);
  page.on('pageerror', (error) => errors.push(String(error)));
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
  await page.evaluateOnNewDocument(() => {
    const blocked: string[] = [];
    document.addEventListener('securitypolicyviolation', (event) =>
      blocked.push(`${event.violatedDirective}: ${event.blockedURI} in ${event.sourceFile}`),
    );
    Object.assign(window, { blocked });
  });
});
afterAll(async () => {
  await browser.close();
  await server.close();
});

const find = (selector: string) => page.waitForSelector(selector, { visible: true });
const press = async (words: string) =>
  (await find(`::-p-xpath(//*[self::button or self::a][starts-with(normalize-space(.), "${words}")])`))!.click();
const sees = (words: string) => page.waitForFunction((text) => document.body.innerText.includes(text), {}, words);
const write = async (label: string, text: string) => {
  const field = (await find(`input[aria-label="${label}"]`))!;
  await field.click({ count: 3 });
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
};
const stage = async (label: string) => {
  await (await find(`nav[aria-label=Stages] ::-p-text(${label})`))!.click();
  await page.waitForSelector(`main[data-stage=${label.toLowerCase()}] > :nth-child(1)`);
};

test('from a list to screens that are read back, with neutral scroll bars and nothing that the policy has to block', async () => {
  await page.goto(`${server.url}/sign-in`);
  await press('Ida');
  await page.waitForSelector('[data-testid=kept]');
  await press('Hide the guide');

  await stage('Gather');
  await (await find('textarea[aria-label="Text with colours"]'))!.click();
  await page.keyboard.type('Dusk: #3c4a6b, Ember #c4543a');
  await sees('2 in the catch');
  await press('Bring in 2');
  await find('[data-swatch][aria-label="Ember, #c4543a"]');

  // A colour by its text, by a slider and by the clipboard of keys; and back.
  await (await find('[data-swatch]'))!.click();
  await write('Colour, as any CSS text', 'oklch(0.42 0.06 270)');
  await find('[data-swatch][aria-label="Dusk, #424c6e"]');
  await (await find('section[aria-label=Tune] input[type=range]'))!.focus();
  await page.keyboard.press('ArrowRight');
  await page.waitForFunction(() => document.querySelector('[data-testid=notations]')!.textContent!.includes('oklch(0.422 '));

  await stage('Name');
  await write('Path of the new token', 'text.quiet');
  await write('Value of the new token', '#424c6e');
  await write('Filter tokens', 'text.quiet');
  await find('[data-token="text.quiet"]');

  await stage('Prove');
  await find('[data-pair]');

  await stage('Ship');
  await press('Booking site');
  await sees('--qf-text-quiet: #424c6e');
  expect(await page.$eval('.cm-scroller', (part) => getComputedStyle(part).scrollbarColor)).toMatch(/^rgb\((\d+), \1, \1\)/);

  await press('Release…');
  await sees('33 files');
  await press('Make release 1');
  await page.waitForSelector('[data-testid=match][data-complete=true]');
  const cells = await page.$$eval('[data-match]', (found) => found.map((cell) => (cell as HTMLElement).dataset.match));
  expect([cells.includes('different'), cells.filter((match) => match === 'same').length > 60]).toEqual([false, true]);

  expect(await page.evaluate(() => (window as unknown as { blocked: string[] }).blocked)).toEqual([]);
  expect(errors).toEqual([]);
});
