/**
 * Measures what people feel: how long the main thread works on each frame while a slider is dragged over a palette with
 * live previews. Prints the table that stands in docs/performance.md. Times depend on the machine; a control of the same
 * run (moving the mouse over nothing) is there to compare with.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import sharp from 'sharp';
import { atMost } from './bench-aims';
import { onPage, quantile } from './bench-page';
import { photograph } from '../tests/photograph';
import { frameTimes, longestTask } from './frame-times';

const MOVES = 240;
const WIDE = 'Bench 128';

const demo = JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')) as { palettes: object[] };
const swatches = Array.from({ length: 128 }, (_, at) => ({
  id: `w${at}`,
  name: `Wave ${at + 1}`,
  value: `oklch(${(0.25 + (at % 16) * 0.042).toFixed(3)} 0.09 ${at * 2.8})`,
  locked: false,
}));
demo.palettes.push({ id: 'wide', name: WIDE, kind: 'loose', swatches });
const LINES = 17;
const MARKS = 2_000;
const lines = Array.from({ length: LINES }, (_, at) => ({ ...swatches[at * 7]!, id: `l${at}`, name: `Line ${at + 1}` }));
demo.palettes.push({ id: 'lines', name: 'Bench lines', kind: 'categorical', swatches: lines });
await onPage(demo, async (page, folder) => {
  await page.waitForSelector('[data-swatch]');
  const rows: string[] = [];
  for (const name of ['Trainer 16', WIDE]) {
    await page.locator(`::-p-xpath(//nav//button[contains(., "${name}")])`).click();
    await page.waitForFunction((title) => document.querySelector<HTMLInputElement>('h1 input')?.value === title, {}, name);
    await (await page.$$('[data-swatch]'))[3]!.click();
    const idle = await frameTimes(page, MOVES, (at) => page.mouse.move(650 + (at % 60), 790));
    const control = quantile(idle, 0.5).toFixed(1);
    for (const tool of ['Tune', 'Adjust']) {
      await page.locator(`::-p-xpath(//button[@role="tab"][.="${tool}"])`).click();
      const busy = await dragged(page, `section[aria-label=${tool}] input[type=range]`);
      const what = tool === 'Tune' ? 'one swatch tuned' : 'all adjusted';
      const figures = [0.5, 0.95, 1].map((share) => quantile(busy, share));
      rows.push(`| ${name}, ${what} | ${busy.length} | ${figures.map((ms) => ms.toFixed(1)).join(' | ')} | ${control} |`);
      if (name !== WIDE) continue;
      atMost(16, 'ms', `a slider over 128 swatches, ${what}: a frame, median`, figures[0]!);
      atMost(33, 'ms', `a slider over 128 swatches, ${what}: a frame, 95th percentile`, figures[1]!);
      atMost(50, 'ms', `a slider over 128 swatches, ${what}: the worst frame`, figures[2]!);
    }
    await page.locator('::-p-xpath(//button[@role="tab"][.="Tune"])').click();
  }
  rows.push(await charts(page, folder));
  const large = join(folder, 'photograph.jpg');
  const { data, width, height } = photograph(4_000, 3_000);
  await sharp(data, { raw: { width, height, channels: 4 } })
    .jpeg({ quality: 90 })
    .toFile(large);
  await page.locator('::-p-xpath(//nav[@aria-label="Stages"]//a[contains(., "Gather")])').click();
  const input = (await page.waitForSelector('[data-testid=files]')) as ElementHandle<HTMLInputElement>;
  const found = () => page.waitForFunction(() => document.body.innerText.includes('8 in the catch'), { timeout: 60_000 });
  // A first picture, so that drawing the panel for the first time is not taken for work on the large one.
  await input.uploadFile('demo/gather/harbour-at-dusk.jpg');
  await found();
  await page.locator('::-p-xpath(//button[contains(., "Empty the catch")])').click();
  let took = 0;
  const longest = await longestTask(page, async () => {
    const started = performance.now();
    await input.uploadFile(large);
    await found();
    took = performance.now() - started;
  });
  process.stdout.write(
    `A photograph of 12 megapixels in the page: ${(took / 1000).toFixed(1)} s from upload to catch; the longest task of the main thread ${longest.toFixed(0)} ms.\n`,
  );
  process.stdout.write(
    `\n| palette | frames | median, ms | 95th percentile, ms | worst, ms | control: mouse over nothing, median ms |\n|---|---|---|---|---|---|\n${rows.join('\n')}\n`,
  );
});

/** All charts of categories, of as many rows as they draw marks, while the lightness of one category is dragged. */
async function charts(page: Page, folder: string): Promise<string> {
  const csv = join(folder, 'rows.csv');
  const cells = Array.from(
    { length: MARKS },
    (_, at) => `Line ${(at % LINES) + 1},2026-${String((at % 12) + 1).padStart(2, '0')},${(at * 37) % 101},${(at * 53) % 97}`,
  );
  writeFileSync(csv, `Line,Month,Amount,Other\n${cells.join('\n')}\n`);
  await page.locator('::-p-xpath(//nav[@aria-label="Stages"]//a[contains(., "Prove")])').click();
  await page.locator('::-p-xpath(//button[@role="tab"][.="Charts"])').click();
  const input = (await page.waitForSelector('[data-testid=chart-data]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(csv);
  await page.waitForSelector('li[data-category="Line 17"]');
  await page.select('select[aria-label="Colours of"]', 'lines');
  await page.waitForFunction(
    (marks) =>
      [...document.querySelectorAll('[data-chart=Scatter] [data-mark]')].reduce(
        (sum, path) => sum + path.getAttribute('d')!.split('M').length - 1,
        0,
      ) === marks,
    {},
    MARKS,
  );
  await page.locator('li[data-category="Line 3"] button').click();
  const idle = await frameTimes(page, MOVES, (at) => page.mouse.move(650 + (at % 60), 790));
  const busy = await dragged(page, 'li[data-category] input[type=range]');
  const figures = [0.5, 0.95, 1].map((share) => quantile(busy, share));
  atMost(33, 'ms', `charts of ${LINES} categories and ${MARKS} marks, a colour dragged: a frame, 95th percentile`, figures[1]!);
  await page.mouse.move(650, 790);
  return `| five charts, ${LINES} categories, ${MARKS.toLocaleString('en')} marks | ${busy.length} | ${figures.map((ms) => ms.toFixed(1)).join(' | ')} | ${quantile(idle, 0.5).toFixed(1)} |`;
}

/** Frame times while the first slider found is dragged to and fro. */
async function dragged(page: Page, slider: string): Promise<number[]> {
  const found = (await page.waitForSelector(slider, { visible: true }))!;
  await found.evaluate((element) => element.scrollIntoView({ block: 'center' }));
  const box = (await found.boundingBox())!;
  const [x, y, reach] = [box.x + box.width / 2, box.y + box.height / 2, Math.min(140, box.width / 2 - 8)];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const times = await frameTimes(page, MOVES, (at) => page.mouse.move(x + reach * Math.sin(at / 12), y));
  await page.mouse.up();
  return times;
}
