/** The brand sheet: whole XML whatever names are in it, the same bytes again, and colours and contrasts that are the brand's. */
import { SourceText } from '../source/source-text';
import { demo, harshBrand } from '../../../tests/harsh-brand';
import { emptyBrand } from '../brand/document';
import { textPairs } from '../findings/contrast';
import { walkXml } from '../source/xml';
import { SHEET_PARTS, SheetChoice, sheetHtml, sheetPages } from './sheet';

const all = SheetChoice.parse({});

test.each([
  ['the demo', demo],
  ['harsh names', harshBrand],
  ['nothing', emptyBrand('empty', 'Empty')],
])('%s gives whole pages, and the same ones again', (_name, brand) => {
  const pages = sheetPages(brand, all);
  expect(pages).toHaveLength(SHEET_PARTS.length);
  for (const page of pages) {
    expect(walkXml(SourceText.ofText(page), {})).toBeNull();
    expect(page).not.toMatch(/NaN|undefined|Infinity/);
  }
  expect(sheetPages(structuredClone(brand), all)).toEqual(pages);
  expect(sheetHtml(brand, all)).not.toMatch(/<script|https?:\/\/(?!www\.w3\.org)/);
});

test('every swatch and every token of the demo is on it', () => {
  const [palettes, tokens, reading, usage] = sheetPages(demo, all) as [string, string, string, string];
  for (const { swatches } of demo.palettes) for (const { value } of swatches) expect(palettes).toContain(`>${value}<`);
  expect(tokens.match(/<rect/g)!.length).toBe(demo.tokens.length * demo.themes.length + 1);
  const worst = textPairs(demo, [demo.themes[0]!])[0]!;
  expect(reading).toContain(`${worst.text.path} on ${worst.surface.path}`);
  expect(reading).toContain(`>${worst.ratio.toFixed(1)} fails<`);
  expect(usage).toContain('11 values of Route');
});

test('what does not fit is counted, never dropped in silence', () => {
  const many = {
    ...demo,
    tokens: Array.from({ length: 400 }, (_, at) => ({ ...demo.tokens[0]!, id: `t${at}`, path: `a.t${at}` })),
  };
  expect(sheetPages(many, SheetChoice.parse({ parts: ['tokens'] }))[0]).toMatch(/not all fit: \d+ of 400 tokens are left out/);
});
