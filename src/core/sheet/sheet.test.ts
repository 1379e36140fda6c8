/** The brand sheet: whole XML whatever names are in it, the same bytes again, and colours and contrasts that are the brand's. */
import { SourceText } from '../source/source-text';
import { demo, harshBrand } from '../../../tests/harsh-brand';
import { emptyBrand } from '../brand/document/document';
import { textPairs } from '../findings/contrast';
import { walkXml } from '../source/xml';
import { MOST_PAGES, SheetChoice, sheetHtml, sheetOutline, sheetPages } from './sheet';

const all = SheetChoice.parse({});

test.each([
  ['the demo', demo],
  ['harsh names', harshBrand],
  ['nothing', emptyBrand('empty', 'Empty')],
])('%s gives whole pages, and the same ones again', (_name, brand) => {
  const pages = sheetPages(brand, all);
  expect(pages).toHaveLength(sheetOutline(brand, all).parts.length);
  for (const page of pages) {
    expect(walkXml(SourceText.ofText(page), {})).toBeNull();
    expect(page).not.toMatch(/NaN|undefined|Infinity/);
  }
  expect(sheetPages(structuredClone(brand), all)).toEqual(pages);
  expect(sheetHtml(brand, all)).not.toMatch(/<script|(?:src|href)=.?https?:|url\(.?https?:/);
});

test('every swatch and every token of the demo is on it', () => {
  const pages = sheetPages(demo, all);
  const whole = pages.join('');
  for (const { swatches } of demo.palettes) for (const { value } of swatches) expect(whole).toContain(`>${value}<`);
  const { parts } = sheetOutline(demo, all);
  const of = (part: string) => pages.filter((_, at) => parts[at] === part).join('');
  expect(of('tokens').match(/stroke="#c9cdd1" stroke-width="0.75"\/>/g)!.length).toBeGreaterThan(
    demo.tokens.length * demo.themes.length,
  );
  for (const theme of demo.themes) expect(of('reading')).toContain(`>${theme.name}<`);
  const worst = textPairs(demo, [demo.themes[0]!])[0]!;
  expect(of('reading')).toContain(`${worst.text.path} on ${worst.surface.path}`);
  expect(of('reading')).toContain(`>${worst.ratio.toFixed(1)} fails<`);
  expect(of('use')).toContain('11 values of Route');
});

test('what does not fit is counted, never dropped in silence', () => {
  const tokens = Array.from({ length: 4_000 }, (_, at) => ({ ...demo.tokens[0]!, id: `t${at}`, path: `a.t${at}` }));
  const choice = SheetChoice.parse({ parts: ['tokens'] });
  const { parts, left } = sheetOutline({ ...demo, tokens }, choice);
  expect([parts.length, left > 0]).toEqual([MOST_PAGES, true]);
  expect(sheetPages({ ...demo, tokens }, choice).at(-1)).toContain(`${left} further pages are left out`);
});
