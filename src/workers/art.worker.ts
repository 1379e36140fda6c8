import { expose, transfer } from 'comlink';
import type { Art } from '@/core/brand/document/art-shape';
import type { Brand } from '@/core/brand/document/document';
import { firstTile, tileCount } from '@/core/art/tiles';
import { wishOf, writeArt, type WrittenArt } from '@/core/art/write-art';
import { distinctColours } from '@/core/image/distinct-colours';
import { readPng, type StoredPicture } from '@/core/image/png-read';
import { recolour } from '@/core/image/recolour';
import { mergeCounts, MOST_LISTED, planRecolouring, fatesOf, type ColourFate } from '@/core/image/recolour-plan';
import { guessGrid, tileArea, tilesOf, type Grid } from '@/core/image/tile-grid';
import { isEmpty, repeats, type Repeat } from '@/core/image/tile-repeats';

/** One sheet as a page needs to know it. */
export interface OpenedSheet {
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly notes: readonly string[];
}

/** What art comes to with its table as it is. */
export interface Painted {
  /** Every sheet in the palette's colours. */
  readonly after: readonly ImageBitmap[];
  readonly fates: readonly ColourFate[];
  /** How many colours there are that are not listed. */
  readonly more: number;
}

/** A tile that repeats another, or is empty. */
export interface TileKind {
  readonly repeat: Repeat | null;
  readonly empty: boolean;
}

/** More tiles than these have nothing in common worth finding: they are of a few pixels each. */
const MOST_LOOKED_THROUGH = 100_000;

let sheets: StoredPicture[] = [];

const api = {
  /** Decodes sheets and keeps them. @returns them with a guess of how they are divided, or one sentence */
  async open(
    files: readonly { readonly name: string; readonly bytes: Uint8Array }[],
  ): Promise<{ sheets: OpenedSheet[]; grid: Grid } | string> {
    const read: StoredPicture[] = [];
    const told: OpenedSheet[] = [];
    for (const { name, bytes } of files) {
      const picture = await readPng(bytes);
      if (typeof picture === 'string') return `${name}: ${picture}`;
      read.push(picture);
      told.push({ name, width: picture.width, height: picture.height, notes: picture.notes });
    }
    sheets = read;
    return { sheets: told, grid: guessGrid(read[0]!) };
  },
  /** The kept sheets as they are. */
  async before(): Promise<ImageBitmap[]> {
    return bitmaps(sheets);
  },
  /** The kept sheets by a table, and where each colour goes. @returns one sentence when the palette is gone or empty */
  async paint(brand: Brand, art: Pick<Art, 'table'>): Promise<Painted | string> {
    const wish = wishOf(brand, art);
    if (typeof wish === 'string') return wish;
    const counts = sheets.map((sheet) => distinctColours(sheet, MOST_LISTED));
    const colours = mergeCounts(counts.map((each) => each.colours));
    const plan = planRecolouring(colours, wish);
    const after = await bitmaps(
      sheets.map((sheet) => recolour({ ...sheet, data: sheet.data.slice(), wide: sheet.wide?.slice() ?? null }, plan).picture),
    );
    const more = counts.reduce((sum, { count, colours: listed }) => sum + count - listed.length, 0);
    return transfer({ after, fates: fatesOf(colours, plan), more }, after);
  },
  /** Of each tile of all sheets whether it repeats an earlier one of its sheet, or is empty; nothing of too many to look through. */
  kinds(art: Pick<Art, 'sheets' | 'grid'>): TileKind[] {
    if (tileCount(art) > MOST_LOOKED_THROUGH) return [];
    return sheets.flatMap((picture, sheet) => {
      const first = firstTile(art, sheet);
      const { across, down } = tilesOf(picture, art.grid);
      const areas = Array.from({ length: across * down }, (_, tile) => tileArea(tile, across, art.grid));
      return repeats(picture, areas).map((repeat, at): TileKind => ({
        repeat: repeat && { ...repeat, of: repeat.of + first },
        empty: isEmpty(picture, areas[at]!),
      }));
    });
  },
  /** The files that a release would hold. */
  write(brand: Brand, art: Art, pictures: ReadonlyMap<string, Uint8Array>): Promise<WrittenArt> {
    return writeArt(brand, art, pictures);
  },
};

function bitmaps(pictures: readonly StoredPicture[]): Promise<ImageBitmap[]> {
  return Promise.all(
    pictures.map(({ width, height, data }) =>
      createImageBitmap(new ImageData(new Uint8ClampedArray(data), width, height), { premultiplyAlpha: 'none' }),
    ),
  );
}

export type ArtWorker = typeof api;

expose(api);
