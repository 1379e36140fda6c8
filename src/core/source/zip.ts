import { joinedBytes } from '../base/bytes';
import { Unzip, UnzipInflate } from 'fflate';

/** How a zip was unpacked: whole, or why not. */
export type Unpacked = 'whole' | 'damaged' | 'large';

/** Pieces in which a zip is looked through: small enough that a bound is met soon. */
const PIECE = 8_192;

export function isZip(bytes: Uint8Array): boolean {
  return bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3 && bytes[3] === 4;
}

/**
 * Unpacks the parts of a zip that are wanted, piece by piece, and none else. What the archive says of sizes is not
 * believed: bytes are counted as they come out, and past `most` it stops.
 * @param wanted what takes the pieces of a part, by its path; null for one that is not wanted
 */
export function unpack(
  bytes: Uint8Array,
  wanted: (path: string) => ((piece: Uint8Array, last: boolean) => void) | null,
  most: number,
): Unpacked {
  let count = 0;
  let ending: Unpacked = 'whole';
  let open = 0;
  const archive = new Unzip((file) => {
    const take = wanted(file.name);
    if (!take) return;
    open++;
    file.ondata = (error, piece, last) => {
      if (ending !== 'whole') return;
      if (error) {
        ending = 'damaged';
        return;
      }
      count += piece.length;
      if (count > most) {
        ending = 'large';
        return;
      }
      if (last) open--;
      take(piece, last);
    };
    file.start();
  });
  archive.register(UnzipInflate);
  try {
    for (let at = 0; at < bytes.length && stillWhole(); at += PIECE)
      archive.push(bytes.subarray(at, at + PIECE), at + PIECE >= bytes.length);
  } catch {
    // The library throws on any damage; what it was is of no use to a person.
    return 'damaged';
  }
  return stillWhole() && open > 0 ? 'damaged' : ending;

  function stillWhole(): boolean {
    return ending === 'whole';
  }
}

/** Some parts of a zip, each whole. */
export function unpackParts(
  bytes: Uint8Array,
  isWanted: (path: string) => boolean,
  most: number,
): { parts: Map<string, Uint8Array>; ending: Unpacked } {
  const parts = new Map<string, Uint8Array>();
  const ending = unpack(
    bytes,
    (path) => {
      if (!isWanted(path) || parts.has(path)) return null;
      const pieces: Uint8Array[] = [];
      return (piece, last) => {
        pieces.push(piece);
        if (last) parts.set(path, joinedBytes(pieces));
      };
    },
    most,
  );
  return { parts, ending };
}
