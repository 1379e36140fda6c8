/** The signature and the chunks of which a PNG consists (PNG 3, sections 5.2 and 5.3). */

export const PNG_SIGNATURE = Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a);

export interface PngChunk {
  readonly kind: string;
  readonly body: Uint8Array;
  /** Whether its check sum is right. */
  readonly sound: boolean;
}

/**
 * The chunks of a PNG up to its end, or up to where the file is cut off: then the last one given is whole, and no `IEND`
 * was. Ancillary chunks are not checked; whoever damaged them did no harm to the picture.
 */
export function* pngChunks(bytes: Uint8Array): Generator<PngChunk> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = PNG_SIGNATURE.length; at + 12 <= bytes.length;) {
    const length = view.getUint32(at);
    const end = at + 12 + length;
    if (end > bytes.length) return;
    const kind = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    const critical = (bytes[at + 4]! & 0x20) === 0;
    yield {
      kind,
      body: bytes.subarray(at + 8, at + 8 + length),
      sound: !critical || crc(bytes.subarray(at + 4, at + 8 + length)) === view.getUint32(at + 8 + length),
    };
    if (kind === 'IEND') return;
    at = end;
  }
}

/** One chunk to be written. */
export type Chunk = readonly [kind: string, body: Uint8Array];

/** IHDR (PNG 3, 11.2.1). @param type colour type: 2 true colour, 3 indexed, 6 true colour with opacity */
export function headerChunk(width: number, height: number, depth: number, type: number): Chunk {
  const header = new Uint8Array(13);
  const view = new DataView(header.buffer);
  view.setUint32(0, width);
  view.setUint32(4, height);
  header.set([depth, type], 8);
  return ['IHDR', header];
}

/** The chunks PLTE and, where a colour is not opaque, tRNS. @param palette red, green, blue, opacity 0..255 each; at most 256 */
export function paletteChunks(palette: readonly (readonly number[])[]): Chunk[] {
  const colours = Uint8Array.from(palette.flatMap(([r, g, b]) => [r!, g!, b!]));
  const opacities = Uint8Array.from(palette.map(([, , , alpha]) => alpha!));
  return [['PLTE', colours], ...(opacities.some((alpha) => alpha < 255) ? [['tRNS', opacities] as const] : [])];
}

/** A PNG of these chunks, with its signature before and its end behind them. */
export function pngOf(chunks: readonly Chunk[]): Uint8Array {
  const all: Chunk[] = [...chunks, ['IEND', new Uint8Array()]];
  const file = new Uint8Array(PNG_SIGNATURE.length + all.reduce((sum, [, { length }]) => sum + 12 + length, 0));
  const view = new DataView(file.buffer);
  file.set(PNG_SIGNATURE);
  let at = PNG_SIGNATURE.length;
  for (const [kind, body] of all) {
    view.setUint32(at, body.length);
    for (let n = 0; n < 4; n++) file[at + 4 + n] = kind.charCodeAt(n);
    file.set(body, at + 8);
    view.setUint32(at + 8 + body.length, crc(file.subarray(at + 4, at + 8 + body.length)));
    at += 12 + body.length;
  }
  return file;
}

const CRC_TABLE = Uint32Array.from({ length: 256 }, (_, byte) => {
  let value = byte;
  for (let bit = 0; bit < 8; bit++) value = value & 1 ? (value >>> 1) ^ 0xedb88320 : value >>> 1;
  return value;
});

/** CRC-32 of ISO 3309 by the table of PNG 3, annex D. */
function crc(bytes: Uint8Array): number {
  let value = 0xffffffff;
  for (let at = 0; at < bytes.length; at++) value = CRC_TABLE[(value ^ bytes[at]!) & 255]! ^ (value >>> 8);
  return (value ^ 0xffffffff) >>> 0;
}
