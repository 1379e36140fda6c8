import { z } from 'zod';

/** A release's number as it stands in an address: digits alone, so that each release has one address. */
export const ReleaseNumber = z
  .string()
  .regex(/^[1-9]\d{0,6}$/)
  .transform(Number);
