/** Prove: what fails is found, mended or accepted on record; contrast and colour vision are seen and put right. */
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import type { Browser, ElementHandle } from 'puppeteer-core';
import { byte } from '../../src/core/colour/read';
import { seenAs } from '../../src/core/colour/vision';
import { breakwater } from '../command-line';
import { startTestServer, type TestServer } from '../test-server';
import { launch, Person } from './browser';

let server: TestServer;
let browser: Browser;
let ida: Person;
const folder = mkdtempSync(join(tmpdir(), 'breakwater-prove-'));
beforeAll(async () => {
  server = await startTestServer('prove');
  browser = await launch();
  ida = await Person.enter(browser, server, 'Ida');
  await ida.stage('Prove');
});
afterAll(async () => {
  const { errors } = ida;
  await browser.close();
  await server.close();
  expect(errors).toEqual([]);
});

/** What the command line finds in the brand as the server keeps it. */
const check = async () => {
  const brand = await ida.page.evaluate(async () =>
    JSON.stringify(((await (await fetch('/api/brands/quillhaven')).json()) as { brand: object }).brand),
  );
  const path = join(folder, 'kept.breakwater.json');
  writeFileSync(path, brand);
  const { stdout } = await breakwater('check', path, '--json');
  return (JSON.parse(stdout) as { findings: { message: string; accepted: boolean; reason?: string }[] }).findings;
};
/** Waits until what the server keeps is as it should be. */
const agrees = async (isSo: (findings: Awaited<ReturnType<typeof check>>) => boolean) => {
  for (let n = 0; n < 60 && !isSo(await check()); n++) await ida.settled();
  expect(isSo(await check())).toBe(true);
};
const gone = (words: string) =>
  ida.page.waitForFunction(
    (part) => ![...document.querySelectorAll('[data-rule]')].some(({ textContent }) => textContent?.includes(part)),
    {},
    words,
  );
const open = async (words: string) => (await ida.find(`::-p-xpath(//button[@aria-expanded][contains(., "${words}")])`)).click();

test('findings of several kinds stand under their heads, the worst first, and are counted', async () => {
  await ida.find('[data-rule=contrast-text]');
  const heads = (await ida.texts('main section h2')).filter((head) => /^[▲△○]/.test(head));
  expect(heads.slice(0, 3).map((head) => head.replace(/\s*\d+$/, ''))).toEqual([
    '▲ Texts that cannot be read',
    '△ Graphics that cannot be made out',
    '△ Categories that look alike',
  ]);
  expect(heads.length).toBeGreaterThan(5);
  await ida.sees('4 failing');
});

test('a mend is seen before it is taken, makes the finding vanish, and is one step to undo', async () => {
  const words = 'text.soft on surface.page in Day has a contrast of 2.97';
  await open(words);
  await ida.page.waitForFunction(() =>
    [...document.querySelectorAll('figcaption')].some(({ textContent }) => textContent?.includes('mended')),
  );
  await ida.click('Make text.soft readable');
  await gone(words);
  await ida.sees('2 failing');
  await agrees((found) => !found.some(({ message }) => message.startsWith(words)));
  await ida.keys('Control', 'z');
  await ida.page.waitForFunction((part) => document.body.innerText.includes(part), {}, words);
});

test('accepted with a reason it stays on record, the command line agrees, and it can be withdrawn', async () => {
  const words = 'text.soft on surface.page in Night bridge has a contrast of 3.15';
  await open(words);
  await ida.fill('Why it may stand', 'Only ever set at 24 px on the bridge.');
  await gone(words);
  await ida.click('✓ 1 accepted');
  await ida.sees('Only ever set at 24 px on the bridge.');
  await agrees((found) =>
    found.some(
      ({ message, accepted, reason }) =>
        message.startsWith(words) && accepted && reason === 'Only ever set at 24 px on the bridge.',
    ),
  );
  await ida.click('Withdraw');
  await ida.sees('Nothing has been accepted.');
  await ida.page.waitForFunction(
    (part) => [...document.querySelectorAll('[data-rule]')].some(({ textContent }) => textContent?.includes(part)),
    {},
    words,
  );
  await agrees((found) => found.every(({ accepted }) => !accepted));
});

