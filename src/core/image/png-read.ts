import { pngChunks, PNG_SIGNATURE } from './png-chunks';
import { readPalette, type PaletteColour } from './png-palette';

/** A picture with the values that its file holds: no profile and no gamma applied, nothing blended. */
export interface StoredPicture {
  readonly width: number;
  readonly height: number;
  /** Four bytes a pixel: red, green, blue, opacity, not premultiplied. Of 16 bits a channel the nearest 8 (PNG 3, 13.12). */
  readonly data: Uint8Array;
  /** The same with 16 bits a channel, where the file has those. */
  readonly wide: Uint16Array | null;
  /** The palette of an indexed file, in its order. */
  readonly palette: readonly PaletteColour[] | null;
  /** What the file says of its colours that was not applied, in a sentence each. */
  readonly notes: readonly string[];
}

/** A side or an area beyond this is refused before anything is decoded. */
const MOST_PIXELS = 64_000_000;
/** How many samples a pixel has, by colour type (PNG 3, table 9). */
const SAMPLES: Readonly<Record<number, number>> = { 0: 1, 2: 3, 3: 1, 4: 2, 6: 4 };
const DEPTHS: Readonly<Record<number, readonly number[]>> = {
  0: [1, 2, 4, 8, 16],
  2: [8, 16],
  3: [1, 2, 4, 8],
  4: [8, 16],
  6: [8, 16],
};
/** The seven passes of interlaced pictures: where each begins and how far its pixels are apart (PNG 3, section 8.2). */
const PASSES = [
  [0, 0, 8, 8],
  [4, 0, 8, 8],
  [0, 4, 4, 8],
  [2, 0, 4, 4],
  [0, 2, 2, 4],
  [1, 0, 2, 2],
  [0, 1, 1, 2],
] as const;

interface Header {
  readonly width: number;
  readonly height: number;
  readonly depth: number;
  readonly type: number;
  readonly interlaced: boolean;
}

/** One rectangle of rows as it is stored: the whole picture, or one pass of it. */
interface Pass {
  readonly x: number;
  readonly y: number;
  readonly dx: number;
  readonly dy: number;
  readonly width: number;
  readonly height: number;
  /** Bytes of a row, without its filter. */
  readonly row: number;
}

/**
 * Decodes a PNG without loss and without any other decoder between, so that page and command line see the same values:
 * all colour types and depths, interlaced or not (PNG 3). Not more is inflated than its header says it holds.
 * @returns one sentence when it is none, damaged, cut off, too large or animated
 */
export async function readPng(bytes: Uint8Array): Promise<StoredPicture | string> {
  if (!PNG_SIGNATURE.every((byte, at) => bytes[at] === byte)) return 'this is no PNG; hand in a PNG.';
  let header: Header | null = null;
  const data: Uint8Array[] = [];
  const notes: string[] = [];
  let transparent: Uint8Array | null = null;
  let ended = false;
  for (const { kind, body, sound } of pngChunks(bytes)) {
    if (!sound) return `this PNG is damaged (the check sum of its ${kind} is wrong); save it again.`;
    if (kind === 'IHDR') {
      const told = headerOf(body);
      if (typeof told === 'string') return told;
      header = told;
    } else if (kind === 'acTL') return 'this PNG is animated; hand in its frames as a file each.';
    else if (kind === 'tRNS') transparent = body;
    else if (kind === 'iCCP')
      notes.push(
        `It has a colour profile (${profileName(body)}), which is not applied: the values are taken as they are stored.`,
      );
    else if (kind === 'gAMA' || kind === 'cHRM' || kind === 'cICP') {
      const note =
        'It says how its colours are to be shown (gamma, primaries), which is not applied: the values are taken as they are stored.';
      if (!notes.includes(note)) notes.push(note);
    } else if (kind === 'IDAT') data.push(body);
    else if (kind === 'IEND') ended = true;
  }
  if (!header) return 'this PNG is cut off within its header; save it again.';
  const palette = readPalette(bytes);
  if (header.type === 3 && !palette) return 'this PNG should have a palette and has none; save it again.';
  const passes = passesOf(header);
  const rows = await inflated(
    data,
    passes.reduce((sum, { row, height }) => sum + (row + 1) * height, 0),
  );
  if (typeof rows === 'string') return ended ? rows : 'this PNG is cut off before its end; save it again.';
  const samples = SAMPLES[header.type]!;
  const step = Math.max(1, (samples * header.depth) >> 3);
  if (!unfilter(rows, passes, step)) return 'this PNG is damaged (a row has a filter that there is not); save it again.';
  const pixels = header.width * header.height;
  const wide = header.depth === 16 ? new Uint16Array(pixels * 4) : null;
  const picture = new Uint8Array(pixels * 4);
  spread(rows, passes, header, palette, transparent, picture, wide);
  return { width: header.width, height: header.height, data: picture, wide, palette, notes };
}

