/** Shaping palettes, each tool used as a person would: mouse, drag, keys, sliders; and what the brand holds afterwards. */
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, ElementHandle } from 'puppeteer-core';
import type { Palette, Swatch } from '@/core/brand/document';
import { contrastRatio } from '@/core/colour/contrast';
import { deltaE2000 } from '@/core/colour/difference';
import { readColour } from '@/core/colour/read';
import { openStand, Visitor, type Stand } from '../stand';
import { launch, Person } from './browser';

let stand: Stand;
let browser: Browser;
let ida: Person;
beforeAll(async () => {
  stand = await openStand('mix');
  browser = await launch();
  ida = await Person.enter(browser, stand, 'Ida');
}, 90_000);
afterAll(async () => {
  await browser.close();
  await stand.close();
});
afterEach(() => expect(ida.errors).toEqual([]));
jest.setTimeout(90_000);

/** The palette as the server has it, once everything is kept. */
async function kept(name: string): Promise<Palette> {
  await ida.page.waitForFunction(() => /^(Kept|All kept)/.test(document.querySelector('[data-testid=kept]')?.textContent ?? ''));
  const { body } = await (await Visitor.demo(stand, 'ida')).send('GET', '/api/brands/quillhaven');
  return (body.brand.palettes as Palette[]).find((palette) => palette.name === name)!;
}
const names = (palette: Palette) => palette.swatches.map(({ name }) => name);
const open = async (palette: string) => {
  await (await ida.find(`::-p-xpath(//nav[@aria-label="Palettes"]//button[span[.="${palette}"]])`)).click();
  await ida.page.waitForFunction((title) => document.querySelector<HTMLInputElement>('h1 input')?.value === title, {}, palette);
};
const tool = async (label: string) => {
  await (await ida.find(`::-p-xpath(//button[@role="tab"][.="${label}"])`)).click();
};
const cell = (name: string) => ida.find(`[data-swatch][aria-label^="${name},"]`);
const shown = () =>
  ida.page.$$eval('[data-swatch]', (cells) => cells.map((one) => [...one.querySelectorAll('code')].at(-1)!.textContent!));
/** Waits until a patch shows a colour, on trial or settled. */
const shows = (at: number, hex: string) =>
  ida.page.waitForFunction(
    (place, wanted) =>
      [...document.querySelectorAll('[data-swatch]')[place]!.querySelectorAll('code')].at(-1)?.textContent === wanted,
    {},
    at,
    hex,
  );
const strip = (label: string) =>
  ida.page.$$eval(`ol[aria-label="${label}"] li`, (items) => items.map((item) => item.getAttribute('data-value')!));
