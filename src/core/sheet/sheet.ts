import { escapeXml } from '../base/escape-xml';
import { z } from 'zod';
import type { Brand } from '../brand/document/document';
import { EntityId, LIMITS } from '../brand/document/fields';
import { oneLine } from '../base/plain-text';
import type { Content } from './flow';
import { palettesPart, type SheetInks } from './palettes-part';
import { INNER, PAPER, rect, SOFT, sheetPage, text, widthOf, type SheetLogo } from './paper';
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

/** Nobody leafs through more. */
export const MOST_PAGES = 12;
/** With more pages than these the first one has the contents. */
const WITHOUT_CONTENTS = 4;
/** Room that the contents take. */
const CONTENTS = 46;

export const SheetChoice = z.strictObject({
  parts: z
    .array(z.enum(SHEET_PARTS))
    .min(1, 'A sheet has at least one page.')
    .max(SHEET_PARTS.length)
    .default([...SHEET_PARTS]),
  /** Ids of the palettes that stand on it; empty: all. */
  palettes: z.array(EntityId).max(LIMITS.palettes).default([]),
  /** A line at the head of every page: a date, a version, for whom. */
  note: z.string().max(120, 'The line at the head has at most 120 characters.').default(''),
});
export type SheetChoice = z.output<typeof SheetChoice>;

/** What a sheet carries along, or knows from outside the brand. */
export interface SheetExtras {
  /** `@font-face` rules, so that it looks the same everywhere. */
  readonly fonts: string;
  readonly logo: SheetLogo | null;
  readonly inks: SheetInks | null;
}
const NOTHING: SheetExtras = { fonts: '', logo: null, inks: null };

/** One page before it is drawn. */
interface SheetSide {
  readonly part: SheetPart;
  readonly content: Content;
}

/** Which part stands on which page; `left` pages more would be needed than a sheet has. */
export function sheetOutline(brand: Brand, choice: SheetChoice): { readonly parts: readonly SheetPart[]; readonly left: number } {
  const sides = layout(brand, choice, null);
  return { parts: sides.slice(0, MOST_PAGES).map(({ part }) => part), left: Math.max(0, sides.length - MOST_PAGES) };
}

function layout(brand: Brand, { parts, palettes }: SheetChoice, inks: SheetInks | null): SheetSide[] {
  const chosen = SHEET_PARTS.filter((part) => parts.includes(part));
  const all = (lead: number) =>
    chosen.flatMap((part, at) =>
      contents(brand, part, palettes, inks, at === 0 ? lead : 0).map((content) => ({ part, content })),
    );
  const plain = all(0);
  return plain.length > WITHOUT_CONTENTS ? all(CONTENTS) : plain;
}

/** The pages of a part; one that says so where there is nothing to show. */
function contents(brand: Brand, part: SheetPart, palettes: readonly string[], inks: SheetInks | null, lead: number): Content[] {
  const pages = {
    palettes: () => palettesPart(brand, palettes, inks, lead),
    tokens: () => tokensPart(brand, lead),
    reading: () => readingPart(brand, lead),
    use: () => usagePart(brand, lead),
  }[part]();
  return pages.length > 0
    ? pages
    : [() => text(PAPER.margin, PAPER.head + lead + 14, 'There is nothing here yet.', { fill: SOFT })];
}

/** The brand sheet: up to twelve pages, A4 lying, as SVG. The same brand and extras give the same bytes. */
export function sheetPages(brand: Brand, choice: SheetChoice, { fonts, logo, inks }: SheetExtras = NOTHING): string[] {
  const sides = layout(brand, choice, inks);
  const shown = sides.slice(0, MOST_PAGES);
  const left = sides.length - shown.length;
  return shown.map(({ part, content }, at) => {
    const more =
      left > 0 && at === shown.length - 1 ? `${left} further pages are left out: choose fewer palettes or parts. ` : '';
    const heading = {
      brand: brand.name,
      title: PART_TITLES[part],
      about: more + aboutPart(brand, part, inks),
      note: choice.note,
      logo,
      page: at + 1,
      pages: shown.length,
    };
    const lead = at === 0 && sides.length > WITHOUT_CONTENTS ? contentsStrip(shown.map((side) => side.part)) : '';
    return sheetPage(heading, lead + content(), fonts);
  });
}

function aboutPart(brand: Brand, part: SheetPart, inks: SheetInks | null): string {
  switch (part) {
    case 'palettes':
      return `Rounded for print; the files hold every digit. ${inks ? `CMYK by the profile ${inks.name}.` : 'CMYK has no profile: a hint, not a promise.'}`;
    case 'tokens':
      return 'Every colour with its code, theme by theme';
    case 'reading':
      return 'WCAG 2.2 contrast, the hardest to read first; AA from 4.5 to 1';
    case 'use':
      return 'Found by computing, from the brand as it stands';
  }
}

/** Each part with the page it begins on. */
function contentsStrip(parts: readonly SheetPart[]): string {
  const begins = SHEET_PARTS.flatMap((part) => (parts.includes(part) ? [[part, parts.indexOf(part) + 1] as const] : []));
  const each = INNER / begins.length;
  const entries = begins.map(([part, page], at) => {
    const x = PAPER.margin + 12 + at * each;
    return (
      text(x, PAPER.head + 19, PART_TITLES[part], { weight: 560 }) +
      text(x + widthOf(PART_TITLES[part], 11.3) + 8, PAPER.head + 19, `page ${page}`, { fill: SOFT })
    );
  });
  return rect(PAPER.margin, PAPER.head, INNER, 30, '#f1f2f3') + entries.join('');
}

/** All pages in one document for a browser or a printer: each fills a sheet of A4. It runs nothing and fetches nothing. */
export function sheetHtml(brand: Brand, choice: SheetChoice, extras: SheetExtras = NOTHING): string {
  const title = escapeXml(oneLine(`${brand.name}, brand sheet`));
  const style = `${extras.fonts}@page{size:297mm 210mm;margin:0}body{margin:0;background:#e6e8ea}svg{display:block;width:297mm;height:210mm;margin:0 auto 8mm}@media print{body{background:none}svg{margin:0;break-after:page}}`;
  const policy = `<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; font-src data:; img-src data:">`;
  const pages = sheetPages(brand, choice, { ...extras, fonts: '' });
  return `<!doctype html><html lang="en"><head><meta charset="utf-8">${policy}<title>${title}</title><style>${style}</style></head><body>${pages.join('')}</body></html>\n`;
}
