import { fromBytes } from '../../colour/channel-values';
import { readPalette } from '../../image/png-palette';
import { paletteBlocks } from '../../image/blocks';
import { extractColours, type Extracted } from '../../image/extract';
import { pixelAt, type Pixels } from '../../image/pixels';
import { pictureSize, type PictureSize } from '../../image/size';
import type { Reader } from '../reader';
import { certain, nameOfFile, intakeOf, taken, unreadable, type EntryParts } from '../intake';

/** More pixels than this are not decoded: as bytes they would be a quarter of a gigabyte. */
const MOST_PIXELS = 64_000_000;
/** What a picture is first looked at for: charts want eight colours (common practice), small lively ones among them. */
export const FIRST_LOOK = { count: 8, liveliness: 0.75 };

/** Pictures: a palette drawn as one is read exactly; an indexed PNG gives its palette; any other its eight main colours. */
export const picture: Reader = {
  id: 'picture',
  title: 'Picture (PNG, JPEG, GIF, WebP)',
  family: 'image',
  extensions: ['.png', '.jpg', '.jpeg', '.gif', '.webp'],
  purpose: 'Palette strips and grids exactly, and the colours of photographs and art.',
  async read({ name, bytes }, { decode, onProgress }) {
    const size = pictureSize(bytes);
    if (!size) return null;
    const refusal = pictureRefusal(size);
    if (refusal) return unreadable('picture', refusal);
    if (!decode) return unreadable('picture', 'Pictures cannot be decoded here.');
    let pixels: Pixels;
    try {
      pixels = await decode(bytes);
    } catch {
      // What the decoder says of the damage is of no use to a person.
      return unreadable('picture', 'This picture is damaged and cannot be decoded; save it again.');
    }
    const entries = exactColours(bytes, pixels) ?? extractColours(pixels, FIRST_LOOK, onProgress).map(extractedEntry);
    if (entries.length === 0) return unreadable('picture', 'Every pixel of this picture is transparent.');
    return intakeOf('picture', [{ name: nameOfFile(name), kind: 'loose', entries }]);
  },
};

/** Why a picture is not even decoded, in one sentence; null when it may be. */
export function pictureRefusal({ width, height }: PictureSize): string | null {
  if (width === 0 || height === 0) return 'This picture is cut off within its header; save it again.';
  if (width * height <= MOST_PIXELS) return null;
  return `This picture claims ${width} by ${height} pixels; up to 64 million are read. Make it smaller first.`;
}

/** The colours of a picture that is a palette: drawn as a strip or grid, or kept as a PNG's index. null for any other. */
export function exactColours(bytes: Uint8Array, pixels: Pixels): EntryParts[] | null {
  const kind = pictureSize(bytes)?.kind;
  const blocks = paletteBlocks(pixels, kind === 'png' || kind === 'gif');
  if (blocks) {
    return blocks.map(({ x, y }, at) => taken(certain(pixelAt(pixels, x, y)), { line: at + 1, text: `block at ${x}, ${y}` }));
  }
  const palette = kind === 'png' ? readPalette(bytes) : null;
  return (
    palette && palette.map(([r, g, b, a], at) => taken(certain(fromBytes(r, g, b, a)), { line: at + 1, text: `index ${at}` }))
  );
}

/** A colour found in a picture as an entry, told by its place and its share of the area. */
export function extractedEntry({ rgb, share, x, y }: Extracted, at: number): EntryParts {
  const text = `${(share * 100).toFixed(share < 0.01 ? 1 : 0)} % at ${x}, ${y}`;
  return taken(certain(fromBytes(...rgb)), { line: at + 1, text });
}
