import { escapeXml } from '../base/escape-xml';
import { z } from 'zod';
import type { Brand } from '../brand/document';
import { oneLine } from '../base/plain-text';
import { palettesPart } from './palettes-part';
import { sheetPage } from './paper';
import { readingPart } from './reading-part';
import { tokensPart } from './tokens-part';
import { usagePart } from './usage-part';

export const SHEET_PARTS = ['palettes', 'tokens', 'reading', 'use'] as const;
export type SheetPart = (typeof SHEET_PARTS)[number];
export const PART_TITLES: Record<SheetPart, string> = {
  palettes: 'Palettes',
  tokens: 'Tokens by theme',
  reading: 'Contrast and type',
  use: 'Charts, use and misuse',
};

export const SheetChoice = z.strictObject({
  parts: z
    .array(z.enum(SHEET_PARTS))
    .min(1, 'A sheet has at least one page.')
    .max(SHEET_PARTS.length)
    .default([...SHEET_PARTS]),
  /** A line at the head of every page: a date, a version, for whom. Empty where nobody asks for one. */
  note: z.string().max(120, 'The line at the head has at most 120 characters.').default(''),
});
export type SheetChoice = z.output<typeof SheetChoice>;

/**
 * The brand sheet: one to four pages, A4 lying, as SVG. The same brand gives the same bytes.
 * @param fonts `@font-face` rules to carry along, so that it looks the same everywhere
 */
export function sheetPages(brand: Brand, { parts, note }: SheetChoice, fonts = ''): string[] {
  const chosen = SHEET_PARTS.filter((part) => parts.includes(part));
  return chosen.map((part, at) => {
    const { drawn, about } = drawing(brand, part);
    const heading = { brand: brand.name, title: PART_TITLES[part], about, note, page: at + 1, pages: chosen.length };
    return sheetPage(heading, drawn, fonts);
  });
}

function drawing(brand: Brand, part: SheetPart): { drawn: string; about: string } {
  const themes = brand.themes.map(({ name }) => name).join(', ');
  switch (part) {
    case 'palettes': {
      const { drawn, count } = palettesPart(brand);
      const all = brand.palettes.filter(({ swatches }) => swatches.length > 0).length;
      const more = all > count ? ` Not all fit: ${all - count} of ${all} palettes are left out.` : '';
      return {
        drawn,
        about: `Rounded for print; the files hold every digit. CMYK has no profile: a hint, not a promise.${more}`,
      };
    }
    case 'tokens': {
      const { drawn, count } = tokensPart(brand);
      const more =
        brand.tokens.length > count
          ? `; not all fit: ${brand.tokens.length - count} of ${brand.tokens.length} tokens are left out`
          : '';
      return { drawn, about: `Patches from left to right: ${themes}${more}` };
    }
    case 'reading':
      return { drawn: readingPart(brand), about: 'WCAG 2.2 contrast, the hardest to read first; AA from 4.5 to 1' };
    case 'use':
      return { drawn: usagePart(brand), about: 'Found by computing, from the brand as it stands' };
  }
}

/** All pages in one document for a browser or a printer: each fills a sheet of A4. It runs nothing and fetches nothing. */
export function sheetHtml(brand: Brand, choice: SheetChoice, fonts = ''): string {
  const title = escapeXml(oneLine(`${brand.name}, brand sheet`));
  const style = `${fonts}@page{size:297mm 210mm;margin:0}body{margin:0;background:#e6e8ea}svg{display:block;width:297mm;height:210mm;margin:0 auto 8mm}@media print{body{background:none}svg{margin:0;break-after:page}}`;
  const policy = `<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; font-src data:">`;
  return `<!doctype html><html lang="en"><head><meta charset="utf-8">${policy}<title>${title}</title><style>${style}</style></head><body>${sheetPages(brand, choice).join('')}</body></html>\n`;
}
