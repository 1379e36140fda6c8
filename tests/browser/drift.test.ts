/** Drift with mouse and files: a planted wrong colour among delivered files is found in a second, and put right. */
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser } from 'puppeteer-core';
import { Brand } from '@/core/brand/document/document';
import { writeDestination } from '@/core/formats/registry';
import { zipFile } from '../zip-file';
import { startTestServer, type TestServer } from '../test-server';
import { arrived, launch, Person } from './browser';

const brand = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
const folder = mkdtempSync(join(tmpdir(), 'breakwater-drift-'));
const downloads = mkdtempSync(join(tmpdir(), 'breakwater-drift-down-'));
const [sheet] = writeDestination(
  brand,
  brand.destinations.find(({ format }) => format === 'css')!,
).files;
const [chart] = writeDestination(
  brand,
  brand.destinations.find(({ format }) => format === 'echarts')!,
).files;
const text = new TextDecoder().decode(sheet!.bytes);
const put = (name: string, bytes: string | Uint8Array) => {
  const path = join(folder, name);
  writeFileSync(path, bytes);
  return path;
};

let server: TestServer;
let browser: Browser;
let ida: Person;
beforeAll(async () => {
  server = await startTestServer('drift');
  browser = await launch();
  ida = await Person.enter(browser, server, 'Ida');
  const session = await ida.page.createCDPSession();
  await session.send('Browser.setDownloadBehavior', {
    behavior: 'allow',
    downloadPath: downloads,
    browserContextId: ida.page.browserContext().id!,
  });
  await ida.stage('Watch');
  await ida.click('Delivered files');
  await ida.sees('Hand in what they use');
});
afterAll(async () => {
  await browser.close();
  await server.close();
  expect(ida.errors).toEqual([]);
});

const hand = async (...paths: string[]) => {
  const input = (await ida.page.waitForSelector('[data-testid=delivered]')) as unknown as {
    uploadFile(...paths: string[]): Promise<void>;
  };
  await ida.settled();
  await input.uploadFile(...paths);
};

test('the one that was pasted wrong is found among delivered files, and the corrected file has every other byte as it was', async () => {
  const theirs = `/* kept by the site team */\r\n${text.replace('surface-header: #006871', 'surface-header: #016a74').replaceAll('\n', '\r\n')}`;
  await hand(put('site.css', theirs), put('charts.json', chart!.bytes), put('README.txt', 'No colours.'));
  await ida.sees('1 of 2 have drifted; 1 more hold no colours');
  const row = await ida.page.waitForSelector('section[aria-label="site.css"] tbody tr');
  expect((await row!.evaluate((element) => (element as HTMLElement).innerText)).split(/\s+/)).toEqual(
    expect.arrayContaining(['surface.header,', 'Day', '#006871', '#016a74']),
  );
  await ida.click('Corrected file');
  expect((await arrived(downloads, 'site.css')).toString()).toBe(theirs.replace('#016a74', '#006871'));
});

test('a found value is taken back into the brand, in one step, and compared anew; what is locked stays', async () => {
  await ida.click('Take it into the brand');
  await ida.sees('Harbour is locked');
  const lamp = async () => {
    const { brand: now } = await ida.page.evaluate(
      async () => (await (await fetch('/api/brands/quillhaven')).json()) as { brand: Brand },
    );
    return now.palettes[0]!.swatches.find(({ id }) => id === 'core-lamp')!.value;
  };
  const { value } = brand.palettes[0]!.swatches.find(({ id }) => id === 'core-lamp')!;
  await hand(put('accent.css', text.replace(`accent: ${value}`, 'accent: #f1bc3c')));
  await ida.page.waitForSelector('section[aria-label="accent.css"] tbody tr');
  await ida.click('Take it into the brand');
  await ida.page.waitForFunction(
    () => !document.querySelector('section[aria-label="accent.css"] tbody')?.textContent?.includes('brand.accent, Day'),
  );
  expect(await lamp()).toBe('#f1bc3c');
  await ida.blur();
  await ida.keys('Control', 'z');
  await ida.page.waitForFunction(() =>
    document.querySelector('section[aria-label="accent.css"] tbody')?.textContent?.includes('brand.accent, Day'),
  );
});

test('a zip, a graft, and a file of somebody else’s', async () => {
  const console_ = readFileSync('demo/hosts/console.ini', 'utf8');
  await hand(
    put(
      'delivery.zip',
      zipFile({
        'site/style.css': sheet!.bytes,
        'office/console.ini': new TextEncoder().encode(console_),
        'theirs.json': new TextEncoder().encode('{"ink": "#006872"}'),
      }),
    ),
  );
  await ida.sees('2 of 3 have drifted');
  await ida.click('console.ini');
  await ida.sees('Recognised as graft');
  await ida.click('theirs.json');
  await ida.sees('A file of somebody’s own');
});

test('what cannot be compared is said, and nothing breaks', async () => {
  await hand(put('half.zip', Uint8Array.of(0x50, 0x4b, 3, 4, 9, 9)));
  await ida.sees('this zip is damaged or empty; pack it again.');
  await hand(put('words.txt', 'Nothing but words.'));
  await ida.sees('There is no colour in these files');
});
