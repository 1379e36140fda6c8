/** Grafts with mouse and keyboard: the harbour office's planner gets the brand's colours, and keeps everything else. */
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser } from 'puppeteer-core';
import { startTestServer, type TestServer } from '../test-server';
import { arrived, launch, Person } from './browser';

const PLANNER = 'demo/hosts/berth-planner.xml';
const host = readFileSync(PLANNER, 'utf8');
const folder = mkdtempSync(join(tmpdir(), 'breakwater-graft-'));
let server: TestServer;
let browser: Browser;
let ida: Person;
beforeAll(async () => {
  server = await startTestServer('graft');
  browser = await launch();
  ida = await Person.enter(browser, server, 'Ida');
  const session = await ida.page.createCDPSession();
  await session.send('Browser.setDownloadBehavior', {
    behavior: 'allow',
    downloadPath: folder,
    browserContextId: ida.page.browserContext().id!,
  });
  await ida.stage('Ship');
});
afterAll(async () => {
  await browser.close();
  await server.close();
  expect(ida.errors).toEqual([]);
});

const upload = async (testId: string, path: string) => {
  const input = (await ida.page.waitForSelector(`[data-testid=${testId}]`)) as unknown as {
    uploadFile(path: string): Promise<void>;
  };
  await ida.settled();
  await input.uploadFile(path);
};
/** Waits for what is said of the graft: how many slots are bound. */
const bound = (words: string) => ida.sees(words);
/** What stands in a slot's row, by its line in the host. */
const row = (line: number) => ida.find(`::-p-xpath(//*[@data-slot][span[1]="${line}"])`);
/** Where in the strand a colour of a palette lies. */
const inStrand = async (palette: string, at: number, of: number) => {
  const box = (await (await ida.find(`::-p-xpath(//nav[@aria-label="Palettes"]//button[span="${palette}"]/i)`)).boundingBox())!;
  return { x: box.x + (box.width * (at + 0.5)) / of, y: box.y + box.height / 2 };
};

test('a settings file is taken in as it is, and every colour of it is a slot with a patch', async () => {
  await upload('hosts', PLANNER);
  await bound('0 of 35 slots bound');
  await ida.sees('states › state › @fill');
  await ida.page.waitForFunction(
    () => document.querySelectorAll('[aria-label="Contents of berth-planner.xml"] .cm-code').length > 3,
  );
});

test('what is sure is bound at one press, a run takes a palette, a swatch is dropped on a slot; all of it is undone and done again', async () => {
  await ida.click('Bind the');
  await ida.page.waitForFunction(() => /\d\d of 35 slots bound/.test(document.body.innerText));
  const select = await ida.find('select[aria-label="Palette for states › state › @fill"]');
  await select.select('deck');
  await ida.sees('Deck paint / Red lead');
  await ida.keys('Control', 'z');
  await ida.page.waitForFunction(() => !document.body.innerText.includes('Deck paint / Red lead'));
  await ida.drag(await inStrand('Quillhaven core', 5, 8), await row(49));
  await ida.page.waitForFunction(() =>
    /Quillhaven core \/ Buoy/.test(document.querySelector('[data-slot="4"]')?.textContent ?? ''),
  );
});

test('what would be written differs from the host in the bound literals and in nothing else', async () => {
  await ida.click('What changes');
  await ida.page.waitForSelector('[aria-label="Changes of berth-planner.xml"] .cm-deletedChunk');
  await ida.click('Slots');
  await ida.page.locator('::-p-xpath(//section[@aria-label="berth-planner.xml"]//button[.="Download"])').click();
  const written = (await arrived(folder, 'berth-planner.xml')).toString();
  expect(/border="[^"]*"/.exec(written)![0]).toBe('border="#DA452C"');
  expect(written).not.toBe(host);
  const blank = (text: string) => text.replace(/#[0-9A-F]{6}(?=")|tint="\d+, \d+, \d+"/g, '·');
  expect(blank(written)).toBe(blank(host));
});

test('a newer host is bound again: what stays, what is lost and what is new is said first', async () => {
  const newer = host
    .replace('    <legend position="right" border="#888888"/>\r\n', '')
    .replace('  <states>', '  <frame edge="#445566"/>\r\n  <states>')
    .replace('refresh="30"', 'refresh="60"');
  const path = join(folder, 'newer.xml');
  writeFileSync(path, newer);
  await upload('newer-host', path);
  await ida.sees('Lost: their slots are not there any more');
  await ida.sees('/planner[1]/chart[1]/legend[1]/@border');
  await ida.sees('/planner[1]/frame[1]/@edge');
  await ida.click('Take it');
  await ida.page.waitForFunction(() => !document.querySelector('[role=dialog]'));
  await ida.page.waitForFunction(() => document.querySelector('[data-slot="4"]')?.textContent?.includes('#445566'));
});

test('each release writes it by itself', async () => {
  await ida.click('Release…');
  await ida.sees('office/console.ini');
  await ida.sees('berth-planner.xml');
  await ida.click('Make release 1');
  await ida.page.waitForSelector('main[data-stage=watch]');
  const released = await ida.page.evaluate(async () => (await fetch('/deliver/quillhaven/1/berth-planner.xml')).text());
  expect(released).toContain('refresh="60"');
  expect(released).toContain('colour="#E7F5F8"');
  expect(released.match(/<setting /g)).toHaveLength(42);
});

test('what can be no host is refused with a sentence', async () => {
  await ida.stage('Ship');
  const path = join(folder, 'none.txt');
  writeFileSync(path, 'Nothing here has a colour.');
  await upload('hosts', path);
  await ida.sees('none.txt holds no colour that could be replaced.');
  await upload('hosts', 'demo/gather/sea-state.aco');
  await ida.sees('sea-state.aco is no text; a host is a text file such as XML, JSON, INI or a style sheet.');
});
