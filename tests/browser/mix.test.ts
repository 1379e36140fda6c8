/** A palette as a whole: several swatches at once, rows, files, and the plots that are worked on. */
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle } from 'puppeteer-core';
import type { Palette, Swatch } from '@/core/brand/document/palette-shape';
import { contrastRatio } from '@/core/colour/contrast';
import { readColour } from '@/core/colour/read';
import { names, openMix, type Mix } from './mixer';

let ida: Mix['ida'];
let mix: Mix;
beforeAll(async () => {
  mix = await openMix('mix');
  ida = mix.ida;
});
afterAll(() => mix.close());
afterEach(() => expect(ida.errors).toEqual([]));

test('several are chosen and dragged together, made a row, and moved by keys; each is one undo', async () => {
  await mix.open('Quillhaven core');
  await (await mix.cell('Harbour')).click();
  await ida.page.keyboard.down('Control');
  await (await mix.cell('Foam')).click();
  await ida.page.keyboard.up('Control');
  await ida.sees('2 chosen');
  await mix.drag(await mix.cell('Harbour'), await mix.cell('Lamp'));
  expect(names(await mix.kept('Quillhaven core'))).toEqual(['Shoal', 'Keel', 'Lamp', 'Harbour', 'Foam', 'Buoy', 'Rope', 'Mist']);
  await mix.undo();
  expect(names(await mix.kept('Quillhaven core')).slice(0, 3)).toEqual(['Harbour', 'Shoal', 'Foam']);
  const width = async () => (await (await mix.cell('Lamp')).boundingBox())!.width;
  const before = await width();
  await mix.slide('Size of the patches', 'End');
  await ida.page.waitForFunction(
    (was) => document.querySelector('[data-swatch]')!.getBoundingClientRect().width > was + 10,
    {},
    before,
  );
  await ida.click('Names');
  await ida.page.waitForFunction(() => !document.querySelector('[data-swatch]')!.textContent!.includes('Harbour'));
  await ida.click('Names');
  await ida.click('Fit');
  await (await mix.cell('Lamp')).click();
  await ida.page.keyboard.down('Shift');
  await (await mix.cell('Mist')).click();
  await ida.page.keyboard.up('Shift');
  await ida.sees('4 chosen');
  await ida.keys('w');
  await ida.find('[data-row="Row"]');
  await (await mix.cell('Harbour')).click();
  await ida.keys('Alt', 'ArrowRight');
  await ida.keys('ArrowRight');
  const { swatches } = await mix.kept('Quillhaven core');
  expect(swatches.map(({ name, row }) => [name, row])).toEqual([
    ['Shoal', undefined], ['Harbour', undefined], ['Foam', undefined], ['Keel', undefined],
    ['Lamp', 'Row'], ['Buoy', 'Row'], ['Rope', 'Row'], ['Mist', 'Row'],
  ]); // prettier-ignore
});

test('rows are dragged by their handle, swapped by keys, renamed and deleted', async () => {
  await mix.open('Quillhaven core');
  await (await mix.cell('Shoal')).click();
  await ida.page.keyboard.down('Shift');
  await (await mix.cell('Keel')).click();
  await ida.page.keyboard.up('Shift');
  await ida.keys('w');
  await ida.find('[data-row="Row 2"]');
  await ida.fill('Label of row Row 2', 'Water');
  const handle = (row: string) => ida.find(`[data-row="${row}"] button`);
  await mix.drag(await handle('Row'), await handle('Water'));
  expect(names(await mix.kept('Quillhaven core'))[0]).toBe('Lamp');
  await (await handle('Row')).focus();
  await ida.keys('Alt', 'ArrowDown');
  expect(names(await mix.kept('Quillhaven core'))[0]).toBe('Shoal');
  // A swatch that is dropped among those of another row joins it.
  await (await mix.cell('Keel')).click();
  await mix.drag(await mix.cell('Keel'), await mix.cell('Rope'));
  expect((await mix.kept('Quillhaven core')).swatches.find(({ name }) => name === 'Keel')!.row).toBe('Row');
  await (await ida.find('button[aria-label="Delete row Row"]')).click();
  expect(names(await mix.kept('Quillhaven core'))).toEqual(['Shoal', 'Harbour', 'Foam']);
  await mix.undo();
  expect(names(await mix.kept('Quillhaven core'))).toHaveLength(8);
});

