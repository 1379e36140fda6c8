import type { Browser, ElementHandle } from 'puppeteer-core';
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

test('each sees who is here, and which swatch they hold', async () => {
  await ida.sees('with Oren');
  await oren.sees('with Ida');
  await (await ida.find('[data-swatch="core-lamp"]')).click();
  await oren.find('[data-swatch="core-lamp"] [aria-label="Ida holds this one"]');
  await (await ida.find(FOAM)).click();
  await oren.find(`${FOAM} [aria-label="Ida holds this one"]`);
  await oren.page.waitForFunction(() => !document.querySelector('[data-swatch="core-lamp"] [aria-label]'));
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

test('who is overtaken is told both values, and chooses; an edit made out of reach asks, and one’s own is set only by a press', async () => {
  const swatch = '[data-swatch="core-foam"]';
  for (const person of [ida, oren]) await (await person.find(swatch)).click();
  await ida.fill('Colour, as any CSS text', '#111111');
  await shows(oren, 'Foam, #111111');
  await oren.fill('Colour, as any CSS text', '#222222');
  await ida.sees('Oren has set Foam to #222222; you had set it to #111111.');
  await ida.click('Set it to mine again');
  await shows(oren, 'Foam, #111111');
  await ida.page.setOfflineMode(true);
  await ida.sees('No server');
  await ida.fill('Colour, as any CSS text', '#333333');
  await oren.fill('Colour, as any CSS text', '#444444');
  await shows(oren, 'Foam, #444444');
  await ida.page.setOfflineMode(false);
  await ida.sees('Oren changed the same while you were out of reach');
  expect((await ida.texts('[role=alertdialog] td')).join()).toBe('#444444,#333333');
  await shows(ida, 'Foam, #444444');
  await ida.click('Set mine');
  await shows(oren, 'Foam, #333333');
  await ida.page.waitForFunction(() => !document.querySelector('[role=alertdialog]'));
});

test('what the phone’s camera finds is in the catch on the desk at once', async () => {
  await ida.stage('Gather');
  await ida.click('Camera');
  await ida.find('svg title, [class*=phone] svg');
  const phone = await Person.enter(browser, server, 'Ida');
  await phone.page.setViewport({ width: 390, height: 844, hasTouch: true, isMobile: true });
  await phone.page.goto(`${server.url}/brand/quillhaven/gather?camera`);
  await phone.page.waitForSelector('[data-testid=kept]');
  await phone.settled();
  const input = (await phone.page.waitForSelector('input[aria-label=Photograph]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile('demo/gather/harbour-at-dusk.jpg');
  await (
    await phone.find('::-p-xpath(//button[starts-with(., "Send ") and contains(., "to my other pages") and not(@disabled)])')
  ).click();
  await phone.sees('they are in the catch of your other pages');
  await ida.sees('came from your other page; they are in the catch.');
  await ida.sees('from harbour-at-dusk.jpg');
  expect(await ida.page.$$eval('[aria-label="The catch"] [class*=patch]', (patches) => patches.length)).toBeGreaterThan(3);
  // The phone does not take up its own, and the desk takes it up once.
  await ida.page.reload();
  await ida.sees('from harbour-at-dusk.jpg');
  expect(phone.errors).toEqual([]);
  await phone.page.close();
  await ida.click('Empty the catch');
  await ida.stage('Mix');
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
