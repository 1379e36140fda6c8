/** The colour core against general-purpose colour libraries on equal input, all in one run: ratios count, not times. */
import Color from 'colorjs.io';
import { differenceCiede2000, toGamut, type Lab65 } from 'culori';
import { ciede2000 } from '../src/core/colour/difference';
import { showOklch } from '../src/core/colour/gamut';
import type { LabD65 } from '../src/core/colour/lab';

const RUNS = 7;

/** A row of the table: what is done, and how each does it; each answers with the number of operations. */
interface Row {
  readonly what: string;
  readonly own: () => number;
  readonly others: readonly { readonly name: string; readonly run: () => number }[];
}

/** Numbers from 0 up to 1, the same at every run. Linear congruence of Numerical Recipes. */
function numbers(): () => number {
  let state = 1;
  return () => (state = (state * 1_664_525 + 1_013_904_223) >>> 0) / 2 ** 32;
}

const random = numbers();
const labs = Array.from({ length: 256 }, (): LabD65 => [random() * 100, random() * 160 - 80, random() * 160 - 80]);
const culoriLabs = labs.map(([l, a, b]): Lab65 => ({ mode: 'lab65', l, a, b }));
const colorjsLabs = labs.slice(0, 48).map((coords) => new Color('lab-d65', [...coords]));
const vivid = Array.from({ length: 4_000 }, () => [0.2 + random() * 0.7, 0.25 + random() * 0.15, random() * 360] as const);
const culoriDifference = differenceCiede2000();
const culoriToGamut = toGamut('rgb', 'oklch');

/** Every colour with every other. */
function pairs<T>(list: readonly T[], difference: (one: T, two: T) => number): number {
  let sum = 0;
  for (let one = 0; one < list.length; one++) {
    for (let two = 0; two < list.length; two++) sum += difference(list[one]!, list[two]!);
  }
  // Used, so that nothing of it is left out by the compiler.
  if (Number.isNaN(sum)) throw new Error('A difference is no number.');
  return list.length ** 2;
}

const ROWS: readonly Row[] = [
  {
    what: 'ΔE2000 of two Lab colours',
    own: () => pairs(labs, ciede2000),
    others: [
      { name: 'culori', run: () => pairs(culoriLabs, culoriDifference) },
      { name: 'colorjs.io', run: () => pairs(colorjsLabs, (one, two) => one.deltaE(two, '2000')) },
    ],
  },
  {
    what: 'gamut mapping of CSS Color 4',
    own: () => {
      for (const [l, c, h] of vivid) showOklch(l, c, h);
      return vivid.length;
    },
    others: [
      {
        name: 'culori',
        run: () => {
          for (const [l, c, h] of vivid) culoriToGamut({ mode: 'oklch', l, c, h });
          return vivid.length;
        },
      },
      {
        name: 'colorjs.io',
        run: () => {
          const some = vivid.slice(0, 400);
          for (const [l, c, h] of some) new Color('oklch', [l, c, h]).toGamut({ space: 'srgb', method: 'css' });
          return some.length;
        },
      },
    ],
  },
];

/** Operations a second, the median of some runs after one to warm up. */
function speed(run: () => number): number {
  run();
  const speeds = Array.from({ length: RUNS }, () => {
    const started = performance.now();
    const count = run();
    return (count / (performance.now() - started)) * 1000;
  });
  return speeds.sort((one, two) => one - two)[RUNS >> 1]!;
}

/** Rows of a table in Markdown, for docs/performance.md. */
export function colourTable(): string {
  const lines = ROWS.map(({ what, own, others }) => {
    const fast = speed(own);
    const compared = others.map(({ name, run }) => `${(fast / speed(run)).toFixed(1)} x ${name}`);
    return `| ${what} | ${(fast / 1e6).toFixed(2)} million a second | ${compared.join(', ')} |`;
  });
  const started = performance.now();
  pairs(labs, ciede2000);
  const square = (performance.now() - started).toFixed(0);
  return `| the colour core | speed | against |\n|---|---|---|\n${lines.join('\n')}\n\nAll pairs of 256 colours: ${square} ms.\n`;
}
