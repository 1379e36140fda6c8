/** Several people on the same colours: a review from asking to release, the house set, the past, search, invitations. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, ElementHandle } from 'puppeteer-core';
import { startTestServer, Visitor, type TestServer } from '../test-server';
import { launch, Person } from './browser';

let server: TestServer;
let browser: Browser;
let ida: Person;
let oren: Person;
let petra: Person;
let visitor: Visitor;
beforeAll(async () => {
  server = await startTestServer('together');
  visitor = await Visitor.demo(server, 'ida');
  const { seq } = (await visitor.send('GET', '/api/brands/quillhaven')).body as { seq: number };
  await visitor.send('POST', '/api/brands/quillhaven/releases', { seq, title: 'First colours', note: '' });
  browser = await launch();
  [ida, oren, petra] = [
    await Person.enter(browser, server, 'Ida'),
    await Person.enter(browser, server, 'Oren'),
    await Person.enter(browser, server, 'Petra'),
  ];
});
afterAll(async () => {
  await browser.close();
  await server.close();
});

const tab = async (person: Person, name: string) =>
  (await person.find(`::-p-xpath(//button[@role="tab"][starts-with(., "${name}")])`)).click();
const paint = async (person: Person, swatch: string, colour: string) => {
  await person.stage('Mix');
  await (await person.find(`[data-swatch="${swatch}"]`)).click();
  await person.fill('Colour, as any CSS text', colour);
  await person.page.waitForFunction(() => document.querySelector('[data-testid=kept]')?.textContent?.startsWith('Kept'));
};
const colourOf = async (id: string) => {
  const { brand } = (await visitor.send('GET', '/api/brands/quillhaven')).body;
  return brand.palettes
    .flatMap((palette: { swatches: object[] }) => palette.swatches)
    .find((swatch: { id: string }) => swatch.id === id).value as string;
};
const becomes = async (id: string, colour: string) => {
  for (let n = 0; n < 80 && (await colourOf(id)) !== colour; n++) await ida.settled();
  expect(await colourOf(id)).toBe(colour);
};

test('a sign-off: asked for, commented on, approved for what was seen, and named by its release', async () => {
  await ida.stage('Watch');
  await tab(ida, 'Sign-off');
  await (await ida.find('[aria-label="Approvals"] ::-p-text(1)')).click();
  await ida.sees('There is nothing to sign off');
  await paint(oren, 'core-foam', '#d8ecf0');
  await oren.stage('Watch');
  await tab(oren, 'Sign-off');
  await oren.sees('1 change since release 1');
  await oren.click('Ask for a sign-off…');
  await oren.fill('Title', 'Winter colours', false);
  await oren.fill('What should they look at?', 'The foam', false);
  await (await oren.find('[role=dialog] button[type=submit]')).click();
  await oren.sees('Nobody has approved it yet');
  expect(await oren.texts('button')).not.toContain('Approve…');

  // Petra hears of it without being told, and sees the change as pictures.
  await petra.sees('sign-off asked');
  await petra.stage('Watch');
  await tab(petra, 'Sign-off');
  await petra.sees('Winter colours');
  await petra.find('[aria-label="#ddf0ee before, #d8ecf0 now"]');
  const grounds = await petra.page.$$eval('[data-testid=before-after] [data-sheet]', (sheets) =>
    sheets.map((sheet) => (sheet as HTMLElement).style.getPropertyValue('--page')),
  );
  expect(grounds).toEqual(['#ddf0ee', '#d8ecf0']);
  await (await petra.find('[role=radio]::-p-text(contrast)')).click();
  await petra.find('[aria-label="Contrast before and now"] ::-p-text(text.link on surface.page)');
  await petra.fill('A comment on Foam', 'A little too blue?', false);
  await petra.click('Comment');
  await oren.sees('A little too blue?');
  await oren.click('Dealt with');
  await petra.sees('Dealt with, says Oren');
  await approve('Better so.');
  await ida.find('[aria-label=Verdicts] [data-verdict=approve] ::-p-text(Petra)');
  await ida.sees('Better so.');

  // Another order of themes is another style sheet, and is told as that.
  await moveTheme('dusk', 'day');
  await petra.sees(':root of style sheets is now Dusk, no longer Day');
  await ida.sees('for earlier approvals did not see the latest changes');
  await moveTheme('day', 'dusk');
  await ida.page.waitForFunction(() => !document.body.innerText.includes('did not see the latest changes'));

  // What changes after an approval is not approved with it.
  await paint(oren, 'core-lamp', '#f4c542');
  await ida.sees('for earlier approvals did not see the latest changes');
  await ida.click('Release…');
  await ida.find('[role=dialog] ::-p-text(did not see the latest changes)');
  expect(
    await ida.page.$eval('::-p-xpath(//button[starts-with(., "Make release 2")])', (b) => (b as HTMLButtonElement).disabled),
  ).toBe(true);
  await ida.keys('Escape');
  await petra.sees('approved, before one more change');
  await approve('');
  await ida.find('[aria-label=Verdicts] [data-verdict=approve] ::-p-text(Petra)');
  await ida.page.waitForFunction(() => !document.body.innerText.includes('did not see the latest changes'));
  await ida.click('Release…');
  await ida.sees('Signed by Petra.');
  await ida.click('Make release 2');
  await ida.page.waitForFunction(() => !document.querySelector('[role=dialog]'));
  await tab(ida, 'Releases');
  await ida.sees('Signed by Petra');
  await tab(petra, 'Sign-off');
  await petra.sees('released as 2');
  // Any two are compared.
  await ida.find('section[aria-label="Two releases compared"] [aria-label="#ddf0ee before, #d8ecf0 now"]');
});

/** Petra approves what she sees, with a remark or without. */
async function approve(remark: string): Promise<void> {
  await petra.click('Approve…');
  if (remark !== '') await petra.fill('A remark for the others, if you like', remark, false);
  await (await petra.find('[role=dialog] button[type=submit]')).click();
  await petra.page.waitForFunction(() => !document.querySelector('[role=dialog]'));
}