const undo = async () => {
  await ida.blur();
  await ida.keys('Control', 'z');
};
async function middle(of: ElementHandle<Element>) {
  await of.evaluate((element) => element.scrollIntoView({ block: 'nearest' }));
  const box = (await of.boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}
async function drag(from: ElementHandle<Element>, to: ElementHandle<Element>) {
  const [start, end] = [await middle(from), await middle(to)];
  await ida.page.mouse.move(start.x, start.y);
  await ida.page.mouse.down();
  await ida.page.mouse.move(start.x + 8, start.y, { steps: 4 });
  await ida.page.mouse.move(end.x, end.y, { steps: 12 });
  // What is dragged settles over its place before it is let go.
  await new Promise((resolve) => setTimeout(resolve, 150));
  await ida.page.mouse.up();
}
/** Moves a slider by keys, as its own arrows do. */
async function slide(label: string, key: 'ArrowRight' | 'ArrowLeft' | 'Home' | 'End', times = 1) {
  const slider = await ida.find(`main input[type=range][aria-label="${label}"]`);
  await slider.focus();
  for (let at = 0; at < times; at++) await ida.keys(key);
}
const untilStrip = (label: string, count: number) =>
  ida.page.waitForFunction(
    (name, wanted) => document.querySelectorAll(`ol[aria-label="${name}"] li`).length === wanted,
    { timeout: 30_000 },
    label,
    count,
  );

test('several are chosen and dragged together, made a row, and moved by keys; each is one undo', async () => {
  await open('Quillhaven core');
  await (await cell('Harbour')).click();
  await ida.page.keyboard.down('Control');
  await (await cell('Foam')).click();
  await ida.page.keyboard.up('Control');
  await ida.sees('2 chosen');
  await drag(await cell('Harbour'), await cell('Lamp'));
  expect(names(await kept('Quillhaven core'))).toEqual(['Shoal', 'Keel', 'Lamp', 'Harbour', 'Foam', 'Buoy', 'Rope', 'Mist']);
  await undo();
  expect(names(await kept('Quillhaven core')).slice(0, 3)).toEqual(['Harbour', 'Shoal', 'Foam']);
  const width = async () => (await (await cell('Lamp')).boundingBox())!.width;
  const before = await width();
  await slide('Size of the patches', 'End');
  await ida.page.waitForFunction(
    (was) => document.querySelector('[data-swatch]')!.getBoundingClientRect().width > was + 10,
    {},
    before,
  );
  await ida.click('Names');
  await ida.page.waitForFunction(() => !document.querySelector('[data-swatch]')!.textContent!.includes('Harbour'));
  await ida.click('Names');
  await ida.click('Fit');
  await (await cell('Lamp')).click();
  await ida.page.keyboard.down('Shift');
  await (await cell('Mist')).click();
  await ida.page.keyboard.up('Shift');
  await ida.sees('4 chosen');
  await ida.keys('w');
  await ida.find('[data-row="Row"]');
  await (await cell('Harbour')).click();
  await ida.keys('Alt', 'ArrowRight');
  await ida.keys('ArrowRight');
  const { swatches } = await kept('Quillhaven core');
  expect(swatches.map(({ name, row }) => [name, row])).toEqual([
    ['Shoal', undefined], ['Harbour', undefined], ['Foam', undefined], ['Keel', undefined],
    ['Lamp', 'Row'], ['Buoy', 'Row'], ['Rope', 'Row'], ['Mist', 'Row'],
  ]); // prettier-ignore
});

test('rows are dragged by their handle, swapped by keys, renamed and deleted', async () => {
  await open('Quillhaven core');
  await (await cell('Shoal')).click();
  await ida.page.keyboard.down('Shift');
  await (await cell('Keel')).click();
  await ida.page.keyboard.up('Shift');
  await ida.keys('w');
  await ida.find('[data-row="Row 2"]');
  await ida.fill('Label of row Row 2', 'Water');
  const handle = (row: string) => ida.find(`[data-row="${row}"] button`);
  await drag(await handle('Row'), await handle('Water'));
  expect(names(await kept('Quillhaven core'))[0]).toBe('Lamp');
  await (await handle('Row')).focus();
  await ida.keys('Alt', 'ArrowDown');
  expect(names(await kept('Quillhaven core'))[0]).toBe('Shoal');
  // A swatch that is dropped among those of another row joins it.
  await (await cell('Keel')).click();
  await drag(await cell('Keel'), await cell('Rope'));
  expect((await kept('Quillhaven core')).swatches.find(({ name }) => name === 'Keel')!.row).toBe('Row');
  await (await ida.find('button[aria-label="Delete row Row"]')).click();
  expect(names(await kept('Quillhaven core'))).toEqual(['Shoal', 'Harbour', 'Foam']);
  await undo();
  expect(names(await kept('Quillhaven core'))).toHaveLength(8);
});

test('a ramp follows its start until its end is pinned; four and eight colours are a key away', async () => {
  await open('Route lines');
  await (await cell('Mill Quay')).click();
  await ida.keys('r');
  await ida.sees('the far end follows the start');
  const eight = await strip('Ramp');
  expect([eight.length, eight[0]]).toEqual([8, '#2c965d']);
  await ida.blur();
  await ida.keys('f');
  await untilStrip('Ramp', 4);
  await slide('Far end towards white', 'End');
  expect((await strip('Ramp')).at(-1)).toBe('#ffffff');
  await ida.fill('Far end', '#101a40');
  await ida.sees('the far end is pinned');
  await (await cell('Sallow Bay')).click();
  expect([(await strip('Ramp'))[0], (await strip('Ramp')).at(-1)]).toEqual(['#dab33a', '#101a40']);
  await ida.click('Add as a row');
  const { swatches } = await kept('Route lines');
  expect(swatches.slice(8).map(({ row }) => row)).toEqual(Array(4).fill('Sallow Bay ramp'));
  expect(swatches.at(-1)!.value).toBe('#101a40');
  await undo();
  expect((await kept('Route lines')).swatches).toHaveLength(8);
});

test('shades stand about their base, the same contrast for each hue; neutrals are chosen by a page set in them', async () => {
  await open('Route lines');
  const six = async (name: string) => {
    await (await cell(name)).click();
    await tool('Shades');
    await ida.sees(`Shades of ${name}`);
    return contrastRatio(readColour((await strip('Shades'))[6]!)!, readColour('#fff')!);
  };
  expect(await six('Tern Islet')).toBeCloseTo(await six('Kelp Strand'), 0);
  await ida.fill('Labels, light to dark', 'pale, mid, deep');
  await untilStrip('Shades', 3);
  await ida.click('As a new palette');
  await ida.page.waitForFunction(() => document.querySelector<HTMLInputElement>('h1 input')?.value === 'Kelp Strand');
  expect(names(await kept('Kelp Strand'))).toEqual(['Kelp Strand pale', 'Kelp Strand mid', 'Kelp Strand deep']);
  await undo();
  await open('Route lines');
  await tool('Neutrals');
  await (await ida.find('::-p-xpath(//button[@role="radio"][contains(., "Warm")])')).click();
  await ida.click('Add as a row');
  const warm = (await kept('Route lines')).swatches.filter(({ row }) => row === 'Neutral warm');
  expect(warm).toHaveLength(11);
  for (const { value } of warm) expect(readColour(value)!.oklch[1]).toBeLessThan(0.03);
  await undo();
});

test('eight categories are extended to seventeen without moving one; what cannot be reached is said', async () => {
  await open('Route lines');
  await tool('Series');
  await slide('Colours in all', 'ArrowRight', 6);
  await untilStrip('Series', 17);
  await ida.page.waitForFunction(() => document.body.innerText.includes('cannot be reached with 17 colours here'), {
    timeout: 30_000,
  });
  const before = (await kept('Route lines')).swatches.map(({ value }) => value);
  expect((await strip('Series')).slice(0, 8)).toEqual(before);
  await ida.click('Add as a row');
  const { swatches } = await kept('Route lines');
  expect(swatches.slice(0, 8).map(({ value }) => value)).toEqual(before);
  expect(new Set(swatches.map(({ value }) => value)).size).toBe(17);
  await undo();
});

test('sequential and diverging series are drawn as their curves and become palettes', async () => {
  await open('Sea state');
  await (await ida.find('::-p-xpath(//button[@role="radio"][.="sequential"])')).click();
  await untilStrip('Series', 9);
  await slide('Classes', 'ArrowRight', 3);
  await untilStrip('Series', 12);
  const fall = (await strip('Series')).map((css) => readColour(css)!.oklch[0]);
  expect([...fall].sort((one, two) => two - one)).toEqual(fall);
  await ida.find('.recharts-wrapper');
  await (await ida.find('::-p-xpath(//button[@role="radio"][.="diverging"])')).click();
  await untilStrip('Series', 11);
  await ida.click('As a new palette');
  const made = await kept('0 Calm to 9 Phenomenal');
  expect([made.kind, made.swatches.length]).toEqual(['diverging', 11]);
});

test('harmony: dots are dragged and turned by keys on the wheel', async () => {
  await open('Route lines');
  await (await cell('Mill Quay')).click();
  await tool('Harmony');
  await (await ida.find('::-p-xpath(//button[@role="radio"][.="Triad"])')).click();
  await untilStrip('Harmony', 3);
  const before = await strip('Harmony');
  expect(before[0]).toBe('#2c965d');
  const dot = await ida.find('circle[aria-label="Angle of colour 2"]');
  await dot.evaluate((element) => (element as SVGElement).focus());
  await ida.keys('Shift', 'ArrowLeft');
  await ida.page.waitForFunction(
    () => document.querySelector('circle[aria-label="Angle of colour 2"]')?.getAttribute('aria-valuenow') === '130',
  );
  await drag(dot, await ida.find('circle[aria-label="Angle of colour 3"]'));
  await ida.sees('with angles of your own');
  const [lead, second, third] = await strip('Harmony');
  expect([lead, third]).toEqual([before[0], before[2]]);
  expect(deltaE2000(second!, third!)).toBeLessThan(8);
});

test('settle is shown before it is applied; B shows what was; evenness rises and locked ones stay', async () => {
  await open('Route lines');
  const before = await kept('Route lines');
  await tool('Settle');
  await ida.sees('farthest nudge ΔE', 20_000);
  await ida.page.waitForFunction(() => document.querySelectorAll('[data-swatch] code[class*=hex]')[1]?.textContent !== '#db5d2c');
  const settled = await shown();
  expect(settled).not.toEqual(before.swatches.map(({ value }) => value));
  await ida.blur();
  await ida.page.keyboard.down('b');
  await shows(1, '#db5d2c');
  await ida.page.keyboard.up('b');
  await shows(1, settled[1]!);
  expect((await kept('Route lines')).swatches).toEqual(before.swatches);
  await ida.click('Cancel');
  await shows(1, '#db5d2c');
  await slide('Share of the way', 'End');
  await shows(1, settled[1]!);
  const [score] = await ida.texts('p[aria-label=Evenness]');
  const [after, was] = score!
    .match(/\d+/g)!
    .map(Number)
    .filter((value) => value !== 100);
  expect(after).toBeGreaterThan(was!);
  await ida.click('Apply');
  const { swatches } = await kept('Route lines');
  swatches.forEach(({ value, locked }, at) => {
    if (locked) expect(value).toBe(before.swatches[at]!.value);
    expect(deltaE2000(value, before.swatches[at]!.value)).toBeLessThanOrEqual(6);
  });
  // Once more: from where these colours came there is nothing better.
  await ida.sees('nothing is better within this reach', 20_000);
  await undo();
  expect((await kept('Route lines')).swatches).toEqual(before.swatches);
});

test('adjusting moves all or the chosen, one step by a key; order is by path or by seed', async () => {
  await open('Deck paint');
  const before = await kept('Deck paint');
  await tool('Adjust');
  await slide('Lightness', 'ArrowRight', 20);
  await ida.sees('+20 %');
  await ida.click('Cancel');
  await shows(0, before.swatches[0]!.value);
  await slide('Chroma', 'Home');
  await ida.click('Apply');
  for (const { value } of (await kept('Deck paint')).swatches) expect(value).toMatch(/^#(..)\1\1$/);
  await undo();
  await (await cell(before.swatches[1]!.name)).click();
  await ida.keys('+');
  const brighter = (await kept('Deck paint')).swatches;
  expect(readColour(brighter[1]!.value)!.oklch[0]).toBeGreaterThan(readColour(before.swatches[1]!.value)!.oklch[0]);
  expect(brighter.filter(({ value }, at) => value !== before.swatches[at]!.value)).toHaveLength(1);
  await undo();
  await ida.click('By lightness');
  const light = (await kept('Deck paint')).swatches.map(({ value }) => readColour(value)!.oklch[0]);
  expect([...light].sort((one, two) => one - two)).toEqual(light);
  await ida.click('Shuffle');
  expect((await kept('Deck paint')).swatches.map(({ id }) => id).sort()).toEqual(before.swatches.map(({ id }) => id).sort());
  await undo();
  await undo();
  expect(await kept('Deck paint')).toEqual(before);
});

test('reducing shows what merges and by how much, and tokens go with it', async () => {
  await open('Trainer 16');
  await tool('Reduce');
  await slide('Colours', 'Home');
  await slide('Colours', 'ArrowRight', 7);
  await untilStrip('What stays', 8);
  expect((await ida.texts('ul[aria-label="What merges"] li')).every((line) => /into .+ ΔE \d/.test(line))).toBe(true);
  await ida.click('Apply');
  expect((await kept('Trainer 16')).swatches).toHaveLength(8);
  await undo();
  await (await ida.find('::-p-xpath(//button[@role="radio"][.="near duplicates"])')).click();
  await ida.sees('nothing merges');
});

test('any palette gives a terminal’s sixteen colours, which are then edited one by one', async () => {
  await open('Deck paint');
  await tool('Terminal');
  await (await ida.find('::-p-xpath(//button[@role="radio"][.="light"])')).click();
  await slide('Dim or lift', 'ArrowLeft', 2);
  await ida.click('Shuffle');
  await ida.click('Best fit again');
  await ida.click('As a new palette');
  await ida.page.waitForFunction(() => document.querySelectorAll('[data-row]').length === 3);
  const { swatches } = await kept('Deck paint terminal');
  const value = (name: string) => readColour(swatches.find((one) => one.name === name)!.value)!;
  expect(swatches).toHaveLength(19);
  for (const name of ['Red', 'Green', 'Yellow', 'Blue', 'Magenta', 'Cyan', 'Text']) {
    expect(contrastRatio(value(name), value('Ground'))).toBeGreaterThanOrEqual(4.5);
  }
});

test('a palette saved as a file or put on the shelf comes back the same, with its maker', async () => {
  const folder = await ida.downloads();
  await open('Route lines');
  await ida.click('Palette');
  await (await ida.find('[role=menuitem] ::-p-text(Save as a file)')).click();
  const path = join(folder, 'route-lines.palette.json');
  await waitForFile(path);
  const input = (await ida.page.waitForSelector('input[aria-label="Palette file"]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(path);
  await ida.sees('made by Ida');
  const plain = ({ name, value, locked, row }: Swatch) => ({ name, value, locked, row });
  const { body } = await (await Visitor.demo(stand, 'ida')).send('GET', '/api/brands/quillhaven');
  const both = (body.brand.palettes as Palette[]).filter(({ name }) => name === 'Route lines');
  expect(both).toHaveLength(2);
  expect(both[1]!.swatches.map(plain)).toEqual(both[0]!.swatches.map(plain));
  await input.uploadFile('demo/gather/deck-paint.gpl');
  await ida.sees('is no palette file of Breakwater');
  await undo();
  await open('Route lines');
  await ida.click('Palette');
  await (await ida.find('[role=menuitem] ::-p-text(Put on the shelf…)')).click();
  await ida.click('Put it on the shelf');
  await ida.sees('Route lines is on the shelf.');
  const shelf = (await (await Visitor.demo(stand, 'ida')).send('GET', '/api/brands/quillhaven/shelf')).body;
  expect(shelf.own.at(-1)).toMatchObject({ name: 'Route lines', maker: 'Ida', kind: 'categorical' });
  expect(shelf.own.at(-1).colours).toEqual(both[0]!.swatches.map(({ name, value }) => ({ name, value })));
});

test('a palette file dropped into Gather keeps its rows', async () => {
  await ida.stage('Gather');
  const input = (await ida.page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
  const swatches = ['Ebb', 'Flood', 'Slack'].map((name, at) => {
    return { name, value: `oklch(0.${at + 4} 0.1 200)`, locked: false, row: at < 2 ? 'Moving' : 'Still' };
  });
  const file = { format: 'breakwater-palette', version: 1, name: 'Tides', kind: 'sequential', maker: 'Wim', swatches };
  const path = join(mkdtempSync(join(tmpdir(), 'breakwater-palette-')), 'tides.json');
  writeFileSync(path, JSON.stringify(file));
  await input.uploadFile(path);
  await ida.sees('3 in the catch');
  await ida.click('Bring in 3');
  await ida.page.waitForFunction(() => location.pathname.endsWith('/mix'));
  await ida.find('[data-row="Still"]');
  const made = await kept('Tides');
  expect([made.kind, made.swatches.map(({ name, value, row }) => [name, value, row])]).toEqual([
    'sequential',
    swatches.map(({ name, value, row }) => [name, value, row]),
  ]);
});

test('a search that is still under way is stopped by leaving the tool, and the next one answers', async () => {
  await open('Route lines');
  await tool('Series');
  await slide('Colours in all', 'End');
  await tool('Tune');
  await tool('Settle');
  await ida.find('p[aria-label=Evenness]');
  await tool('Series');
  await ida.sees('The closest two are', 30_000);
});

test('a dot is dragged on the wheel of hue and chroma; every pair can be gone to in the matrix', async () => {
  await open('Route lines');
  await (await cell('Mill Quay')).click();
  const before = readColour((await kept('Route lines')).swatches[2]!.value)!.oklch;
  const id = (await kept('Route lines')).swatches[2]!.id;
  const dot = await ida.find(`circle[data-dot="${id}"]`);
  await dot.evaluate((element) => element.scrollIntoView({ block: 'center' }));
  const { x, y } = await middle(dot);
  await ida.page.mouse.move(x, y);
  await ida.page.mouse.down();
  await ida.page.mouse.move(x + 20, y - 30, { steps: 6 });
  await ida.page.mouse.up();
  const after = readColour((await kept('Route lines')).swatches[2]!.value)!.oklch;
  expect(after[0]).toBeCloseTo(before[0], 3);
  expect(Math.abs(after[2] - before[2])).toBeGreaterThan(15);
  await (await ida.find(`circle[data-dot="${id}"]`)).evaluate((element) => (element as SVGElement).focus());
  await ida.keys('ArrowLeft');
  await ida.keys('ArrowLeft');
  expect(readColour((await kept('Route lines')).swatches[2]!.value)!.oklch[2]).toBeCloseTo(after[2] + 4, 0);
  await ida.click('all pairs');
  await (await ida.find('svg[role=application]')).evaluate((element) => (element as SVGElement).focus());
  await ida.keys('ArrowDown');
  await ida.sees('Mill Quay and North Skerry: ΔE');
});

test('with no colour, one, or all locked, every tool stands and says what it needs', async () => {
  const labels = ['Tune', 'Ramp', 'Shades', 'Neutrals', 'Series', 'Harmony', 'Settle', 'Adjust', 'Reduce', 'Terminal'];
  await ida.click('New palette');
  for (const swatches of [0, 1, 2]) {
    for (const label of labels) {
      await tool(label);
      expect((await ida.texts('[role=tabpanel]:not([hidden])')).join('').length).toBeGreaterThan(10);
    }
    await ida.blur();
    if (swatches < 2) await ida.keys('a');
  }
  await ida.keys('l');
  await tool('Adjust');
  await slide('Lightness', 'End');
  expect(await ida.page.$$eval('button', (all) => all.filter((one) => one.textContent === 'Apply' && !one.disabled).length)).toBe(
    1,
  );
});

async function waitForFile(path: string): Promise<void> {
  for (let tries = 0; ; tries++) {
    try {
      readFileSync(path);
      return;
    } catch (error) {
      if (tries > 50) throw error;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }
}
