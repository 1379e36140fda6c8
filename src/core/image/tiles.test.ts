import { guessGrid, tileArea, tilesOf } from './tile-grid';
import { isEmpty, repeats } from './tile-repeats';

/** A sheet of tiles, each drawn by a function of its number and the place in it; `ground` fills margin and spacing. */
function sheet(
  across: number,
  down: number,
  tile: number,
  margin: number,
  spacing: number,
  ground: number,
  draw: (at: number, x: number, y: number) => number,
) {
  const side = (count: number) => 2 * margin + count * tile + (count - 1) * spacing;
  const [width, height] = [side(across), side(down)];
  const words = new Uint32Array(width * height).fill(ground);
  for (let at = 0; at < across * down; at++) {
    const { x, y } = tileArea(at, across, { width: tile, height: tile, margin, spacing });
    for (let row = 0; row < tile; row++)
      for (let column = 0; column < tile; column++) words[(y + row) * width + x + column] = draw(at, column, row);
  }
  return { width, height, data: new Uint8Array(words.buffer) };
}
const noisy = (at: number, x: number, y: number) => (0xff000000 | ((at * 7_919 + x * 31 + y * 17) * 2_654_435_761)) >>> 0;

test.each([
  [16, 0, 1, 0],
  [16, 1, 1, 0xff202020],
  [24, 2, 2, 0xffff00ff],
  [32, 0, 4, 0],
])('tiles of %i with a margin of %i and a spacing of %i are told from the picture', (tile, margin, spacing, ground) => {
  expect(guessGrid(sheet(6, 4, tile, margin, spacing, ground, noisy))).toEqual({ width: tile, height: tile, margin, spacing });
});

test('tiles that their sprites do not fill are told by their usual size', () => {
  const inset = (at: number, x: number, y: number) => (x > 3 && x < 12 && y > 2 ? noisy(at, x, y) : 0);
  expect(guessGrid(sheet(4, 2, 16, 1, 1, 0, inset))).toEqual({ width: 16, height: 16, margin: 1, spacing: 1 });
});

test.each([16, 32])('tiles of %i without spacing are told by where most changes', (tile) => {
  const flat = sheet(8, 4, tile, 0, 0, 0, (at, x, y) =>
    x > 2 && x < tile - 3 && y > 2 && y < tile - 3 ? 0xff000000 | (at * 4_099) : 0xff102030 + (at % 5) * 9 + (at >> 3),
  );
  expect(guessGrid(flat)).toEqual({ width: tile, height: tile, margin: 0, spacing: 0 });
});

test('a sheet that its tiles do not fill says what is left over', () => {
  const grid = { width: 16, height: 16, margin: 0, spacing: 0 };
  expect(tilesOf({ width: 70, height: 32 }, grid)).toEqual({ across: 4, down: 2, restRight: 6, restBelow: 0 });
  expect(tilesOf({ width: 10, height: 10 }, grid)).toEqual({ across: 0, down: 0, restRight: 10, restBelow: 10 });
  expect(tileArea(5, 4, { width: 16, height: 8, margin: 1, spacing: 2 })).toEqual({ x: 19, y: 11, width: 16, height: 8 });
});

test('repeats are found as they are and turned over, and only where every pixel is equal', () => {
  const turned = (at: number, x: number, y: number) => {
    const [across, down] = [
      [x, y],
      [x, y],
      [7 - x, y],
      [x, 7 - y],
      [7 - x, 7 - y],
      [x, y],
    ][at]!;
    return at === 5 && x === 3 && y === 3 ? 0xff00ff00 : 0xff000000 | (across! * 16 + down! * 3);
  };
  const picture = sheet(6, 1, 8, 0, 0, 0, turned);
  const areas = Array.from({ length: 6 }, (_, at) => tileArea(at, 6, { width: 8, height: 8, margin: 0, spacing: 0 }));
  expect(repeats(picture, areas)).toEqual([
    null,
    { of: 0, flip: 'none' },
    { of: 0, flip: 'x' },
    { of: 0, flip: 'y' },
    { of: 0, flip: 'both' },
    null,
  ]);
  expect(isEmpty({ ...picture, data: picture.data.map((value, at) => (at % 4 === 3 ? 0 : value)) }, areas[0]!)).toBe(true);
  expect(isEmpty(picture, areas[0]!)).toBe(false);
});
