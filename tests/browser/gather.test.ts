/** Every way in which colours arrive, on the files the demo ships. */
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import type { Browser, ElementHandle } from 'puppeteer-core';
import { openStand, type Stand } from '../stand';
import { launch, Person } from './browser';

let stand: Stand;
let browser: Browser;
let ida: Person;
beforeAll(async () => {
  stand = await openStand('gather');
  browser = await launch();
  ida = await Person.enter(browser, stand, 'Ida');
  await ida.stage('Gather');
}, 90_000);
afterAll(async () => {
  await browser.close();
  await stand.close();
});
jest.setTimeout(60_000);

const demo = (name: string) => resolve('demo/gather', name);
const choose = async (...files: string[]) => {
  const input = (await ida.page.$('input[type=file]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(...files);
};
const caught = (count: number) => ida.sees(`${count} in the catch`);
const names = () =>
  ida.page.$$eval('[data-testid=catch] input[aria-label^="Name of"]', (all) => all.map((one) => (one as HTMLInputElement).value));

test.each([
  ['style-guide.txt', 8, 'Harbour'],
  ['core.ase', 8, 'Harbour'],
  ['sea-state.aco', 10, '0 Calm'],
  ['deck-paint.gpl', 5, ''],
  ['trainer.pal', 16, '#1e1216'],
  ['day.tokens.json', 53, 'page'],
  ['house-colours.xlsx', 68, '#ff5353'],
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
  const before = await point.evaluate((one) => one.getAttribute('aria-label'));
  const from = (await point.boundingBox())!;
  await ida.page.mouse.move(from.x + 8, from.y + 8);
  await ida.page.mouse.down();
  // The red funnel of the ferry stands at 313, 266 of 960 by 640.
  await ida.page.mouse.move(picture.x + (313 / 960) * picture.width, picture.y + (266 / 640) * picture.height, { steps: 6 });
  await ida.page.mouse.up();
  const after = await (await ida.find('button[aria-label^="Point 1,"]')).evaluate((one) => one.getAttribute('aria-label')!);
  expect(after).not.toBe(before);
  const [r, g, b] = [1, 3, 5].map((at) => parseInt(after.split('#')[1]!.slice(at - 1, at + 1), 16)) as [number, number, number];
  expect([r > 180, g < 110, b < 90]).toEqual([true, true, true]);
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
  const file = join(mkdtempSync(join(tmpdir(), 'breakwater-gather-')), 'x.tokens.json');
  writeFileSync(
    file,
    '{"a":{"$type":"color","$value":"#1f6f78"},"gap":{"$type":"dimension","$value":"4px"},"link":{"$type":"color","$value":"{a}"}}',
  );
  await choose(file);
  await caught(1);
  await ida.sees('No colour but dimension: kept untouched.');
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

test('sets are rolled by one key; what is kept stays, one is put between, and earlier rolls come back', async () => {
  await ida.click('Generate');
  await caught(5);
  const first = await names();
  await (await ida.find('button[aria-label="Keep 2"]')).click();
  await ida.blur();
  await ida.keys('r');
  await ida.sees('from roll 2');
  const second = await names();
  expect([second[1] === first[1], second[0] === first[0]]).toEqual([true, false]);
  await (await ida.find('button[aria-label="Keep 1"]')).hover();
  await (await ida.find('button[aria-label="Insert between 1 and 2"]')).click();
  await caught(6);
  const third = await names();
  expect([third[0], ...third.slice(2)]).toEqual(second);
  await ida.blur();
  await ida.keys('Shift', 'R');
  await caught(5);
  await ida.keys('Shift', 'R');
  await ida.sees('from roll 1');
  expect(await names()).toEqual(first);
  await ida.click('Later');
  await ida.sees('from roll 2');
  expect(await names()).toEqual(second);
});

test.each([
  ['broken.png', '\x89PNG\r\n\x1a\n\0\0\0\rIHDR\0\0\0\x02\0\0\0\x02nothing more', 'This picture is damaged'],
  ['huge.png', '\x89PNG\r\n\x1a\n\0\0\0\rIHDR\0\0\xff\xff\0\0\xff\xff', 'up to 64 million are read'],
  ['half.ase', 'ASEF\0\x01\0\0\0\0\0\x02\0', 'The file ends after 0 of 2 entries'],
  ['what.bin', '\0\x01\x02', 'This file is of a kind that is not read here'],
  ['empty.txt', '', 'There is no colour in this file'],
])('%s: one sentence, and nothing in the catch', async (name, content, sentence) => {
  const file = join(mkdtempSync(join(tmpdir(), 'breakwater-gather-')), name);
  writeFileSync(file, Buffer.from(content, 'latin1'));
  await choose(file);
  await ida.sees(sentence);
  expect(await names()).toEqual([]);
  expect(ida.errors).toEqual([]);
});
