import { unpackParts } from '../source/zip';
import type { DeliveredFile } from './compare-delivery';

/** So much of a zip is unpacked, in bytes. */
const MOST = 256 * 1024 * 1024;
/** Of the files that programs put into zips beside the delivery. */
const NO_DELIVERY = /(?:^|\/)(?:__MACOSX|\.)|\/$/;

/** The files of a zipped delivery. @returns a sentence when it is damaged or too large */
export function unpackDelivery(bytes: Uint8Array): DeliveredFile[] | string {
  const { parts, ending } = unpackParts(bytes, (path) => !NO_DELIVERY.test(path), MOST);
  if (ending === 'damaged' || parts.size === 0) return 'this zip is damaged or empty; pack it again.';
  if (ending === 'large') return 'this zip holds more than 256 MB; give it in parts.';
  return Array.from(parts, ([name, content]) => ({ name, bytes: content }));
}
