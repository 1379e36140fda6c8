import { fewTokens } from '../../../../tests/few-tokens';
import type { Brand } from '../document/document';
import { groupKind } from './group-kind';

const few = fewTokens({ 'sea.one': ['#102030', '#405060'], 'sea.two': ['#708090', '#a0b0c0'] });
const scale = ['s', 't'].map((id) => ({ id, name: id, value: '#102030', locked: false }));
/** By day the tokens point at a scale; by night, derived, at no swatch. */
const brand: Brand = {
  ...few,
  palettes: [{ id: 'p', name: 'Sea', kind: 'sequential', swatches: scale }],
  tokens: few.tokens.map((token, at) => ({ ...token, values: { ...token.values, day: { swatch: scale[at]!.id } } })),
};

test('a scale is a scale in every theme, also where its values point at no swatch', () => {
  expect(['day', 'night'].map((theme) => groupKind(brand, brand.tokens, theme))).toEqual(['sequential', 'sequential']);
  expect(groupKind(few, few.tokens, 'day')).toBeUndefined();
  const [first, second] = brand.tokens;
  const mixed = [first!, { ...second!, values: { day: { colour: '#ffffff' } } }];
  expect(groupKind({ ...brand, tokens: mixed }, mixed, 'day')).toBeUndefined();
});
