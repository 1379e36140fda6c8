/** The whole way by hand: from a pasted list to screens proved identical, and one that is not. */
import { unzipSync } from 'fflate';
import type { Browser } from 'puppeteer-core';
import { startTestServer, type TestServer } from '../test-server';
import { arrived, launch, Person } from './browser';

let server: TestServer;
let browser: Browser;
let ida: Person;
beforeAll(async () => {
  server = await startTestServer('journey');
  browser = await launch();
  ida = await Person.enter(browser, server, 'Ida');
});
afterAll(async () => {
  await browser.close();
  await server.close();
});

const PASTED = `Harbour notes\nDusk: #3c4a6b\n| Ember | c4543a |\nGlow rgb(240 190 90)\nGlow again #f0be5a\nBroken #12345`;

test('whoever is not signed in is asked who they are, and comes to the brand', async () => {
  const page = await (await browser.createBrowserContext()).newPage();
  await page.goto(server.url);
  await page.waitForFunction(() => location.pathname === '/sign-in');
  await page.locator('::-p-xpath(//button[starts-with(normalize-space(.), "Oren")])').click();
  await page.waitForSelector('[data-testid=kept]');
  await page.browserContext().close();
});

test('gather: a pasted list is shown line by line with what is doubtful, and becomes a palette', async () => {
  await ida.stage('Gather');
  // Also with the guide, a newcomer sees the example without scrolling.
  const example = await ida.find('::-p-xpath(//button[.="Try it with an example"])');
  const [{ y, height }, footer] = [(await example.boundingBox())!, (await (await ida.find('footer')).boundingBox())!];
  expect(y + height).toBeLessThan(footer.y);
  await ida.click('Hide the guide');
  // A ribbon of the strand leads to its palette from every stage.
  await ida.click('Deck paint');
  await ida.find('[data-swatch="deck-lichen"]');
  await ida.stage('Gather');
  await (await ida.find('textarea[aria-label="Text with colours"]')).click();
  await ida.paste(PASTED);
  await ida.sees('The same colour as on line 4');
  await ida.sees('A hex code has 3, 4, 6 or 8 digits; this has 5.');
  await ida.sees('The # is missing');
  await ida.sees('No colour on this line.');
  await ida.sees('3 in the catch');
  await ida.fill('Named', 'Evening', false);
  await ida.click('Bring in 3');
  await ida.page.waitForSelector('[data-swatch]');
  expect(await ida.page.$$eval('[data-swatch]', (cells) => cells.map((cell) => cell.getAttribute('aria-label')))).toEqual([
    'Dusk, #3c4a6b',
    'Ember, #c4543a',
    'Glow, #f0be5a',
  ]);
});

