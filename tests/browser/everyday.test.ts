/** What people do all day beside the main road: themes, destinations, big palettes, releases while others work. */
import { Client } from 'pg';
import type { Browser } from 'puppeteer-core';
import { startTestServer, Visitor, type TestServer } from '../test-server';
import { launch, Person } from './browser';

let server: TestServer;
let browser: Browser;
let ida: Person;
beforeAll(async () => {
  server = await startTestServer('everyday');
  browser = await launch();
  ida = await Person.enter(browser, server, 'Ida');
});
afterAll(async () => {
  await browser.close();
  await server.close();
});

const brand = async () => (await (await Visitor.demo(server, 'ida')).send('GET', '/api/brands/quillhaven')).body;

test('a swatch is moved with the keyboard alone', async () => {
  await (await ida.find('[data-swatch="core-harbour"]')).focus();
  await ida.keys('Space');
  await ida.page.waitForSelector('[data-dragging]');
  // Each key is answered by a movement that a person would see before pressing the next.
  for (const key of ['ArrowRight', 'ArrowRight', 'Space'] as const) {
    await new Promise((resolve) => setTimeout(resolve, 400));
    await ida.keys(key);
  }
  await ida.page.waitForFunction(
    () => document.querySelectorAll('[data-swatch]')[2]?.getAttribute('data-swatch') === 'core-harbour',
  );
});

test('a palette is renamed in its title, given a kind, and not deleted while tokens need it', async () => {
  await ida.fill('Palette name', 'House colours');
  await ida.sees('House colours');
  await ida.page.select('select[aria-label="Kind of palette"]', 'loose');
  await ida.page.waitForFunction(() => !document.querySelector('nav[aria-label=Palettes]')!.textContent!.startsWith('Brand'));
  await (await ida.find('::-p-xpath(//main//button[starts-with(., "Palette")])')).click();
  await (await ida.find('[role=menuitem] ::-p-text(Delete palette)')).click();
  await ida.sees('These swatches cannot go while surface.page, surface.header,');
});

test('with nothing chosen the readout tells about what is in view; a swatch that is gone is not mourned', async () => {
  const readout = () => ida.page.$eval('aside[aria-label=Readout]', (aside) => (aside as HTMLElement).innerText);
  await ida.page.reload();
  await ida.find('[data-swatch]');
  expect(await readout()).toMatch(/House colours[\s\S]*palette of 8 colours[\s\S]*Lightness\s*0\.\d\d to 0\.\d\d[\s\S]*Closest/);
  // The closest pair is a press away.
  await (await ida.find('aside[aria-label=Readout] button')).click();
  await ida.page.waitForFunction(() => document.querySelector('aside[aria-label=Readout] h2')?.textContent !== 'House colours');
  await ida.stage('Name');
  await (await ida.find('[data-token="text.soft"] [role=rowheader]')).click();
  await ida.page.waitForFunction(() => document.querySelector('aside[aria-label=Readout] h2')?.textContent === 'text.soft');
  await ida.blur();
  await ida.page.reload();
  await ida.find('[role=treegrid]');
  expect(await readout()).toMatch(/Day[\s\S]*light theme[\s\S]*159[\s\S]*texts on surfaces/);
  await ida.stage('Mix');
});

test('every key is told by a question mark, those of the stage first; the first stop of the keyboard skips to the stage', async () => {
  await ida.blur();
  await ida.keys('?');
  const dialog = await ida.find('[role=dialog]');
  const words = await dialog.evaluate((shown) => (shown as HTMLElement).innerText);
  expect(words).toMatch(/Keys\s+Mix[\s\S]*duplicate the chosen[\s\S]*Everywhere[\s\S]*next theme/);
  await ida.keys('Escape');
  await ida.page.waitForFunction(() => !document.querySelector('[role=dialog]'));
  await ida.page.reload();
  await ida.find('[data-swatch]');
  await ida.keys('Tab');
  expect(await ida.page.evaluate(() => document.activeElement!.textContent)).toBe('Skip to Mix');
  await ida.keys('Enter');
  await ida.page.waitForFunction(() => document.activeElement?.id === 'stage');
  // The first swatch is four keys from the top of the page.
  await ida.page.reload();
  await ida.find('[data-swatch]');
  for (const key of ['Tab', 'Tab', 'Enter', 'Tab'] as const) await ida.keys(key);
  await ida.page.waitForFunction(() => document.activeElement === document.querySelector('[data-swatch]'));
});

