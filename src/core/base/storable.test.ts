import { isStorable, shortened } from './storable';

test.each([
  ['', true],
  ['Fähre 🚢\n', true],
  ['\0', false],
  ['\ud83d', false],
  ['\ude00x', false],
  ['\ud83d\ude00', true],
  [{ a: [{ b: 'x\ud83d' }] }, false],
  [{ 'key\0': 1 }, false],
  [{ a: [1, null, true, 'x'] }, true],
])('%j', (value, storable) => {
  expect(isStorable(value)).toBe(storable);
});

test('a text is cut before a character of two halves, not within it', () => {
  expect(shortened('ab🚢', 3)).toBe('ab');
  expect(shortened('ab🚢', 4)).toBe('ab🚢');
  expect(shortened('abcd', 3)).toBe('abc');
});
