/** The whole way once more in Firefox: what is pasted is shaped, named, proved, released, and read back from every screen. */
import puppeteer, { type Browser, type Page } from 'puppeteer-core';
import { startTestServer, type TestServer } from '../test-server';
import { Person } from './browser';

let server: TestServer;
let browser: Browser;
let page: Page;
beforeAll(async () => {
  server = await startTestServer('firefox');
  browser = await puppeteer.launch({
    browser: 'firefox',
    executablePath: '/usr/bin/firefox-esr',
    headless: true,
    defaultViewport: { width: 1280, height: 800 },
  });
  page = await browser.newPage();
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

test('from a list to screens that are read back, with neutral scroll bars and nothing that the policy has to block', async () => {
  const ida = await Person.signIn(page, server, 'Ida');
  await ida.click('Hide the guide');

  await ida.stage('Gather');
  await (await ida.find('textarea[aria-label="Text with colours"]')).click();
  await page.keyboard.type('Dusk: #3c4a6b\nEmber #c4543a');
  await ida.sees('2 in the catch');
  await ida.click('Bring in 2');
  await ida.find('[data-swatch][aria-label="Ember, #c4543a"]');

  await (await ida.find('[data-swatch]')).click();
  await ida.fill('Colour, as any CSS text', 'oklch(0.42 0.06 270)');
  await ida.find('[data-swatch][aria-label="Dusk, #404b6e"]');
  await (await ida.find('section[aria-label=Tune] input[type=range]')).focus();
  await ida.keys('ArrowRight');
  await page.waitForFunction(() => document.querySelector('[data-testid=notations]')!.textContent!.includes('oklch(0.422 '));

  await ida.stage('Name');
  await ida.fill('Path of the new token', 'text.quiet', false);
  await ida.fill('Value of the new token', '#404b6e');
  await ida.fill('Filter tokens', 'text.quiet', false);
  await ida.find('[data-token="text.quiet"]');

  await ida.stage('Prove');
  await ida.find('[data-rule]');
  await ida.click('Contrast');
  await ida.find('[data-pair]');
  await ida.click('Charts');
  await ida.find('[data-category]');
  await ida.click('Colour vision');
  await ida.find('[data-vision]');

  await ida.stage('Ship');
  await ida.click('Booking site');
  await ida.sees('--qf-surface-page');
  expect(await page.$eval('.cm-scroller', (part) => getComputedStyle(part).scrollbarColor)).toMatch(/^rgb\((\d+), \1, \1\)/);

  await ida.click('Release…');
  await ida.sees('35 files');
  await ida.click('Make release 1');
  await page.waitForSelector('[data-testid=match][data-complete=true]');
  const cells = await page.$$eval('[data-match]', (found) => found.map((cell) => (cell as HTMLElement).dataset.match));
  expect([cells.includes('different'), cells.filter((match) => match === 'same').length > 60]).toEqual([false, true]);

  expect(await page.evaluate(() => (window as unknown as { blocked: string[] }).blocked)).toEqual([]);
  expect(ida.errors).toEqual([]);
});
