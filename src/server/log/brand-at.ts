import type { Brand } from '@/core/brand/document/document';

/** A brand as it is after a change. */
export interface BrandAt {
  readonly brand: Brand;
  /** Number of the change. */
  readonly seq: number;
}
