import { LRUCache } from 'lru-cache';
import { z } from 'zod';
import { slug } from '@/core/base/words';
import type { Brand } from '@/core/brand/document/document';
import { LIMITS } from '@/core/brand/document/fields';
import { readColour } from '@/core/colour/read';
import { pictureSize } from '@/core/image/size';
import { MOST_PAGES, SHEET_PARTS, SheetChoice, type SheetExtras } from '@/core/sheet/sheet';
import { inChromium } from './chromium';
import { loadBrand } from '../log/documents';
import { onePerProcess } from '../database/one-per-process';
import { storedPicture } from '../brands/pictures';
import { printed } from './print';
import { Refused } from '../http/refused';
import { latestNumber } from '../releases/release-number';
import { writer } from './writer';

/** A list in an address. */
const list = (longest: number) =>
  z
    .string()
    .max(longest)
    .transform((text) => (text === '' ? [] : text.split(',')));

export const SheetWish = z.object({
  as: z.enum(['html', 'pdf', 'svg', 'png']),
  parts: list(100).default([...SHEET_PARTS]),
  /** Ids of palettes; none for all. */
  palettes: list(41 * LIMITS.palettes).default([]),
  /** Empty for the version and the date. */
  note: z.string().default(''),
  /** Which page, from 1, for pictures. */
  page: z.coerce.number().int().min(1).max(MOST_PAGES).default(1),
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
export async function drawSheet(brandId: string, { as, page, ...wish }: z.output<typeof SheetWish>): Promise<DrawnSheet> {
  const now = await loadBrand(brandId);
  const parsed = SheetChoice.safeParse({ ...wish, note: wish.note.trim() || (await versionLine(brandId)) });
  if (!parsed.success) throw new Refused(400, parsed.error.issues[0]!.message);
  const choice = parsed.data;
  const base = `${slug(now.brand.name)}-sheet`;
  const extras = { logo: await logoOf(now.brand), inks: await inksFor(now.brand, choice) };
  const written = async (only: number | null) => {
    const drawing = await writer().write('sheet', now, { choice, page: only, ...extras });
    if (drawing === null) throw new Refused(404, 'The sheet has fewer pages than that.');
    return drawing;
  };
  const drawn = (form: 'pdf' | 'png') =>
    drawings().forceFetch(JSON.stringify([brandId, now.seq, choice, form, form === 'png' ? page : 0]), {
      context: async () => (form === 'png' ? picture(await written(page)) : paper(await written(null))),
    });
  switch (as) {
    case 'html':
      return { name: `${base}.html`, mediaType: 'text/html; charset=utf-8', bytes: utf8(await written(null)) };
    case 'pdf':
      return { name: `${base}.pdf`, mediaType: 'application/pdf', bytes: await drawn('pdf') };
    case 'svg':
      return { name: `${base}-${page}.svg`, mediaType: 'image/svg+xml; charset=utf-8', bytes: utf8(await written(page)) };
    case 'png':
      return { name: `${base}-${page}.png`, mediaType: 'image/png', bytes: await drawn('png') };
  }
}

/** Which version this is, and of which day. */
async function versionLine(brandId: string): Promise<string> {
  const number = await latestNumber(brandId);
  const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeZone: 'UTC' }).format(new Date());
  return `${number === 0 ? 'not released yet' : `after release ${number}`}, ${day}`;
}

async function logoOf({ id, logo }: Brand): Promise<SheetExtras['logo']> {
  if (!logo) return null;
  const { bytes, mediaType } = await storedPicture(id, logo.picture);
  const { width, height } = pictureSize(bytes)!;
  return { uri: `data:${mediaType};base64,${bytes.toString('base64')}`, width, height };
}

/** As many colours as twelve pages hold. */
const MOST_INKED = 1_000;

async function inksFor(brand: Brand, { parts, palettes }: SheetChoice): Promise<SheetExtras['inks']> {
  if (!parts.includes('palettes')) return null;
  const chosen = brand.palettes.filter(({ id }) => palettes.length === 0 || palettes.includes(id));
  const colours = chosen.flatMap(({ swatches }) => swatches.map(({ value }) => readColour(value)!.hex));
  const found = await printed(brand.id, colours.slice(0, MOST_INKED));
  return found && { name: found.name, of: found.inks };
}

function utf8(text: string): Uint8Array {
  return new TextEncoder().encode(text);
}

function picture(svg: string): Promise<Uint8Array> {
  return inChromium(`<!doctype html><style>body{margin:0}svg{display:block}</style>${svg}`, async (page) => {
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
