import { readPicture } from './read-picture';
import type { ThemeColours } from './match';

const theme = (identifier: string, ...colours: string[]): ThemeColours => ({
  name: identifier,
  identifier,
  colours: new Map(colours.map((colour, at) => [`t${at}`, colour])),
});
/** Pixels of colours, each so often. */
function picture(...runs: [number, number, number, number, number][]) {
  const data = runs.flatMap(([count, ...rgba]) => Array.from({ length: count }, () => rgba).flat());
  return { width: data.length / 4, height: 1, data: Uint8Array.from(data) };
}

test('the colours that cover enough of a screenshot, in the theme that most of it is of', () => {
  const shot = picture([7_000, 221, 240, 238, 255], [2_995, 0, 104, 113, 255], [5, 9, 9, 9, 255], [400, 0, 0, 0, 0]);
  const read = readPicture(shot, [theme('night', '#006871', '#000000'), theme('day', '#ddf0ee', '#006871')])!;
  expect(read.theme).toBe('day');
  expect(read.seen.map(({ colour, share }) => [colour, share])).toEqual([
    ['#ddf0ee', 0.7],
    ['#006871', 0.2995],
  ]);
  expect(readPicture(picture([9, 1, 2, 3, 0]), [theme('day', '#ddf0ee')])).toBeNull();
});
