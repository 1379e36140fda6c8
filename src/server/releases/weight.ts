import type { Weight } from '@/core/release/weight';
import { loadBrand } from '../log/documents';
import { Refused } from '../http/refused';
import { writer } from '../writing/writer';

/** What the families of a destination weigh, in the brand as it stands on the server. Null when it does not choose. */
export async function weightOf(brandId: string, destination: string, group: string): Promise<Weight | null> {
  const now = await loadBrand(brandId);
  if (!now.brand.destinations.some(({ id }) => id === destination))
    throw new Refused(404, 'This destination is not there any more.');
  const weight = await writer().write('weight', now, { destination, group });
  if (typeof weight === 'string') throw new Refused(413, weight);
  return weight;
}