test('mix: typed, slid, dragged, inserted, locked, deleted, and all of it undone by keyboard', async () => {
  const names = () => ida.page.$$eval('[data-swatch]', (cells) => cells.map((cell) => cell.getAttribute('aria-label')!));
  const before = await names();
  const cell = (at: number) => ida.page.$$('[data-swatch]').then((cells) => cells[at]!);

  await (await cell(0)).click();
  await ida.fill('Colour, as any CSS text', '3c4a6c');
  await ida.sees('“3c4a6c” lacks its #');
  await ida.fill('Colour, as any CSS text', 'oklch(0.42 0.06 270)');
  await ida.page.waitForFunction(() => document.querySelector('[data-swatch]')?.getAttribute('aria-label') !== 'Dusk, #3c4a6b');
  expect(await ida.texts('[data-testid=notations] li')).toContain('OKLCH oklch(0.42 0.06 270)');

  const thumb = await ida.find('section[aria-label=Tune] input[type=range]');
  const box = (await thumb.boundingBox())!;
  await ida.page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await ida.page.mouse.down();
  await ida.page.mouse.move(box.x + 120, box.y + box.height / 2, { steps: 8 });
  await ida.page.mouse.up();
  await ida.page.waitForFunction(() => !document.querySelector('[data-testid=notations]')?.textContent?.includes('oklch(0.42 '));
  // One drag is one edit, however far it went; a slider that has the focus answers to keys.
  await ida.page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await ida.keys('Control', 'z');
  await ida.page.waitForFunction(() => document.querySelector('[data-testid=notations]')?.textContent?.includes('oklch(0.42 '));
  await thumb.focus();
  await ida.keys('ArrowRight');
  await ida.page.waitForFunction(() => document.querySelector('[data-testid=notations]')?.textContent?.includes('oklch(0.422 '));

  const [from, to] = [(await (await cell(0)).boundingBox())!, (await (await cell(2)).boundingBox())!];
  await ida.page.mouse.move(from.x + 20, from.y + 20);
  await ida.page.mouse.down();
  await ida.page.mouse.move(to.x + 40, to.y + 30, { steps: 12 });
  await ida.page.mouse.up();
  await ida.page.waitForFunction(() =>
    document.querySelectorAll('[data-swatch]')[2]?.getAttribute('aria-label')?.startsWith('Dusk'),
  );

  await ida.blur();
  for (const key of ['i', 'd', 'l'] as const) await ida.keys(key);
  await ida.page.waitForFunction(
    () => document.querySelectorAll('[data-swatch]').length === 5 && document.querySelector('[aria-label$=locked]'),
  );
  await ida.keys('Delete');
  await ida.page.waitForFunction(() => document.querySelectorAll('[data-swatch]').length === 4);

  for (let n = 0; n < 7; n++) await ida.keys('Control', 'z');
  await ida.page.waitForFunction(
    (first) => document.querySelector('[data-swatch]')?.getAttribute('aria-label') === first,
    {},
    before[0]!,
  );
  expect(await names()).toEqual(before);
  await ida.keys('Control', 'Shift', 'z');
  await ida.page.waitForFunction(
    (first) => document.querySelector('[data-swatch]')?.getAttribute('aria-label') !== first,
    {},
    before[0]!,
  );
  await ida.keys('Control', 'z');
});

test('a notation is copied with a click', async () => {
  await (await ida.find('[data-swatch]')).click();
  await (await ida.find('[data-testid=notations] button')).click();
  expect(await ida.page.evaluate(() => navigator.clipboard.readText())).toBe('#3c4a6b');
});

test('name: a token in two themes, by swatch, by alias and by its own colour; a circle is refused', async () => {
  await ida.stage('Name');
  await ida.fill('Path of the new token', 'text.quiet', false);
  await ida.fill('Value of the new token', 'Evening Dusk', false);
  await (await ida.find('[role=option] ::-p-text(Evening / Dusk)')).click();
  await ida.fill('Filter tokens', 'text.', false);
  await ida.find('[data-token="text.quiet"]');

  const set = async (token: string, theme: string, typed: string) => {
    const cell = await ida.cell(token, theme);
    await cell.click();
    await cell.click();
    const field = await ida.find(`input[aria-label="${token} in ${theme}"]`);
    await field.type(typed);
    await (await ida.find(`[role=option] ::-p-text(${typed})`)).click();
  };
  await set('text.quiet', 'Night bridge', '#6a4436');
  await set('text.soft', 'Day', 'text.quiet');
  await ida.page.waitForFunction(() => document.querySelector('[data-token="text.soft"]')?.textContent?.includes('text.quiet'));
  await set('text.quiet', 'Day', 'text.soft');
  await ida.sees('go round in a circle: text.quiet → text.soft → text.quiet');
});

test('prove: the worst finding comes first, and its mend makes it vanish', async () => {
  await ida.stage('Prove');
  await ida.find('[data-rule=contrast-text]');
  await ida.click('Show all');
  await (
    await ida.find('::-p-xpath(//button[@aria-expanded][contains(., "text.quiet on surface.panel in Night bridge")])')
  ).click();
  const failing = () =>
    ida.page.$$eval(
      '[data-rule=contrast-text]',
      (rows) => rows.filter(({ textContent }) => textContent?.includes('text.quiet on')).length,
    );
  expect(await failing()).toBeGreaterThan(0);
  await ida.click('Make text.quiet readable');
  await ida.page.waitForFunction(
    () =>
      ![...document.querySelectorAll('[data-rule=contrast-text]')].some(({ textContent }) =>
        textContent?.includes('text.quiet on surface.panel in Night'),
      ),
  );
  // What is measured and what is left out is told.
  await ida.click('Contrast');
  await ida.sees('Left out:');
  expect(await ida.page.$eval('main', ({ innerText }) => innerText)).toMatch(
    /Measured: \d+ texts and \d+ graphics, each on what it is set on[\s\S]*Left out: \d+ tokens that are neither/,
  );
  await ida.click('Findings');
});

