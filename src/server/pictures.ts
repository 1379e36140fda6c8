import { createHash } from 'node:crypto';
import { PictureHash } from '@/core/brand/document';
import { pictureRefusal } from '@/core/intake/pictures/picture';
import { pictureSize } from '@/core/image/size';
import { database, type PersonRow, type PictureRow } from './database';
import { Refused } from './refused';

/** The pictures that a brand keeps; at 8 MB each, some gigabytes. */
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
  const row = { brandId, sha256, mediaType: `image/${size.kind}`, bytes: Buffer.from(bytes), personId: person.id };
  await Picture.bulkCreate([row], { ignoreDuplicates: true });
  return sha256;
}

export async function keptPicture(brandId: string, sha256: string): Promise<PictureRow> {
  const picture = PictureHash.safeParse(sha256).success && (await database().Picture.findOne({ where: { brandId, sha256 } }));
  if (!picture) throw new Refused(404, 'There is no such picture here.');
  return picture;
}
