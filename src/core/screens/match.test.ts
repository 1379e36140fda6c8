import { matchOf, type ThemeColours } from './match';
import type { Seen } from './screen';

const theme = (colours: Record<string, string>): ThemeColours => ({
  name: 'Day',
  identifier: 'day',
  colours: new Map(Object.entries(colours)),
});
const day = theme({ page: '#ddf0ee', text: '#162631', link: '#006871', rule: '#162631' });
const seen = (colour: string, token?: string, more: Partial<Seen> = {}): Seen => ({
  colour,
  ...(token !== undefined && { token }),
  share: 0.1,
  where: `color of ${colour}`,
  state: 'rest',
  ...more,
});
const plain = { runs: null, isEdited: false };
const told = (
  ...[found, circumstances = plain]: [readonly Seen[], { runs: ReadonlyMap<string, string> | null; isEdited: boolean }?]
) => {
  const { cells, strays } = matchOf(day, found, circumstances);
  return {
    cells: Object.fromEntries(
      [...cells].map(([token, { same, found: colour, why }]) => [token, same ? 'same' : `${colour}, ${why}`]),
    ),
    strays: strays.map(({ found: colour, nearest, places }) => `${colour} near ${nearest}, ${places}`),
  };
};

test.each<[string, Seen[], { runs: ReadonlyMap<string, string> | null; isEdited: boolean }, string]>([
  ['what a screen says is held against that token', [seen('#006871', 'link')], plain, 'same'],
  ['another colour', [seen('#db5d2c', 'link')], plain, '#db5d2c, another colour'],
  ['so near that rounding explains it', [seen('#006971', 'link')], plain, '#006971, precision lost'],
  ['opacity is seen', [seen('#00687180', 'link')], plain, '#00687180, another colour'],
  [
    'what an earlier release says',
    [seen('#0a5f60', 'link')],
    { runs: new Map([['link', '#0a5f60']]), isEdited: true },
    '#0a5f60, older release',
  ],
  [
    'edited by hand',
    [seen('#0a5f61', 'link')],
    { runs: new Map([['link', '#0a5f60']]), isEdited: true },
    '#0a5f61, edited by hand',
  ],
  [
    'of what the earlier release knows nothing',
    [seen('#db5d2c', 'link')],
    { runs: new Map(), isEdited: false },
    '#db5d2c, older release',
  ],
  ['different in one place is different', [seen('#006871', 'link'), seen('#000000', 'link')], plain, '#000000, another colour'],
])('%s', (_what, found, circumstances, wanted) => {
  expect(told(found, circumstances)).toEqual({ cells: { link: wanted }, strays: [] });
});

test('where a screen does not say, a colour is every token’s that has it, one near a token that is nowhere else is taken for it, and the rest is nobody’s', () => {
  expect(told([seen('#162631'), seen('#006b75'), seen('#ff00aa'), seen('#ff00aa', undefined, { state: 'hover' })])).toEqual({
    cells: { text: 'same', rule: 'same', link: '#006b75, another colour' },
    strays: ['#ff00aa near text, 2'],
  });
  // The link stands elsewhere as it should, so this is hardly meant to be it.
  expect(told([seen('#006871'), seen('#006b75')])).toEqual({ cells: { link: 'same' }, strays: ['#006b75 near link, 1'] });
  expect(told([seen('#006871', 'gone')])).toEqual({ cells: {}, strays: [] });
});
