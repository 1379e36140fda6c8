/** What is found in pictures whose true colours are known, and against a general-purpose quantiser (sharp's palette PNG). */
import { deltaE2000 } from '@/core/colour/difference';
import { extractColours, type Extracted } from '@/core/image/extract';
import type { Pixels } from '@/core/image/pixels';
import { ACCENTS, photograph } from '../photograph';
import { bySharp, meanError, type Rgb } from '../quantisers';

const hex = (rgb: readonly number[]) => '#' + rgb.map((value) => value.toString(16).padStart(2, '0')).join('');
const rgbs = (found: readonly Extracted[]) => found.map(({ rgb }) => rgb);
/** How many of the colours looked for have one within ΔE2000 `near`. */
const met = (wanted: readonly (readonly number[])[], found: readonly Rgb[], near: number) =>
  wanted.filter((colour) => found.some((rgb) => deltaE2000(hex(colour), hex(rgb)) <= near)).length;

/** A picture of flat stripes with a little noise, and a transparent one. */
function stripes(colours: readonly Rgb[], grain: number): Pixels {
  const [width, height] = [colours.length * 20, 60];
  const data = new Uint8ClampedArray(width * height * 4);
  for (let n = 0; n < width * height; n++) {
    const rgb = colours[Math.floor((n % width) / 20)]!;
    const noise = ((n * 2_654_435_761) % 1_000) / 1_000 - 0.5;
    data.set([...rgb.map((value) => value + noise * grain), 255], n * 4);
    if (n >= width * (height - 10)) data.set([255, 0, 255, 0], n * 4);
  }
  return { width, height, data };
}

const TRUE: Rgb[] = [
  [31, 111, 120],
  [218, 69, 44],
  [240, 187, 59],
  [22, 38, 49],
  [221, 240, 238],
  [107, 70, 160],
  [128, 128, 128],
  [250, 250, 250],
];

test.each([0, 0.3, 0.7, 1])('every true colour of a flat picture is found within ΔE2000 2, at liveliness %d', (liveliness) => {
  for (const grain of [0, 8]) {
    const found = extractColours(stripes(TRUE, grain), { count: TRUE.length, liveliness });
    expect(met(TRUE, rgbs(found), 2)).toBe(TRUE.length);
    expect(found.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
  }
});

test('transparent pixels are left out, and only the area asked for is looked at', () => {
  const picture = stripes(TRUE, 0);
  expect(met([[255, 0, 255]], rgbs(extractColours(picture, { count: 16, liveliness: 1 })), 5)).toBe(0);
  const second = extractColours(picture, { count: 4, liveliness: 0, area: { x: 20, y: 0, width: 20, height: 60 } });
  expect(second).toMatchObject([{ rgb: [218, 69, 44], share: 1 }]);
  expect(second[0]!.x).toBeGreaterThanOrEqual(20);
  expect(extractColours(picture, { count: 4, liveliness: 0, area: { x: 0, y: 55, width: 99, height: 5 } })).toEqual([]);
});

test('each colour’s place in the picture shows that colour', () => {
  const picture = photograph(400, 300);
  for (const { rgb, x, y } of extractColours(picture, { count: 12, liveliness: 0.5 })) {
    const at = (y * picture.width + x) * 4;
    expect(deltaE2000(hex(rgb), hex([...picture.data.subarray(at, at + 3)]))).toBeLessThan(3);
  }
});

test('by area: no worse than a general-purpose quantiser; by liveliness: five of six small accents among sixteen', async () => {
  const picture = photograph(1_200, 900);
  const byArea = rgbs(extractColours(picture, { count: 16, liveliness: 0 }));
  const theirs = await bySharp(picture, 16);
  expect(meanError(picture, byArea)).toBeLessThan(1.03 * meanError(picture, theirs));
  const lively = rgbs(extractColours(picture, { count: 16, liveliness: 1 }));
  expect(met(ACCENTS, lively, 5)).toBeGreaterThanOrEqual(5);
});

test('the same picture gives the same colours, and one that is all orange still gives distinct ones', () => {
  const orange = photograph(300, 200);
  for (let at = 0; at < orange.data.length; at += 4) if (at % 4_000 !== 0) orange.data.set([230, 120 + (at % 30), 40], at);
  const wanted = { count: 8, liveliness: 0.7 };
  const found = rgbs(extractColours(orange, wanted));
  expect(rgbs(extractColours(orange, wanted))).toEqual(found);
  const apart = found.flatMap((one, at) => found.slice(at + 1).map((two) => deltaE2000(hex(one), hex(two))));
  expect(apart.filter((distance) => distance > 10).length).toBeGreaterThan(8);
});
