import { createHash } from 'node:crypto';
import { FileHash } from '@/core/brand/document/fields';
import { pictureRefusal } from '@/core/intake/pictures/picture';
import { pictureSize } from '@/core/image/size';
import { database } from '../database/database';
import type { PersonRow, PictureRow } from '../database/rows';
import { foreign } from '../writing/foreign';
import { Refused } from '../http/refused';

/** The pictures that a brand keeps; at 20 MB each, ten gigabytes. */
const MOST_PICTURES = 500;

/**
 * Keeps the picture a palette was made from. What kind it is, its bytes say, not the sender; it is never decoded here.
 * @returns its SHA-256, by which it is fetched again
 */
export async function keepPicture(person: PersonRow, brandId: string, bytes: Uint8Array): Promise<string> {
  const size = pictureSize(bytes);
  if (!size) throw new Refused(400, 'Only PNG, JPEG, GIF and WebP pictures are kept.');
  const refusal = pictureRefusal(size);
  if (refusal) throw new Refused(400, refusal);
  const sha256 = createHash('sha256').update(bytes).digest('hex');
  const { Picture } = database();
  if (
    (await Picture.count({ where: { brandId } })) >= MOST_PICTURES &&
    !(await Picture.findOne({ where: { brandId, sha256 } }))
  ) {
    throw new Refused(409, `A brand keeps at most ${MOST_PICTURES} pictures.`);
  }
  const row = { brandId, sha256, mediaType: `image/${size.kind}` as const, bytes: Buffer.from(bytes), personId: person.id };
  await Picture.bulkCreate([row], { ignoreDuplicates: true });
  return sha256;
}

/** The largest logo that is taken, in bytes. */
const LARGEST_LOGO = 2 * 1024 * 1024;
const NO_LOGO = 'A logo is a PNG or an SVG that can be drawn; this file cannot.';

/** Keeps a logo, PNG or SVG, drawn anew: what is kept is a PNG without anything else in it. @returns its SHA-256 */
export async function keepLogo(person: PersonRow, brandId: string, bytes: Uint8Array): Promise<string> {
  if (bytes.length > LARGEST_LOGO) throw new Refused(413, 'A logo is at most 2 MB.');
  const isPng = pictureSize(bytes)?.kind === 'png';
  if (!isPng && !/^[^]{0,2000}<svg[\s>]/.test(Buffer.from(bytes.subarray(0, 4_000)).toString())) throw new Refused(400, NO_LOGO);
  const { png } = await foreign('logo', { bytes: Buffer.from(bytes).toString('base64') }, NO_LOGO);
  return keepPicture(person, brandId, Buffer.from(png, 'base64'));
}

export async function storedPicture(brandId: string, sha256: string): Promise<PictureRow> {
  const picture = FileHash.safeParse(sha256).success && (await database().Picture.findOne({ where: { brandId, sha256 } }));
  if (!picture) throw new Refused(404, 'There is no such picture here.');
  return picture;
}
