/**
 * A brand of 5,000 tokens in four themes, with chains of aliases ten deep and states by rule: what resolving, filtering,
 * scrolling and editing cost. Prints the table that stands in docs/performance.md.
 */
import { apply } from '../src/core/brand/commands/apply';
import type { Command } from '../src/core/brand/commands/commands';
import { deriveTheme, RECIPES } from '../src/core/brand/tools/derive-theme';
import type { Brand } from '../src/core/brand/document/document';
import { resolveTheme } from '../src/core/brand/reading/resolve';
import { filtered, treeRows } from '../src/stages/name/tokens/tree-rows';
import { atMost } from './bench-aims';
import { onPage, quantile } from './bench-page';
import { CHAIN, largeBrand } from './large-brand';
import { frameTimes, longestTask } from './frame-times';

const ROUNDS = 60;

const brand = largeBrand();
const themes = brand.themes.map(({ id }) => id);
const swatches = brand.palettes.flatMap((palette) => palette.swatches);
const rows: string[] = [];
const add = (what: string, times: readonly number[], aim: string) => {
  rows.push(`| ${what} | ${quantile(times, 0.5).toFixed(1)} | ${quantile(times, 0.95).toFixed(1)} | ${aim} |`);
  if (aim) atMost(Number(aim), 'ms', `5,000 tokens, ${what}: median`, quantile(times, 0.5));
};
const timed = (work: (round: number) => void): number[] =>
  Array.from({ length: ROUNDS }, (_, round) => {
    const started = performance.now();
    work(round);
    return performance.now() - started;
  });
const resolveAll = (brand: Brand) => themes.forEach((theme) => resolveTheme(brand, theme));

add('everything resolved from nothing, 4 themes', timed(() => resolveAll(structuredClone(brand))).slice(5), '');
let current = brand;
resolveAll(current);
const edit = (command: Command) => {
  const result = apply(current, command);
  if (!result.ok) throw new Error(result.refusal);
  current = result.brand;
  resolveAll(current);
};
const hex = (round: number) => `#${((round * 7919 + 1) % 0xffffff).toString(16).padStart(6, '0')}`;
add(
  'one swatch edited and resolved, 4 themes',
  timed((round) => {
    edit({ label: 'x', steps: [{ do: 'swatch.edit', id: swatches[round % 50]!.id, set: { value: hex(round), locked: false } }] });
  }),
  '8',
);
add(
  'one token set and resolved, 4 themes',
  timed((round) => {
    edit({ label: 'x', steps: [{ do: 'token.set', id: brand.tokens[round * 80]!.id, set: { day: { colour: hex(round) } } }] });
  }),
  '',
);
const words = ['chain 3', 'hover', 'group 12', 'no such', 'c'];
add(
  'filtered and made a tree',
  timed((round) => void treeRows(filtered(current.tokens, words[round % words.length]!), new Set())),
  '50',
);
add('a theme derived (in a worker)', timed(() => void deriveTheme(brand, 'day', null, RECIPES.dark)).slice(ROUNDS - 5), '');

await onPage(brand, async (page) => {
  await page.locator('::-p-xpath(//nav[@aria-label="Stages"]//a[contains(., "Name")])').click();
  const table = (await page.waitForSelector('[role=treegrid]'))!;
  const box = (await table.boundingBox())!;
  await page.mouse.move(box.x + 300, box.y + 200);
  const idle = await frameTimes(page, 200, (at) => page.mouse.move(650 + (at % 60), 790));
  await page.mouse.move(box.x + 300, box.y + 200);
  // A hundred pixels some sixty times a second: a wheel that is spun, some 180 rows a second.
  const spun = await frameTimes(page, 240, async () => {
    await page.mouse.wheel({ deltaY: 100 });
    await new Promise((resolve) => setTimeout(resolve, 12));
  });
  add('scrolled: work of the page in each frame', spun, '16');
  const typed: number[] = [];
  const field = (await page.$('input[aria-label="Filter tokens"]'))!;
  for (const letter of 'hover group') typed.push(await longestTask(page, () => field.type(letter)));
  add('filter: the longest task at each key', typed, '50');
  await field.click({ count: 3 });
  await page.keyboard.press('Backspace');
  await page.waitForFunction(() => document.querySelectorAll('[data-token]').length > 15);
  await new Promise((resolve) => setTimeout(resolve, 500));
  const edits: number[] = [];
  await table.focus();
  for (const key of ['ArrowDown', 'Home', 'ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowRight'] as const)
    await page.keyboard.press(key);
  for (let round = 0; round < CHAIN - 3; round++) {
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    const input = (await page.waitForSelector('[role=gridcell] input'))!;
    await input.type(hex(round + 3));
    await page.waitForSelector('[role=option]');
    edits.push(
      await longestTask(page, async () => {
        await page.keyboard.press('Enter');
        await page.waitForFunction(() => !document.querySelector('[role=gridcell] input'));
        await new Promise((resolve) => setTimeout(resolve, 400));
      }),
    );
  }
  add('a value edited in its cell: the longest task', edits, '');
  process.stdout.write(
    `\n| 5,000 tokens, 4 themes | median, ms | 95th percentile, ms | aim |\n|---|---|---|---|\n${rows.join('\n')}\n`,
  );
  process.stdout.write(`\nControl of the same run: mouse over nothing, median ${quantile(idle, 0.5).toFixed(1)} ms a frame.\n`);
});

/** Groups of ten: a token at a swatch, eight aliases one behind the other, and a state of the first by rule. */
