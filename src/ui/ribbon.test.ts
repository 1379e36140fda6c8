import { flatten, inkOn } from '@/core/colour/contrast';
import { readColour } from '@/core/colour/read';
import { ribbon } from './ribbon';

const bands = (values: string[]) =>
  [...ribbon(values).matchAll(/(#[0-9a-f]{6}) ([\d.]+)% ([\d.]+)%/g)].map(([, hex, from, to]) => ({
    hex,
    from: Number(from),
    to: Number(to),
  }));

test('colours stand side by side in equal bands without gaps', () => {
  const found = bands(['#162631', 'teal', 'oklch(1 0 0)']);
  expect(found.map(({ hex }) => hex)).toEqual(['#162631', '#008080', '#ffffff']);
  expect(found[0]!.from).toBe(0);
  expect(found.at(-1)!.to).toBe(100);
  found.slice(1).forEach((band, at) => {
    expect(band.from).toBe(found[at]!.to);
    expect(band.to - band.from).toBeCloseTo(100 / 3, 2);
  });
});

test('a large palette is thinned out evenly, an empty one hatched', () => {
  const grey = (n: number) => `rgb(${n % 256} ${n % 256} ${n % 256})`;
  const found = bands(Array.from({ length: 10_000 }, (_, n) => grey(n)));
  expect(found.length).toBeGreaterThan(100);
  expect(found.length).toBeLessThan(300);
  expect(ribbon([])).toMatch(/^repeating-linear-gradient/);
});

test.each([
  ['#ffffff', '#000000'],
  ['#000000', '#ffffff'],
  ['#f0bb3b', '#000000'],
  ['#003a72', '#ffffff'],
  ['#777777', '#000000'],
])('words on %s are %s', (ground, ink) => {
  expect(inkOn(readColour(ground)!)).toBe(ink);
});

test.each([
  ['rgb(0 0 0 / 50%)', '#ffffff', '#808080'],
  ['rgb(255 0 0 / 0%)', '#123456', '#123456'],
  ['#abcdef', '#000000', '#abcdef'],
])('%s over %s is shown as %s', (top, under, shown) => {
  expect(flatten(readColour(top)!, readColour(under)!)).toBe(shown);
});
