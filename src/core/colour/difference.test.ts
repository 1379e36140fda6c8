import Color from 'colorjs.io';
import { ciede2000, deltaE2000, differences } from './difference';
import type { LabD65 } from './lab';

// The first, third and seventh pair of the test data of Sharma, Wu and Dalal (2005).
const PAIRS: readonly (readonly [LabD65, LabD65, number])[] = [
  [[50, 2.6772, -79.7751], [50, 0, -82.7485], 2.0425],
  [[50, 2.8361, -74.02], [50, 0, -82.7485], 3.4412],
  [[50, 0, 0], [50, -1, 2], 2.3669],
];

test('a list is compared each with each, both ways, and each with itself', () => {
  const labs = PAIRS.map(([one]) => one);
  const all = differences([...labs, PAIRS[2]![1]]);
  expect(all).toHaveLength(16);
  const table = [0, 1, 2, 3].map((row) => [...all.slice(row * 4, row * 4 + 4)]);
  expect(table.map((row, at) => row[at])).toEqual([0, 0, 0, 0]);
  for (const [row, column] of [
    [0, 1],
    [0, 2],
    [0, 3],
    [1, 2],
    [1, 3],
    [2, 3],
  ] as const) {
    const expected = ciede2000([...labs, PAIRS[2]![1]][row]!, [...labs, PAIRS[2]![1]][column]!);
    expect([table[row]![column], table[column]![row]]).toEqual([expected, expected]);
    expect(expected).toBeGreaterThan(1);
  }
  expect(table[2]![3]).toBeCloseTo(2.3669, 4);
});

test('a colour without hue is as far from another as the published pair, whichever comes first', () => {
  for (const [one, two, published] of PAIRS) {
    expect(ciede2000(one, two)).toBeCloseTo(published, 4);
    expect(ciede2000(two, one)).toBeCloseTo(published, 4);
  }
  // Black and white, and two greys: lightness alone.
  expect(deltaE2000('#000000', '#ffffff')).toBeCloseTo(100, 3);
  expect(deltaE2000('#808080', '#808080')).toBe(0);
});

test('opposite hues are as far apart as an independent library says, whichever side is taken (colorjs.io)', () => {
  for (let degrees = 3; degrees < 360; degrees += 7) {
    for (const off of [0.003, -0.003, 0.3, -0.3, 20.3, -20.3]) {
      const at = (angle: number, chroma: number): LabD65 => [
        50,
        chroma * Math.cos((angle * Math.PI) / 180),
        chroma * Math.sin((angle * Math.PI) / 180),
      ];
      const [one, two] = [at(degrees, 40), at(degrees + 180 + off, 60)];
      const other = new Color('lab', [...one]).deltaE(new Color('lab', [...two]), '2000');
      expect([degrees, off, ciede2000(one, two)]).toEqual([degrees, off, expect.closeTo(other, 6)]);
    }
  }
});
