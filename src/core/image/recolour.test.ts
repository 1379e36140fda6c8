/** Recolouring compared, pixel by pixel, with the plainest program that does the same. */
import fc from 'fast-check';
import { bytesToOklab, decode } from '../colour/oklab';
import { distinctColours } from './distinct-colours';
import { limitPalette } from './limit-palette';
import { Nearest } from './nearest';
import { recolour, type Recolouring } from './recolour';
import { planRecolouring, fatesOf } from './recolour-plan';

type Lab = readonly [number, number, number];
const labOf = (rgb: number): Lab => bytesToOklab(rgb >> 16, (rgb >> 8) & 255, rgb & 255);
const squared = (one: Lab, two: Lab) => (one[0] - two[0]) ** 2 + (one[1] - two[1]) ** 2 + (one[2] - two[2]) ** 2;
/** The first of the nearest, looked for one by one. */
const plainly = (rgb: number, palette: readonly number[]) => {
  const distances = palette.map((one) => squared(labOf(rgb), labOf(one)));
  return distances.indexOf(Math.min(...distances));
};
const picture = (width: number, pixels: readonly (readonly [rgb: number, alpha: number])[]) => ({
  width,
  height: pixels.length / width,
  data: Uint8Array.from(pixels.flatMap(([rgb, alpha]) => [rgb >> 16, (rgb >> 8) & 255, rgb & 255, alpha])),
  wide: null,
  palette: null,
  notes: [],
});
const pixelsOf = (data: Uint8Array) =>
  Array.from({ length: data.length / 4 }, (_, at) => [
    (data[at * 4]! << 16) | (data[at * 4 + 1]! << 8) | data[at * 4 + 2]!,
    data[at * 4 + 3]!,
  ]);

const colour = fc.oneof(
  fc.integer({ min: 0, max: 0xffffff }),
  fc.constantFrom(0, 0xffffff, 0x010101, 0x000100, 0x808080, 0xff00ff),
);
const palettes = fc.uniqueArray(colour, { minLength: 1, maxLength: 300 });
const plain = (palette: readonly number[], more: Partial<Recolouring> = {}): Recolouring => ({
  palette,
  fixed: new Map(),
  key: null,
  dither: 'none',
  ...more,
});

test('the nearest is the nearest, and of equals the first', () => {
  fc.assert(
    fc.property(palettes, fc.array(colour, { minLength: 50, maxLength: 50 }), (palette, colours) => {
      const nearest = new Nearest(palette);
      for (const rgb of colours) expect([rgb, nearest.of(rgb)]).toEqual([rgb, plainly(rgb, palette)]);
    }),
    { numRuns: 150 },
  );
  expect(new Nearest([0x123456, 0x654321, 0x123456]).of(0x123456)).toBe(0);
  // Where two are equally far, up to the last digit of a double.
  const middle = new Nearest([0x000000, 0xffffff]);
  const tipping = Array.from({ length: 256 }, (_, grey) => middle.of(grey * 0x010101)).indexOf(1);
  expect(tipping).toBe(Array.from({ length: 256 }, (_, grey) => plainly(grey * 0x010101, [0, 0xffffff])).indexOf(1));
});

test('every pixel goes to the nearest colour, to the one chosen for it, or becomes transparent; opacity stays, and so does what is transparent', () => {
  const pixel = fc.tuple(colour, fc.constantFrom(0, 1, 128, 255));
  fc.assert(
    fc.property(palettes, fc.array(pixel, { minLength: 12, maxLength: 12 }), fc.boolean(), (palette, pixels, withKey) => {
      const [first, second] = pixels as unknown as [[number, number], [number, number]];
      const key = withKey ? second[0] : null;
      const fixed = new Map(first[0] === key ? [] : [[first[0], palette.length - 1]]);
      const { picture: after, places, transparent } = recolour(picture(4, pixels), plain(palette, { key, fixed }));
      const open = palette.filter((one) => one !== key);
      const expected = pixels.map(([rgb, alpha]) => {
        if (alpha === 0) return [rgb, 0];
        if (rgb === key) return [rgb, 0];
        const to = fixed.has(rgb)
          ? palette.at(-1)!
          : (open.length > 0 ? open : palette)[plainly(rgb, open.length > 0 ? open : palette)]!;
        return to === key ? [to, 0] : [to, alpha];
      });
      expect(pixelsOf(after.data)).toEqual(expected);
      for (const [at, [rgb, alpha]] of expected.entries()) {
        expect(places[at] === transparent).toBe(alpha === 0);
        if (alpha !== 0) expect(palette[places[at]!]).toBe(rgb);
      }
    }),
    { numRuns: 300 },
  );
});

test('of 16 bits a channel opacity keeps all of them', () => {
  const wide = Uint16Array.of(0x1234, 0x8000, 0xffff, 0x1235, 0, 0, 0, 0);
  const { picture: after } = recolour(
    {
      ...picture(2, [
        [0x1280ff, 0x12],
        [0, 0],
      ]),
      wide,
    },
    plain([0x1f6f78]),
  );
  expect([...after.wide!]).toEqual([0x1f1f, 0x6f6f, 0x7878, 0x1235, 0, 0, 0, 0]);
});

/** Each row of Bayer's matrix is printed in many handbooks; this is its second order, and the eighth is made from it. */
const bayer = (x: number, y: number) => {
  const two = [
    [0, 2],
    [3, 1],
  ];
  return [0, 1, 2].reduce((sum, bit) => sum + two[(y >> bit) & 1]![(x >> bit) & 1]! * 4 ** (2 - bit), 0);
};