function headerOf(body: Uint8Array): Header | string {
  if (body.length !== 13) return 'this PNG has a damaged header; save it again.';
  const view = new DataView(body.buffer, body.byteOffset, 13);
  const [width, height] = [view.getUint32(0), view.getUint32(4)];
  const [depth, type, , , interlace] = body.subarray(8) as unknown as [number, number, number, number, number];
  if (width === 0 || height === 0 || !DEPTHS[type]?.includes(depth) || interlace > 1)
    return 'this PNG has a damaged header; save it again.';
  if (width * height > MOST_PIXELS)
    return `this PNG claims ${width} by ${height} pixels; up to 64 million are taken. Make it smaller first.`;
  return { width, height, depth, type, interlaced: interlace === 1 };
}

function profileName(body: Uint8Array): string {
  const end = body.subarray(0, 80).indexOf(0);
  const name = String.fromCharCode(...body.subarray(0, Math.max(0, end)))
    .replace(/[^\x20-\x7e]/g, ' ')
    .trim();
  return name || 'without a name';
}

function passesOf({ width, height, depth, type, interlaced }: Header): Pass[] {
  const sized = (x: number, y: number, dx: number, dy: number): Pass => {
    const across = Math.ceil((width - x) / dx);
    const down = Math.ceil((height - y) / dy);
    return { x, y, dx, dy, width: across, height: down, row: Math.ceil((across * SAMPLES[type]! * depth) / 8) };
  };
  if (!interlaced) return [sized(0, 0, 1, 1)];
  return PASSES.map(([x, y, dx, dy]) => sized(x, y, dx, dy)).filter((pass) => pass.width > 0 && pass.height > 0);
}

/** Inflates (RFC 1950) exactly as much as is expected; more is never unpacked. @returns a sentence when there is less */
async function inflated(parts: readonly Uint8Array[], expected: number): Promise<Uint8Array | string> {
  const result = new Uint8Array(expected);
  let length = 0;
  const stream = new Blob(parts as Uint8Array<ArrayBuffer>[]).stream().pipeThrough(new DecompressionStream('deflate'));
  const reader = stream.getReader();
  try {
    while (length < expected) {
      const { value, done } = await reader.read();
      if (done) break;
      result.set(value.subarray(0, expected - length), length);
      length += value.length;
    }
  } catch {
    // Whatever the decompressor says of damaged data, what was read before it is counted below.
  } finally {
    await reader.cancel().catch(() => {});
  }
  return length < expected ? 'this PNG is damaged: it holds fewer pixels than it says; save it again.' : result;
}

/** Takes the filters out of the rows, in place (PNG 3, section 9). @returns false for a filter that there is not */
function unfilter(rows: Uint8Array, passes: readonly Pass[], step: number): boolean {
  let at = 0;
  for (const { height, row } of passes) {
    for (let line = 0; line < height; line++) {
      const filter = rows[at]!;
      const from = at + 1;
      const above = line === 0 ? -1 : from - row - 1;
      if (!unfilterRow(rows, filter, from, from + row, above, step)) return false;
      at = from + row;
    }
  }
  return true;
}

