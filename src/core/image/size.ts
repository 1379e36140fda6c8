export type PictureKind = 'png' | 'jpeg' | 'gif' | 'webp';

export interface PictureSize {
  readonly kind: PictureKind;
  readonly width: number;
  readonly height: number;
}

/**
 * Kind and size of a picture by its first bytes, without decoding it: a few kilobytes may claim gigabytes of pixels.
 * PNG (W3C), JPEG (ITU-T T.81), GIF89a, WebP (RFC 9649).
 * @returns null when it is none of the four; a size of 0 when the header is cut off
 */
export function pictureSize(bytes: Uint8Array): PictureSize | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const latin = (at: number, length: number) => String.fromCharCode(...bytes.subarray(at, at + length));
  const sized = (kind: PictureKind, needed: number, read: () => [number, number]): PictureSize => {
    const [width, height] = bytes.length >= needed ? read() : [0, 0];
    return { kind, width, height };
  };
  if (latin(0, 8) === '\x89PNG\r\n\x1a\n') return sized('png', 24, () => [view.getUint32(16), view.getUint32(20)]);
  if (/^GIF8[79]a/.test(latin(0, 6))) return sized('gif', 10, () => [view.getUint16(6, true), view.getUint16(8, true)]);
  if (latin(0, 4) === 'RIFF' && latin(8, 4) === 'WEBP') return sized('webp', 30, () => webp(view, latin(12, 4)));
  if (bytes[0] === 0xff && bytes[1] === 0xd8) {
    const [width, height] = jpeg(view);
    return { kind: 'jpeg', width, height };
  }
  return null;
}

function webp(view: DataView, chunk: string): [number, number] {
  const u24 = (at: number) => view.getUint16(at, true) | (view.getUint8(at + 2) << 16);
  if (chunk === 'VP8X') return [u24(24) + 1, u24(27) + 1];
  if (chunk === 'VP8L') {
    const bits = view.getUint32(21, true);
    return [(bits & 0x3fff) + 1, ((bits >>> 14) & 0x3fff) + 1];
  }
  return [view.getUint16(26, true) & 0x3fff, view.getUint16(28, true) & 0x3fff];
}

/** Walks the segments to the frame header. */
function jpeg(view: DataView): [number, number] {
  let at = 2;
  while (at + 9 < view.byteLength) {
    if (view.getUint8(at) !== 0xff) return [0, 0];
    const marker = view.getUint8(at + 1);
    const isFrame = marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);
    if (isFrame) return [view.getUint16(at + 7), view.getUint16(at + 5)];
    at += 2 + view.getUint16(at + 2);
  }
  return [0, 0];
}