test('categories that look alike to some eyes are moved apart by their mend', async () => {
  const words = 'Route lines: to somebody without green cones North Skerry and Outer Bank';
  await ida.click('Show all 14');
  await open(words);
  await ida.click('Move Outer Bank apart');
  await gone(words);
  // To no other eyes has it come too near to another.
  const left = (await ida.texts('[data-rule^=alike]')).filter((words) => /^Route lines:.*Outer Bank/.test(words));
  expect(left).toEqual([]);
});

test('in the matrix one goes by arrow keys, moves a lightness until the line is passed, and takes it', async () => {
  await ida.click('Contrast');
  const failing = await ida.find('[data-pair="Day/text.soft/surface.page"][data-fails]');
  await (await ida.find('[data-pair="Day/text.default/surface.page"]')).focus();
  await ida.page.keyboard.press('ArrowDown');
  expect(await failing.evaluate((cell) => cell === document.activeElement)).toBe(true);
  await ida.page.keyboard.press('Enter');
  const slider = await ida.find('input[aria-label="Lightness of text.soft"]');
  await slider.focus();
  const stillFails = () => ida.page.$('[data-pair="Day/text.soft/surface.page"][data-fails]').then(Boolean);
  for (let n = 0; n < 80 && (await stillFails()); n++) await ida.page.keyboard.press('ArrowLeft');
  expect(await stillFails()).toBe(false);
  await ida.click('Use it for text.soft in Day');
  await agrees(
    (found) =>
      !found.some(
        ({ message }) => message.includes('text.soft on surface.page in Day has a contrast') && message.includes('wants 4.5'),
      ),
  );
});

