import fc from 'fast-check';
import { insertBefore, stretches, withoutIds } from './lists';

const list = (ids: number[]) => ids.map((id) => ({ id: `e${id}` }));
const lists = fc.uniqueArray(fc.nat(40), { maxLength: 20 }).map(list);
const choice = fc.infiniteStream(fc.boolean());

test('what is taken out in runs goes back to where it was, whatever was chosen', () => {
  fc.assert(
    fc.property(lists, choice, (entities, chosen) => {
      const ids = new Set(entities.filter(() => chosen.next().value).map(({ id }) => id));
      const rest = withoutIds(entities, ids);
      const back = stretches(entities, ids).reduce((current, run) => insertBefore(current, run.items, run.before), rest);
      expect(back).toEqual(entities);
    }),
  );
});

test('runs are neighbours: no fewer of them would do', () => {
  expect(stretches(list([1, 2, 3, 4, 5]), new Set(['e1', 'e2', 'e4']))).toEqual([
    { items: list([4]), before: 'e5' },
    { items: list([1, 2]), before: 'e3' },
  ]);
  expect(stretches(list([1, 2]), new Set(['e2']))).toEqual([{ items: list([2]), before: null }]);
});

test('a neighbour that is gone means the end', () => {
  expect(insertBefore(list([1, 2]), list([9]), 'e7')).toEqual(list([1, 2, 9]));
  expect(insertBefore(list([1, 2]), list([9]), null)).toEqual(list([1, 2, 9]));
  expect(insertBefore(list([1, 2]), list([9]), 'e1')).toEqual(list([9, 1, 2]));
});

test('lists given are never touched', () => {
  const given = Object.freeze(list([1, 2, 3])) as { id: string }[];
  insertBefore(given, list([4]), 'e2');
  withoutIds(given, new Set(['e1']));
  expect(given).toEqual(list([1, 2, 3]));
});
