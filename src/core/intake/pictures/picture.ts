import { z } from 'zod';
import { flatBlocks } from '../../image/blocks';
import { extractColours, type Extracted } from '../../image/extract';
import { pixelAt, type Pixels } from '../../image/pixels';
import { pictureSize, type PictureSize } from '../../image/size';
import { defineFormat, type ReadSwatch, type SourceFile } from '../../formats/kit/format';
import { fromBytes } from '../channel-values';
import { nameOfFile, readingOf, readSwatch, unreadable } from '../reading';

/** More pixels than this are not decoded: as bytes they would be a quarter of a gigabyte. */
const MOST_PIXELS = 64_000_000;
/** What a picture is first looked at for: charts want eight colours (common practice), small lively ones among them. */
export const FIRST_LOOK = { count: 8, liveliness: 0.75 };

/** Pictures: a palette drawn as one is read exactly; an indexed PNG gives its palette; any other its eight main colours. */
export const picture = defineFormat({
  id: 'picture',
  title: 'Picture (PNG, JPEG, GIF, WebP)',
  family: 'image',
  extensions: ['.png', '.jpg', '.jpeg', '.gif', '.webp'],
  purpose: 'To bring in: palette strips and grids exactly, and the colours of photographs and art.',
  options: z.strictObject({}),
  async read({ name, bytes }: SourceFile, { decode, onProgress }) {
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
    const swatches = exactColours(bytes, pixels) ?? ofPhotograph(pixels, onProgress);
    if (swatches.length === 0) return unreadable('picture', 'Every pixel of this picture is transparent.');
    return readingOf('picture', [{ name: nameOfFile(name), kind: 'loose', swatches }]);
  },
});

/** Why a picture is not even decoded, in one sentence; null when it may be. */
export function pictureRefusal({ width, height }: PictureSize): string | null {
  if (width === 0 || height === 0) return 'This picture is cut off within its header; save it again.';
  if (width * height <= MOST_PIXELS) return null;
  return `This picture claims ${width} by ${height} pixels; up to 64 million are read. Make it smaller first.`;
}

/** The colours of a picture that is a palette: drawn as a strip or grid, or kept as a PNG's index. null for any other. */
export function exactColours(bytes: Uint8Array, pixels: Pixels): ReadSwatch[] | null {
  return ofBlocks(pixels) ?? (pictureSize(bytes)?.kind === 'png' ? ofIndex(bytes) : null);
}

function ofBlocks(pixels: Pixels): ReadSwatch[] | null {
  const blocks = flatBlocks(pixels);
  if (!blocks) return null;
  return blocks.map(({ x, y }, at) => readSwatch(pixelAt(pixels, x, y), { name: '', line: at + 1, text: `block at ${x}, ${y}` }));
}

/** The palette of an indexed PNG, in its order, with its opacities. PNG, chunks PLTE and tRNS. */
function ofIndex(bytes: Uint8Array): ReadSwatch[] | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let colours: Uint8Array | null = null;
  let opacity: Uint8Array | null = null;
  for (let at = 8; at + 12 <= bytes.length; at += 12 + view.getUint32(at)) {
    const kind = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    const body = bytes.subarray(at + 8, at + 8 + view.getUint32(at));
    if (kind === 'PLTE') colours = body;
    else if (kind === 'tRNS') opacity = body;
    else if (kind === 'IDAT') break;
  }
  // Colour type 3; a true-colour PNG may carry a PLTE chunk as a mere suggestion.
  if (!colours || bytes[25] !== 3) return null;
  const palette = colours;
  return Array.from({ length: Math.floor(palette.length / 3) }, (_, at) => {
    const hex = fromBytes(palette[at * 3]!, palette[at * 3 + 1]!, palette[at * 3 + 2]!);
    const alpha = opacity?.[at] ?? 255;
    const css = alpha < 255 ? hex + alpha.toString(16).padStart(2, '0') : hex;
    return readSwatch(css, { name: '', line: at + 1, text: `index ${at}` });
  });
}

function ofPhotograph(pixels: Pixels, onProgress?: (share: number) => void): ReadSwatch[] {
  return extractColours(pixels, FIRST_LOOK, onProgress).map(extractedSwatch);
}

/** A colour found in a picture as a swatch, told by its place and its share of the area. */
export function extractedSwatch({ rgb, share, x, y }: Extracted, at: number): ReadSwatch {
  return readSwatch(fromBytes(...rgb), {
    name: '',
    line: at + 1,
    text: `${(share * 100).toFixed(share < 0.01 ? 1 : 0)} % at ${x}, ${y}`,
  });
}