async function moveTheme(id: string, before: string): Promise<void> {
  const moved = await (await Visitor.demo(server, 'oren')).change([{ do: 'theme.move', id, before }]);
  expect(moved.body.outcomes[0].seq).toBeGreaterThan(0);
}

test('the brand as it was at a change, and one thing of it taken back into today', async () => {
  await tab(ida, 'History');
  await ida.sees('4 changes');
  await ida.page.select('select[aria-label="Changed by"]', 'demo-oren');
  await ida.page.select('select[aria-label="What was changed"]', 'core');
  await (await ida.find('::-p-xpath(//ol//button[contains(., "Set Foam to #d8ecf0")])')).click();
  await ida.sees('Since then 1 thing has become another');
  await (await ida.find('[aria-label="Different today"] label')).click();
  await ida.click('Take back what is ticked');
  await becomes('core-lamp', '#f0bb3b');
  expect(await colourOf('core-foam')).toBe('#d8ecf0');
  // The change itself, by one press.
  await (await ida.find('::-p-xpath(//ol//button[contains(., "Set Foam to #d8ecf0")])')).click();
  await ida.click('Take this change back');
  await becomes('core-foam', '#ddf0ee');
  await ida.page.select('select[aria-label="What was changed"]', 'tide');
  await ida.sees('Nothing of the kind was done.');
});

test('a brand begins with the house set, is told when it moves, and takes some of it', async () => {
  await ida.page.goto(`${server.url}/organisation/quillhaven`);
  await tab(ida, 'House set');
  await ida.click('Make these 6 palettes house set 1');
  await ida.sees('House set 1');
  await tab(ida, 'Brands');
  await ida.click('New brand…');
  await ida.fill('Name', 'Quillhaven Lights');
  await ida.page.waitForFunction(() => /\/brand\/\w+\/mix/.test(location.pathname) && !location.pathname.includes('quillhaven'));
  await ida.sees('Trainer 16');
  const lights = new URL(ida.page.url()).pathname.split('/')[2]!;
  await visitor.change([
    { do: 'swatch.edit', id: 'core-foam', set: { value: '#e0f4f0' } },
    { do: 'swatch.edit', id: 'core-lamp', set: { value: '#f4c542' } },
  ]);
  const palettes = ['core', 'route', 'sea', 'tide', 'deck', 'trainer'];
  await visitor.send('POST', '/api/organisations/quillhaven/house', { from: 'brand', brand: 'quillhaven', palettes });
  await ida.page.reload();
  await ida.sees('house set moved');
  await ida.stage('Gather');
  await ida.click('House set');
  await ida.sees('The house set moved: 2 swatches differ');
  await (await ida.find('::-p-xpath(//*[@aria-label="What differs"]//li[contains(., "Lamp")]//label)')).click();
  await ida.click('Take 1 of 2');
  await ida.sees('1 swatch differs, and stays so');
  const swatches = async () => {
    const { brand } = (await visitor.send('GET', `/api/brands/${lights}`)).body;
    return Object.fromEntries(brand.palettes[0].swatches.map(({ id, value }: { id: string; value: string }) => [id, value]));
  };
  for (let n = 0; n < 80 && (await swatches())['core-foam'] !== '#e0f4f0'; n++) await ida.settled();
  expect(await swatches()).toMatchObject({ 'core-foam': '#e0f4f0', 'core-lamp': '#f0bb3b' });
  await ida.page.waitForFunction(() => !document.body.innerText.includes('house set moved'));
  await ida.keys('Control', 'z');
  await ida.sees('The house set moved: 2 swatches differ');
});

