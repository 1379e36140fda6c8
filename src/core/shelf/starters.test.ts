import { deltaE2000 } from '../colour/difference';
import { readColour } from '../colour/read';
import { ShelfPalette, type ShelfKind } from './shelf-palette';
import { STARTERS } from './starters';

const of = (kind: ShelfKind) => STARTERS.filter((palette) => palette.kind === kind);
const lightness = ({ colours }: ShelfPalette) => colours.map(({ value }) => readColour(value)!.oklch[0]);
const steps = (values: readonly number[]) => values.slice(1).map((value, at) => value - values[at]!);
const closest = ({ colours }: ShelfPalette) =>
  Math.min(...colours.flatMap((one, at) => colours.slice(0, at).map((two) => deltaE2000(one.value, two.value))));

test('more than sixty, of every kind, each with a name, a maker and tags of its own', () => {
  expect(STARTERS.length).toBeGreaterThanOrEqual(60);
  for (const kind of ['categorical', 'sequential', 'diverging', 'interface', 'game'] as const)
    expect(of(kind).length).toBeGreaterThanOrEqual(10);
  expect(new Set(STARTERS.map(({ id }) => id)).size).toBe(STARTERS.length);
  for (const palette of STARTERS) {
    expect(ShelfPalette.parse(palette)).toEqual(palette);
    expect(palette.tags.length).toBeGreaterThan(0);
  }
});

test('categories are told apart, games have no colour twice', () => {
  // Ten times what can be told side by side; for the smallest depth of shading three times.
  for (const palette of of('categorical')) expect([palette.name, closest(palette) > 10]).toEqual([palette.name, true]);
  for (const palette of of('game')) expect([palette.name, closest(palette) > 3]).toEqual([palette.name, true]);
});

test('sequences climb by even steps of lightness, and never turn back', () => {
  for (const palette of of('sequential')) {
    const climbs = steps(lightness(palette)).map(Math.abs);
    expect(new Set(steps(lightness(palette)).map(Math.sign)).size).toBe(1);
    // Bringing a colour into sRGB and rounding it to eight bits move it a little.
    expect(Math.max(...climbs) / Math.min(...climbs)).toBeLessThan(1.25);
  }
});

test('both arms of a diverging palette are as far from the middle in lightness, and of other hues', () => {
  for (const palette of of('diverging')) {
    const values = lightness(palette);
    values.forEach((value, at) => expect(Math.abs(value - values[values.length - 1 - at]!)).toBeLessThan(0.03));
    const [first, last] = [palette.colours[0]!, palette.colours.at(-1)!].map(({ value }) => readColour(value)!.oklch[2]);
    expect(Math.abs(((first! - last! + 540) % 360) - 180)).toBeGreaterThan(60);
  }
});

test('game palettes have the depths that games use', () => {
  const depths = new Set(of('game').map(({ colours }) => colours.length));
  expect([...depths].sort((one, two) => one - two)).toEqual([4, 16, 32, 64, 128]);
});

test('a shade ladder runs 50, 100 to 900 from light to dark', () => {
  for (const palette of of('interface').filter(({ tags }) => tags.includes('shades'))) {
    expect(palette.colours.map(({ name }) => name).join(' ')).toBe('50 100 200 300 400 500 600 700 800 900');
    expect(steps(lightness(palette)).every((step) => step < 0)).toBe(true);
  }
});
