import fc from 'fast-check';
import { uniqueNames } from './unique-names';

test('a name that is there gets the next free number, without regard to case where that is asked', () => {
  const unique = uniqueNames(['Pier', 'Pier 3']);
  expect(['Pier', 'pier', 'Pier', 'Pier 2', 'Quay'].map(unique)).toEqual(['Pier 2', 'pier', 'Pier 4', 'Pier 2 2', 'Quay']);
  const folded = uniqueNames(
    ['PIER'],
    (name, number) => `${name}-${number}`,
    (name) => name.toLowerCase(),
  );
  expect(['Pier', 'pier'].map(folded)).toEqual(['Pier-2', 'pier-3']);
});

test('whatever is wanted, no two are alike', () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom('a', 'a 2', 'a 2 2', 'b')), (wanted) => {
      const names = wanted.map(uniqueNames(['a']));
      expect(new Set(['a', ...names]).size).toBe(names.length + 1);
    }),
  );
});
