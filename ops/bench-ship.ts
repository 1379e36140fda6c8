/**
 * What writing costs: every destination of the demo, a brand of 5,000 tokens in four themes, one destination after an
 * edit, and the command line from start to finish. Prints the table that stands in docs/performance.md.
 */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { apply } from '../src/core/brand/commands/apply';
import { Brand } from '../src/core/brand/document/document';
import { FORMATS, writeDestination } from '../src/core/formats/registry';
import { atMost } from './bench-aims';
import { onPage, quantile } from './bench-page';
import { largeBrand } from './large-brand';

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
const large = largeBrand();
const ids = FORMATS.map(({ id }) => id);
const write = (brand: Brand, formats: readonly string[]) =>
  formats.reduce((bytes, format) => {
    const { files } = writeDestination(brand, { name: format, format, options: {} });
    return bytes + files.reduce((sum, file) => sum + file.bytes.length, 0);
  }, 0);
const rows: string[] = [];
function add(what: string, rounds: number, work: (round: number) => void, aim: number): void {
  const times = Array.from({ length: rounds }, (_, round) => {
    const started = performance.now();
    work(round);
    return performance.now() - started;
  });
  rows.push(`| ${what} | ${quantile(times, 0.5).toFixed(0)} | ${Math.max(...times).toFixed(0)} | ${aim} |`);
  atMost(aim, 'ms', `${what}: median`, quantile(times, 0.5));
}

// A copy each time, so that nothing that was resolved before helps.
add(`demo: all ${ids.length} formats`, 5, () => void write(structuredClone(demo), ids), 1_000);
add(
  '5,000 tokens, 4 themes: CSS, Sass and tokens as JSON',
  5,
  () => void write(structuredClone(large), ['css', 'sass', 'dtcg']),
  500,
);
let bytes = 0;
add(`5,000 tokens, 4 themes: all ${ids.length} formats`, 2, () => (bytes = write(structuredClone(large), ids)), 8_000);
let current = demo;
write(current, ['css']);
add(
  'demo: CSS after an edit of a swatch',
  20,
  (round) => {
    const value = `#${(0x100000 + round * 7919).toString(16)}`;
    const id = demo.palettes[0]!.swatches.find(({ locked }) => !locked)!.id;
    const result = apply(current, { label: 'x', steps: [{ do: 'swatch.edit', id, set: { value } }] });
    if (!result.ok) throw new Error(result.refusal);
    current = result.brand;
    write(current, ['css']);
  },
  100,
);
const folder = mkdtempSync(join(tmpdir(), 'breakwater-bench-'));
const cli = () =>
  void execFileSync('bin/breakwater', ['export', 'demo/quillhaven.breakwater.json', '--to', 'css', '--out', folder], {
    stdio: 'pipe',
  });
cli();
add('command line: one destination, start to finish', 7, cli, 700);

// In the page: from Enter in the field of the prefix until the file on the screen shows it.
await onPage(demo, async (page) => {
  await page.locator('nav[aria-label=Stages] ::-p-text(Ship)').click();
  await page.locator('::-p-xpath(//li//b[.="Booking site"])').click();
  const field = (await page.waitForSelector('::-p-aria([name="Put before every name"][role="textbox"])'))!;
  const times: number[] = [];
  for (let round = 0; round < 20; round++) {
    await field.click({ count: 3 });
    await field.type(`p${round}-`);
    times.push(
      await page.evaluate(
        (name) =>
          new Promise<number>((resolve) => {
            const shown = document.querySelector('[aria-label^="Contents of"]')!;
            let started = 0;
            new MutationObserver((_changes, observer) => {
              if (!shown.textContent!.includes(name)) return;
              observer.disconnect();
              // To the end of the frame in which it is painted.
              requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - started)));
            }).observe(shown, { subtree: true, childList: true, characterData: true });
            started = performance.now();
            document.activeElement!.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
          }),
        `--p${round}-surface-page`,
      ),
    );
  }
  atMost(100, 'ms', 'an option changed, until the file shows it: median', quantile(times, 0.5));
  rows.push(
    `| page: an option changed, until the file shows it | ${quantile(times, 0.5).toFixed(0)} | ${Math.max(...times).toFixed(0)} | 100 |`,
  );
});

process.stdout.write(
  ['', '| Writing | median, ms | longest, ms | aim |', '| --- | --- | --- | --- |', ...rows, ''].join('\n') +
    `\n${(bytes / 1_048_576).toFixed(1)} MB in all formats of the large brand.\n`,
);
