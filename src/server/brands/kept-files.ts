import { createHash } from 'node:crypto';
import type { Brand } from '@/core/brand/document/document';
import { FileHash } from '@/core/brand/document/fields';
import type { StoredFiles } from '@/core/release/bundle';
import { database } from '../database/database';
import type { HostRow, PersonRow } from '../database/rows';
import { Refused } from '../http/refused';

/** The hosts that a brand keeps, older ones that releases no longer need among them. */
const MOST_HOSTS = 200;
/** Bytes of all of them together. */
const MOST_BYTES = 400 * 1024 * 1024;

/**
 * Keeps a file that is to be grafted onto, byte for byte. What is in it is never looked at here: only the page and the
 * process that writes releases read it. @returns its SHA-256, by which it is fetched again
 */
export async function keepHost(person: PersonRow, brandId: string, bytes: Uint8Array): Promise<string> {
  if (bytes.length === 0) throw new Refused(400, 'This file is empty; there is nothing to graft onto.');
  const sha256 = createHash('sha256').update(bytes).digest('hex');
  const { Host, sequelize } = database();
  if (await Host.findOne({ where: { brandId, sha256 }, attributes: ['sha256'] })) return sha256;
  const [row] = await Host.findAll({
    where: { brandId },
    attributes: [
      [sequelize.fn('count', sequelize.col('sha256')), 'count'],
      [sequelize.fn('coalesce', sequelize.fn('sum', sequelize.fn('length', sequelize.col('bytes'))), 0), 'size'],
    ],
    raw: true,
  });
  const { count, size } = row as unknown as { count: string; size: string };
  if (Number(count) >= MOST_HOSTS || Number(size) + bytes.length > MOST_BYTES)
    throw new Refused(409, `A brand keeps at most ${MOST_HOSTS} host files, of 400 MB together.`);
  await Host.bulkCreate([{ brandId, sha256, bytes: Buffer.from(bytes), personId: person.id }], { ignoreDuplicates: true });
  return sha256;
}

export async function storedHost(brandId: string, sha256: string): Promise<HostRow> {
  const host = FileHash.safeParse(sha256).success && (await database().Host.findOne({ where: { brandId, sha256 } }));
  if (!host) throw new Refused(404, 'There is no such host file here.');
  return host;
}

/** What a brand's grafts and art are made from: hosts and pictures. Those that are not kept are missing. */
export async function storedFilesOf(brand: Brand): Promise<StoredFiles> {
  const { Host, Picture } = database();
  const named = (hashes: readonly string[]) => ({ where: { brandId: brand.id, sha256: [...new Set(hashes)] } });
  const hosts = await Host.findAll(named(brand.grafts.map(({ host }) => host.sha256)));
  const pictures = await Picture.findAll(named(brand.art.flatMap(({ sheets }) => sheets.map(({ picture }) => picture))));
  return new Map([...hosts, ...pictures].map(({ sha256, bytes }) => [sha256, new Uint8Array(bytes)]));
}
