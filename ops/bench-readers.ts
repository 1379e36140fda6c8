/** What readers cost: extraction against general-purpose quantisers on one photograph-like picture, all in one run (ratios count, not times), and bad files. */
import { readFile } from '@/core/intake/readers';
import { buildPaletteSync, utils } from 'image-q';
// @ts-expect-error -- the package ships without types
import quantize from 'quantize';
import { atLeast, atMost } from './bench-aims';
import { BAD_FILES } from '../tests/bad-files';
import { bytesToOklab } from '../src/core/colour/oklab';
import { chooseColours, countColours, extractColours } from '../src/core/image/extract';
import { bySharp, meanError, type Rgb } from '../tests/quantisers';
import { ACCENTS, photograph } from '../tests/photograph';

const COUNT = 16;

/** Rows of a table in Markdown, for docs/performance.md. */
export async function extractionTable(): Promise<string> {
  const picture = photograph(4_000, 3_000);
  // The most memory this process ever held, before and after: nothing else has run in it yet.
  const mostBefore = process.resourceUsage().maxRSS;
  extractColours(picture, { count: COUNT, liveliness: 0.5 });
  const above = (process.resourceUsage().maxRSS - mostBefore) / 1024;
  const rows: [string, number, Rgb[]][] = [];
  const time = async (name: string, work: () => Rgb[] | Promise<Rgb[]>) => {
    const times: number[] = [];
    let found: Rgb[] = [];
    // The slow ones are run once: they would take minutes.
    for (let run = 0; run < (name.startsWith('Breakwater') || name.startsWith('sharp') ? 5 : 1); run++) {
      const started = performance.now();
      found = await work();
      times.push(performance.now() - started);
    }
    rows.push([name, times.sort((one, two) => one - two)[times.length >> 1]!, found]);
  };
  const ours = (liveliness: number) => () => extractColours(picture, { count: COUNT, liveliness }).map(({ rgb }) => rgb);
  await time('Breakwater, by area', ours(0));
  await time('Breakwater, in between', ours(0.5));
  await time('Breakwater, by liveliness', ours(1));
  await time('sharp, palette PNG', () => bySharp(picture, COUNT));
  await time('quantize', () => {
    const pixels = Array.from(
      { length: picture.data.length / 4 },
      (_, at) => [...picture.data.subarray(at * 4, at * 4 + 3)] as [number, number, number],
    );
    return (quantize as (pixels: Rgb[], count: number) => { palette: () => Rgb[] })(pixels, COUNT).palette();
  });
  await time('image-q', () => {
    const container = utils.PointContainer.fromUint8Array(picture.data, picture.width, picture.height);
    const palette = buildPaletteSync([container], { colors: COUNT });
    return palette
      .getPointContainer()
      .getPointArray()
      .map(({ r, g, b }): Rgb => [r, g, b]);
  });
  const [, reference] = rows.find(([name]) => name.startsWith('sharp'))!;
  const lines = rows.map(([name, ms, colours]) => {
    const cells = [
      name,
      ms.toFixed(0),
      `${(reference / ms).toFixed(1)} x`,
      meanError(picture, colours).toFixed(4),
      `${accentsMet(colours)} of 6`,
    ];
    return `| ${cells.join(' | ')} |`;
  });
  for (const [name, ms] of rows.slice(0, 3))
    atLeast(6, 'x', `12 megapixels to ${COUNT} colours, ${name}: times as fast as sharp`, reference / ms);
  const small = photograph(1_000, 1_000);
  const median = (work: () => unknown) => {
    const times = Array.from({ length: 9 }, () => {
      const started = performance.now();
      work();
      return performance.now() - started;
    });
    return times.sort((one, two) => one - two)[4]!;
  };
  const wanted = { count: COUNT, liveliness: 0.5 };
  const first = median(() => extractColours(small, wanted));
  const counted = countColours(small);
  const again = median(() => chooseColours(small, counted, wanted));
  atMost(30, 'MB', 'the same: memory above the pixels', above);
  atMost(60, 'ms', 'one megapixel to 16 colours', first);
  const head = `| 12 megapixels to ${COUNT} colours | ms | speed against sharp | mean OKLab distance | accents |\n|---|---|---|---|---|`;
  return `${head}\n${lines.join('\n')}\n\nAbove the pixels: ${above.toFixed(0)} MB. One megapixel: ${first.toFixed(0)} ms, after a slider moved ${again.toFixed(0)} ms.\n`;
}

/** The longest that any of the bad files keeps its reader busy, in words. */
export async function worstOfBadFiles(): Promise<string> {
  const times: [number, string][] = [];
  for (const [what, name, bytes] of BAD_FILES) {
    const started = performance.now();
    await readFile({ name, bytes });
    times.push([performance.now() - started, what]);
  }
  const [ms, what] = times.sort(([one], [two]) => two - one)[0]!;
  atMost(2_000, 'ms', 'the bad file that takes longest to read', ms);
  return `Of ${times.length} bad files the one that takes longest to read: ${what}, ${ms.toFixed(0)} ms.\n`;
}

function accentsMet(colours: readonly Rgb[]): number {
  const labs = colours.map((rgb) => bytesToOklab(...rgb));
  return ACCENTS.filter((accent) => {
    const [l, a, b] = bytesToOklab(...accent);
    return labs.some((lab) => Math.hypot(lab[0] - l, lab[1] - a, lab[2] - b) < 0.04);
  }).length;
}
