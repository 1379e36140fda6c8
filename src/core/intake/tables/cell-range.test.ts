import fc from 'fast-check';
import { columnName, readRange, writeRange } from './cell-range';

test('ranges as spreadsheets write them, corners in any order', () => {
  expect(readRange('B2:I8')).toEqual({ sheet: null, top: 2, left: 2, bottom: 8, right: 9 });
  expect(readRange(' $i$8:b2 ')).toEqual(readRange('B2:I8'));
  expect(readRange("'House colours'!A1")).toEqual({ sheet: 'House colours', top: 1, left: 1, bottom: 1, right: 1 });
  expect(readRange("'It''s'!A1")!.sheet).toBe("It's");
  expect([1, 26, 27, 702, 703].map(columnName)).toEqual(['A', 'Z', 'AA', 'ZZ', 'AAA']);
  for (const wrong of ['', 'B', '2', 'B0', 'B2:', 'B2:I', '!A1', "'x!A1", 'ABCD1']) expect(readRange(wrong)).toBeNull();
});

test('what is written is read again', () => {
  const place = fc.tuple(fc.integer({ min: 1, max: 9_999 }), fc.integer({ min: 1, max: 16_384 }));
  const name = fc.option(fc.string({ minLength: 1, maxLength: 31 }).filter((text) => text.trim() === text));
  fc.assert(
    fc.property(place, place, name, ([top, left], [height, width], sheet) => {
      const range = { sheet, top, left, bottom: Math.min(9_999_999, top + height), right: Math.min(17_000, left + width) };
      expect(readRange(writeRange(range))).toEqual(range);
    }),
  );
});
