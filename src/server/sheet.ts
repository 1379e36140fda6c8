import { slug } from '@/core/base/words';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { SHEET_PARTS, SheetChoice, sheetHtml, sheetPages } from '@/core/sheet/sheet';
import { loadBrand } from './brands';
import { log } from './log';
import { Refused } from './refused';

export const SheetWish = z.object({
  as: z.enum(['html', 'pdf', 'svg', 'png']),
  /** With commas between. */
  parts: z
    .string()
    .max(100)
    .default(SHEET_PARTS.join(','))
    .transform((text) => text.split(',')),
  note: z.string().default(''),
  /** Which page, from 1, for pictures. */
  page: z.coerce.number().int().min(1).max(SHEET_PARTS.length).default(1),
});

export interface DrawnSheet {
  readonly name: string;
  readonly mediaType: string;
  readonly bytes: Uint8Array;
}

const CHROMIUM = '/usr/bin/chromium-headless-shell';
/** How long one drawing may take, in milliseconds. */
const PATIENCE = 20_000;
/** CSS pixels of A4 lying at 96 a inch; drawn twice as fine. */
const SCREEN = { width: 1123, height: 794, deviceScaleFactor: 2 };

/** A brand's sheet, as it stands on the server, in one of its forms. */
export async function drawSheet(brandId: string, { as, parts, note, page }: z.output<typeof SheetWish>): Promise<DrawnSheet> {
  const choice = SheetChoice.safeParse({ parts, note });
  if (!choice.success) throw new Refused(400, choice.error.issues[0]!.message);
  const { brand } = await loadBrand(brandId);
  const base = `${slug(brand.name)}-sheet`;
  if (as === 'html')
    return { name: `${base}.html`, mediaType: 'text/html; charset=utf-8', bytes: utf8(sheetHtml(brand, choice.data, fonts())) };
  if (as === 'pdf')
    return {
      name: `${base}.pdf`,
      mediaType: 'application/pdf',
      bytes: await inChromium(sheetHtml(brand, choice.data, fonts()), 'pdf'),
    };
  const svg = sheetPages(brand, choice.data, fonts())[page - 1];
  if (!svg) throw new Refused(404, 'The sheet has fewer pages than that.');
  if (as === 'svg') return { name: `${base}-${page}.svg`, mediaType: 'image/svg+xml; charset=utf-8', bytes: utf8(svg) };
  const onePage = { ...choice.data, parts: [SHEET_PARTS.filter((part) => choice.data.parts.includes(part))[page - 1]!] };
  const html = sheetHtml(brand, onePage, fonts());
  return { name: `${base}-${page}.png`, mediaType: 'image/png', bytes: await inChromium(html, 'png') };
}

function utf8(text: string): Uint8Array {
  return new TextEncoder().encode(text);
}

let rules: string | undefined;

/** The sheet's fonts as rules that carry them along; read once. */
function fonts(): string {
  return (rules ??= [
    ['Archivo Variable', 'archivo/files/archivo-latin-standard-normal.woff2', '62% 125%'],
    [
      'Archivo Variable',
      'archivo/files/archivo-latin-ext-standard-normal.woff2',
      '62% 125%',
      'U+0100-02BA,U+1E00-1E9F,U+1EF2-1EFF',
    ],
    ['Martian Mono Variable', 'martian-mono/files/martian-mono-latin-standard-normal.woff2', '75% 112.5%'],
  ]
    .map(([family, file, stretch, range]) => {
      const bytes = readFileSync(join(/* turbopackIgnore: true */ process.cwd(), 'node_modules/@fontsource-variable', file!));
      const only = range ? `unicode-range:${range};` : '';
      return `@font-face{font-family:'${family}';src:url(data:font/woff2;base64,${bytes.toString('base64')}) format('woff2');font-weight:100 900;font-stretch:${stretch};${only}}`;
    })
    .join(''));
}

/** One drawing at a time: a browser is the largest thing this server starts. */
let queue: Promise<unknown> = Promise.resolve();

function inChromium(html: string, as: 'pdf' | 'png'): Promise<Uint8Array> {
  const drawn = queue.then(() => draw(html, as));
  queue = drawn.catch(() => {});
  return drawn;
}

async function draw(html: string, as: 'pdf' | 'png'): Promise<Uint8Array> {
  if (!existsSync(CHROMIUM))
    throw new Refused(
      503,
      'This server has no Chromium, which draws PDF and PNG; take HTML or SVG, or have Debian’s package chromium-headless-shell installed.',
    );
  const { launch } = await import('puppeteer-core');
  const browser = await launch({
    executablePath: CHROMIUM,
    headless: 'shell',
    timeout: PATIENCE,
    args: [
      // Chromium’s sandbox does not start for root.
      ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
      ...['--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update'],
      ...['--disable-sync', '--force-color-profile=srgb'],
    ],
  });
  const stop = setTimeout(() => void browser.close(), PATIENCE);
  try {
    const page = await browser.newPage();
    // The document carries everything along, and nothing in it may fetch.
    await page.setRequestInterception(true);
    page.on('request', (request) => void (request.url().startsWith('data:') ? request.continue() : request.abort()));
    await page.setViewport(SCREEN);
    await page.goto(`data:text/html;base64,${Buffer.from(html).toString('base64')}`, { timeout: PATIENCE });
    await page.evaluate(() => document.fonts.ready.then(() => undefined));
    if (as === 'png') return await page.screenshot({ clip: { x: 0, y: 0, width: SCREEN.width, height: SCREEN.height } });
    return timeless(await page.pdf({ preferCSSPageSize: true, printBackground: true, timeout: PATIENCE }));
  } catch (error) {
    log.error({ error }, 'a sheet could not be drawn');
    throw new Refused(503, 'The sheet could not be drawn in time; try again in a moment, or take HTML or SVG.');
  } finally {
    clearTimeout(stop);
    await browser.close();
  }
}

/** The same sheet on another day is the same file: its dates are put to the beginning of the format's time. */
function timeless(pdf: Uint8Array): Uint8Array {
  const text = Buffer.from(pdf).toString('latin1');
  return Buffer.from(text.replace(/\/(CreationDate|ModDate) \(D:\d{14}/g, '/$1 (D:19930615000000'), 'latin1');
}