test('ship: files are previewed, copied and downloaded with a manifest that fits', async () => {
  await ida.stage('Ship');
  await ida.click('Booking site');
  await ida.sees('--qf-surface-page');
  await ida.click('Copy');
  await ida.page.waitForFunction(async () => (await navigator.clipboard.readText()).includes('--qf-text-quiet: #3c4a6b;'));
  const folder = await ida.downloads();
  await ida.click('Download all as a zip');
  const zip = unzipSync(new Uint8Array(await arrived(folder, 'quillhaven-ferries.zip')));
  const manifest = JSON.parse(new TextDecoder().decode(zip['manifest.json'])) as { files: { path: string; bytes: number }[] };
  expect(manifest.files.map((entry) => [entry.path, entry.bytes])).toEqual(
    manifest.files.map((entry) => [entry.path, zip[entry.path]!.length]),
  );
});

const report = async (theme: string) => {
  await ida.page.waitForSelector(`[data-testid=match][data-complete=true][data-theme="${theme}"]`);
  return ida.page.$$eval('[data-match]', (cells) =>
    cells.map((cell) => ({
      token: cell.closest('tr')!.dataset.token!,
      screen: (cell as HTMLElement).dataset.screen!,
      match: (cell as HTMLElement).dataset.match!,
      text: (cell as HTMLElement).innerText,
    })),
  );
};

test('release and watch: every screen shows the brand’s colours, in every theme', async () => {
  await ida.click('Release…');
  await ida.sees('35 files');
  await ida.sees('The group route has colours for 8 of the 11 values of Route');
  await ida.click('Make release 1');
  await ida.page.waitForFunction(() => location.pathname.endsWith('/watch'));
  for (const theme of ['day', 'dusk', 'night-bridge', 'high-contrast']) {
    const cells = await report(theme);
    expect(cells.filter((cell) => cell.match === 'different')).toEqual([]);
    for (const screen of ['dashboard', 'booking', 'trainer', 'console', 'workbook', 'terminal']) {
      expect([screen, cells.filter((cell) => cell.screen === screen && cell.match === 'same').length]).toEqual([
        screen,
        expect.any(Number),
      ]);
      expect(cells.filter((cell) => cell.screen === screen && cell.match === 'same').length).toBeGreaterThan(12);
    }
    await ida.blur();
    await ida.keys('t');
  }
  await ida.sees('colours are identical on every screen');
});

test('watch: one digit changed in one delivered file shows as just that cell, with its distance', async () => {
  await ida.page.setRequestInterception(true);
  ida.page.on('request', async (request) => {
    if (!request.url().endsWith('interface/quillhaven-ferries-day.xml')) return request.continue();
    const cookies = await ida.page.browserContext().cookies();
    const text = await (
      await fetch(request.url(), { headers: { cookie: cookies.map(({ name, value }) => `${name}=${value}`).join('; ') } })
    ).text();
    const changed = text.replace('<colour name="gauge.limit">#da452c<', '<colour name="gauge.limit">#da452f<');
    expect(changed).not.toBe(text);
    return request.respond({ status: 200, contentType: 'application/xml', body: changed });
  });
  await ida.page.reload();
  const cells = await report('day');
  const different = cells.filter((cell) => cell.match === 'different');
  expect(different.map(({ token, screen }) => [token, screen])).toEqual([['gauge.limit', 'console']]);
  expect(different[0]!.text).toMatch(/#da452f\s+ΔE 0\.\d\d off/);
  await ida.sees('1 screen differs');
  expect(ida.errors).toEqual([]);
});
