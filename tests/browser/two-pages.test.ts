import type { Browser } from 'puppeteer-core';
import { startTestServer, Visitor, type TestServer } from '../test-server';
import { launch, Person } from './browser';

let server: TestServer;
let browser: Browser;
let ida: Person;
let oren: Person;
beforeAll(async () => {
  server = await startTestServer('two_pages');
  browser = await launch();
  ida = await Person.enter(browser, server, 'Ida');
  oren = await Person.enter(browser, server, 'Oren');
});
afterAll(async () => {
  await browser.close();
  await server.close();
});

const FOAM = '[data-swatch="core-foam"]';
const shows = (person: Person, label: string) =>
  person.page.waitForFunction(
    (words) => [...document.querySelectorAll('[data-swatch]')].some((cell) => cell.getAttribute('aria-label') === words),
    {},
    label,
  );

test('an edit in one page appears in the other, with who made it', async () => {
  for (const person of [ida, oren]) await (await person.find(FOAM)).click();
  await ida.fill('Colour, as any CSS text', '#d0f0e0');
  await shows(ida, 'Foam, #d0f0e0');
  await shows(oren, 'Foam, #d0f0e0');
  await oren.page.waitForFunction(() =>
    document.querySelector('[data-testid=history]')?.textContent?.includes('Ida Set Foam to #d0f0e0'),
  );
});

test('two people on one swatch both end with the later value; an undo does not overwrite it', async () => {
  await oren.fill('Colour, as any CSS text', '#e0e0d0');
  await shows(ida, 'Foam, #e0e0d0');
  await ida.blur();
  await ida.keys('Control', 'z');
  await ida.sees('Foam has been changed since');
  await shows(ida, 'Foam, #e0e0d0');
});

test('with the server gone, edits wait and are counted; once it is back they arrive, each once', async () => {
  await server.kill();
  await ida.blur();
  for (let n = 0; n < 3; n++) await ida.keys('a');
  await ida.sees('3 changes wait: no server');
  await ida.fill('Name', 'Made alone');
  await ida.sees('4 changes wait');
  await server.restart();
  await ida.page.waitForFunction(() => document.querySelector('[data-testid=kept]')?.textContent?.startsWith('Kept'));
  await oren.page.waitForFunction(() => document.querySelectorAll('[data-swatch]').length === 11);
  const { body } = await (await Visitor.demo(server, 'ida')).send('GET', '/api/brands/quillhaven');
  const names = body.brand.palettes[0].swatches.map((swatch: { name: string }) => swatch.name);
  expect([names.length, names.filter((name: string) => name === 'Made alone').length]).toEqual([11, 1]);
});

test('edits left by a closed tab are sent by the next one', async () => {
  await server.kill();
  await ida.blur();
  await ida.keys('a');
  await ida.sees('1 change waits');
  const context = ida.page.browserContext();
  await ida.page.close();
  await server.restart();
  const next = await context.newPage();
  await next.goto(`${server.url}/brand/quillhaven/mix`);
  await next.waitForFunction(() => document.querySelectorAll('[data-swatch]').length === 12);
  await oren.page.waitForFunction(() => document.querySelectorAll('[data-swatch]').length === 12);
});

test('a viewer’s page does not offer edits, and the page says why when a key tries', async () => {
  const wim = await Person.enter(browser, server, 'Wim');
  await (await wim.find(FOAM)).click();
  await wim.blur();
  await wim.keys('d');
  await wim.sees('You are here as viewer and cannot change this brand');
  expect(wim.errors).toEqual([]);
  expect(oren.errors).toEqual([]);
});
