import { catchOf } from '@/core/intake/catch';
import { certain, doubt, intakeOf, taken } from '@/core/intake/intake';
import { useCatch } from './catch-store';

const found = (...codes: string[]) => ({
  lines: catchOf(
    intakeOf('x', [{ name: 'P', kind: 'loose', entries: codes.map((css, at) => taken(certain(css), { line: at + 1 })) }]),
  ),
  problems: [],
});
const state = () => useCatch.getState();
beforeAll(() => {
  const disk = new Map<string, string>();
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => disk.get(key) ?? null,
      setItem: (key: string, value: string) => disk.set(key, value),
      removeItem: (key: string) => disk.delete(key),
    },
  });
});
beforeEach(() => state().clear());

test('a new source takes the last one’s place; further ones come below with places of their own', () => {
  state().replace('a.ase', found('#102030', '#203040'));
  state().append('b.gpl', found('#da452c'));
  expect([state().sources, state().lines.map(({ index }) => index), state().ticked]).toEqual([
    ['a.ase', 'b.gpl'],
    [0, 1, 2],
    [0, 1, 2],
  ]);
  state().rename(2, 'Buoy');
  state().replace('c.gpl', found('#ffffff'));
  expect([state().sources, state().lines.length, state().ticked, state().names]).toEqual([['c.gpl'], 1, [0], {}]);
});

test('lines are ticked and unticked, one or many', () => {
  state().replace('a', found('#102030', '#203040', '#da452c'));
  state().tick([0, 1], false);
  expect(state().ticked).toEqual([2]);
  state().tick([1, 2], true);
  expect([...state().ticked].sort()).toEqual([1, 2]);
});

test('a line goes where it is dragged, into that group; ticks, names and routes follow the lines', () => {
  const two = {
    lines: catchOf(
      intakeOf(
        'x',
        ['P', 'Q'].map((name) => ({
          name,
          kind: 'loose',
          entries: [1, 2].map((line) => taken(certain(`#${line}0203${name === 'P' ? 4 : 8}`), { line })),
        })),
      ),
    ),
    problems: [],
  };
  state().replace('a', two);
  state().tick([0], false);
  state().move(0, 2);
  const places = () => state().lines.map(({ index, palette }) => `${index}${palette}`);
  expect(places()).toEqual(['1P', '2Q', '0Q', '3Q']);
  state().move(3, 1);
  expect(places()).toEqual(['3P', '1P', '2Q', '0Q']);
  expect([...state().ticked].sort()).toEqual([1, 2, 3]);
  // Another file with the same palette's name stays apart.
  state().append('b', two);
  expect(new Set(state().lines.map(({ palette }) => palette))).toEqual(new Set(['P', 'Q', 'P 2', 'Q 2']));
  expect(
    state()
      .lines.map(({ source }) => source)
      .join(''),
  ).toBe('aaaabbbb');
});

test('where one group goes, the next in its place goes too; a name given stays with its source', () => {
  state().replace('the shelf', found('#102030'));
  state().send('P', { to: 'replace', palette: 'core' });
  state().replace('the shelf', { ...found('#203040'), lines: found('#203040').lines.map((line) => ({ ...line, palette: 'Q' })) });
  expect(state().routes).toEqual({ Q: { to: 'replace', palette: 'core' } });
  state().replace('a', found('#102030'));
  state().send('P', { to: 'new', name: 'Mine' });
  state().replace('a', found('#203040'));
  expect(state().routes).toEqual({ P: { to: 'new', name: 'Mine' } });
  state().replace('b', found('#203040'));
  expect(state().routes).toEqual({});
});

test('the text stays as it was typed while its colours come and go', () => {
  state().setText('#102030');
  state().replace('the text', found('#102030'));
  expect(state().text).toBe('#102030');
  state().clear();
  expect(state().text).toBe('');
});

test('an ambiguous code is read the other way, and back', () => {
  const other = certain('#801f6f78');
  const entry = taken(certain('#1f6f7880'), { line: 1, doubts: [doubt('ambiguous', 'Either.')], other });
  state().replace('a', { lines: catchOf(intakeOf('x', [{ name: 'P', kind: 'loose', entries: [entry] }])), problems: [] });
  state().readOtherwise(0);
  const [line] = state().lines;
  expect([line!.colour!.css, line!.colour!.hex, line!.other!.css]).toEqual(['#801f6f78', '#801f6f', '#1f6f7880']);
  state().readOtherwise(0);
  expect(state().lines[0]!.colour!.hex).toBe('#1f6f78');
});

test('the catch comes back from the disk, unless it is so large that writing it would be felt', async () => {
  state().replace('a', found('#102030'));
  useCatch.setState({ lines: [] }, false);
  state().replace('a', found('#102030'));
  await useCatch.persist.rehydrate();
  expect(state().lines).toHaveLength(1);
  state().replace('large', found(...Array.from({ length: 2_001 }, (_, at) => `#${at.toString(16).padStart(6, '0')}`)));
  await useCatch.persist.rehydrate();
  expect(state().lines).toHaveLength(0);
});
