/**
 * Files made to take endless time or memory. Each is given to the command line as a process of its own: how long it takes,
 * and the most memory that the process held. Then each is given to the page: how long it takes, and for how long at a time
 * the page answers nobody. Prints the tables that stand in docs/performance.md.
 */
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { HEAVY_FILES } from '../tests/heavy-files';
import { atMost } from './bench-aims';
import { onPage } from './bench-page';
import { longestTask } from './frame-times';

/** How often the memory of a process is looked at, in milliseconds; the system itself keeps the most there ever was. */
const LOOK_MS = 10;
/** The page is given each file so often, and the best counts: what else the machine does only ever adds. */
const RUNS = 3;

const folder = mkdtempSync(join(tmpdir(), 'breakwater-heavy-'));
const rows: string[] = [];
const worst = { seconds: 0, megabytes: 0, inPage: 0 };
// The bundle is made before anything is measured.
await measured(['formats']);
const [control] = await measured(['formats']);
for (const [what, name, make] of HEAVY_FILES) {
  const path = join(folder, what.replaceAll(' ', '-'), name);
  const bytes = make();
  mkdirSync(dirname(path));
  writeFileSync(path, bytes);
  const [seconds, megabytes] = await measured(['inspect', path, '--json']);
  worst.seconds = Math.max(worst.seconds, seconds);
  worst.megabytes = Math.max(worst.megabytes, megabytes);
  rows.push(`| ${what} | ${Math.round(bytes.length / 1024)} | ${seconds.toFixed(1)} | ${megabytes.toFixed(0)} |`);
}
process.stdout.write(
  `\n| a file of | KB | seconds | MB |\n|---|---|---|---|\n${rows.join('\n')}\nControl of the same run: the list of formats takes ${control!.toFixed(1)} s.\n\n`,
);

const inPage: string[] = [];
await onPage(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')), async (page) => {
  for (const [what, name] of HEAVY_FILES) {
    const runs: (readonly [number, number])[] = [];
    for (let run = 0; run < RUNS; run++) runs.push(await takenByPage(page, join(folder, what.replaceAll(' ', '-'), name)));
    const [seconds, longest] = [0, 1].map((at) => Math.min(...runs.map((run) => run[at]!)));
    worst.inPage = Math.max(worst.inPage, seconds!);
    inPage.push(`| ${what} | ${seconds!.toFixed(1)} | ${longest!.toFixed(0)} |`);
  }
});
rmSync(folder, { recursive: true });
atMost(5, 's', 'the heaviest file, on the command line', worst.seconds);
atMost(400, 'MB', 'the heaviest file, on the command line', worst.megabytes);
atMost(2, 's', 'the heaviest file, in the page', worst.inPage);
process.stdout.write(`\n| in the page, a file of | seconds | longest task, ms |\n|---|---|---|\n${inPage.join('\n')}\n\n`);

/** Seconds until the page has read and drawn a file, and milliseconds of its longest task meanwhile. */
async function takenByPage(page: Page, path: string): Promise<readonly [number, number]> {
  await page.locator('::-p-xpath(//nav[@aria-label="Stages"]//a[contains(., "Gather")])').click();
  const input = (await page.waitForSelector('[data-testid=files]')) as ElementHandle<HTMLInputElement>;
  // What the server drew takes nothing in before React has its hands on it.
  await page.waitForFunction((drawn) => Object.keys(drawn).some((key) => key.startsWith('__reactProps')), {}, input);
  let seconds = 0;
  const longest = await longestTask(page, async () => {
    const ended = readingEnds(page);
    const started = performance.now();
    await input.uploadFile(path);
    await ended;
    seconds = (performance.now() - started) / 1000;
  });
  await page.reload();
  return [seconds, longest];
}

/** Settles when the sign that a file is being read has come and gone, and what was read is drawn. */
function readingEnds(page: Page): Promise<void> {
  return page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        let seen = false;
        new MutationObserver((_, observer) => {
          const there = document.querySelector('[aria-label=Reading]') !== null;
          seen ||= there;
          if (!seen || there) return;
          observer.disconnect();
          requestAnimationFrame(() => setTimeout(resolve));
        }).observe(document.body, { subtree: true, childList: true });
      }),
  );
}

/** Seconds from start to end, and the most memory in MB. */
async function measured(args: readonly string[]): Promise<[number, number]> {
  const started = performance.now();
  const child = spawn('bin/breakwater', args, { stdio: 'ignore' });
  let most = 0;
  const look = setInterval(() => {
    try {
      const status = readFileSync(`/proc/${child.pid}/status`, 'utf8');
      most = Math.max(most, Number(/VmHWM:\s+(\d+)/.exec(status)?.[1] ?? 0));
    } catch {
      // It has ended between two looks.
    }
  }, LOOK_MS);
  await new Promise((resolve) => child.once('exit', resolve));
  clearInterval(look);
  return [(performance.now() - started) / 1000, most / 1024];
}
