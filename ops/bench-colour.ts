/** The colour core against general-purpose colour libraries on equal input, all in one run: ratios count, not times. */
import Color from 'colorjs.io';
import { converter, differenceCiede2000, formatHex, parse, toGamut, type Hsv, type Lab65 } from 'culori';
import { atLeast } from './bench-aims';
import { ciede2000, differences } from '../src/core/colour/difference';
import { bytesToOklch, hexToOklch, oklchToBytes, oklchToHex } from '../src/core/colour/eight-bit';
import { showOklch } from '../src/core/colour/gamut';
import type { LabD65 } from '../src/core/colour/lab';
import { notations } from '../src/core/colour/notations';
import { readColour } from '../src/core/colour/read';
import { categorical } from '../src/core/palette/categorical';
import { settle } from '../src/core/palette/settle';

const RUNS = 7;

/** A row of the table: what is done, and how each does it; each answers with the number of operations. */
interface Row {
  readonly what: string;
  readonly own: () => number;
  readonly others: readonly {
    readonly name: string;
    readonly run: () => number;
    /** So many times as fast is the aim. */ readonly aim: number;
  }[];
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
const hexes = Array.from(
  { length: 60_000 },
  () =>
    `#${Math.floor(random() * 0x1000000)
      .toString(16)
      .padStart(6, '0')}`,
);
const bytes = Uint8Array.from(hexes.flatMap((hex) => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16))));
const [numbersOf, bytesBack] = [new Float64Array(bytes.length), new Uint8Array(bytes.length)];
const culoriOklch = converter('oklch');
const culoriDifference = differenceCiede2000();
const culoriToGamut = toGamut('rgb', 'oklch');

/** Every colour with every other. */
function pairs<T>(list: readonly T[], difference: (one: T, two: T) => number): number {
  let sum = 0;
  for (let at = 0; at < list.length; at++) {
    for (let two = 0; two < list.length; two++) sum += difference(list[at]!, list[two]!);
  }
  // Used, so that nothing of it is left out by the compiler.
  if (Number.isNaN(sum)) throw new Error('A difference is no number.');
  return list.length ** 2;
}

/** There and back by strings, as the library does it. */
const culoriThereAndBack = () => {
  for (const hex of hexes) formatHex(culoriOklch(hex));
  return hexes.length;
};

const ROWS: readonly Row[] = [
  {
    what: 'hex to OKLCH and back, as strings',
    own: () => {
      for (const hex of hexes) {
        const [l, c, h] = hexToOklch(hex);
        oklchToHex(l, c, h);
      }
      return hexes.length;
    },
    others: [{ name: 'culori', run: culoriThereAndBack, aim: 3 }],
  },
  {
    what: 'bytes to OKLCH and back, typed arrays',
    own: () => {
      bytesToOklch(bytes, numbersOf);
      oklchToBytes(numbersOf, bytesBack);
      return hexes.length;
    },
    others: [{ name: 'culori’s strings', run: culoriThereAndBack, aim: 8 }],
  },
  {
    what: 'ΔE2000 of two Lab colours',
    own: () => pairs(labs, ciede2000),
    others: [
      { name: 'culori', run: () => pairs(culoriLabs, culoriDifference), aim: 2.5 },
      { name: 'colorjs.io', run: () => pairs(colorjsLabs, (one, two) => one.deltaE(two, '2000')), aim: 10 },
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
        aim: 20,
        run: () => {
          for (const [l, c, h] of vivid) culoriToGamut({ mode: 'oklch', l, c, h });
          return vivid.length;
        },
      },
      {
        name: 'colorjs.io',
        aim: 20,
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
    const compared = others.map(({ name, run, aim }) => {
      const times = fast / speed(run);
      atLeast(aim, 'x', `${what}: times as fast as ${name}`, times);
      return `${times.toFixed(1)} x ${name}`;
    });
    return `| ${what} | ${(fast / 1e6).toFixed(2)} million a second | ${compared.join(', ')} |`;
  });
  return [
    `| the colour core | speed | against |\n|---|---|---|\n${lines.join('\n')}`,
    `ΔE2000 of 256 colours with each other: ${milliseconds(() => differences(labs))} ms.`,
    `Of all 16,777,216 colours ${wrongOfAll()} come back from OKLCH as another.`,
    `Of ${STRATA.toLocaleString('en')} colours spread evenly among them ${wrongAsText()} come back as another through the notations.`,
    `Twelve categories for all kinds of vision: ${milliseconds(twelve)} ms. Settling 64 colours: ${milliseconds(settling)} ms.`,
  ].join('\n\n');
}

/** The median of some runs after one to warm up. */
function milliseconds(run: () => unknown): string {
  run();
  const times = Array.from({ length: RUNS }, () => {
    const started = performance.now();
    run();
    return performance.now() - started;
  });
  return times.sort((one, two) => one - two)[RUNS >> 1]!.toFixed(1);
}

const twelve = () =>
  categorical({
    count: 12,
    given: [],
    ground: '#ffffff',
    contrast: 3,
    visions: ['protan', 'deutan', 'tritan'],
    lightness: [0.42, 0.82],
    liveliness: 0.5,
  });

const unsettled = hexes.slice(0, 64).map((value) => ({ value, locked: false }));
const settling = () => settle(unsettled);

/** Every 8-bit colour there is, to OKLCH and back. */
function wrongOfAll(): number {
  const plane = new Uint8Array(3 * 65_536);
  const [oklch, back] = [new Float64Array(plane.length), new Uint8Array(plane.length)];
  let wrong = 0;
  for (let red = 0; red < 256; red++) {
    for (let rest = 0; rest < 65_536; rest++) plane.set([red, rest >> 8, rest & 255], 3 * rest);
    bytesToOklch(plane, oklch);
    oklchToBytes(oklch, back);
    for (let at = 0; at < plane.length; at += 3) {
      if (plane[at] !== back[at] || plane[at + 1] !== back[at + 1] || plane[at + 2] !== back[at + 2]) wrong++;
    }
  }
  return wrong;
}

/** A prime step through all colours meets every part of the cube. */
const STEP = 83;
const STRATA = Math.ceil(0x1000000 / STEP);

/** Colours that a notation does not give back, written by us and read by the library's parser. */
function wrongAsText(): number {
  const toRgb = converter('rgb');
  let wrong = 0;
  for (let value = 0; value < 0x1000000; value += STEP) {
    const hex = `#${value.toString(16).padStart(6, '0')}`;
    const back = (id: string, text: string) => {
      if (id === 'integer') return Number(text) === value;
      // What is no CSS is read by hand; CMYK promises nothing.
      const colour = id === 'hsv' ? hsv(text) : parse(text);
      return formatHex(toRgb(colour)) === hex;
    };
    if (notations(readColour(hex)!).some(({ id, text }) => id !== 'cmyk' && !back(id, text))) wrong++;
  }
  return wrong;
}

function hsv(text: string): Hsv {
  const [h, s, v] = text.match(/[\d.]+/g)!.map(Number) as [number, number, number];
  return { mode: 'hsv', h, s: s / 100, v: v / 100 };
}
