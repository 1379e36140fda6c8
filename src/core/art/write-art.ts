import type { Art } from '../brand/document/art-shape';
import type { Brand } from '../brand/document/document';
import { slug } from '../base/words';
import { rgbOf } from '../colour/integers';
import { readColour } from '../colour/read';
import { finding, type Finding } from '../findings/finding';
import { distinctColours } from '../image/distinct-colours';
import { indexRecoloured } from '../image/index-recoloured';
import { readPng, type StoredPicture } from '../image/png-read';
import { paletteIndexPng, trueColourPng } from '../image/png-write';
import { recolour, type Recoloured, type Recolouring } from '../image/recolour';
import { mergeCounts, MOST_LISTED, planRecolouring, type RecolourWish } from '../image/recolour-plan';
import { tileCount, tilePlace } from './tiles';
import type { Area } from '../image/pixels';

/** A file of recoloured art. */
export interface ArtFile {
  readonly path: string;
  readonly mediaType: 'image/png' | 'application/json';
  readonly bytes: Uint8Array;
}

export interface WrittenArt {
  readonly files: readonly ArtFile[];
  readonly findings: readonly Finding[];
}

/** The pictures that a brand keeps, by their SHA-256. */
export type Pictures = ReadonlyMap<string, Uint8Array>;

/** Tiles of a strip stand beside each other, so many in a row: a strip of thousands would be wider than hardware takes. */
const ACROSS = 64;

/**
 * Art in its palette, as files: each sheet whole, or a strip of tiles for each group with an atlas that says where each
 * tile stands. Deterministic but for how the platform compresses.
 */
export async function writeArt(brand: Brand, art: Art, pictures: Pictures): Promise<WrittenArt> {
  const refuse = (message: string): WrittenArt => ({ files: [], findings: [finding('art', 'error', `${art.path}: ${message}`)] });
  const wish = wishOf(brand, art);
  if (typeof wish === 'string') return refuse(wish);
  const sheets: StoredPicture[] = [];
  for (const { picture: hash, name } of art.sheets) {
    const bytes = pictures.get(hash);
    if (!bytes) return refuse(`${name} is not kept here; hand it in again in Ship.`);
    const read = await readPng(bytes);
    if (typeof read === 'string') return refuse(`${name}: ${read}`);
    sheets.push(read);
  }
  const plan = planRecolouring(mergeCounts(sheets.map((sheet) => distinctColours(sheet, MOST_LISTED).colours)), wish);
  const done = sheets.map((sheet) => recolour(sheet, plan));
  const files: ArtFile[] = [];
  const put = async (path: string, recoloured: Recoloured): Promise<string | null> => {
    const bytes = await png(recoloured, plan, art.indexed);
    if (typeof bytes === 'string') return bytes;
    files.push({ path, mediaType: 'image/png', bytes });
    return null;
  };
  if (art.groups.length === 0) {
    for (const [at, sheet] of done.entries()) {
      const problem = await put(`${art.path}${done.length > 1 ? `-${at + 1}` : ''}.png`, sheet);
      if (problem !== null) return refuse(problem);
    }
    return { files, findings: [] };
  }
  const groups = [];
  for (const { name, tiles } of art.groups) {
    const lost = tiles.find((tile) => tilePlace(art, tile) === null);
    if (lost !== undefined)
      return refuse(`${name} has tile ${lost + 1}, and its sheets have ${tileCount(art)}; choose its tiles anew.`);
    const chosen = tiles.map((tile) => tilePlace(art, tile)!);
    const image = `${art.path}-${slug(name)}.png`;
    if (files.some(({ path }) => path === image))
      return refuse(`two groups would both be written as ${image}; name one otherwise.`);
    const problem = await put(image, strip(done, chosen, art.grid));
    if (problem !== null) return refuse(problem);
    groups.push({
      name,
      image: image.split('/').at(-1)!,
      frames: chosen.map(({ sheet, area }, at) => ({
        ...placeInStrip(at, art.grid),
        source: { sheet: art.sheets[sheet]!.name, x: area.x, y: area.y },
      })),
    });
  }
  const atlas = { tile: { width: art.grid.width, height: art.grid.height }, pace: art.pace, groups };
  files.push({
    path: `${art.path}.json`,
    mediaType: 'application/json',
    bytes: new TextEncoder().encode(JSON.stringify(atlas, null, 2) + '\n'),
  });
  return { files, findings: [] };
}

