import { brotliCompress, constants, gzip } from 'node:zlib';
import { promisify } from 'node:util';
import { weigh, type Sizes, type Weight } from '@/core/release/weight';
import { loadBrand } from './brands';
import { Refused } from './refused';

/** Compressed as a server of static files does it: gzip at 9, Brotli at 9 of 11, for many small weighings. */
async function measure(files: readonly Uint8Array[]): Promise<Sizes> {
  const sizes = await Promise.all(
    files.map(async (bytes) => {
      const [zipped, pressed] = await Promise.all([
        promisify(gzip)(bytes, { level: 9 }),
        promisify(brotliCompress)(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }),
      ]);
      return { raw: bytes.length, gzip: zipped.length, brotli: pressed.length };
    }),
  );
  const sum = (what: keyof Sizes) => sizes.reduce((total, size) => total + size[what], 0);
  return { raw: sum('raw'), gzip: sum('gzip'), brotli: sum('brotli') };
}

/** Bytes that a weighing may compress: a large brand is weighed in its larger groups only. */
const WORK_LIMIT = 64 * 1024 * 1024;

/** What the families of a destination weigh, in the brand as it stands on the server. Null when it does not choose. */
export async function weightOf(brandId: string, destinationId: string, group: string): Promise<Weight | null> {
  const { brand } = await loadBrand(brandId);
  const destination = brand.destinations.find(({ id }) => id === destinationId);
  if (!destination) throw new Refused(404, 'This destination is not there any more.');
  let work = 0;
  return weigh(brand, destination, group, (files) => {
    work += files.reduce((total, { length }) => total + length, 0);
    if (work > WORK_LIMIT) {
      throw new Refused(
        413,
        'These files are too many to be weighed family by family; leave out groups first, or take fewer themes.',
      );
    }
    return measure(files);
  });
}
