import { fewTokens } from '../../../../tests/few-tokens';
import { Brand, serialiseBrand } from './document';

test('a brand file: keys in the order of the schema, values in that of the themes, two spaces, an end of line', () => {
  const brand = fewTokens({ one: ['#111111', '#222222'] });
  const shuffled = {
    ...brand,
    tokens: [{ ...brand.tokens[0]!, values: { night: { colour: '#222222' }, day: { colour: '#111111' } } }],
  };
  const text = serialiseBrand({ ...shuffled, themes: brand.themes });
  expect(text).toBe(serialiseBrand(brand));
  expect(
    text.startsWith('{\n  "format": "breakwater-brand",\n  "version": 8,\n  "id": "b",\n  "name": "Few",\n  "palettes": []'),
  ).toBe(true);
  expect(text.indexOf('"day": {')).toBeLessThan(text.indexOf('"night": {'));
  expect(text.endsWith('}\n')).toBe(true);
  expect(Brand.parse(JSON.parse(text))).toEqual(brand);
});
