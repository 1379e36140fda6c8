/** Every way in which colours arrive, on the files the demo ships. */
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import sharp from 'sharp';
import type { Browser, ElementHandle } from 'puppeteer-core';
import type { Brand } from '@/core/brand/document/document';
import { startTestServer, type TestServer } from '../test-server';
import { launch, Person } from './browser';

let server: TestServer;
let browser: Browser;
let ida: Person;
beforeAll(async () => {
  server = await startTestServer('gather');
  browser = await launch();
  ida = await Person.enter(browser, server, 'Ida');
  await ida.stage('Gather');
});
afterAll(async () => {
  await browser.close();
  await server.close();
});

const demo = (name: string) => resolve('demo/gather', name);
const choose = async (...files: string[]) => {
  const input = (await ida.page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(...files);
};
const fileWith = (name: string, text: string) => {
  const file = join(mkdtempSync(join(tmpdir(), 'breakwater-gather-')), name);
  writeFileSync(file, text);
  return file;
};
/** The brand as the server has it, once it has everything. */
const documentNow = async () => {
  await ida.sees('Kept');
  return ida.page.evaluate(async () => (await (await fetch('/api/brands/quillhaven')).json()) as { brand: Brand });
};
const undo = async () => {
  await ida.blur();
  await ida.keys('Control', 'z');
};
const caught = (count: number) => ida.sees(`${count} in the catch`);
const names = () =>
  ida.page.$$eval('[data-testid=catch] input[aria-label^="Name of"]', (all) =>
    all.map((input) => (input as HTMLInputElement).value),
  );

test.each([
  ['style-guide.txt', 8, 'Harbour'],
  ['core.ase', 8, 'Harbour'],
  ['sea-state.aco', 10, '0 Calm'],
  ['deck-paint.gpl', 5, ''],
  ['trainer.pal', 16, '#1e1216'],
  ['day.tokens.json', 55, 'page'],
  ['house-colours.xlsx', 56, '#ff5353'],
  ['trainer-strip.png', 16, '#1e1216'],
  ['harbour-at-dusk.jpg', 8, ''],
])('%s is read into the catch', async (file, count, first) => {
  await choose(demo(file));
  await ida.sees(`from ${file}`);
  await caught(count);
  if (first) expect((await names())[0]).toBe(first);
});

test('several files at once come one below the other, and become as many palettes, undone in one step', async () => {
  await choose(demo('core.ase'), demo('deck-paint.gpl'));
  await caught(13);
  await ida.sees('2 new palettes');
  await ida.click('Bring in 13');
  const palettes = () => ida.page.$$eval('nav[aria-label=Palettes] li', (all) => all.length);
  await ida.page.waitForFunction(() => document.querySelectorAll('nav[aria-label=Palettes] li').length === 8);
  await ida.blur();
  await ida.keys('Control', 'z');
  await ida.page.waitForFunction(() => document.querySelectorAll('nav[aria-label=Palettes] li').length === 6);
  expect(await palettes()).toBe(6);
  await ida.stage('Gather');
});

test('on a picture: more colours, a point dragged elsewhere, an area drawn, and a related set', async () => {
  await choose(demo('harbour-at-dusk.jpg'));
  await caught(8);
  const dial = await ida.find('input[type=range]');
  await dial.focus();
  await ida.keys('ArrowRight');
  await caught(9);
  const picture = (await (await ida.find('[data-testid=picture]')).boundingBox())!;
  const point = await ida.find('button[aria-label^="Point 1,"]');
  const before = await point.evaluate((element) => element.getAttribute('aria-label'));
  const from = (await point.boundingBox())!;
  await ida.page.mouse.move(from.x + 8, from.y + 8);
  await ida.page.mouse.down();
  // The red funnel of the ferry stands at 313, 266 of 960 by 640.
  await ida.page.mouse.move(picture.x + (313 / 960) * picture.width, picture.y + (266 / 640) * picture.height, { steps: 6 });
  await ida.page.mouse.up();
  // Colours come from the worker while the point moves; the last of them is the one that counts.
  const red = await ida.page.waitForFunction(() => {
    const label = document.querySelector('button[aria-label^="Point 1,"]')!.getAttribute('aria-label')!;
    const [r, g, b] = [1, 3, 5].map((at) => parseInt(label.split('#')[1]!.slice(at - 1, at + 1), 16)) as [number, number, number];
    return r > 180 && g < 110 && b < 90 && label;
  });
  const after = (await red.jsonValue()) as string;
  expect(after).not.toBe(before);
  expect((await names())[0]).toBe(`#${after.split('#')[1]}`);

  await ida.page.mouse.move(picture.x + picture.width * 0.72, picture.y + picture.height * 0.6);
  await ida.page.mouse.down();
  await ida.page.mouse.move(picture.x + picture.width * 0.85, picture.y + picture.height * 0.75, { steps: 6 });
  await ida.page.mouse.up();
  await ida.sees('Whole picture');
  await ida.page.waitForFunction(
    (label) => document.querySelector('button[aria-label^="Point 1,"]')?.getAttribute('aria-label') !== label,
    {},
    after,
  );
  await (await ida.find('[role=radio]::-p-text(Triad)')).click();
  await caught(3);
});

test('the catch survives a reload; with Shift a range is unticked', async () => {
  await choose(demo('trainer.pal'));
  await caught(16);
  await ida.page.reload();
  await ida.page.waitForSelector('[data-testid=kept]');
  await caught(16);
  const boxes = await ida.page.$$('[data-testid=catch] input[type=checkbox]');
  await boxes[2]!.click();
  await ida.page.keyboard.down('Shift');
  await boxes[6]!.click();
  await ida.page.keyboard.up('Shift');
  await caught(11);
});

test('tokens that are no colours are listed as kept untouched', async () => {
  const file = fileWith(
    'x.tokens.json',
    '{"a":{"$type":"color","$value":"#1f6f78"},"gap":{"$type":"dimension","$value":"4px"},"link":{"$type":"color","$value":"{a}"}}',
  );
  await choose(file);
  await caught(2);
  await ida.sees('No colour but dimension: kept untouched.');
});

test('tokens come in as tokens: groups to palettes or to none, aliases as aliases, known ones in one theme', async () => {
  const colour = (value: string) => ({ $type: 'color', $value: value });
  const file = fileWith(
    'y.tokens.json',
    JSON.stringify({
      tide: { high: colour('#0b3d4a'), low: colour('#9fd3cf') },
      cabin: { wall: colour('#f4efe6'), floor: colour('#5a4632') },
      text: { calm: colour('{tide.high}'), default: colour('{tide.high}') },
    }),
  );
  await choose(file);
  await caught(6);
  await ida.page.select('select[aria-label="Send tide to"]', 'append:deck');
  await ida.page.select('select[aria-label="Send cabin to"]', 'tokens');
  await (await ida.find('input[aria-label="Take floor"]')).click();
  await ida.sees('1 token is in the brand already and will get another value; 4 are new.');
  await ida.click('Bring in 3 colours and 5 tokens');
  await ida.sees('7 colours');
  const { brand } = await documentNow();
  const token = (path: string) => brand.tokens.find((token) => token.path === path)!;
  const [high] = brand.palettes.find(({ id }) => id === 'deck')!.swatches.slice(-2);
  expect(token('tide.high').values).toEqual({ day: { swatch: high!.id } });
  expect(token('cabin.wall').values).toEqual({ day: { colour: '#f4efe6' } });
  expect(token('text.calm').values).toEqual({ day: { token: token('tide.high').id } });
  expect(token('text.default').values.day).toEqual({ token: token('tide.high').id });
  expect(Object.keys(token('text.default').values).length).toBeGreaterThan(1);
  await undo();
  await ida.page.waitForFunction(() => document.querySelector('[data-swatch^="deck"]'));
  expect((await documentNow()).brand.tokens.some(({ path }) => path === 'tide.high')).toBe(false);
  await ida.stage('Gather');
});

test('what replaces a palette is shown before and after; tokens keep pointing, locked ones stay', async () => {
  await choose(fileWith('core.txt', 'Foam #eef8f6\nHarbour #112233\nSky #489498\n'));
  await caught(3);
  await ida.page.select('select[aria-label="Send to"]', 'replace:core');
  await ida.sees('Quillhaven core, now above and then below:');
  expect(await ida.texts('figure li small')).toEqual(expect.arrayContaining(['same', 'locked', 'in use']));
  await ida.click('Bring in 3');
  await ida.find('[data-swatch]');
  const { brand } = await documentNow();
  const values = new Map(brand.palettes.find(({ id }) => id === 'core')!.swatches.map(({ id, value }) => [id, value]));
  expect([values.get('core-foam'), values.get('core-harbour')]).toEqual(['#eef8f6', '#006871']);
  await undo();
  await ida.stage('Gather');
});

test('colours are put in order by dragging; what stands in two files is told', async () => {
  await choose(demo('core.ase'), fileWith('also.txt', 'Sea #006871\nSand #e2d3b1\n'));
  await caught(10);
  await ida.sees('The same colour as on line 2 of core.ase.');
  await choose(demo('deck-paint.gpl'));
  await caught(5);
  const before = await names();
  const patch = async (at: number) => (await (await ida.page.$$('[data-testid=catch] button[title^=Drag]'))[at]!.boundingBox())!;
  const [from, to] = [await patch(0), await patch(2)];
  await ida.page.mouse.move(from.x + 10, from.y + 10);
  await ida.page.mouse.down();
  await ida.page.mouse.move(from.x + 12, from.y + 30, { steps: 4 });
  await ida.page.mouse.move(to.x + 12, to.y + 14, { steps: 8 });
  await ida.page.mouse.up();
  await ida.page.waitForFunction(
    (first) => document.querySelector<HTMLInputElement>('[data-testid=catch] input[aria-label^="Name of"]')!.value !== first,
    {},
    before[0],
  );
  expect(await names()).toEqual([before[1], before[2], before[0], ...before.slice(3)]);
});

test('cells of a workbook are chosen by dragging over them, or written', async () => {
  await choose(demo('house-colours.xlsx'));
  await caught(56);
  const box = (await (await ida.find('[data-testid=sheet] [role=img]')).boundingBox())!;
  const cell = (column: number, row: number) =>
    [box.x + (box.width * (column - 0.5)) / 8, box.y + (box.height * (row - 0.5)) / 7] as const;
  await ida.page.mouse.move(...cell(3, 2));
  await ida.page.mouse.down();
  await ida.page.mouse.move(...cell(6, 5), { steps: 5 });
  await ida.page.mouse.up();
  await caught(16);
  const range = () => ida.page.$eval('input[aria-label="Cells to read"]', (input) => input.value);
  expect(await range()).toBe("'House colours'!C2:F5");
  await ida.fill('Cells to read', 'A1:H1');
  await caught(8);
  await ida.fill('Cells to read', 'A1:');
  await ida.sees('“A1:” is no range of cells; write B2:I8');
  await ida.click('All cells');
  await caught(56);
});

test('a palette of the shelf is found by colour, taken and renamed; an own one is put there and taken off', async () => {
  await ida.click('Shelf');
  await ida.fill('Search the shelf', 'near #1f6f78', false);
  await ida.sees('nearest first');
  const [first] = await ida.texts('ul[aria-label="Palettes on the shelf"] small');
  expect(first).toMatch(/ΔE [0-5]\.\d/);
  await ida.fill('Search the shelf', 'kiln', false);
  await ida.click('Kiln');
  await caught(9);
  await ida.sees('made by Breakwater');
  await ida.fill('Named', 'Engine heat', false);
  await ida.click('Bring in 9');
  await ida.sees('from the shelf: Kiln');
  const { brand } = await documentNow();
  expect(brand.palettes.at(-1)).toMatchObject({ name: 'Engine heat', kind: 'sequential', source: { shelf: 'kiln' } });
  await ida.stage('Gather');
  await ida.click('Shelf');
  await ida.sees('in use 1 ×');
  await ida.click('Put a palette on the shelf');
  await ida.fill('Tags', 'evening, boats', false);
  await ida.fill('Note', 'For the late sailings.', false);
  await ida.click('Put it on the shelf');
  await ida.fill('Search the shelf', 'evening boats', false);
  await ida.page.waitForFunction(() => document.querySelectorAll('ul[aria-label="Palettes on the shelf"] li').length === 1);
  await (await ida.find('ul[aria-label="Palettes on the shelf"] button')).click();
  await ida.sees('made by Breakwater: evening, boats. For the late sailings.');
  await ida.click('Take Engine heat off the shelf');
  await ida.sees('No palette on the shelf answers to this.');
  await undo();
  await ida.click('Back to text');
});

test('a large picture shows that it is being worked on, can be stopped, and is taken up again', async () => {
  const file = join(mkdtempSync(join(tmpdir(), 'breakwater-gather-')), 'large.jpg');
  const noise = { type: 'gaussian', mean: 128, sigma: 40 } as const;
  const small = sharp({ create: { width: 400, height: 300, channels: 3, background: '#888888', noise } }).png();
  await sharp(await small.toBuffer())
    .resize(8_000, 6_000)
    .jpeg({ quality: 60 })
    .toFile(file);
  await choose(file);
  await ida.find('[role=progressbar]');
  await ida.click('Stop');
  await ida.page.waitForSelector('[role=progressbar]', { hidden: true });
  expect(await names()).toEqual([]);
  const dial = await ida.find('input[type=range]');
  await dial.focus();
  await ida.keys('ArrowRight');
  await ida.sees('9 in the catch');
  await ida.click('Back to text');
});

test('a picture stays with the palette made from it, and opens again', async () => {
  await choose(demo('harbour-at-dusk.jpg'));
  await caught(8);
  await ida.click('Bring in 8');
  await ida.sees('from harbour-at-dusk.jpg');
  await ida.page.waitForFunction(() =>
    [...document.images].some(({ src, naturalWidth }) => src.includes('/pictures/') && naturalWidth === 960),
  );
  await documentNow();
  await ida.page.reload();
  await ida.click('harbour-at-dusk');
  await ida.click('from harbour-at-dusk.jpg');
  await ida.find('[data-testid=picture]');
  await caught(8);
});

test('a picture on the clipboard is taken by Ctrl+V, a dropped file by letting it go', async () => {
  await ida.page.evaluate(async () => {
    const canvas = new OffscreenCanvas(64, 16);
    const context = canvas.getContext('2d')!;
    ['#1f6f78', '#da452c', '#f0bb3b', '#162631'].forEach((colour, at) => {
      context.fillStyle = colour;
      context.fillRect(at * 16, 0, 16, 16);
    });
    const blob = await canvas.convertToBlob({ type: 'image/png' });
    await navigator.clipboard.write([new ClipboardItem({ 'image/png': blob })]);
  });
  await ida.blur();
  await ida.keys('Control', 'v');
  await ida.sees('Read exactly, as a palette of 4.');
  expect(await names()).toEqual(['#1f6f78', '#da452c', '#f0bb3b', '#162631']);
  const session = await ida.page.createCDPSession();
  const data = { items: [], files: [demo('deck-paint.gpl')], dragOperationsMask: 1 };
  for (const type of ['dragEnter', 'dragOver'] as const)
    await session.send('Input.dispatchDragEvent', { type, x: 700, y: 400, data });
  await ida.page.waitForSelector('[data-dropping]');
  await session.send('Input.dispatchDragEvent', { type: 'drop', x: 700, y: 400, data });
  await ida.sees('from deck-paint.gpl');
  await caught(5);
  await ida.page.waitForSelector('[data-dropping]', { hidden: true });
});

test('colours are picked off the screen one after the other by one key, until Escape', async () => {
  await ida.page.evaluate(() => {
    const colours = ['#1F6F78', '#DA452C'];
    // Headless there is no screen to pick from, so the browser's picker is played.
    Object.assign(window, {
      EyeDropper: class {
        open() {
          const sRGBHex = colours.shift();
          return sRGBHex ? Promise.resolve({ sRGBHex }) : Promise.reject(new DOMException('Escape', 'AbortError'));
        }
      },
    });
  });
  await ida.click('Empty the catch');
  await ida.blur();
  await ida.keys('p');
  await caught(2);
  expect(await names()).toEqual(['#1f6f78', '#da452c']);
  await ida.page.evaluate(() => Object.assign(window, { EyeDropper: undefined }));
  await ida.keys('p');
  await ida.sees('This browser cannot pick from the screen. Take a screenshot and paste it here');
});

test('a frame of the camera is frozen and looked at as a picture', async () => {
  await ida.click('Camera');
  await ida.click('Freeze this frame');
  await ida.sees('from Camera.png');
  await ida.find('[data-testid=picture]');
  await ida.page.waitForFunction(() => /\d+ in the catch/.test(document.body.innerText));
});

test('strips are rolled side by side; what is kept stays in all, colours and strips are taken, and earlier rolls come back', async () => {
  await ida.click('Empty the catch');
  await ida.click('Generate');
  const strips = () =>
    ida.page.$$eval('li[aria-label^="Strip "]', (rows) =>
      rows.map((row) => [...row.querySelectorAll('code')].map(({ textContent }) => textContent)),
    );
  const press = async (act: string, place: number, strip: number) => {
    const button = await ida.find(`li[aria-label="Strip ${strip}"] [aria-label^="${act} "][aria-label*="place ${place} "]`);
    await button.hover();
    await button.click();
  };
  await ida.find('li[aria-label="Strip 6"]');
  const first = await strips();
  expect(first.map(({ length }) => length)).toEqual(Array(6).fill(5));
  await press('keep', 2, 3);
  expect((await strips()).map((strip) => strip[1])).toEqual(Array(6).fill(first[2]![1]));
  await (await ida.find('button[aria-label="Take all of strip 2"]')).click();
  await caught(5);
  await press('take', 4, 5);
  await caught(6);
  expect(await names()).toEqual([first[1]![0], first[2]![1], ...first[1]!.slice(2), first[4]![3]]);
  await ida.blur();
  await ida.keys('r');
  await ida.find('li[aria-label="Strip 12"]');
  const second = await strips();
  expect(second.map((strip) => strip[1])).toEqual(Array(6).fill(first[2]![1]));
  expect(second.some((strip) => first.some(([start]) => strip[0] === start))).toBe(false);
  // What was taken stays while one rolls on.
  await caught(6);
  await (await ida.find('button[aria-label="Insert between 1 and 2"]')).click();
  const third = await strips();
  expect(third.map((strip) => strip.toSpliced(1, 1))).toEqual(second);
  await ida.blur();
  await ida.keys('Shift', 'R');
  await ida.keys('Shift', 'R');
  await ida.find('li[aria-label="Strip 1"]');
  await ida.click('Later');
  await ida.find('li[aria-label="Strip 7"]');
  expect(await strips()).toEqual(second);
  // Another stage, and back: the strips are still there.
  await ida.stage('Mix');
  await ida.stage('Gather');
  await ida.click('Generate');
  expect(await strips()).toEqual(second);
});

test.each([
  ['broken.png', '\x89PNG\r\n\x1a\n\0\0\0\rIHDR\0\0\0\x02\0\0\0\x02nothing more', 'This picture is damaged'],
  ['huge.png', '\x89PNG\r\n\x1a\n\0\0\0\rIHDR\0\0\xff\xff\0\0\xff\xff', 'up to 64 million are read'],
  ['half.ase', 'ASEF\0\x01\0\0\0\0\0\x02\0', 'The file ends after 0 of 2 entries'],
  ['what.bin', '\0\x01\x02', 'This file is of a kind that is not read here'],
  ['guide.pdf', '%PDF-1.7\n1 0 obj', 'Copy the text with the colours out of it'],
  ['empty.txt', '', 'There is no colour in this file'],
])('%s: one sentence, and nothing in the catch', async (name, content, sentence) => {
  const file = join(mkdtempSync(join(tmpdir(), 'breakwater-gather-')), name);
  writeFileSync(file, Buffer.from(content, 'latin1'));
  await choose(file);
  await ida.sees(sentence);
  expect(await names()).toEqual([]);
  expect(ida.errors).toEqual([]);
});
