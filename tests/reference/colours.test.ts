import { deltaE2000, deltaE76, deltaEOk } from '@/core/colour/difference';
import { bytesToOklch, hexToOklch, oklchToBytes, oklchToHex } from '@/core/colour/eight-bit';
import { labOf } from '@/core/colour/lab';
import { cmyk, notations } from '@/core/colour/notations';
import { readColour } from '@/core/colour/read';
// eslint-disable-next-line @typescript-eslint/ban-ts-comment -- the list ships without types
// @ts-ignore
import names from 'color-name';
import Color from 'colorjs.io';
import fc from 'fast-check';

const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);

test('all 148 named colours of CSS Color 4 (list: color-name)', () => {
  const list = Object.entries(names as Record<string, [number, number, number]>);
  expect(list).toHaveLength(148);
  for (const [name, rgb] of list) {
    expect([name, readColour(name)?.hex]).toEqual([name, `#${rgb.map((value) => value.toString(16).padStart(2, '0')).join('')}`]);
  }
});

test.each([
  // Worked examples of CSS Color 4, from memory; the linear one by its encoded form there, color(srgb 0.691 0.139 0.259).
  ['hsl(120deg 100% 25%)', '#008000'],
  ['hwb(150 20% 10%)', '#33e68c'],
  ['oklch(40.101% 0.12332 21.555)', '#7d2329'],
  ['lab(29.2345% 39.3825 20.0664)', '#7d2329'],
  ['lch(52.2345% 72.2 56.2)', '#c65d06'],
  ['color(srgb-linear 0.435 0.017 0.055)', '#b02342'],
  ['rgb(100% 0% 0% / 50%)', '#ff0000'],
  ['#0f08', '#00ff00'],
])('%s is %s', (css, expected) => {
  expect(readColour(css)?.hex).toBe(expected);
});

test.each([
  'color(',
  'rgb(1 2 3 / 5foo)',
  'hsl(1quux 2% 3%)',
  'https0/0/www.',
  '#12345',
  '#12',
  '162631',
  'notacolour',
  'rgb(1 2)',
  '',
  'url(x)',
  'oklch(a b c)',
])('%j is no colour', (text) => {
  expect(readColour(text)).toBeNull();
});

test('whatever is typed, it is a colour or none, and never a fault', () => {
  const piece = fc.constantFrom(
    'rgb(',
    'color(',
    'oklch(',
    'srgb',
    'none',
    ')',
    '/',
    ' ',
    ',',
    '1',
    '.5',
    '%',
    'deg',
    'foo',
    '-',
    '+',
    'e',
    '#',
    'fff',
    '0x',
  );
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 12 }), (pieces) => {
      const read = readColour(pieces.join(''));
      if (read) expect(read.hex).toMatch(/^#[0-9a-f]{6}$/);
    }),
    { numRuns: 5_000 },
  );
});

test('conversions agree with an independent library (colorjs.io)', () => {
  const channels = fc.tuple(
    fc.double({ min: 0.02, max: 0.98, noNaN: true }),
    fc.double({ min: 0, max: 0.37, noNaN: true }),
    fc.double({ min: 0, max: 360, noNaN: true }),
  );
  fc.assert(
    fc.property(channels, ([l, c, h]) => {
      const css = `oklch(${l.toFixed(4)} ${c.toFixed(4)} ${h.toFixed(2)})`;
      const other = new Color(css);
      const ours = readColour(css)!;
      const inside = other.inGamut('srgb', { epsilon: 1e-6 });
      expect(ours.clipped > 0).toBe(!inside);
      const expected = (inside ? other : other.toGamut({ space: 'srgb', method: 'css' })).to('srgb').coords;
      ours.rgb.forEach((channel, at) => expect(Math.abs(channel - expected[at]!)).toBeLessThan(1e-12));
    }),
    { numRuns: 300 },
  );
});

const numbersIn = (text: string) => text.match(/[\d.]+/g)!.map(Number) as [number, number, number];

test('every notation of an 8-bit colour reads back as that colour', () => {
  fc.assert(
    fc.property(hex, (value) => {
      for (const { id, text } of notations(readColour(value)!)) {
        if (id === 'integer') expect(Number(text)).toBe(parseInt(value.slice(1), 16));
        else if (id === 'hsv')
          expect(new Color('hsv', numbersIn(text)).to('srgb').toString({ format: 'hex', collapse: false })).toBe(value);
        else if (id === 'cmyk') expect(numbersIn(text).every((share) => share >= 0 && share <= 100)).toBe(true);
        else expect([id, readColour(text)?.hex]).toEqual([id, value]);
      }
    }),
    { numRuns: 500 },
  );
});

test('the short ways between 8 bits and OKLCH give what the long one gives (colorjs.io), and come back', () => {
  fc.assert(
    fc.property(
      fc.uint8Array({ minLength: 3, maxLength: 30 }).map((list) => list.slice(0, list.length - (list.length % 3))),
      (bytes) => {
        const oklch = new Float64Array(bytes.length);
        bytesToOklch(bytes, oklch);
        const back = new Uint8Array(bytes.length);
        oklchToBytes(oklch, back);
        expect(back).toEqual(bytes);
        const value = '#' + [...bytes.slice(0, 3)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
        const [l, c, h] = hexToOklch(value);
        expect(oklchToHex(l, c, h)).toBe(value);
        expect([...oklch.slice(0, 3)]).toEqual([l, c, h]);
        const other = new Color(value).to('oklch').coords as [number, number, number];
        expect(Math.abs(l - other[0])).toBeLessThan(1e-12);
        if (c > 0) expect(Math.abs(c - other[1])).toBeLessThan(1e-12);
        if (c > 0) expect(Math.abs(((h - other[2] + 540) % 360) - 180)).toBeLessThan(1e-8);
      },
    ),
  );
});

test('CMYK by subtraction: the corners of the cube and a dark orange, by hand', () => {
  expect(cmyk([0, 0, 0])).toEqual([0, 0, 0, 1]);
  expect(cmyk([1, 1, 1])).toEqual([0, 0, 0, 0]);
  expect(cmyk([0.5, 0.25, 0])).toEqual([0, 0.5, 1, 0.5]);
});

test('greys have neither chroma nor hue, and a component that is none counts as 0', () => {
  expect(readColour('oklch(0.5 none none)')!.oklch).toEqual([0.5, 0, 0]);
  expect(readColour('oklab(none 0.1 none)')!.oklch).toEqual([0, 0.1, 0]);
  expect(readColour('hsl(none 100% 50%)')!.hex).toBe('#ff0000');
  for (let value = 0; value < 256; value++) {
    const [, c, h] = readColour(`rgb(${value} ${value} ${value})`)!.oklch;
    expect([c, h]).toEqual([0, 0]);
  }
});

test('differences: equal is 0, and OKLab agrees with an independent library (colorjs.io)', () => {
  fc.assert(
    fc.property(hex, hex, (one, two) => {
      expect(deltaE2000(one, one)).toBe(0);
      expect(deltaEOk(one, two)).toBeCloseTo(new Color(one).deltaE(two, 'OK'), 4);
      expect(deltaE2000(one, two)).toBeCloseTo(deltaE2000(two, one), 6);
      // Its own ΔE of 1976 is under D50; on equal Lab the two are the same sum.
      const [lab, other] = [labOf(one), labOf(two)];
      expect(deltaE76(lab, other)).toBeCloseTo(
        new Color('lab-d65', [...lab]).distance(new Color('lab-d65', [...other]), 'lab-d65'),
        6,
      );
    }),
  );
});