test('a picture is seen with other eyes, pixel by pixel as the formula says', async () => {
  const picture = new PNG({ width: 4, height: 1 });
  const colours = [
    [219, 93, 44],
    [44, 150, 93],
    [25, 110, 169],
    [128, 128, 128],
  ];
  for (const [at, [r, g, b]] of colours.entries()) picture.data.set([r!, g!, b!, 255], at * 4);
  const path = join(folder, 'four.png');
  writeFileSync(path, PNG.sync.write(picture));
  await ida.click('Colour vision');
  await ida.find('[data-vision=deutan] li');
  await ida.click('picture');
  const input = (await ida.page.waitForSelector('[data-testid=own-picture]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(path);
  const expected = colours.flatMap(([r, g, b]) => [...seenAs([r! / 255, g! / 255, b! / 255], 'protan').map(byte), 255]);
  await ida.page.waitForFunction(
    (wanted) => {
      const canvas = document.querySelector<HTMLCanvasElement>('[data-vision=protan] canvas');
      return canvas && [...canvas.getContext('2d')!.getImageData(0, 0, 4, 1).data].join() === wanted;
    },
    {},
    expected.join(),
  );
  await input.uploadFile('package.json');
  await ida.sees('package.json is no picture that can be read here, or it is damaged.');
});

test('what of a screenshot is none of the brand’s colours is outlined, and named with its nearest', async () => {
  const picture = new PNG({ width: 240, height: 120 });
  for (let at = 0; at < 240 * 120; at++) {
    const [x, y] = [at % 240, Math.floor(at / 240)];
    const off = x >= 24 && x < 72 && y >= 24 && y < 60;
    picture.data.set([...(off ? [204, 0, 204] : [221, 240, 238]), 255], at * 4);
  }
  const path = join(folder, 'screen.png');
  writeFileSync(path, PNG.sync.write(picture));
  await ida.click('Own picture');
  const input = (await ida.page.waitForSelector('[data-testid=own-picture]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(path);
  await ida.sees('94.0 % of it has a colour of the brand');
  expect(await ida.texts('[data-area]')).toEqual([expect.stringMatching(/^1 #cc00cc, nearest .+, ΔE \d+\.\d 6\.0 %$/)]);
  await ida.sees('#ddf0ee is surface.page');
});

describe('charts with one’s own data', () => {
  const lines = Array.from({ length: 17 }, (_, at) => `Line ${String.fromCharCode(65 + at)}`);
  const csv = join(folder, 'sailings.csv');
  // As a spreadsheet of many countries writes it: a byte order mark, semicolons, decimal commas; and a ragged row.
  const rows = lines.flatMap((line, at) => ['01', '02', '03'].map((month, n) => `${line};2026-${month};${at + 1},${n}5`));
  /** What the drawn bars are filled with, in their order. */
  const fills = () =>
    ida.page.$$eval('[data-chart=Bars] .recharts-bar-rectangle path', (bars) => bars.map((bar) => bar.getAttribute('fill')!));

  test('seventeen categories on eight colours are drawn as a consumer would, and extended in two presses', async () => {
    writeFileSync(csv, `\ufeffLinie;Monat;Verspätung\n${rows.join('\n')}\nLine A;2026-03\n`);
    await ida.click('Charts');
    await ida.find('[data-category]');
    const input = (await ida.page.waitForSelector('[data-testid=chart-data]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(csv);
    await ida.find('[data-category="Line Q"]');
    await ida.sees('1 row has fewer cells than there are columns');
    await (await ida.find('select[aria-label="Colours of"]')).select('route');
    await ida.sees('9 of 17 have no colour');
    await ida.page.waitForFunction(
      () => document.querySelectorAll('[data-chart=Bars] .recharts-bar-rectangle path').length === 17,
    );
    expect(new Set(await fills()).size).toBe(8);
    await ida.click('fills in');
    await ida.page.waitForFunction(
      () => document.querySelector('li[data-category="Line A"]')?.getAttribute('data-how') === 'filled in',
    );
    expect((await fills()).slice(8, 10)).toEqual(['#1f77b4', '#ff7f0e']);
    await ida.click('Extend to 17…');
    await ida.sees('Adds 9 swatches');
    await ida.page.waitForFunction(() =>
      [...document.querySelectorAll('[role=dialog] button')].some(
        (button) => button.textContent === 'Extend to 17' && !(button as HTMLButtonElement).disabled,
      ),
    );
    await ida.page.evaluate(() =>
      [...document.querySelectorAll<HTMLButtonElement>('[role=dialog] button')]
        .find((button) => button.textContent === 'Extend to 17')!
        .click(),
    );
    await ida.page.waitForFunction(
      () => !document.querySelector('[role=dialog]') && !document.querySelector('li[data-how="filled in"]'),
    );
    expect(new Set(await fills()).size).toBe(17);
  });

  test('a swatch that is dropped on a category is pinned to it, and stays whatever else is drawn', async () => {
    const strand = (await (await ida.find('[data-palette="core"] i')).boundingBox())!;
    const lamp = { x: strand.x + (strand.width / 8) * 4.5, y: strand.y + strand.height / 2 };
    const target = await ida.find('li[data-category="Line C"]');
    await target.scrollIntoView();
    await ida.settled();
    await ida.drag(lamp, target);
    await ida.page.waitForFunction(
      () => document.querySelector('li[data-category="Line C"]')?.getAttribute('data-how') === 'pinned',
    );
    const colour = () =>
      ida.page.$eval('[data-chart=Bars] path[data-category="Line C"], [data-chart=Bars] [data-category="Line C"] path', (bar) =>
        bar.getAttribute('fill'),
      );
    expect(await colour()).toBe('#f0bb3b');
    await (await ida.find('select[aria-label="Amount"]')).select('');
    await ida.page.waitForFunction(() => document.querySelector('li[data-category]')?.getAttribute('data-category') === 'Line A');
    expect(await colour()).toBe('#f0bb3b');
  });

  test('amounts have colours of a series, by value or by rank, in classes or not', async () => {
    await ida.click('amounts');
    const cells = () =>
      ida.page.$$eval('[data-chart="Heat map"] rect', (found) => found.map((cell) => cell.getAttribute('fill')!));
    await ida.page.waitForFunction(() => document.querySelectorAll('[data-chart="Heat map"] rect').length === 51);
    expect(await ida.page.$$eval('[data-chart=Map] polygon', (regions) => regions.length)).toBe(17);
    await (await ida.find('select[aria-label="Amount"]')).select('2');
    await ida.page.waitForFunction(
      () =>
        new Set([...document.querySelectorAll('[data-chart="Heat map"] rect')].map((cell) => cell.getAttribute('fill'))).size >
        20,
    );
    await ida.click('3');
    await ida.page.waitForFunction(
      () =>
        new Set([...document.querySelectorAll('[data-chart="Heat map"] rect')].map((cell) => cell.getAttribute('fill'))).size ===
        3,
    );
    const byValue = await cells();
    await ida.click('rank');
    await ida.page.waitForFunction(
      (before) =>
        [...document.querySelectorAll('[data-chart="Heat map"] rect')].map((cell) => cell.getAttribute('fill')).join() !== before,
      {},
      byValue.join(),
    );
    // The ends of the palette are its own colours.
    expect(new Set(await cells())).toEqual(expect.objectContaining(new Set(['#e7f5f8', '#003a72'])));
  });
});
