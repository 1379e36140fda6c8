import { crc32, deflateRawSync } from 'node:zlib';

/** A zip by its published layout (APPNOTE.TXT 4.3), deflated by the runtime: the megabytes of a bomb take a moment only. */
export function zipFile(members: Readonly<Record<string, Uint8Array>>): Uint8Array {
  const parts: Buffer[] = [];
  const directory: Buffer[] = [];
  let offset = 0;
  for (const [name, bytes] of Object.entries(members)) {
    const path = Buffer.from(name);
    const packed = deflateRawSync(bytes, { level: 9 });
    // Version 2.0, no flags, method 8 (deflate), a time and a date of nought, then checksum and sizes.
    const common = numbers([2, 20], [2, 0], [2, 8], [4, 0], [4, crc32(bytes)], [4, packed.length], [4, bytes.length]);
    const local = Buffer.concat([numbers([4, 0x04034b50]), common, numbers([2, path.length], [2, 0]), path, packed]);
    const place = numbers([2, path.length], [2, 0], [2, 0], [2, 0], [2, 0], [4, 0], [4, offset]);
    directory.push(Buffer.concat([numbers([4, 0x02014b50], [2, 20]), common, place, path]));
    parts.push(local);
    offset += local.length;
  }
  const central = Buffer.concat(directory);
  const count = directory.length;
  const end = numbers([4, 0x06054b50], [2, 0], [2, 0], [2, count], [2, count], [4, central.length], [4, offset], [2, 0]);
  return Uint8Array.from(Buffer.concat([...parts, central, end]));
}

/** Little-endian numbers, each with its size in bytes. */
function numbers(...all: readonly (readonly [size: number, value: number])[]): Buffer {
  return Buffer.concat(
    all.map(([size, value]) => {
      const bytes = Buffer.alloc(size);
      bytes.writeUIntLE(value, 0, size);
      return bytes;
    }),
  );
}
