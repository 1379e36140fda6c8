import { firstTile, tileAt, tileCount, tilePlace, tilesBetween, type Tiled } from './tiles';

const sheet = (width: number, height: number) => ({ picture: '1'.repeat(64), name: 'a.png', width, height });
/** Three by two tiles with a margin and a gap, then two by one. */
const art: Tiled = { sheets: [sheet(16, 11), sheet(11, 6)], grid: { width: 4, height: 4, margin: 1, spacing: 1 } };

test('tiles are numbered through all sheets, row by row', () => {
  const places = Array.from({ length: 9 }, (_, tile) => tilePlace(art, tile));
  expect(places.map((place) => place && [place.sheet, place.area.x, place.area.y])).toEqual([
    [0, 1, 1],
    [0, 6, 1],
    [0, 11, 1],
    [0, 1, 6],
    [0, 6, 6],
    [0, 11, 6],
    [1, 1, 1],
    [1, 6, 1],
    null,
  ]);
  expect([firstTile(art, 1), tileCount(art)]).toEqual([6, 8]);
});

test('every pixel of a tile leads to it, and no other pixel does', () => {
  for (const [at, size] of art.sheets.entries()) {
    const found = new Map<number, number>();
    for (let y = -1; y <= size.height; y++) {
      for (let x = -1; x <= size.width; x++) {
        const tile = tileAt(art, at, x + 0.5, y + 0.5);
        if (tile === null) continue;
        found.set(tile, (found.get(tile) ?? 0) + 1);
        const { area } = tilePlace(art, tile)!;
        expect([x >= area.x && x < area.x + 4, y >= area.y && y < area.y + 4]).toEqual([true, true]);
      }
    }
    expect([...found.values()]).toEqual(Array.from(found, () => 16));
    expect(found.size).toBe(at === 0 ? 6 : 2);
  }
});

test('two tiles span a rectangle, whichever comes first', () => {
  expect(tilesBetween(art, 0, 4, 2, 9)).toEqual([1, 2, 4, 5]);
  expect(tilesBetween(art, 0, 2, 4, 9)).toEqual([1, 2, 4, 5]);
  expect(tilesBetween(art, 1, 7, 6, 9)).toEqual([6, 7]);
  expect(tilesBetween(art, 0, 0, 5, 5)).toBeNull();
});
