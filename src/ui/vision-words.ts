import type { Vision } from '@/core/colour/vision';

/** Whose eyes they are, after "people". */
export const VISION_WORDS: Readonly<Record<Vision, string>> = {
  normal: 'with all cones',
  protan: 'without red cones',
  deutan: 'without green cones',
  tritan: 'without blue cones',
  achromat: 'without any colour',
};
