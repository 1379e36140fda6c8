import { Gunzip } from 'fflate';
import { parseTar } from 'nanotar';
import { joinedBytes } from '../base/bytes';
import { isZip, unpackParts } from '../source/zip';
import type { DeliveredFile } from './compare-delivery';

/** So much of a zip, or of a package, is unpacked, in bytes. */
const MOST = 256 * 1024 * 1024;
/** Of the files that programs put into zips beside the delivery. */
const NO_DELIVERY = /(?:^|\/)(?:__MACOSX|\.)|\/$/;
/** Pieces in which a package is unpacked, so that the bound is met soon. */
const PIECE = 65_536;

/** Whether bytes are several files in one: a zip, or a package (tar in gzip). */
export function isPacked(bytes: Uint8Array): boolean {
  return isZip(bytes) || isGzip(bytes);
}

/** The files of a packed delivery; packages in it are unpacked too. @returns a sentence when it is damaged or too large */
export function unpackDelivery(bytes: Uint8Array): DeliveredFile[] | string {
  if (isGzip(bytes)) return unpackPackage(bytes);
  const { parts, ending } = unpackParts(bytes, (path) => !NO_DELIVERY.test(path), MOST);
  if (ending === 'damaged' || parts.size === 0) return 'this zip is damaged or empty; pack it again.';
  if (ending === 'large') return 'this zip holds more than 256 MB; give it in parts.';
  const files: DeliveredFile[] = [];
  for (const [name, content] of parts) {
    const unpacked = isGzip(content) ? unpackPackage(content) : [{ name, bytes: content }];
    if (typeof unpacked === 'string') return `${name} in it: ${unpacked}`;
    files.push(...unpacked);
  }
  return files;
}

/** RFC 1952, section 2.3.1. */
function isGzip(bytes: Uint8Array): boolean {
  return bytes[0] === 0x1f && bytes[1] === 0x8b;
}

function unpackPackage(bytes: Uint8Array): DeliveredFile[] | string {
  const pieces: Uint8Array[] = [];
  let size = 0;
  const archive = new Gunzip((piece) => {
    size += piece.length;
    if (size <= MOST) pieces.push(piece);
  });
  try {
    for (let at = 0; at < bytes.length && size <= MOST; at += PIECE)
      archive.push(bytes.subarray(at, at + PIECE), at + PIECE >= bytes.length);
    if (size > MOST) return 'this package holds more than 256 MB; give it in parts.';
    const files = parseTar(joinedBytes(pieces)).flatMap(({ name, type, data }): DeliveredFile[] =>
      type === 'file' && data ? [{ name: name.replace(/^package\//, ''), bytes: data }] : [],
    );
    if (files.length > 0) return files;
  } catch {
    // Both libraries throw on any damage; what it was is of no use to a person.
  }
  return 'this package is damaged or empty; pack it again.';
}
