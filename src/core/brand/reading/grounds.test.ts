import { fewTokens } from '../../../../tests/few-tokens';
import type { Token } from '../document/token-shape';
import { groundsOf } from './grounds';

const paths = (tokens: readonly Token[]) => tokens.map(({ path }) => path);

test('a text stands on what it names, in that order, or on every surface', () => {
  const brand = fewTokens({ page: '#fff', panel: '#eee', text: '#000' }, { page: 'surface', panel: 'surface', text: 'text' });
  const [page, , text] = brand.tokens;
  expect(paths(groundsOf(brand, text!))).toEqual(['page', 'panel']);
  expect(paths(groundsOf(brand, { ...text!, on: ['panel', 'gone', 'page'] }))).toEqual(['panel', 'page']);
  expect(paths(groundsOf({ ...brand, tokens: [page!] }, text!))).toEqual(['page']);
});

test.each(['text.on-accent', 'text.onAccent', 'text.on.accent', 'on-Accent'])('%s stands on what is called accent', (path) => {
  const brand = fewTokens(
    {
      page: '#fff',
      'surface.accent': '#08f',
      'brand.accent.default': '#07e',
      'text.accent': '#00f',
      'accent.hover': '#05c',
      [path]: '#fff',
    },
    { page: 'surface', 'surface.accent': 'surface', 'text.accent': 'text', [path]: 'text' },
  );
  expect(paths(groundsOf(brand, brand.tokens.at(-1)!))).toEqual(['surface.accent', 'brand.accent.default']);
});

test('on something that there is not, a text stands on every surface', () => {
  const brand = fewTokens(
    { page: '#fff', 'text.on-time': '#000', ongoing: '#000' },
    { page: 'surface', 'text.on-time': 'text', ongoing: 'text' },
  );
  for (const text of brand.tokens.slice(1)) expect(paths(groundsOf(brand, text))).toEqual(['page']);
});
