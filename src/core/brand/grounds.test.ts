import { fewTokens } from '../../../tests/few-tokens';
import type { Token } from './document';
import { groundsOf } from './grounds';

const paths = (tokens: readonly Token[]) => tokens.map(({ path }) => path);

test('a text stands on what it names, in that order, or on every surface', () => {
  const brand = fewTokens({ page: '#fff', panel: '#eee', text: '#000' }, { page: 'surface', panel: 'surface', text: 'text' });
  const [page, , text] = brand.tokens;
  expect(paths(groundsOf(brand, text!))).toEqual(['page', 'panel']);
  expect(paths(groundsOf(brand, { ...text!, on: ['panel', 'gone', 'page'] }))).toEqual(['panel', 'page']);
  expect(paths(groundsOf({ ...brand, tokens: [page!] }, text!))).toEqual(['page']);
});