function unfilterRow(rows: Uint8Array, filter: number, from: number, to: number, above: number, step: number): boolean {
  switch (filter) {
    case 0:
      return true;
    case 1:
      for (let at = from + step; at < to; at++) rows[at]! += rows[at - step]!;
      return true;
    case 2:
      if (above >= 0) for (let at = from, up = above; at < to; at++, up++) rows[at]! += rows[up]!;
      return true;
    case 3:
      for (let at = from, up = above; at < to; at++, up++) {
        const left = at - step < from ? 0 : rows[at - step]!;
        rows[at]! += (left + (above < 0 ? 0 : rows[up]!)) >> 1;
      }
      return true;
    case 4:
      for (let at = from, up = above; at < to; at++, up++) {
        const first = at - step < from;
        const a = first ? 0 : rows[at - step]!;
        const b = above < 0 ? 0 : rows[up]!;
        const c = first || above < 0 ? 0 : rows[up - step]!;
        const pa = Math.abs(b - c);
        const pb = Math.abs(a - c);
        const pc = Math.abs(a + b - c - c);
        rows[at]! += pa <= pb && pa <= pc ? a : pb <= pc ? b : c;
      }
      return true;
    default:
      return false;
  }
}

/** Puts the samples of the rows where their pixels stand, as four channels of 8 bits and, of 16, as those too. */
function spread(
  rows: Uint8Array,
  passes: readonly Pass[],
  { width, depth, type }: Header,
  palette: readonly PaletteColour[] | null,
  transparent: Uint8Array | null,
  into: Uint8Array,
  wide: Uint16Array | null,
): void {
  const samples = SAMPLES[type]!;
  const most = 2 ** depth - 1;
  const key = transparent && (type === 0 || type === 2) ? samplesOf(transparent) : null;
  const pixel = [0, 0, 0, 0];
  let start = 0;
  for (const pass of passes) {
    for (let line = 0; line < pass.height; line++) {
      const from = start + 1;
      let to = ((pass.y + line * pass.dy) * width + pass.x) * 4;
      if (depth === 8 && type === 6 && pass.dx === 1) {
        into.set(rows.subarray(from, from + pass.row), to);
        start = from + pass.row;
        continue;
      }
      for (let n = 0; n < pass.width; n++, to += pass.dx * 4) {
        for (let sample = 0; sample < samples; sample++) {
          const index = n * samples + sample;
          pixel[sample] =
            depth === 8
              ? rows[from + index]!
              : depth === 16
                ? (rows[from + index * 2]! << 8) | rows[from + index * 2 + 1]!
                : (rows[from + ((index * depth) >> 3)]! >> (8 - depth - ((index * depth) & 7))) & most;
        }
        if (type === 3) {
          // An index beyond the palette shows black in most programs (PNG 3, 11.2.2 calls it an error).
          const [r, g, b, alpha] = palette![pixel[0]!] ?? [0, 0, 0, 255];
          into[to] = r;
          into[to + 1] = g;
          into[to + 2] = b;
          into[to + 3] = alpha;
          continue;
        }
        const isKey = key !== null && key.every((value, at) => value === pixel[at]);
        const grey = samples < 3;
        const alpha = isKey ? 0 : samples % 2 === 0 ? pixel[samples - 1]! : most;
        for (let channel = 0; channel < 4; channel++) {
          const value = channel === 3 ? alpha : pixel[grey ? 0 : channel]!;
          if (wide) wide[to + channel] = value;
          into[to + channel] = depth === 8 ? value : Math.floor((value * 255) / most + 0.5);
        }
      }
      start = from + pass.row;
    }
  }
}

/** Two bytes each, the high one first: how tRNS keeps the one colour that is transparent (PNG 3, 11.3.1.1). */
function samplesOf(bytes: Uint8Array): number[] {
  return Array.from({ length: bytes.length >> 1 }, (_, at) => (bytes[at * 2]! << 8) | bytes[at * 2 + 1]!);
}
