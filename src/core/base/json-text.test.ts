import { isShallow, JSON_DEPTH, parseJson, TooDeep } from './json-text';

const lists = (depth: number) => '['.repeat(depth) + ']'.repeat(depth);

test('JSON is read to a depth, and not a level deeper, however many levels there are', () => {
  expect(parseJson(lists(JSON_DEPTH))).toEqual(JSON.parse(lists(JSON_DEPTH)));
  for (const depth of [JSON_DEPTH + 1, 2_000, 1_000_000]) expect(() => parseJson(lists(depth))).toThrow(TooDeep);
  expect(() => parseJson('{"a":'.repeat(JSON_DEPTH + 1))).toThrow(TooDeep);
  expect(() => parseJson('[1,')).toThrow(SyntaxError);
});

test('brackets in strings are none, also behind quotes that a backslash takes away', () => {
  for (const text of ['['.repeat(200), `\\"${'{'.repeat(200)}`, '\\\\'])
    expect(parseJson(JSON.stringify({ text, more: [[text]] }))).toEqual({ text, more: [[text]] });
  // A string that ends in a backslash ends nevertheless.
  expect(() => parseJson(`["\\\\", ${lists(JSON_DEPTH)}]`)).toThrow(TooDeep);
  // Many beside each other are not deep.
  expect(parseJson(`[${Array(500).fill('[[]]').join()}]`)).toHaveLength(500);
});

test('a value is as shallow as its text', () => {
  expect([JSON_DEPTH, JSON_DEPTH + 1].map((depth) => isShallow(JSON.parse(lists(depth))))).toEqual([true, false]);
  expect(isShallow({ a: { b: 1 } }, 1)).toBe(false);
});
