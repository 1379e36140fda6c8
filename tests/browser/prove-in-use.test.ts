/** Prove, in use: an interface by keyboard and pointer, its tinted rows as tokens that ship, other eyes, and releases side by side. */
import type { Browser } from 'puppeteer-core';
import { StoredBrand, type Brand } from '../../src/core/brand/document/document';
import { resolveTheme } from '../../src/core/brand/reading/resolve';
import { contrastRatio } from '../../src/core/colour/contrast';
import { hexOf, readColour } from '../../src/core/colour/read';
import { seenAs } from '../../src/core/colour/vision';
import { startTestServer, Visitor, type TestServer } from '../test-server';
import { launch, Person } from './browser';

let server: TestServer;
let browser: Browser;
let ida: Person;
let visitor: Visitor;
const kept = async () => StoredBrand.parse((await visitor.send('GET', '/api/brands/quillhaven')).body.brand);
/** The brand as the server keeps it, once it is as it should be. */
const keeps = async (isSo: (brand: Brand) => boolean) => {
  for (let n = 0; n < 60 && !isSo(await kept()); n++) await ida.settled();
  const brand = await kept();
  expect(isSo(brand)).toBe(true);
  return brand;
};
const release = async (note: string) => {
  const { seq } = (await visitor.send('GET', '/api/brands/quillhaven')).body as { seq: number };
  expect((await visitor.send('POST', '/api/brands/quillhaven/releases', { seq, note })).status).toBe(200);
};
beforeAll(async () => {
  server = await startTestServer('prove-in-use');
  browser = await launch();
  visitor = await Visitor.demo(server, 'ida');
  await release('As it was');
  await visitor.change([
    { do: 'swatch.edit', id: 'core-foam', set: { value: '#ccddff' } },
    { do: 'token.remove', ids: [(await kept()).tokens.find(({ path }) => path === 'text.code')!.id] },
  ]);
  await release('As it is');
  ida = await Person.enter(browser, server, 'Ida');
  await ida.stage('Prove');
});
afterAll(async () => {
  const { errors } = ida;
  await browser.close();
  await server.close();
  expect(errors).toEqual([]);
});

const hexIn = (brand: Brand, path: string, theme = 'day') =>
  resolveTheme(brand, theme).get(brand.tokens.find((token) => token.path === path)!.id)!.colour!.hex;
/** A style of an element as the browser computed it, in hex. */
const styleOf = async (selector: string, property: 'backgroundColor' | 'outlineColor') => {
  const css = await ida.page.$eval(selector, (element, name) => getComputedStyle(element)[name as 'outlineColor'], property);
  return readColour(css)!.hex;
};
const waitsFor = (selector: string, property: string, css: string) =>
  ida.page.waitForFunction(
    (of, name, wanted) => {
      const element = document.querySelector(of);
      const probe = document.createElement('i');
      probe.style.color = wanted;
      return element && getComputedStyle(element)[name as 'outlineColor'] === probe.style.color;
    },
    {},
    selector,
    property,
    css,
  );

describe('the interface', () => {
  test('its parts answer to the keyboard with the states of the brand, and say their tokens', async () => {
    const brand = await kept();
    await ida.click('Interface');
    await (await ida.find('[data-sheet] nav a:last-child')).focus();
    // From the navigation over the link in the text to the first button.
    await ida.keys('Tab', 'Tab');
    const button = '[data-sheet] button:focus';
    await ida.page.waitForSelector(button);
    expect(await styleOf(button, 'outlineColor')).toBe(hexIn(brand, 'action.confirm.focus'));
    await ida.sees('action.confirm.focus');
    await ida.page.keyboard.down('Space');
    expect(await styleOf(button, 'backgroundColor')).toBe(hexIn(brand, 'action.confirm.pressed'));
    await ida.page.keyboard.up('Space');
    await (await ida.find(button)).hover();
    await waitsFor(button, 'backgroundColor', hexIn(brand, 'action.confirm.hover'));
    const [text, hover] = ['text.on-action', 'action.confirm.hover'].map((path) => readColour(hexIn(brand, path))!);
    const ratio = (Math.floor(contrastRatio(text!, hover!) * 100) / 100).toFixed(2);
    await ida.sees(`${hexIn(brand, 'action.confirm.hover')}, with text.on-action ${ratio} to 1`);
    const tab = '[data-sheet] [role=tab]';
    await (await ida.find(tab)).focus();
    await ida.keys('ArrowRight');
    const chosen = `${tab}[aria-selected=true]`;
    await ida.page.waitForFunction((of) => document.querySelector(of)?.textContent === 'Week', {}, chosen);
    await waitsFor(chosen, 'backgroundColor', hexIn(brand, 'tab.selected'));
    const disabled = await ida.page.$eval('[data-sheet] input:disabled', (field) => getComputedStyle(field).backgroundColor);
    expect(readColour(disabled)!.hex).toBe(hexIn(brand, 'field.disabled'));
    await (await ida.find('[data-sheet] [role=listbox]')).focus();
    await ida.keys('ArrowDown', 'ArrowDown', 'Enter');
    const item = '[data-sheet] [role=option][aria-selected=true]';
    await ida.page.waitForSelector(item);
    await waitsFor(item, 'backgroundColor', hexIn(brand, 'row.selected'));
  });

  test('rows are tinted as strongly as can be read, and the tints ship as tokens that follow their colours', async () => {
    const strength = await ida.find('input[aria-label="Tint strength"]');
    await strength.focus();
    await ida.page.keyboard.press('End');
    await ida.sees('full');
    const failing = () => ida.page.$$eval('[aria-label="Tinted rows"] li[data-fails]', (found) => found.length);
    expect(await failing()).toBeGreaterThan(0);
    await (await ida.find('::-p-xpath(//button[starts-with(., "Readable everywhere up to")])')).click();
    await ida.page.waitForFunction(() => !document.querySelector('[aria-label="Tinted rows"] li[data-fails]'));
    await ida.click('all');
    await ida.click('Keep as 16 tokens');
    await ida.sees('Take the tints away');
    const brand = await keeps(({ tokens }) => tokens.some(({ path }) => path.startsWith('route-tint.')));
    const tints = brand.tokens.filter(({ path }) => path.startsWith('route-tint.'));
    expect(tints.map(({ path }) => path)).toContain('route-tint.row.north-skerry');
    expect(tints).toHaveLength(16);
    // What a consumer is given, and what is seen, are the same.
    const css = `${await ida.page.$eval('[data-sheet] [data-tint]', (head) => getComputedStyle(head).backgroundColor)}`;
    expect(readColour(css)!.hex).toBe(hexIn(brand, 'route-tint.header.north-skerry'));
    const text = brand.tokens.find(({ path }) => path === 'text.default')!;
    expect(text.on).toEqual(expect.arrayContaining(tints.map(({ id }) => id)));
    await ida.keys('Control', 'z');
    await ida.sees('Keep as');
  });
});

