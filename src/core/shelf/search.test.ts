import { colourOf, searchShelf, type ShelfQuery } from './search';
import { STARTERS } from './starters';

const search = (query: Partial<ShelfQuery>) =>
  searchShelf(STARTERS, { text: '', kind: null, sort: 'use', uses: new Map(), ...query });
const names = (query: Partial<ShelfQuery>) => search(query).map(({ palette }) => palette.name);

test('by words of name and tags, all of them, and by kind', () => {
  expect(names({ text: 'HARBOUR fl' })).toEqual(['Harbour flags']);
  expect(names({ text: 'dark ground, heat' })).toEqual(['Cast iron']);
  for (const { palette } of search({ kind: 'game' })) expect(palette.kind).toBe('game');
  expect(names({ text: 'no such thing' })).toEqual([]);
  expect(names({})).toHaveLength(STARTERS.length);
});

test('by colour: the nearest first, with its place and distance, however the colour is written', () => {
  const wanted = STARTERS.find(({ name }) => name === 'Kiln')!.colours[4]!.value;
  for (const text of [wanted, `near ${wanted}`, wanted.slice(1), ` Near ${wanted.toUpperCase()} `]) {
    const [first, ...others] = search({ text });
    expect([first!.palette.name, first!.near]).toEqual(['Kiln', { at: 4, distance: 0 }]);
    for (const { near } of others) expect(near!.distance).toBeLessThanOrEqual(12);
    const distances = others.map(({ near }) => near!.distance);
    expect(distances).toEqual([...distances].sort((one, two) => one - two));
  }
  // A word that is a colour's name finds what is called so as well.
  expect(names({ text: 'teal' })).toEqual(expect.arrayContaining(['Teal and rust', 'Estuary']));
  expect([colourOf('teal'), colourOf('1f6f78'), colourOf('decade'), colourOf('123456'), colourOf('')]).toEqual([
    '#008080',
    '#1f6f78',
    null,
    '#123456',
    null,
  ]);
});

test('by use, the most used first; or by name', () => {
  const uses = new Map([
    ['kiln', 3],
    ['tram-map', 5],
  ]);
  expect(names({ uses }).slice(0, 3)).toEqual(['Tram map', 'Kiln', 'Harbour flags']);
  expect(names({ sort: 'name' })[0]).toBe('Allotment');
});
