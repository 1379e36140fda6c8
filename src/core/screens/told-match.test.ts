import { fewTokens } from '../../../tests/few-tokens';
import { csvOf } from './match-csv';
import { matchHtml } from './match-html';
import { ToldMatch, type Reading, type Screen, type Seen } from './screen';
import { toldMatch, wholeTable, type WatchedRelease } from './told-match';

const then = fewTokens({ page: ['#ffffff', '#101010'], text: ['#162631', '#f0f0f0'], rule: '#cccccc' });
const brand = fewTokens({ page: ['#ddf0ee', '#101010'], text: ['#162631', '#f0f0f0'], rule: '#cccccc' });
const seen = (token: string, colour: string): Seen => ({ token, colour, share: 0.1, where: `color of ${token}`, state: 'rest' });
const screen = (name: string, more: Partial<Screen> = {}): Screen => ({
  ...{ id: name, name, kind: { is: 'page', address: 'https://quay.example/' }, held: null, edited: [], edition: '' },
  ...{ fetched: null, readAt: '2026-12-01T10:00:00.000Z' },
  ...more,
});
const reading = (theme: string, release: number, ...all: Seen[]): Reading => ({ theme, release, seen: all });

/** A site that is as it should be in one theme and has a colour of its own, a board that is behind, and one that nobody has read. */
const watched: WatchedRelease = {
  brand,
  release: 2,
  documents: new Map([
    [1, then],
    [2, brand],
  ]),
  read: [
    {
      screen: screen('=Site <b>'),
      readings: [
        reading('day', 2, seen('page', '#ddf0ee'), { ...seen('', '#aa00ff'), token: undefined! }),
        reading('night', 2, seen('text', '#0f0f0f')),
      ],
    },
    { screen: screen('Board', { held: 1 }), readings: [reading('day', 1, seen('page', '#ffffff'), seen('text', '#162631'))] },
    { screen: screen('Kiosk', { readAt: null }), readings: [] },
  ],
};

test('what differs is told cell by cell with its reason, with the figure and each screen’s release', () => {
  const told = toldMatch(watched);
  expect(ToldMatch.parse(told)).toEqual(told);
  expect([told.identical, told.same, told.used]).toEqual([false, 0, 2]);
  expect(
    told.differing.map(({ token, screen: on, theme, wanted, found, why }) => [token, on, theme, wanted, found, why]),
  ).toEqual([
    ['page', 'Board', 'Day', '#ddf0ee', '#ffffff', 'older release'],
    ['text', '=Site <b>', 'Night', '#f0f0f0', '#0f0f0f', 'another colour'],
  ]);
  expect(told.strays).toMatchObject([{ screen: '=Site <b>', theme: 'Day', found: '#aa00ff', share: 0.1 }]);
  expect(told.screens.map(({ name, release }) => [name, release])).toEqual([
    ['=Site <b>', 2],
    ['Board', 1],
    ['Kiosk', null],
  ]);
});

test('on paper names are text and nothing else, and the figure, the differences and the reasons stand there', () => {
  const html = matchHtml(watched, '', '1 December 2026');
  expect(html).not.toContain('<b>');
  expect(html).toContain('0 of 2 colours are identical on every screen');
  expect(html).toContain('=Site &#60;b&#62; (release 2), Board (release 1, held), Kiosk (not read)');
  expect(html).toMatch(/Day: wanted <code>#ddf0ee<\/code>, ΔE [\d.]+; older release/);
  expect(html).toContain('One token is on none of these screens.');
});

test('as CSV it has a line for each token on each screen in each theme, and no formulas', () => {
  const lines = csvOf(
    wholeTable(watched),
    watched.read.map((one) => one.screen),
  ).split('\n');
  expect(lines).toHaveLength(6);
  expect(lines.find((line) => line.startsWith('text,'))).toMatch(/^text,"'=Site <b>",Night,#f0f0f0,#0f0f0f,/);
});
