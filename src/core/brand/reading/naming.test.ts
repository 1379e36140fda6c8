import { fewTokens } from '../../../../tests/few-tokens';
import { clashes, named } from './naming';
import { followedOptions } from '../tools/token-options';
import { likelyRole } from './token-role';

test.each([
  ['text.onHeader', 'text.on-header', 'text.onHeader', 'text.on.header'],
  ['text.on_header-bar', 'text.on-header-bar', 'text.onHeaderBar', 'text.on.header.bar'],
  ['Surface.Page2X', 'surface.page2-x', 'surface.page2X', 'surface.page2.x'],
  ['größe.überMaß', 'größe.über-maß', 'größe.überMaß', 'größe.über.maß'],
  ['sea-state.0', 'sea-state.0', 'seaState.0', 'sea.state.0'],
])('%s in each convention', (path, kebab, camel, dots) => {
  expect([named(path, 'kebab'), named(path, 'camel'), named(path, 'dots')]).toEqual([kebab, camel, dots]);
  expect(named(kebab, 'kebab')).toBe(kebab);
});

test('paths that differ only in capitals or separators are found', () => {
  const found = clashes(
    fewTokens({ 'text.soft': '#111', 'Text.soft': '#111', 'text-soft': '#111', 'text.softer': '#111', textSoft: '#111' }).tokens,
  );
  expect(found.map(({ one, two, by }) => `${one.path} ${two.path} ${by}`)).toEqual([
    'text.soft Text.soft case',
    'text.soft text-soft separators',
    'text.soft textSoft separators',
  ]);
});

test('renaming follows into the options that speak of paths, and into no others', () => {
  const follow = (path: string) => (path === 'a' ? 'b' : undefined);
  expect(followedOptions({ group: 'a', prefix: 'a', without: ['a', 'c'], dk1: 'a' }, follow)).toEqual({
    group: 'b',
    prefix: 'a',
    without: ['b', 'c'],
    dk1: 'b',
  });
  expect(followedOptions({ group: 'c', prefix: 'a', without: ['c'], order: 'a' }, follow)).toBeNull();
  expect([followedOptions({ without: 'a' }, follow), followedOptions({ group: ['a'] }, follow)]).toEqual([null, null]);
});

test('the words of a path say its likely role', () => {
  const role = {
    'Surface.page': 'surface',
    'background.x': 'surface',
    'text.a': 'text',
    'border.a': 'border',
    'accent.a': 'accent',
    'brand.a': 'accent',
    'action.a': 'state',
    'state.a': 'state',
    'status.a': 'status',
    'data.a': 'data',
    'route.a': 'data',
    'series.a': 'data',
    'my.text': 'text',
    'button.link': 'text',
    'nav.on-accent': 'text',
    'nav.onAccent': 'text',
    'nav.on.accent': 'text',
    'button.hover': 'state',
    'text.hover': 'text',
    'card.fill': 'surface',
    cardOutline: 'border',
    'nav.icon': 'accent',
    'toast.error': 'status',
    'my.thing': 'other',
    constructor: 'other',
  };
  expect(Object.fromEntries(Object.keys(role).map((path) => [path, likelyRole(path)]))).toEqual(role);
});