test('chart and interface are seen with other eyes, each colour as the published method gives it', async () => {
  const brand = await kept();
  await ida.click('Colour vision');
  await ida.click('interface');
  const seen = (path: string) => hexOf(seenAs(readColour(hexIn(brand, path))!.rgb, 'deutan'));
  await ida.page.waitForSelector('[data-vision=deutan] [data-sheet] button');
  expect(await styleOf('[data-vision=deutan] [data-sheet] button', 'backgroundColor')).toBe(seen('action.confirm.rest'));
  await ida.click('chart');
  const bar = '[data-vision=deutan] [data-chart=Bars] .recharts-bar-rectangle path';
  await ida.page.waitForSelector(bar);
  const fills = (vision: string) =>
    ida.page.$$eval(`[data-vision=${vision}] [data-chart=Bars] .recharts-bar-rectangle path`, (bars) =>
      bars.map((each) => each.getAttribute('fill')!),
    );
  const expected = (await fills('normal')).map((hex) => hexOf(seenAs(readColour(hex)!.rgb, 'deutan')));
  expect(await fills('deutan')).toEqual(expected);
});

describe('two releases side by side', () => {
  const lane = async (number: number, from: string, what: string) => {
    for (const [list, value] of [
      ['from', from],
      ['shows', what],
    ] as const) {
      const select = `select[aria-label="Lane ${number} ${list}"]`;
      // What is not offered yet would be chosen in silence, and nothing with it.
      await ida.page.waitForSelector(`${select} option[value="${value}"]`);
      await (await ida.find(select)).select(value);
    }
  };
  const row = (name: string, fate: string) => ida.find(`::-p-xpath(//tr[@data-fate="${fate}"][th[.="${name}"]])`);

  test('what moved and went is told, drawn, and seen in the same interface; one key swaps them', async () => {
    await ida.click('Side by side');
    await lane(1, 'release 1', 'theme day');
    await lane(2, 'release 2', 'theme day');
    const moved = await row('surface.page', 'moved');
    expect(await moved.evaluate((found) => found.textContent)).toMatch(/ΔE \d+\.\d/);
    await row('text.code', 'went');
    await ida.find('[data-move="surface.page"] line');
    await ida.click('interface');
    const sheets = () =>
      ida.page.$$eval('[data-sheet]', (found) => found.map((sheet) => getComputedStyle(sheet).backgroundColor));
    await ida.page.waitForFunction(() => document.querySelectorAll('[data-sheet]').length === 2);
    const before = await sheets();
    expect(before.map((css) => readColour(css)!.hex)).toEqual(['#ddf0ee', '#ccddff']);
    await ida.keys('x');
    await ida.page.waitForFunction(
      (wanted) => getComputedStyle(document.querySelector('[data-sheet]')!).backgroundColor === wanted,
      {},
      before[1]!,
    );
    expect(await sheets()).toEqual([...before].reverse());
  });

  test('the better one is taken in one step, and that step is undone', async () => {
    await ida.click('colours');
    // Swapped, release 1 stands in the second lane.
    await (await ida.find('::-p-xpath(//button[.="Take into Day"])')).click();
    const taken = await keeps((brand) => hexIn(brand, 'surface.page') === '#ddf0ee');
    expect(hexIn(taken, 'text.code')).toMatch(/^#/);
    await ida.keys('Control', 'z');
    await keeps((brand) => hexIn(brand, 'surface.page') === '#ccddff' && !brand.tokens.some(({ path }) => path === 'text.code'));
  });

  test('a candidate is tried in a palette, aligned by nearest, and families of grey in context', async () => {
    await lane(1, 'now', 'palette core');
    await (await ida.find('select[aria-label="Lane 2 from"]')).select('shelf');
    await ida.click('nearest');
    await ida.page.waitForFunction(() => document.querySelectorAll('tbody tr[data-fate=moved]').length > 5);
    await lane(2, 'greys', 'warm');
    await ida.sees('Quillhaven core, greys warm');
    await row('Lamp', 'same');
    await row('Mist', 'moved');
    await ida.click('interface');
    await ida.page.waitForFunction(() => {
      const [one, two] = [...document.querySelectorAll('[data-sheet]')].map((sheet) => {
        const quiet = [...sheet.querySelectorAll('button')].find(({ textContent }) => textContent === 'Quiet')!;
        return getComputedStyle(quiet).backgroundColor;
      });
      return one && two && one !== two;
    });
  });
});
