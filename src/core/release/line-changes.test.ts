import { lineChanges } from './line-changes';

test.each([
  ['a\nb\nc', 'a\nB\nc', 1, 1],
  ['a\nb\nc', 'c\na\nb', 0, 0],
  ['a\na', 'a\na\na', 1, 0],
  ['', 'a', 1, 1],
  ['a\nb', 'a', 0, 1],
])('of %j and %j so many lines are new and gone', (before, after, added, gone) => {
  expect(lineChanges(before, after)).toEqual({ added, gone });
});
