import { inMood, insertAt, keepAt, resize, rollAgain, rollSheet, type RollSheet } from './roll-sheet';

const mood = { lightness: 0.62, chroma: 0.7, spread: 0.8 };
const first = rollSheet(1, mood, Array<null>(5).fill(null));
const sets = ({ strips }: RollSheet) => strips.map(({ colours }) => colours);

test('a sheet holds several strips, none like another, and the next has none of them', () => {
  const all = [...sets(first), ...sets(rollAgain(first))].map((colours) => colours.join());
  expect([all.length, new Set(all).size]).toEqual([12, 12]);
});

test('what is kept is in every strip, through further rolls and other moods, until it is let go', () => {
  const chosen = first.strips[3]!.colours[1]!;
  const kept = keepAt(first, 1, chosen);
  for (const sheet of [kept, rollAgain(kept), inMood(kept, { ...mood, lightness: 0.3 })]) {
    expect(sets(sheet).map((colours) => colours[1])).toEqual(Array(6).fill(chosen));
  }
  // The rest of what was there to compare stays.
  expect(sets(kept).map((colours) => colours.toSpliced(1, 1))).toEqual(sets(first).map((colours) => colours.toSpliced(1, 1)));
  const free = keepAt(kept, 1, null);
  expect(sets(free)).toEqual(sets(kept));
  expect(new Set(sets(rollAgain(free)).map((colours) => colours[1])).size).toBe(6);
});

test('a place put between, more places and fewer leave the colours that were there', () => {
  const more = insertAt(first, 2);
  expect(sets(more).map((colours) => colours.toSpliced(2, 1))).toEqual(sets(first));
  expect(more.kept).toHaveLength(6);
  expect(sets(resize(first, 8)).map((colours) => colours.slice(0, 5))).toEqual(sets(first));
  expect(sets(resize(first, 8))[0]).toHaveLength(8);
  expect(sets(resize(first, 3))).toEqual(sets(first).map((colours) => colours.slice(0, 3)));
});