test('ordered dithering shifts by the published matrix and takes the nearest', () => {
  const palette = [0x000000, 0xffffff];
  const flat = picture(
    8,
    Array.from({ length: 64 }, () => [0x909090, 255] as const),
  );
  const { places } = recolour(flat, plain(palette, { dither: 'ordered' }));
  const expected = Array.from({ length: 64 }, (_, at) => {
    const grey = Math.min(255, Math.max(0, Math.round(0x90 + ((bayer(at % 8, at >> 3) + 0.5) / 64 - 0.5) * 255)));
    return plainly(grey * 0x010101, palette);
  });
  expect([...places]).toEqual(expected);
});

test('error diffusion keeps the light of an area to within two hundredths, and leaves alone what has a colour of its own', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 0xffffff }), (rgb) => {
      const side = 64;
      const cube = [0, 0xff, 0xff00, 0xffff, 0xff0000, 0xff00ff, 0xffff00, 0xffffff];
      const flat = picture(
        side,
        Array.from({ length: side * side }, (_, at) => [at === 0 ? 0x123456 : rgb, 255] as const),
      );
      const { picture: after } = recolour(flat, plain(cube, { dither: 'diffusion', fixed: new Map([[0x123456, 7]]) }));
      expect(pixelsOf(after.data)[0]).toEqual([0xffffff, 255]);
      for (const shift of [16, 8, 0]) {
        const light = (value: number) => decode(((value >> shift) & 255) / 255);
        const mean = pixelsOf(after.data).reduce((sum, [value]) => sum + light(value!), 0) / (side * side);
        expect(Math.abs(mean - light(rgb))).toBeLessThan(0.02);
      }
    }),
    { numRuns: 40 },
  );
});

test('colours are counted however many there are, transparent pixels not, the commonest first', () => {
  const pixels = [
    [0xff0000, 255],
    [0x00ff00, 1],
    [0xff0000, 9],
    [0x0000ff, 0],
  ] as const;
  expect(distinctColours(picture(4, pixels), 10)).toEqual({
    colours: [
      { rgb: 0xff0000, pixels: 2 },
      { rgb: 0x00ff00, pixels: 1 },
    ],
    count: 2,
    pixels: 3,
  });
  // More than are told apart in one pass: each colour of three quarters of a table once, and the first of them twice.
  const many = Array.from({ length: 90_001 }, (_, at) => [(at % 90_000) * 150, 255] as const);
  expect(distinctColours(picture(90_001, many), 2)).toEqual({
    colours: [
      { rgb: 0, pixels: 2 },
      { rgb: 150, pixels: 1 },
    ],
    count: 90_000,
    pixels: 90_001,
  });
});

const counted = (...colours: number[]) => colours.map((rgb, at) => ({ rgb, pixels: 100 - at }));
const wish = { map: new Map<number, number>(), key: null, keepOrder: false, dither: 'none' as const, limit: null };

test('with the order kept, the darker shade of a material never becomes the lighter, and shades stay apart where they can', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.integer({ min: 40, max: 255 }), { minLength: 2, maxLength: 24 }),
      palettes,
      (greens, palette) => {
        const shades = counted(...greens.map((green) => green << 8));
        const ways = fatesOf(shades, planRecolouring(shades, { ...wish, palette, keepOrder: true }));
        const sorted = ways.map(({ from, to }) => [labOf(from)[0], labOf(to!)[0]] as const).sort((one, two) => one[0] - two[0]);
        for (let at = 1; at < sorted.length; at++) expect(sorted[at]![1]).toBeGreaterThanOrEqual(sorted[at - 1]![1]);
      },
    ),
    { numRuns: 150 },
  );
  // By nearness alone both greens would become the one green; the shadow has a darker neighbour to go to.
  const greens = counted(0x2e8b57, 0x2a8052);
  const palette = [0x2d8855, 0x1f6b3f, 0xffffff];
  expect(fatesOf(greens, planRecolouring(greens, { ...wish, palette })).map(({ to }) => to)).toEqual([0x2d8855, 0x2d8855]);
  expect(fatesOf(greens, planRecolouring(greens, { ...wish, palette, keepOrder: true })).map(({ to }) => to)).toEqual([
    0x2d8855, 0x1f6b3f,
  ]);
});

test('a colour that is sent somewhere goes there; the key becomes transparent and is nobody’s nearest', () => {
  const colours = counted(0xff00ff, 0xfe01fe, 0x111111);
  const plan = planRecolouring(colours, {
    ...wish,
    palette: [0x000000, 0xff00ff, 0xffffff],
    key: 0xff00ff,
    map: new Map([[0x111111, 0x223344]]),
  });
  expect(plan.palette).toEqual([0x000000, 0xff00ff, 0xffffff, 0x223344]);
  expect(fatesOf(colours, plan).map(({ to }) => to)).toEqual([null, 0xffffff, 0x223344]);
});

test('a limit leaves out the colours whose loss costs least, and never those that somebody named', () => {
  const colours = counted(0x000000, 0x010101, 0xff0000, 0xffffff);
  expect(limitPalette(colours, [0x000000, 0x010101, 0xff0000, 0xffffff], 3)).toEqual([0, 2, 3]);
  const plan = planRecolouring(colours, {
    ...wish,
    palette: [0x000000, 0x010101, 0xff0000, 0xffffff],
    limit: 2,
    map: new Map([[0x000000, 0x010101]]),
  });
  expect(plan.palette).toContain(0x010101);
  expect(plan.palette).toHaveLength(2);
});