/** What a piece of art wants, in colours instead of ids. @returns a sentence when its palette is gone or empty */
export function wishOf(brand: Brand, { table }: Pick<Art, 'table'>): RecolourWish | string {
  const palette = brand.palettes.find(({ id }) => id === table.palette);
  if (!palette) return 'the palette that it goes into is no longer there; choose another.';
  if (palette.swatches.length === 0) return `${palette.name}, which it goes into, has no colours yet.`;
  const byId = new Map(
    brand.palettes.flatMap(({ swatches }) => swatches.map(({ id, value }) => [id, rgbOf(readColour(value)!)] as const)),
  );
  const rgb = (hex: string) => parseInt(hex.slice(1), 16);
  return {
    palette: palette.swatches.map(({ value }) => rgbOf(readColour(value)!)),
    // A swatch that is gone leaves its colours to the nearest.
    map: new Map(table.map.flatMap(({ from, to }) => (byId.has(to) ? [[rgb(from), byId.get(to)!] as const] : []))),
    key: table.key === undefined ? null : rgb(table.key),
    keepOrder: table.keepOrder,
    dither: table.dither,
    limit: table.limit ?? null,
  };
}

function placeInStrip(at: number, { width, height }: Pick<Art['grid'], 'width' | 'height'>): Area {
  return { x: (at % ACROSS) * width, y: Math.floor(at / ACROSS) * height, width, height };
}

/** Tiles of recoloured sheets, beside each other. */
function strip(
  sheets: readonly Recoloured[],
  tiles: readonly { readonly sheet: number; readonly area: Area }[],
  grid: Art['grid'],
): Recoloured {
  const [first] = sheets;
  const width = Math.min(tiles.length, ACROSS) * grid.width;
  const height = Math.ceil(tiles.length / ACROSS) * grid.height;
  const data = new Uint8Array(width * height * 4);
  const wide = sheets.some(({ picture }) => picture.wide !== null) ? new Uint16Array(data.length) : null;
  const places = first!.places instanceof Uint8Array ? new Uint8Array(width * height) : new Uint16Array(width * height);
  places.fill(first!.transparent);
  for (const [at, { sheet, area }] of tiles.entries()) {
    const { picture, places: from } = sheets[sheet]!;
    const to = placeInStrip(at, grid);
    for (let row = 0; row < area.height; row++) {
      const start = (area.y + row) * picture.width + area.x;
      const target = (to.y + row) * width + to.x;
      data.set(picture.data.subarray(start * 4, (start + area.width) * 4), target * 4);
      places.set(from.subarray(start, start + area.width), target);
      const source =
        picture.wide ?? Uint16Array.from(picture.data.subarray(start * 4, (start + area.width) * 4), (value) => value * 257);
      wide?.set(picture.wide ? source.subarray(start * 4, (start + area.width) * 4) : source, target * 4);
    }
  }
  return { picture: { width, height, data, wide, palette: null, notes: [] }, places, transparent: first!.transparent };
}

async function png(done: Recoloured, { palette }: Recolouring, indexed: boolean): Promise<Uint8Array | string> {
  if (!indexed) return trueColourPng(done.picture);
  const index = indexRecoloured(done, palette);
  return typeof index === 'string'
    ? index
    : paletteIndexPng(done.picture.width, done.picture.height, index.palette, index.indices);
}
