import { contrastRatio, flatten, inkOn, nearestPassing } from './contrast';
import { readColour } from './read';

const read = (css: string) => readColour(css)!;

test.each([
  // Compositing and Blending 1, "source over": 128 of 255 parts of the one, 127 of the other.
  ['#ff000080', '#ffffff', '#ff7f7f'],
  ['#00000040', '#ffffff', '#bfbfbf'],
  ['#ffffff00', '#123456', '#123456'],
  ['#ffffff', '#123456', '#ffffff'],
])('%s over %s is shown as %s, and has the contrast of that', (text, ground, shown) => {
  expect(flatten(read(text), read(ground))).toBe(shown);
  expect(contrastRatio(read(text), read(ground))).toBe(contrastRatio(read(shown), read(ground)));
});

test.each([
  // WCAG 2.2: black on #757575 has 4.56 to 1 and white 4.61; on #767676 black has 4.62 and white 4.54.
  ['#757575', '#ffffff'],
  ['#767676', '#000000'],
  ['#000000', '#ffffff'],
  ['#ffffff', '#000000'],
  ['#0000ff', '#ffffff'],
  ['#ffff00', '#000000'],
])('a label on %s is set in %s', (colour, ink) => {
  expect(inkOn(read(colour))).toBe(ink);
});

test.each([
  // The darkest and lightest greys at 4.5 to 1 are common practice: #767676 on white, #757575 on black is 4.56.
  ['#999999', ['#ffffff'], 4.5, '#767676'],
  ['#333333', ['#000000'], 4.5, '#757575'],
  ['#767676', ['#ffffff'], 4.5, '#767676'],
  ['#000000', ['#ffffff'], 21, '#000000'],
  ['#808080', ['#ffffff'], 21, '#000000'],
  ['#808080', ['#000000'], 21, '#ffffff'],
  // No grey is far enough from both ends, nor anything 8 to 1 from the middle.
  ['#808080', ['#000000', '#ffffff'], 5, null],
  ['#808080', ['#777777'], 8, null],
])('the nearest to %s that has on %j %d to 1 is %s', (text, grounds, needed, expected) => {
  expect(nearestPassing(read(text), grounds.map(read), needed)?.hex ?? null).toBe(expected);
});