test('a palette saved as a file or put on the shelf comes back the same, with its maker', async () => {
  const folder = await ida.downloads();
  await mix.open('Route lines');
  await (await ida.find('::-p-xpath(//main//button[starts-with(., "Palette")])')).click();
  await (await ida.find('[role=menuitem] ::-p-text(Save as a file)')).click();
  const path = join(folder, 'route-lines.palette.json');
  await waitForFile(path);
  const input = (await ida.page.waitForSelector('input[aria-label="Palette file"]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(path);
  await ida.sees('from route-lines.palette.json');
  await mix.kept('Route lines');
  const plain = ({ name, value, locked, row }: Swatch) => ({ name, value, locked, row });
  const { body } = await (await mix.visitor()).send('GET', '/api/brands/quillhaven');
  const both = (body.brand.palettes as Palette[]).filter(({ name }) => name === 'Route lines');
  expect(both).toHaveLength(2);
  expect(both[1]!.swatches.map(plain)).toEqual(both[0]!.swatches.map(plain));
  await input.uploadFile('demo/gather/deck-paint.gpl');
  await ida.sees('is no palette file of Breakwater');
  await mix.undo();
  await mix.open('Route lines');
  await (await ida.find('::-p-xpath(//main//button[starts-with(., "Palette")])')).click();
  await (await ida.find('[role=menuitem] ::-p-text(Put on the shelf…)')).click();
  await ida.click('Put it on the shelf');
  await ida.sees('Route lines is on the shelf.');
  const shelf = (await (await mix.visitor()).send('GET', '/api/brands/quillhaven/shelf')).body;
  expect(shelf.ours.at(-1)).toMatchObject({ name: 'Route lines', maker: 'Ida', kind: 'categorical' });
  expect(shelf.ours.at(-1).colours).toEqual(both[0]!.swatches.map(({ name, value }) => ({ name, value })));
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
  const made = await mix.kept('Tides');
  expect([made.kind, made.swatches.map(({ name, value, row }) => [name, value, row])]).toEqual([
    'sequential',
    swatches.map(({ name, value, row }) => [name, value, row]),
  ]);
});

test('a dot is dragged on the wheel of hue and chroma; every pair can be gone to in the matrix', async () => {
  await mix.open('Route lines');
  await (await mix.cell('Mill Quay')).click();
  const before = readColour((await mix.kept('Route lines')).swatches[2]!.value)!.oklch;
  const id = (await mix.kept('Route lines')).swatches[2]!.id;
  const dot = await ida.find(`circle[data-dot="${id}"]`);
  await dot.evaluate((element) => element.scrollIntoView({ block: 'center' }));
  const { x, y } = await mix.middle(dot);
  await ida.page.mouse.move(x, y);
  await ida.page.mouse.down();
  await ida.page.mouse.move(x + 20, y - 30, { steps: 6 });
  await ida.page.mouse.up();
  const after = readColour((await mix.kept('Route lines')).swatches[2]!.value)!.oklch;
  expect(after[0]).toBeCloseTo(before[0], 3);
  expect(Math.abs(after[2] - before[2])).toBeGreaterThan(15);
  await (await ida.find(`circle[data-dot="${id}"]`)).evaluate((element) => (element as SVGElement).focus());
  await ida.keys('ArrowLeft');
  await ida.keys('ArrowLeft');
  expect(readColour((await mix.kept('Route lines')).swatches[2]!.value)!.oklch[2]).toBeCloseTo(after[2] + 4, 0);
  await ida.click('all pairs');
  await (await ida.find('svg[role=application]')).evaluate((element) => (element as SVGElement).focus());
  await ida.keys('ArrowDown');
  await ida.sees('Mill Quay and North Skerry: ΔE');
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

test('a palette says what it is for and who made it, and is found by that', async () => {
  await ida.stage('Mix');
  await mix.open('Deck paint');
  await ida.menu('Palette', 'Note and maker…');
  await ida.fill('Note', 'From hull red to hatch grey, for anything that rusts', false);
  await ida.fill('Made by', 'Paint shop', false);
  await ida.fill('Link', 'javascript:alert(1)', false);
  await ida.page.waitForFunction(() => document.querySelector('[role=dialog] button[type=submit]')!.matches(':disabled'));
  await ida.fill('Link', 'https://paint.example/decks', false);
  await ida.click('Save');
  await ida.sees('From hull red to hatch grey');
  const link = await ida.find('main a[href="https://paint.example/decks"]');
  expect(await link.evaluate((found) => [found.getAttribute('rel'), found.textContent])).toEqual([
    'noreferrer noopener',
    'Paint shop',
  ]);
  expect(await mix.kept('Deck paint')).toMatchObject({
    note: 'From hull red to hatch grey, for anything that rusts',
    maker: { name: 'Paint shop', link: 'https://paint.example/decks' },
  });
  const shown = () => ida.texts('nav[aria-label=Palettes] li button');
  await ida.fill('Search palettes', 'rusts paint', false);
  await ida.page.waitForFunction(() => document.querySelectorAll('nav[aria-label=Palettes] li').length === 1);
  expect((await shown())[0]).toMatch(/^Deck paint/);
  await ida.fill('Search palettes', 'no such thing', false);
  await ida.sees('No palette says “no such thing”.');
  await ida.keys('Escape');
  await ida.page.waitForFunction(() => document.querySelectorAll('nav[aria-label=Palettes] li').length > 4);
});

test('chosen swatches become a group of tokens in one step, by a key, and go in one undo', async () => {
  await mix.open('Deck paint');
  const before = (await (await mix.visitor()).send('GET', '/api/brands/quillhaven')).body.brand.tokens.length;
  const { swatches } = await mix.kept('Deck paint');
  await (await mix.cell(swatches[0]!.name)).click();
  await ida.keys('Shift', 'ArrowRight');
  await ida.keys('k');
  await ida.fill('Group', 'paint', false);
  await ida.click('Make tokens');
  await ida.sees('2 tokens in paint.');
  await ida.page.waitForSelector('main[data-stage=name] [data-token^="paint."]');
  await mix.kept('Deck paint');
  const made = (await (await mix.visitor()).send('GET', '/api/brands/quillhaven')).body.brand.tokens.slice(before);
  expect(made.map(({ values }: { values: object }) => Object.values(values)[0])).toEqual(
    swatches.slice(0, 2).map(({ id }) => ({ swatch: id })),
  );
  await mix.undo();
  await mix.kept('Deck paint');
  expect((await (await mix.visitor()).send('GET', '/api/brands/quillhaven')).body.brand.tokens).toHaveLength(before);
  await ida.stage('Mix');
});

test('near-black on ink and near-white on paper have an edge in the plot of lightness', async () => {
  const ink = 'oklch(0.22 0 0)';
  await (
    await mix.visitor()
  ).change([
    {
      do: 'palette.add',
      palette: {
        id: 'ends',
        name: 'Ends',
        kind: 'loose',
        swatches: [ink, '#f1f1f1'].map((value, at) => ({ id: `end${at}`, name: `End ${at}`, value, locked: false })),
      },
      before: null,
    },
  ]);
  await mix.open('Ends');
  await ida.blur();
  const bars = await ida.page.$$eval('main .recharts-bar rect', (found) =>
    found.map((bar) => [getComputedStyle(bar).fill, getComputedStyle(bar).stroke]),
  );
  expect(bars).toHaveLength(2);
  // The edge as it is seen upon its bar: 1.5 to 1 is seen as a line.
  for (const [fill, stroke] of bars) expect(contrastRatio(readColour(stroke!)!, readColour(fill!)!)).toBeGreaterThan(1.5);
});