test('a page fetches the code of the stage that is shown, and that of the others when it rests', async () => {
  await ida.page.reload({ waitUntil: 'load' });
  await ida.page.waitForFunction(() => {
    const [{ loadEventStart }] = performance.getEntriesByType('navigation') as [PerformanceNavigationTiming];
    const scripts = performance.getEntriesByType('resource').filter(({ name }) => name.endsWith('.js'));
    return scripts.filter(({ startTime }) => startTime > loadEventStart).length > 5;
  });
});

test('the focus never falls to nothing: after deleting, moving a row, the last undo, a list brought in, a panel folded away', async () => {
  const focused = () =>
    ida.page.waitForFunction(() => {
      const { activeElement } = document;
      return activeElement !== document.body && (activeElement!.getAttribute('aria-label') || activeElement!.id);
    });
  const on = async () => (await focused()).jsonValue();
  const count = (wanted: number) =>
    ida.page.waitForFunction((many) => document.querySelectorAll('[data-swatch]').length === many, {}, wanted);
  await (await ida.find('[data-swatch="core-lamp"]')).click();
  await ida.keys('d');
  await count(9);
  await (await ida.find('[data-swatch]:nth-child(6)')).click();
  await ida.keys('Delete');
  await count(8);
  expect(await on()).toMatch(/^Buoy, #/);
  // A button that has nothing left to do is switched off under the finger.
  const undo = await ida.find('[aria-label=Undo]');
  await undo.focus();
  for (let n = 0; n < 2; n++) await ida.keys('Enter');
  await ida.page.waitForFunction(() => document.querySelector('[aria-label=Undo]')!.matches(':disabled'));
  expect(await on()).toBe('Redo');
  // Rows, moved by their buttons.
  await ida.click('Trainer 16');
  for (const place of [1, 2]) {
    await (await ida.find(`[data-swatch]:nth-child(${place})`)).click();
    await ida.keys('w');
  }
  const label = 'Move row Row down';
  await (await ida.find(`[aria-label="${label}"]`)).focus();
  const start = await ida.page.$eval('[data-swatch]', (swatch) => swatch.getAttribute('data-swatch'));
  await ida.keys('Enter');
  await ida.page.waitForFunction(
    (was) => document.querySelector('[data-swatch]')!.getAttribute('data-swatch') !== was,
    {},
    start,
  );
  expect(await on()).toBe(label);
  // A list brought in: its stage goes, and the next has the focus.
  await ida.stage('Gather');
  await (await ida.find('textarea[aria-label="Text with colours"]')).focus();
  await ida.page.keyboard.type('Dusk #3c4a6b');
  const bring = await ida.find('button[type=submit]:not([disabled])');
  await bring.focus();
  await ida.keys('Enter');
  await ida.page.waitForSelector('main[data-stage=mix] [data-swatch]');
  expect(await on()).toBe('stage');
  // The strand, folded out on a small page and away again.
  await ida.page.setViewport({ width: 390, height: 844 });
  await (await ida.find('[aria-controls=strand]')).focus();
  await ida.keys('Enter');
  await (await ida.find('#strand li button')).focus();
  await ida.keys('Escape');
  expect(await on()).toBe('stage');
  await ida.page.setViewport({ width: 1280, height: 800 });
  for (let n = 0; n < 4; n++) {
    await ida.blur();
    await ida.keys('Control', 'z');
  }
});

test('a deleted swatch leaves its colour with its tokens, and says so', async () => {
  await (await ida.find('[data-swatch="core-foam"]')).click();
  await ida.blur();
  await ida.keys('Delete');
  await ida.sees('They keep its colour as their own');
  await ida.keys('Control', 'z');
  await ida.find('[data-swatch="core-foam"]');
});

test('a theme is copied, renamed, shown at once in all places, and deleted', async () => {
  await ida.stage('Name');
  await ida.menu('Theme Day', 'Copy');
  await ida.fill('Name of the theme Day copy', 'Noon');
  await ida.sees('159 tokens in 5 themes');
  await ida.menu('Theme Noon', 'Move to the right');
  expect(await ida.page.$$eval('header select option', (options) => options.map((option) => option.textContent))).toEqual([
    'Day',
    'Dusk',
    'Noon',
    'Night bridge',
    'High contrast',
  ]);
  await ida.menu('Theme Noon', 'Delete Noon');
  await ida.sees('159 tokens in 4 themes');
});

test('a token is described, renamed and deleted in its place; those that use it keep its colour', async () => {
  const linkShows = async (words: string) => {
    await ida.fill('Filter tokens', 'text.link', false);
    await ida.page.waitForFunction(
      (wanted) => document.querySelector('[data-token="text.link"]')?.textContent?.includes(wanted),
      {},
      words,
    );
  };
  await ida.fill('Filter tokens', 'brand.', false);
  await (await ida.find('[data-token="brand.primary"] [role=rowheader]')).click();
  await ida.fill('Path', 'brand.main');
  await (await ida.find('[data-token="brand.main"] [role=rowheader]')).click();
  await linkShows('brand.main');
  await ida.fill('Filter tokens', 'brand.main', false);
  await (await ida.find('[data-token="brand.main"] [role=rowheader]')).click();
  await ida.sees('Deleted, it would be missed by');
  await ida.click('Delete token');
  await linkShows('#006871');
  await ida.blur();
  await ida.keys('Control', 'z');
  await linkShows('brand.main');
  await ida.fill('Filter tokens', 'nothing like it', false);
  await ida.sees('No token fits the filter.');
});

test('a destination is added, its options are checked, and it is removed again', async () => {
  await ida.stage('Ship');
  await ida.click('Add a destination');
  await ida.fill('Filter by reader', 'texture', false);
  await ida.click('Game engines, as a texture');
  await ida.fill('Only a group of tokens', 'nowhere');
  await ida.sees('There is no token below nowhere; choose another group in the options.');
  await ida.fill('Only a group of tokens', 'trainer');
  await ida.sees('A block a colour, drawn large');
  await ida.click('Ship to this');
  await ida.click('Booking site');
  await ida.fill('Put before every name', 'No Good');
  await ida.sees('A prefix is lower-case letters and digits with hyphens between');
  // Two game palettes would write the same paths.
  await ida.click('Release…');
  await ida.sees(
    'Two destinations would both write game/quillhaven-ferries-day.png; give Game engines, as a texture a folder of its own.',
  );
  await ida.keys('Escape');
  await ida.page.waitForFunction(() => !document.querySelector('[role=dialog]'));
  await (await ida.page.$$('ul[class*=destinations] button')).at(-1)!.click();
  await ida.fill('Folder of its own', 'trainer');
  await ida.sees('A block a colour, drawn large');
  await ida.click('Remove');
  await ida.page.waitForFunction(() => document.querySelectorAll('ul[class*=destinations] button').length === 8);
});

test('a release that others’ work has overtaken is refused; a page left open hears of the next one', async () => {
  const oren = await Person.enter(browser, server, 'Oren');
  await oren.stage('Watch');
  await oren.sees('Nothing has been released yet');
  await ida.click('Release…');
  await ida.fill('Title', 'Spring colours', false);
  await ida.fill('What is it for?', 'The first', false);
  await ida.sees('Version 1.0.0');
  await ida.click('Make release 1');
  await ida.page.waitForFunction(() => location.pathname.endsWith('/watch'));
  // Oren's page, opened before, shows the new release without being asked.
  await oren.page.waitForSelector('[data-testid=match][data-complete=true]');
  await oren.click('Releases');
  await oren.sees('The first');
  await oren.sees('Spring colours');
  const links = await oren.page.$$eval('section a', (found) => found.map((link) => link.getAttribute('href')!));
  expect(links).toContain('/deliver/quillhaven/1/css/quillhaven-ferries.css');
  const { seq } = await brand();
  const visitor = await Visitor.demo(server, 'oren');
  await visitor.change([{ do: 'brand.edit', set: { name: 'Moved on' } }]);
  expect((await visitor.send('POST', '/api/brands/quillhaven/releases', { seq, note: '' })).status).toBe(409);
  await ida.sees('Moved on');
  await ida.sees('1 unreleased');
  await visitor.change([{ do: 'swatch.edit', id: 'core-foam', set: { value: '#ddeeff' } }]);
  await ida.sees('2 unreleased');
  await visitor.change([{ do: 'token.set', id: 't-text-link', set: { day: { colour: '#cccccc' } } }]);
  await ida.sees('3 unreleased');
  // Forgotten for a day or longer, whoever may release is reminded as they come.
  const client = new Client({ connectionString: server.env.BREAKWATER_DATABASE_URL });
  await client.connect();
  await client.query("UPDATE changes SET at = at - interval '3 days 1 hour'");
  await client.end();
  const late = await Person.enter(browser, server, 'Oren');
  await late.sees('Changes have waited for a release for 3 days');
  // The dialog shows what changed in both colours, what cannot be read, and first the files that are not as before.
  await ida.click('Release…');
  await ida.find('[role=dialog] [aria-label="#ddf0ee before, #ddeeff now"]');
  await ida.sees('pairs cannot be read');
  // Only colours and a name have changed; and what is found now is told beside what was found then.
  await ida.sees('Version 1.0.1');
  await ida.find('::-p-xpath(//*[@role="dialog"]//li[@data-finding="new"][contains(., "text.link on surface.page in Day")])');
  await ida.page.waitForFunction(() => document.querySelector('[role=dialog]')!.textContent!.includes('as before'));
  const since = await ida.texts('[role=dialog] [aria-label=Files] li > small');
  expect([since[0], since.at(-1)]).toEqual(['new', 'as before']);
  expect(since).toEqual([...since].sort((one, two) => Number(one === 'as before') - Number(two === 'as before')));
  await ida.click('Make release 2');
  await ida.page.waitForFunction(() => location.pathname.endsWith('/watch') && !document.querySelector('[role=dialog]'));
  await ida.click('Releases');
  const compared = 'section[aria-label="Two releases compared"]';
  await ida.find(`${compared} [aria-label="#ddf0ee before, #ddeeff now"]`);
  expect(await ida.texts(`${compared} h3`)).toEqual([
    expect.stringMatching(/^\d+ differences$/),
    expect.stringMatching(/not the same$/),
  ]);
  await ida.page.select('select[aria-label="To release"]', '1');
  await ida.sees('Nothing is different');
  await ida.sees('Every file is the same');
  expect(await ida.page.$$eval('a[download]', (links) => links.map((link) => link.getAttribute('href')))).toEqual([
    '/deliver/quillhaven/2',
    '/deliver/quillhaven/1',
  ]);
  // The first is restored as a change of today, and released releases stay as they are.
  await ida.click('Restore release 1…');
  await ida.find('[role=dialog] [aria-label="#ddeeff before, #ddf0ee now"]');
  await ida.click('Restore it');
  await ida.sees('The brand is what it was at release 1.');
  await ida.sees('Quillhaven Ferries');
  await ida.sees('3 unreleased');
  const colourOf = async (id: string) =>
    (await brand()).brand.palettes
      .flatMap(({ swatches }: { swatches: { id: string; value: string }[] }) => swatches)
      .find((swatch: { id: string }) => swatch.id === id).value;
  const restored = async (foam: string) => {
    for (let n = 0; n < 60 && (await colourOf('core-foam')) !== foam; n++) await ida.settled();
    expect(await colourOf('core-foam')).toBe(foam);
  };
  await restored('#ddf0ee');
  await ida.keys('Control', 'z');
  await restored('#ddeeff');
  expect([...ida.errors, ...oren.errors]).toEqual([]);
});

test('ten thousand swatches stand in the grid without all being drawn', async () => {
  const swatches = Array.from({ length: 10_000 }, (_, n) => ({
    id: `m${n}`,
    name: `N${n}`,
    value: `#${(n * 1_677).toString(16).padStart(6, '0')}`,
    locked: false,
  }));
  await (
    await Visitor.demo(server, 'ida')
  ).change([{ do: 'palette.add', palette: { id: 'many', name: 'Many', kind: 'loose', swatches }, before: null }]);
  // Notices stand over the strand for some seconds.
  await ida.page.waitForFunction(() => !document.querySelector('[data-scope=toast][data-part=root]'));
  await ida.click('Many');
  await ida.sees('10000 colours');
  await ida.sees('Plots are drawn for palettes of up to 256 colours');
  const drawn = await ida.page.$$eval('[data-swatch]', (cells) => cells.length);
  expect(drawn).toBeGreaterThan(50);
  expect(drawn).toBeLessThan(500);
  await (await ida.find('[data-swatch="m0"]')).click();
  await ida.fill('Name', 'First of many');
  await ida.page.waitForFunction(() => document.querySelector('[data-testid=kept]')?.textContent?.startsWith('Kept'));
  expect((await brand()).brand.palettes.at(-1).swatches[0].name).toBe('First of many');
});