test('everything is found with one key: a colour in whichever brand, a token, a stage', async () => {
  await ida.blur();
  await ida.keys('/');
  await ida.page.keyboard.type('near #f4c542');
  // The nearest stands in the other brand, and is gone to.
  const first = '[role=option][data-highlighted]';
  await ida.page.waitForFunction(
    (selector) => document.querySelector(selector)?.textContent?.includes('of Quillhaven Ferries'),
    {},
    first,
  );
  await ida.keys('Enter');
  await ida.page.waitForFunction(() => location.pathname === '/brand/quillhaven/mix');
  await ida.page.waitForFunction(
    () => document.querySelector('[data-swatch="core-lamp"]')?.getAttribute('aria-pressed') === 'true',
  );
  await ida.blur();
  await ida.keys('/');
  await ida.page.keyboard.type('text.so');
  await ida.find('[role=option][data-highlighted] ::-p-text(text.soft)');
  await ida.keys('Enter');
  await ida.page.waitForFunction(() => location.pathname.endsWith('/name'));
});

test('a brand is exported whole and comes back from the file with its history', async () => {
  await visitor.change([{ do: 'swatch.edit', id: 'core-foam', set: { value: '#e1f1f1' } }]);
  await ida.page.goto(`${server.url}/organisation/quillhaven`);
  const folder = await ida.downloads();
  await (await ida.find('[aria-label="What to do with Quillhaven Ferries"]')).click();
  await (await ida.find('::-p-xpath(//*[@role="menuitem"][starts-with(., "Export whole")])')).click();
  const file = join(folder, 'quillhaven-ferries-whole.zip');
  while (!existsSync(file)) await ida.settled();
  const input = (await ida.page.waitForSelector('input[aria-label="Archive of a brand"]')) as ElementHandle<HTMLInputElement>;
  // A file of something else is refused in a sentence, and one may try again.
  await input.uploadFile('package.json');
  await ida.sees('This is no archive of a brand');
  await input.uploadFile(file);
  await ida.page.waitForFunction(() => /\/brand\/\w+\/mix/.test(location.pathname) && !location.pathname.includes('quillhaven'));
  await ida.stage('Watch');
  await tab(ida, 'History');
  await ida.sees('Ida (imported)');
  await ida.page.goto(`${server.url}/brand/quillhaven/mix`);
});

test('whoever was signed out elsewhere is told so, keeps what was not sent, and comes back to where they were', async () => {
  await oren.stage('Mix');
  // Signed out as if from another browser of his.
  await oren.page.evaluate(() =>
    fetch('/api/me/sessions', { method: 'DELETE', headers: { 'content-type': 'application/json' }, body: '{}' }),
  );
  await oren.find('::-p-xpath(//*[@role="alert"][contains(., "sign in again") or contains(., "not signed in")])');
  await (await oren.find('[data-swatch="core-foam"]')).click();
  await oren.fill('Colour, as any CSS text', '#d7efe9');
  await oren.sees('One change waits in this browser.');
  await oren.click('Sign in and come back here');
  await (await oren.find('::-p-xpath(//button[b = "Oren"])')).click();
  await oren.page.waitForFunction(() => location.pathname === '/brand/quillhaven/mix');
  for (let n = 0; n < 80 && (await colourOf('core-foam')) !== '#d7efe9'; n++) await oren.settled();
  expect(await colourOf('core-foam')).toBe('#d7efe9');
});

test('a link lets somebody in; a role that is taken away ends what they hear', async () => {
  await ida.page.goto(`${server.url}/organisation/quillhaven`);
  await tab(ida, 'People');
  await (await ida.find('::-p-xpath(//*[@aria-label="As"]//button[. = "viewer"])')).click();
  await ida.click('Make a link');
  await ida.find('[role=status] code');
  const link = (await ida.texts('[role=status] code'))[0]!;
  const context = await browser.createBrowserContext();
  const page = await context.newPage();
  await page.goto(link);
  const fill = async (name: string, text: string) => (await page.waitForSelector(`input[name=${name}]`))!.type(text);
  await fill('name', 'Runa');
  await fill('email', 'runa@new.example');
  await fill('password', 'a long password');
  await page.locator('::-p-xpath(//button[. = "Join"])').click();
  await page.waitForSelector('[data-testid=kept]');
  // As it changes, and not as it is drawn: a page that is not in front may be drawn late.
  await page.waitForSelector('::-p-text(Runa, viewer)', { timeout: 60_000 });
  await oren.sees('Runa');
  await ida.page.reload();
  await tab(ida, 'People');
  const row = '//tr[contains(., "Runa")]';
  await (await ida.find(`::-p-xpath(${row}//button[. = "Remove"])`)).click();
  await ida.page.waitForFunction(() => !document.body.innerText.includes('Runa'));
  // Oren no longer sees her here, and her page hears nothing any more.
  await oren.page.waitForFunction(() => !document.querySelector('header')!.innerText.includes('Runa'));
  const toldSo = () => document.querySelector('[role=alert]')?.textContent?.includes('You have no part in this brand any more');
  await page.waitForFunction(toldSo, { polling: 'mutation', timeout: 60_000 });
  await tab(ida, 'What was done');
  await ida.sees('Runa joined as viewer');
  await page.close();
  await browser.close();
  await server.close();
  expect([ida, oren, petra].flatMap(({ errors }) => errors)).toEqual([]);
});
