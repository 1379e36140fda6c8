import { changedToken, fewTokens } from '../../../../tests/few-tokens';
import { componentTokens } from './component-tokens';
import type { Token } from '../document/token-shape';

const roles: Record<string, Token['role']> = {
  'surface.page': 'surface',
  'surface.card': 'surface',
  'surface.navBar': 'surface',
  'text.default': 'text',
  'text.muted': 'text',
  'text.onNavBar': 'text',
  'text.link': 'text',
  'text.on-save': 'text',
  'border.default': 'border',
  'border.field': 'border',
  'border.focus': 'border',
  'button.save.rest': 'accent',
  'button.save.hover': 'state',
  'input.default': 'surface',
  'input.disabled': 'state',
  'list.item': 'other',
  'list.item.selected': 'state',
  'status.good': 'status',
};
const brand = fewTokens(Object.fromEntries(Object.keys(roles).map((path) => [path, '#808080'])), roles);

test('parts of an interface are told from roles and words, whatever the convention', () => {
  const { buttons, field, row, tab, statuses, ...rest } = componentTokens(brand);
  expect(Object.fromEntries(Object.entries(rest).map(([part, token]) => [part, token?.path]))).toEqual({
    page: 'surface.page',
    panel: 'surface.card',
    header: 'surface.navBar',
    text: 'text.default',
    soft: 'text.muted',
    link: 'text.link',
    onHeader: 'text.onNavBar',
    border: 'border.default',
    strong: 'border.field',
    focus: 'border.focus',
  });
  // A border that has a focus is pressed by nobody.
  expect(buttons.map((each) => [each.rest.path, each.states.hover?.path, each.text?.path])).toEqual([
    ['button.save.rest', 'button.save.hover', 'text.on-save'],
  ]);
  expect([field?.rest.path, field?.states.disabled?.path]).toEqual(['input.default', 'input.disabled']);
  expect([row?.rest.path, row?.states.selected?.path, tab]).toEqual(['list.item', 'list.item.selected', undefined]);
  expect(statuses.map(({ path }) => path)).toEqual(['status.good']);
});

test('the text on something is what names it, or what its rule keeps readable', () => {
  const named = changedToken(brand, 'text.muted', { on: ['button-save-rest'] });
  expect(componentTokens(named).buttons[0]!.text?.path).toBe('text.muted');
  const rule = {
    state: 'hover',
    of: 'button-save-rest',
    surface: 'surface-page',
    text: 'text-link',
    step: 0.1,
    chroma: 1,
    least: 1,
  } as const;
  expect(componentTokens(changedToken(named, 'button.save.hover', { rule })).buttons[0]!.text?.path).toBe('text.link');
});

test('of an empty brand nothing is told', () => {
  expect(Object.values(componentTokens(fewTokens({}))).filter((part) => part !== undefined)).toEqual([[], []]);
});
