/**
 * What a browser fetches before a brand's page is shown: its scripts up to the load event, as they come over the wire.
 * What the page fetches afterwards, when it rests, does not count. Prints the lines that stand in docs/performance.md.
 */
import { readFileSync } from 'node:fs';
import type { Page } from 'puppeteer-core';
import { atMost } from './bench-aims';
import { onPage, quantile } from './bench-page';

/** So often the page goes from one stage to another, and is opened. */
const SWITCHES = 60;
const OPENINGS = 7;

await onPage(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')), async (page) => {
  await page.setCacheEnabled(false);
  const path = new URL(page.url()).pathname.replace(/[^/]*$/, '');
  for (const stage of ['mix', 'ship']) {
    await page.goto(`${new URL(page.url()).origin}${path}${stage}`, { waitUntil: 'load' });
    const scripts = await page.evaluate(() => {
      const [{ loadEventStart }] = performance.getEntriesByType('navigation') as [PerformanceNavigationTiming];
      const fetched = performance.getEntriesByType('resource') as PerformanceResourceTiming[];
      return fetched
        .filter(({ name, startTime }) => name.endsWith('.js') && startTime < loadEventStart)
        .map(({ encodedBodySize }) => encodedBodySize);
    });
    const kilobytes = scripts.reduce((sum, script) => sum + script, 0) / 1024;
    if (stage === 'mix') atMost(600, 'KB', 'scripts before Mix can be used', kilobytes);
    process.stdout.write(`First load of ${stage}: ${Math.round(kilobytes)} KB in ${scripts.length} scripts.\n`);
  }
  await page.setCacheEnabled(true);
  const opened: number[] = [];
  for (let round = 0; round < OPENINGS; round++) {
    const started = performance.now();
    await page.goto(`${new URL(page.url()).origin}${path}mix`);
    // What the server drew answers nobody before React has its hands on it.
    await page.waitForFunction(() =>
      Object.keys(document.querySelector('[data-swatch]') ?? {}).some((key) => key.startsWith('__reactProps')),
    );
    opened.push(performance.now() - started);
  }
  atMost(1_700, 'ms', 'Mix opened anew, until its swatches answer: median', quantile(opened, 0.5));
  process.stdout.write(`Mix opened anew: median ${quantile(opened, 0.5).toFixed(0)} ms.\n`);
  const switched: number[] = [];
  for (let round = -6; round < SWITCHES; round++) {
    const took = await switchTo(
      page,
      ['gather', 'mix', 'name', 'prove', 'ship', 'watch'][(round + 6) % 6]!,
      ((round + 6) % 6) + 1,
    );
    // Each stage is fetched the first time.
    if (round >= 0) switched.push(took);
  }
  atMost(150, 'ms', 'from one stage to another: median', quantile(switched, 0.5));
  process.stdout.write(
    `From one stage to another: median ${quantile(switched, 0.5).toFixed(0)} ms, longest ${Math.max(...switched).toFixed(0)} ms.\n`,
  );
});

/** Milliseconds from the key of a stage until it is painted. */
function switchTo(page: Page, stage: string, key: number): Promise<number> {
  return page.evaluate(
    (wanted, pressed) =>
      new Promise<number>((resolve) => {
        const started = performance.now();
        new MutationObserver((_changes, observer) => {
          if (document.querySelector(`main[data-stage=${wanted}] > :nth-child(1)`) === null) return;
          observer.disconnect();
          requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - started)));
        }).observe(document.body, { subtree: true, childList: true, attributes: true });
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: String(pressed), bubbles: true }));
      }),
    stage,
    key,
  );
}
