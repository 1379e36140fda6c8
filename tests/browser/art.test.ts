/** Recoloured art with mouse and keyboard: a sheet of the demo's in two groups, its table, and seen moving in the trainer. */
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import type { Browser, ElementHandle } from 'puppeteer-core';
import { Brand } from '@/core/brand/document/document';
import { startTestServer, type TestServer } from '../test-server';
import { launch, Person } from './browser';

const brand = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
const trainer = brand.palettes.find(({ name }) => name === 'Trainer 16')!;
let server: TestServer;
let browser: Browser;
let ida: Person;
beforeAll(async () => {
  server = await startTestServer('art');
  browser = await launch();
  ida = await Person.enter(browser, server, 'Ida');
  await (await ida.find(`[data-palette="${trainer.id}"]`)).click();
  await ida.stage('Ship');
});
afterAll(async () => {
  await browser.close();
  await server.close();
  expect(ida.errors).toEqual([]);
});

const hand = async (...paths: string[]) => {
  const input = (await ida.page.waitForSelector('[data-testid=hosts]')) as ElementHandle<HTMLInputElement>;
  await ida.settled();
  await input.uploadFile(...paths);
};
/** Drags over a row of tiles of the sheet, whose tiles are 16 pixels with one between. */
const over = async (row: number, from: number, to: number) => {
  const box = (await (await ida.find('[data-testid=sheet] canvas')).boundingBox())!;
  const at = (tile: number) => ({
    x: box.x + ((1 + tile * 17 + 8) / 69) * box.width,
    y: box.y + ((1 + row * 17 + 8) / 35) * box.height,
  });
  const [start, end] = [at(from), at(to)];
  await ida.page.mouse.move(start.x, start.y);
  await ida.page.mouse.down();
  await ida.page.mouse.move(end.x, end.y, { steps: 6 });
  await ida.page.mouse.up();
};
const group = async (name: string, tiles: number) => {
  await ida.fill('Name of the group', name, false);
  await ida.click(`Group ${tiles} tiles`);
  await ida.page.waitForFunction(
    (words) => document.querySelector('[aria-label=Groups]')?.textContent?.includes(words),
    {},
    name,
  );
};
/** What the server keeps of the art, once it is as expected. */
const keeps = async (part: 'groups' | 'map', expected: unknown) => {
  const read = () =>
    ida.page.evaluate(async () => ((await (await fetch('/api/brands/quillhaven')).json()) as { brand: Brand }).brand.art[0]!);
  const now = async () => (part === 'map' ? (await read()).table.map : (await read()).groups);
  for (let n = 0; n < 100 && JSON.stringify(await now()) !== JSON.stringify(expected); n++) await ida.settled();
  expect(await now()).toEqual(expected);
};

test('a sheet is taken in, its tiles are told from it, and every colour goes to the nearest of the palette', async () => {
  await hand('demo/art/deckhand.png');
  await ida.sees('4 by 2 tiles of 16 by 16');
  await ida.sees('4 repeat others or are empty');
  await ida.page.waitForSelector('tr[data-from="#e27a2c"]');
  expect(await ida.page.$$eval('[aria-label="Colours and where they go"] tbody tr', (rows) => rows.length)).toBe(11);
});

test('tiles are chosen by dragging over them and put into two groups', async () => {
  await over(0, 0, 3);
  await group('Walk', 4);
  await over(1, 0, 1);
  await group('Wave', 2);
  await keeps('groups', [
    { name: 'Walk', tiles: [0, 1, 2, 3] },
    { name: 'Wave', tiles: [4, 5] },
  ]);
});

test('what only repeats is offered to be left out', async () => {
  await over(1, 0, 3);
  await ida.click('Leave out');
  await ida.click('Group 1 tile');
  await ida.page.waitForFunction(() => document.querySelectorAll('[aria-label=Groups] li').length === 3);
  await keeps('groups', [
    { name: 'Walk', tiles: [0, 1, 2, 3] },
    { name: 'Wave', tiles: [4, 5] },
    { name: 'Group 3', tiles: [4] },
  ]);
  await ida.blur();
  await ida.keys('Control', 'z');
  await ida.page.waitForFunction(() => document.querySelectorAll('[aria-label=Groups] li').length === 2);
});

test('one colour is sent elsewhere by choosing, another by dropping a swatch on it', async () => {
  const sand = trainer.swatches.find(({ name }) => name === 'Rust')!;
  await (await ida.find('select[aria-label="Where #e27a2c goes"]')).select(sand.id);
  const box = (await (await ida.find(`[data-palette="${trainer.id}"] i`)).boundingBox())!;
  const sky = trainer.swatches.findIndex(({ name }) => name === 'Sky');
  await ida.drag(
    { x: box.x + (box.width * (sky + 0.5)) / 16, y: box.y + box.height / 2 },
    await ida.find('tr[data-from="#fad660"]'),
  );
  await ida.page.waitForFunction(
    () =>
      (document.querySelector('select[aria-label="Where #fad660 goes"]') as HTMLSelectElement | null)?.selectedOptions[0]
        ?.textContent === 'Sky',
  );
  await keeps('map', [
    { from: '#e27a2c', to: sand.id },
    { from: '#fad660', to: trainer.swatches[sky]!.id },
  ]);
});

test('a release holds a strip for each group with an atlas, in the palette’s colours, and the trainer shows it', async () => {
  await ida.click('Release…');
  await ida.sees('art/deckhand-walk.png');
  await ida.click('Make release 1');
  await ida.page.waitForSelector('[data-testid=match][data-complete=true]');
  const bytes = await ida.page.evaluate(async () => [
    ...new Uint8Array(await (await fetch('/deliver/quillhaven/1/art/deckhand-walk.png')).arrayBuffer()),
  ]);
  const { width, height, data } = PNG.sync.read(Buffer.from(bytes));
  expect([width, height]).toEqual([64, 16]);
  const allowed = new Set(trainer.swatches.map(({ value }) => value));
  const used = new Set<string>();
  for (let at = 0; at < data.length; at += 4) if (data[at + 3]! > 0) used.add(`#${data.subarray(at, at + 3).toString('hex')}`);
  expect([...used].filter((hex) => !allowed.has(hex))).toEqual([]);
  expect(used.has('#943c12')).toBe(true);
  // The orange coat, sent to Rust, stands on the trainer's canvas beside the quay.
  const frame = (await ida.page.$$('iframe'))[2]!;
  const screen = (await frame.contentFrame())!;
  await screen.waitForFunction(() => {
    const canvas = document.querySelector('canvas')!;
    const { data: pixels } = canvas.getContext('2d')!.getImageData(118, 42, 16, 16);
    let rust = 0;
    for (let at = 0; at < pixels.length; at += 4)
      if (pixels[at] === 0x94 && pixels[at + 1] === 0x3c && pixels[at + 2] === 0x12) rust++;
    return rust > 20;
  });
});

test('what is no sheet is refused with a sentence, and a sheet that its tiles do not fill says so', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'breakwater-art-'));
  const path = join(folder, 'half.png');
  writeFileSync(path, readFileSync('demo/art/deckhand.png').subarray(0, 200));
  await ida.stage('Ship');
  await hand(path);
  await ida.sees('half.png: this PNG is cut off before its end; save it again.');
  await ida.click('deckhand');
  await ida.fill('Tile width', '20');
  await ida.sees('left over');
});
