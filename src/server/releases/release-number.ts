import { z } from 'zod';
import { database } from '../database/database';
import type { ReleaseRow } from '../database/rows';

/** A release's number as it stands in an address: digits alone, so that each release has one address. */
export const ReleaseNumber = z
  .string()
  .regex(/^[1-9]\d{0,6}$/)
  .transform(Number);

/** The newest release's number; 0 before the first. */
export async function latestNumber(brandId: string): Promise<number> {
  return (await database().Release.max<number | null, ReleaseRow>('number', { where: { brandId } })) ?? 0;
}
