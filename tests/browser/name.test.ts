/** Tokens, themes, states, data values and token files, with real mouse, keys and files. */
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, ElementHandle } from 'puppeteer-core';
import { Brand } from '@/core/brand/document/document';
import type { Token } from '@/core/brand/document/token-shape';
import { unmarked } from '@/core/formats/kit/marks';
import { markedTokenText } from '@/core/formats/tokens/dtcg-text';
import { startTestServer, Visitor, type TestServer } from '../test-server';
import { launch, Person } from './browser';

let server: TestServer;
let browser: Browser;
let ida: Person;
const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
const folder = mkdtempSync(join(tmpdir(), 'breakwater-name-'));

beforeAll(async () => {
  server = await startTestServer('name');
  browser = await launch();
  ida = await Person.enter(browser, server, 'Ida');
  await ida.stage('Name');
  await ida.find('[role=treegrid]');
});
afterAll(async () => {
  await browser.close();
  await server.close();
});
afterEach(() => expect(ida.errors).toEqual([]));

/** The brand as the server has it, once everything is kept. */
async function kept(): Promise<Brand> {
  await ida.page.waitForFunction(() => /^(Kept|All kept)/.test(document.querySelector('[data-testid=kept]')?.textContent ?? ''));
  return (await (await Visitor.demo(server, 'ida')).send('GET', '/api/brands/quillhaven')).body.brand as Brand;
}
const tokenOf = async (path: string): Promise<Token | undefined> => (await kept()).tokens.find((token) => token.path === path);
const view = async (label: string) => (await ida.find(`::-p-xpath(//button[@role="tab"][starts-with(., "${label}")])`)).click();
/** Where in the strand a colour of a palette lies. */
async function ribbon(palette: string, at: number, of: number) {
  const box = (await (await ida.find(`[data-palette="${palette}"] i`)).boundingBox())!;
  return { x: box.x + (box.width * (at + 0.5)) / of, y: box.y + box.height / 2 };
}
async function middle(of: ElementHandle<Element>) {
  const box = (await of.boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}
const rowShows = (token: string, words: string) =>
  ida.page.waitForFunction(
    (path, wanted) => document.querySelector(`[data-token="${path}"]`)?.textContent?.includes(wanted),
    {},
    token,
    words,
  );
const undo = () => ida.keys('Control', 'z');
const filter = async (text: string) => {
  await ida.fill('Filter tokens', text, false);
  if (text === '') await ida.keys('Backspace');
  await ida.page.waitForFunction(
    (wanted) => [...document.querySelectorAll('[data-token]')].every((row) => row.getAttribute('data-token')!.includes(wanted)),
    {},
    text.split(' ')[0]!,
  );
};
/** Moves a slider by keys, as its own arrows do. */
async function slide(label: string, key: 'ArrowRight' | 'ArrowLeft', times: number) {
  await (await ida.find(`main input[type=range][aria-label="${label}"]`)).focus();
  for (let at = 0; at < times; at++) await ida.keys(key);
}

test('a swatch of the strand is dropped on a cell, and on several chosen ones', async () => {
  await ida.drag(await ribbon('core', 4, 8), await ida.cell('surface.sunken', 'Day'));
  await rowShows('surface.sunken', 'Lamp');
  expect((await tokenOf('surface.sunken'))!.values.day).toEqual({ swatch: 'core-lamp' });
  await (await ida.cell('surface.page', 'Dusk')).click();
  await ida.keys('Shift', 'ArrowDown');
  await ida.sees('2 chosen in Dusk');
  await ida.drag(await ribbon('core', 3, 8), await ida.cell('surface.panel', 'Dusk'));
  await rowShows('surface.page', 'Keel');
  expect((await tokenOf('surface.panel'))!.values.dusk).toEqual({ swatch: 'core-keel' });
  await undo();
  await undo();
  await rowShows('surface.sunken', 'Mist');
});

test('the table by keys: chosen, set at once, filled down, pasted, unlinked and linked, cleared, one undo each', async () => {
  await filter('status.');
  await (await ida.cell('status.alert', 'Day')).click();
  for (let at = 0; at < 2; at++) await ida.keys('Shift', 'ArrowDown');
  await ida.fill('Value for the 3 chosen', 'Shoal', false);
  await (await ida.find('[role=option] ::-p-text(Quillhaven core / Shoal)')).click();
  await rowShows('status.delayed', 'Shoal');
  // The keys are the table's again.
  await ida.page.waitForFunction(() => document.activeElement?.getAttribute('role') === 'treegrid');
  await undo();
  await rowShows('status.delayed', 'Lamp');
  await ida.keys('Control', 'd');
  await rowShows('status.delayed', 'Buoy');
  await undo();
  await ida.paste('#102030\nMill Quay\n{brand.primary}\n');
  await rowShows('status.alert', '#102030');
  await rowShows('status.on-time', 'Mill Quay');
  await rowShows('status.delayed', 'brand.primary');
  await ida.keys('u');
  await rowShows('status.delayed', '#006871');
  await ida.keys('l');
  await rowShows('status.delayed', 'Harbour');
  await ida.keys('Delete');
  await rowShows('status.delayed', 'no colour');
  await ida.sees('without colour');
  for (let at = 0; at < 4; at++) await undo();
  await rowShows('status.delayed', 'Lamp');
  expect((await kept()).tokens).toEqual(demo.tokens);
  await filter('');
});

test('a theme for the night is derived, one value overridden, and the override outlives deriving again', async () => {
  await view('Themes');
  await ida.click('Night');
  await ida.fill('Name of the new theme', 'Engine room', false);
  await ida.find('[data-sheet="Engine room"]');
  await ida.sees('Every text can be read as well as in Day, up to 7:1.');
  await ida.click('Apply');
  await view('Tokens');
  await ida.sees('159 tokens in 5 themes');
  const made = (await kept()).themes.at(-1)!;
  expect(made).toMatchObject({ name: 'Engine room', derived: { from: 'day', recipe: { flip: true } } });
  const cell = await ida.cell('surface.panel', 'Engine room');
  await cell.click();
  await ida.keys('Enter');
  await (await ida.find('input[aria-label="surface.panel in Engine room"]')).type('#201008');
  await (await ida.find('[role=option] ::-p-text(#201008)')).click();
  await rowShows('surface.panel', '#201008');
  const before = (await kept()).tokens;
  await view('Themes');
  await ida.click('Engine room again');
  await slide('Lightest', 'ArrowRight', 8);
  await ida.sees('1 given by hand stays as it is.');
  await ida.click('Apply');
  const after = (await kept()).tokens;
  const value = (tokens: Brand['tokens'], path: string) => tokens.find((token) => token.path === path)!.values[made.id];
  expect(value(after, 'surface.panel')).toEqual({ colour: '#201008' });
  expect(value(after, 'text.default')).not.toEqual(value(before, 'text.default'));
  await view('Tokens');
  await ida.menu('Theme Engine room', 'Delete Engine room');
  await ida.sees('159 tokens in 4 themes');
});

test('half of a changed token file is taken, the other half is left', async () => {
  const json = JSON.parse(unmarked(markedTokenText(demo, demo.themes[0]!)).text) as Record<
    string,
    Record<string, Record<string, unknown>>
  >;
  json.status!.alert!.$value = { colorSpace: 'srgb', components: [0.8, 0.2, 0.2], hex: '#cc3333' };
  json.brand!.accent!.$value = { colorSpace: 'oklch', components: [0.8, 0.1, 'none'] };
  json.text!['soft-label'] = json.text!.soft!;
  delete json.text!.soft;
  json.text!.extra = { $type: 'color', $value: '{brand.primary}' };
  json.space = { small: { $type: 'dimension', $value: { value: 4, unit: 'px' } } };
  const path = join(folder, 'day.tokens.json');
  writeFileSync(path, JSON.stringify(json));
  await view('Files');
  const chooser = ida.page.waitForFileChooser();
  await ida.click('Open token files…');
  await (await chooser).accept([path]);
  await ida.find('[data-change="changed status.alert"]');
  expect((await ida.texts('[data-change]')).map((text) => text.split(' ')[0])).toEqual([
    'text.extra',
    'brand.accent',
    'status.alert',
    'text.soft-label',
  ]);
  expect((await ida.texts('[data-change="changed status.alert"]'))[0]).toMatch(/ΔE \d\.\d/);
  for (const left of ['brand.accent', 'text.extra']) await (await ida.find(`input[aria-label="Take ${left}"]`)).click();
  await ida.click('Take 2 of 4');
  await ida.sees('done, and one undo away');
  const brand = await kept();
  const byPath = (path: string) => brand.tokens.find((token) => token.path === path);
  expect(byPath('status.alert')!.values.day).toEqual({ colour: '#cc3333' });
  expect(byPath('text.soft-label')!.id).toBe('t-text-soft');
  expect(byPath('brand.accent')!.values.day).toEqual({ swatch: 'core-lamp' });
  expect(byPath('text.extra')).toBeUndefined();
  expect(brand.carried).toHaveLength(1);
  await ida.blur();
  await undo();
  expect((await kept()).tokens).toEqual(demo.tokens);
});

test('states are added by rule, tuned, pinned in one theme and given back to the rule', async () => {
  await view('States');
  await ida.fill('Token at rest', 'brand.second', false);
  await (await ida.find('[role=option] ::-p-text(brand.second)')).click();
  await ida.click('Add states');
  await (await ida.find('button[aria-label="brand.second.hover in Dusk"]')).click();
  await slide('Lightness, away from the surface', 'ArrowRight', 10);
  await ida.click('Apply');
  expect((await tokenOf('brand.second.hover'))!.rule).toMatchObject({ state: 'hover', of: 't-brand-second', step: 0.16 });
  await ida.click('Pin in Dusk');
  await ida.find('button[aria-label="brand.second.hover in Dusk, pinned"]');
  expect(Object.keys((await tokenOf('brand.second.hover'))!.values)).toEqual(['dusk']);
  await ida.click('By rule in Dusk');
  expect((await tokenOf('brand.second.hover'))!.values).toEqual({});
  for (let at = 0; at < 4; at++) await undo();
  expect((await kept()).tokens).toEqual(demo.tokens);
});

test('values of the data come in by CSV, are pinned, and have the same colour in a chart', async () => {
  await view('Data values');
  await ida.sees('3 of 11 values have no colour');
  const csv = join(folder, 'routes.csv');
  writeFileSync(csv, 'value,token\nQuarry Steps,fare.group\nReed Bank\n');
  const chooser = ida.page.waitForFileChooser();
  await ida.click('Bring in CSV…');
  await (await chooser).accept([csv]);
  // The file is looked at first: which column, with or without its heading.
  await ida.sees('2 different values');
  expect(await ida.page.$$eval('[role=dialog] select', (lists) => lists.map((list) => list.selectedOptions[0]!.text))).toEqual([
    'value',
    'token',
  ]);
  await ida.click('Bring in 2 values');
  await ida.find('[data-value="Reed Bank"]');
  expect((await kept()).fields[0]!.values.slice(8)).toEqual([
    { text: 'Quarry Steps', token: 't-fare-group' },
    { text: 'Low Light' },
    { text: 'Gannet Head' },
    { text: 'Reed Bank' },
  ]);
  await (await ida.find('[data-value="Mill Quay"] button[aria-pressed]')).click();
  await ida.find('[data-value="Mill Quay"][data-pinned=true]');
  await undo();
  await undo();
  // The lack is mended where it is told, in one step.
  await ida.click('Extend to 11…');
  await (await ida.find('[role=dialog] button:not([disabled])::-p-text(Extend to 11)')).click();
  await ida.sees('All 11 values have a colour of their own.');
  const extended = await kept();
  expect(extended.tokens.slice(-3).map(({ path, values }) => [path, Object.keys(values).length])).toEqual([
    ['route.quarry-steps', 4],
    ['route.low-light', 4],
    ['route.gannet-head', 4],
  ]);
  await undo();
  expect((await kept()).fields).toEqual(demo.fields);
});

test('names are checked against a convention and mended at once', async () => {
  await view('Tidy');
  await ida.click('camel');
  await ida.sees('text.on-header is written text.onHeader in the convention chosen.');
  await ida.click('Rename all');
  await ida.page.waitForFunction(() => !document.body.innerText.includes('Not in the naming convention'));
  expect(await tokenOf('text.onHeader')).toBeDefined();
  expect((await kept()).destinations[0]!.options).toMatchObject({ scale: 'seaState' });
  await undo();
  await undo();
  await view('Tokens');
});

test('what is deleted for good measure is asked for by what it is, and kept by a press', async () => {
  const before = await kept();
  await view('Tidy');
  const all = await ida.find('::-p-xpath(//main//section//button[starts-with(., "Delete all")])');
  await all.click();
  const dialog = await ida.find('[role=alertdialog]');
  const words = await dialog.evaluate((shown) => (shown as HTMLElement).innerText);
  expect(words).toMatch(/^Delete \d+ .*\?[\s\S]*One undo brings all of them back\./);
  await ida.click('Keep them');
  await ida.page.waitForFunction(() => !document.querySelector('[role=alertdialog]'));
  expect((await kept()).palettes).toEqual(before.palettes);
  await view('Tokens');
});

test('a group renamed by Enter is renamed, and nothing else is said; signs before a value are explained', async () => {
  await ida.page.locator('[data-grip="group:border"]').click({ count: 2 });
  const field = await ida.find('input[aria-label="Path of border"]');
  await field.click({ count: 3 });
  await field.type('edge');
  await ida.keys('Enter');
  await ida.find('[data-grip="group:edge"]');
  await ida.settled();
  expect(
    await ida.page.$$eval('[role=status] [data-part=title], [data-scope=toast] [data-part=title]', (told) => told.length),
  ).toBe(0);
  await undo();
  expect((await kept()).tokens).toEqual(demo.tokens);
  const cell = await ida.cell('border.default', 'Dusk');
  expect(await cell.evaluate((element) => (element as HTMLElement).title)).toMatch(/^its own colour, derived: #/);
  const legend = await ida.page.$eval('p[class*=legend]', ({ textContent }) => textContent);
  for (const words of ['▪ swatch', '→ another token', '= its own colour', '∿ by rule', '~ derived'])
    expect(legend).toContain(words);
});

test('tokens are added one after another from the keyboard, by aliases in braces, and many by pasting two columns', async () => {
  const NEW = 'Path of the new token';
  const before = (await kept()).tokens.length;
  const focused = () => ida.page.evaluate(() => (document.activeElement as HTMLInputElement).getAttribute('aria-label'));
  const typed = () => ida.page.$eval(`input[aria-label="${NEW}"]`, (field) => (field as HTMLInputElement).value);
  const told = () => ida.page.$$eval('form [role=alert] p', (lines) => lines.map(({ textContent }) => textContent));
  await ida.fill(NEW, 'pier.first', false);
  await ida.keys('Tab');
  await ida.page.keyboard.type('keel');
  await ida.find('[role=option] ::-p-text(Quillhaven core / Keel)');
  await ida.keys('Enter');
  await ida.page.waitForFunction(
    () => document.querySelector('input[aria-label="Path of the new token"]') === document.activeElement,
  );
  expect([await focused(), await typed()]).toEqual([NEW, 'pier.']);
  // The path goes on where the group ends, and brings its value along.
  await ida.page.keyboard.type('second {pier.');
  await ida.keys('Enter');
  await ida.page.waitForSelector('form [role=alert]');
  expect(await told()).toEqual(['pier.second: “{pier.” is neither a swatch, nor a token, nor a colour.']);
  await ida.page.keyboard.type('first}');
  await ida.keys('Enter');
  await ida.page.waitForFunction(() => !document.querySelector('form [role=alert]'));
  expect([await focused(), await typed()]).toEqual([NEW, 'pier.']);
  await ida.paste('pier.third\t#123456\npier.fourth\tpier.third\npier.first\tred');
  await ida.page.waitForSelector('form [role=alert]');
  expect(await told()).toEqual(['pier.first is there already.']);
  const { tokens } = await kept();
  expect(tokens).toHaveLength(before + 4);
  const id = (path: string) => tokens.find((token) => token.path === path)!.id;
  expect(tokens.slice(-3).map(({ path, values }) => [path, values.day])).toEqual([
    ['pier.second', { token: id('pier.first') }],
    ['pier.third', { colour: '#123456' }],
    ['pier.fourth', { token: id('pier.third') }],
  ]);
  await ida.blur();
  for (let left = 3; left > 0; left--) await ida.keys('Control', 'z');
  await ida.page.waitForFunction(() => !document.querySelector('[data-token="pier.first"]'));
});

test('a tree from nothing: dragged, completed, renamed with its aliases following, unlinked', async () => {
  await (await ida.find('[role=treegrid]')).focus();
  await ida.keys('ArrowDown');
  await ida.keys('Control', 'a');
  await ida.sees('159 chosen');
  await ida.keys('Delete');
  await ida.sees('Tokens are named here');
  await ida.drag(await ribbon('core', 2, 8), await ida.find('[data-first]'));
  // By its path, as a token of a group.
  await (await ida.find('[data-token=foam] [role=rowheader]')).click();
  await ida.keys('F2');
  await ida.fill('Path of foam', 'surface.page');
  await ida.find('[data-token="surface.page"]');
  await ida.drag(await ribbon('core', 7, 8), await ida.find('[data-group=surface] [role=gridcell]'));
  await ida.find('[data-token="surface.mist"]');
  await ida.fill('Path of the new token', 'text.default', false);
  await ida.fill('Value of the new token', 'keel', false);
  await (await ida.find('[role=option] ::-p-text(Quillhaven core / Keel)')).click();
  await ida.find('[data-token="text.default"]');
  const cell = await ida.cell('text.default', 'Dusk');
  await cell.click();
  await cell.click();
  await (await ida.find('input[aria-label="text.default in Dusk"]')).type('surf pag');
  await ida.page.waitForFunction(() => document.querySelectorAll('[role=option]').length === 1);
  await ida.keys('Enter');
  await rowShows('text.default', 'surface.page');
  // The group is renamed, then its token moved out of it by its grip; the alias follows both.
  await (await ida.find('[data-group=surface] [data-grip]')).click({ count: 2 });
  await ida.fill('Path of surface', 'ground');
  await rowShows('text.default', 'ground.page');
  await (await ida.find('[data-token="ground.page"]')).hover();
  await ida.drag(
    await middle(await ida.find('[data-token="ground.page"] i[data-grip]')),
    await ida.find('[data-group=text] [role=gridcell]'),
  );
  await rowShows('text.default', 'text.page');
  await (await ida.cell('text.default', 'Dusk')).click();
  await ida.keys('u');
  await rowShows('text.default', '#ddf0ee');
  const { tokens } = await kept();
  expect(tokens.map(({ path }) => path).sort()).toEqual(['ground.mist', 'text.default', 'text.page']);
  expect(tokens.find(({ path }) => path === 'text.default')!.values).toMatchObject({
    day: { swatch: 'core-keel' },
    dusk: { colour: '#ddf0ee' },
  });
});

test('a scaffold fills the rest, each guess with its reason and changeable', async () => {
  await view('Scaffolds');
  await ida.sees('Foam of Quillhaven core is the nearest to a pale ground.');
  const change = await ida.find('::-p-xpath(//li[@data-guess="status.bad"]//button[.="Change"])');
  await change.click();
  await (await ida.find('input[aria-label="Value of status.bad"]')).type('rust');
  await (await ida.find('[role=option] ::-p-text(Trainer 16 / Rust)')).click();
  await ida.sees('Chosen by you.');
  await (await ida.find('input[aria-label="Take status.note"]')).click();
  await ida.click('Add 3');
  await ida.find('[role=treegrid]');
  expect((await tokenOf('status.bad'))!.values.night).toEqual({ swatch: 'trainer-rust' });
  expect(await tokenOf('status.note')).toBeUndefined();
  expect((await tokenOf('accent.primary.hover'))!.rule).toMatchObject({ state: 'hover' });
});
