import { LRUCache } from 'lru-cache';
import { z } from 'zod';
import { slug } from '@/core/base/words';
import { SHEET_PARTS, SheetChoice } from '@/core/sheet/sheet';
import { inChromium } from './chromium';
import { loadBrand } from './documents';
import { onePerProcess } from './one-per-process';
import { Refused } from './refused';
import { writer } from './writer';

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

/** CSS pixels of A4 lying at 96 a inch; drawn twice as fine. */
const SCREEN = { width: 1123, height: 794, deviceScaleFactor: 2 };
/** Bytes of what was drawn and is kept for whoever asks for the same of the same change. */
const KEPT_BYTES = 32 * 1024 * 1024;

const drawings = () =>
  onePerProcess(
    'drawn sheets',
    () =>
      new LRUCache<string, Uint8Array, () => Promise<Uint8Array>>({
        maxSize: KEPT_BYTES,
        sizeCalculation: (bytes) => bytes.length,
        ignoreFetchAbort: true,
        fetchMethod: (_key, _old, { context: draw }) => draw(),
      }),
  );

/** A brand's sheet, as it stands on the server, in one of its forms. */
export async function drawSheet(brandId: string, { as, parts, note, page }: z.output<typeof SheetWish>): Promise<DrawnSheet> {
  const choice = SheetChoice.safeParse({ parts, note });
  if (!choice.success) throw new Refused(400, choice.error.issues[0]!.message);
  const now = await loadBrand(brandId);
  const base = `${slug(now.brand.name)}-sheet`;
  const onPage = SHEET_PARTS.filter((part) => choice.data.parts.includes(part))[page - 1];
  if (!onPage && (as === 'svg' || as === 'png')) throw new Refused(404, 'The sheet has fewer pages than that.');
  const written = (of: SheetChoice, only?: number) => writer().write('sheet', now, { choice: of, page: only ?? null });
  const drawn = (of: SheetChoice, form: 'pdf' | 'png') =>
    drawings().forceFetch(JSON.stringify([brandId, now.seq, of, form]), {
      context: async () => {
        const html = await written(of);
        return form === 'png' ? picture(html) : paper(html);
      },
    });
  switch (as) {
    case 'html':
      return { name: `${base}.html`, mediaType: 'text/html; charset=utf-8', bytes: utf8(await written(choice.data)) };
    case 'pdf':
      return { name: `${base}.pdf`, mediaType: 'application/pdf', bytes: await drawn(choice.data, 'pdf') };
    case 'svg':
      return {
        name: `${base}-${page}.svg`,
        mediaType: 'image/svg+xml; charset=utf-8',
        bytes: utf8(await written(choice.data, page)),
      };
    case 'png':
      return {
        name: `${base}-${page}.png`,
        mediaType: 'image/png',
        bytes: await drawn({ ...choice.data, parts: [onPage!] }, 'png'),
      };
  }
}

function utf8(text: string): Uint8Array {
  return new TextEncoder().encode(text);
}

function picture(html: string): Promise<Uint8Array> {
  return inChromium(html, async (page) => {
    await page.setViewport(SCREEN);
    return page.screenshot({ clip: { x: 0, y: 0, width: SCREEN.width, height: SCREEN.height } });
  });
}

/** The same sheet on another day is the same file: its dates are put to the beginning of the format's time. */
function paper(html: string): Promise<Uint8Array> {
  return inChromium(html, async (page) => {
    const text = Buffer.from(await page.pdf({ preferCSSPageSize: true, printBackground: true })).toString('latin1');
    return Buffer.from(text.replace(/\/(CreationDate|ModDate) \(D:\d{14}/g, '/$1 (D:19930615000000'), 'latin1');
  });
}
