import { readFileSync } from 'node:fs';
import { apply } from '../brand/commands/apply';
import { Brand } from '../brand/document/document';
import { readColour } from '../colour/read';
import { closestPairs } from './closest';
import { proposeText, TEXT_RATIO, textPairs } from './contrast';

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));

test('failing pairs come first, the worst of them on top', () => {
  const pairs = textPairs(demo);
  const failing = pairs.filter((pair) => !pair.passes);
  expect(pairs.slice(0, failing.length)).toEqual(failing);
  expect(failing.map(({ ratio }) => ratio)).toEqual(failing.map(({ ratio }) => ratio).sort((one, two) => one - two));
  expect(failing.every(({ ratio }) => ratio < TEXT_RATIO)).toBe(true);
});

test('a text is measured on the surfaces it is for: those it names, else those its name says, else all', () => {
  const surfacesOf = (brand: Brand, path: string) =>
    textPairs(brand, [brand.themes[0]!])
      .filter((pair) => pair.text.path === path)
      .map((pair) => pair.surface.path)
      .sort();
  expect(surfacesOf(demo, 'text.on-header')).toEqual(['surface.header']);
  const unsaid = (path: string) => {
    const tokens = demo.tokens.map((token) => (token.path === 'text.on-header' ? { ...token, on: [], path } : token));
    return surfacesOf({ ...demo, tokens }, path);
  };
  const all = demo.tokens.filter(({ role }) => role === 'surface').map(({ path }) => path);
  expect(unsaid('text.on-header')).toEqual(['surface.header']);
  expect(unsaid('text.bar')).toEqual(all.sort());
});

test('taking every proposal leaves nothing failing', () => {
  let brand = demo;
  for (let round = 0; round < 10; round++) {
    const pair = textPairs(brand).find((each) => !each.passes);
    if (!pair) break;
    const proposal = proposeText(brand, pair)!;
    const result = apply(brand, {
      label: 'x',
      steps: [{ do: 'token.set', id: pair.text.id, set: { [pair.theme.id]: { colour: proposal.hex } } }],
    });
    if (!result.ok) throw new Error(result.refusal);
    brand = result.brand;
  }
  expect(textPairs(brand).filter((pair) => !pair.passes)).toEqual([]);
});

test('the proposal keeps the hue', () => {
  const pair = textPairs(demo).find((each) => !each.passes && each.theme.id === 'day')!;
  const hue = (css: string) => readColour(css)!.oklch[2];
  expect(Math.abs(hue(proposeText(demo, pair)!.hex) - hue(pair.textColour.css))).toBeLessThan(3);
});

test('a token without a colour is left out, not taken for black', () => {
  const result = apply(demo, { label: 'x', steps: [{ do: 'token.set', id: 't-text-default', set: { day: null } }] });
  if (!result.ok) throw new Error(result.refusal);
  expect(textPairs(result.brand, [demo.themes[0]!]).some((pair) => pair.text.path === 'text.default')).toBe(false);
});

test('the closest pairs are those an exhaustive search finds', () => {
  const { swatches } = demo.palettes.find((palette) => palette.id === 'trainer')!;
  const all = closestPairs(swatches, 1_000);
  expect(all).toHaveLength((16 * 15) / 2);
  expect(all.map(({ distance }) => distance)).toEqual(all.map(({ distance }) => distance).sort((one, two) => one - two));
  expect(closestPairs(swatches, 4)).toEqual(all.slice(0, 4));
  expect(closestPairs(swatches.slice(0, 1), 4)).toEqual([]);
});
