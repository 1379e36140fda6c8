import type { Brand } from '../brand/document/document';
import type { Destination } from '../brand/document/destination-shape';
import { chosenTokens } from '../formats/kit/material';
import { formatById, writeDestination } from '../formats/registry';

/** Bytes of a destination's files, as they are and as a server sends them. */
export interface Sizes {
  readonly raw: number;
  readonly gzip: number;
  readonly brotli: number;
}

export interface WeightPart {
  /** Path of a group or token. */
  readonly path: string;
  readonly tokens: number;
  /** Whether it is left out as things stand. */
  readonly left: boolean;
  /** What the files lose without it, or would gain with it. */
  readonly sizes: Sizes;
}

export interface Weight {
  readonly total: Sizes;
  readonly parts: readonly WeightPart[];
}

/** Parts beyond this are not weighed: each is a writing of all files. */
export const PARTS_LIMIT = 400;

/**
 * What each family of tokens adds to a destination: the files are written without it, and the difference measured.
 * @param group whose families are weighed, one step below it; empty: the first steps of all paths
 * @param measure compresses; given by the place this runs in
 * @returns null when the format does not choose among tokens
 */
export async function weigh(
  brand: Brand,
  destination: Destination,
  group: string,
  measure: (files: readonly Uint8Array[]) => Promise<Sizes>,
): Promise<Weight | null> {
  const format = formatById(destination.format);
  if (!format || !('without' in format.options.shape)) return null;
  const options = format.options.parse(destination.options) as { group: string; without: readonly string[] };
  const sizesWith = async (without: readonly string[]) => {
    const { files } = writeDestination(brand, { ...destination, options: { ...destination.options, without: [...without] } });
    return measure(files.map(({ bytes }) => bytes));
  };
  const total = await sizesWith(options.without);
  const families = new Map<string, number>();
  for (const { path } of chosenTokens(brand.tokens, { group: options.group })) {
    if (group !== '' && !path.startsWith(`${group}.`)) continue;
    const end = path.indexOf('.', group === '' ? 0 : group.length + 1);
    const family = end < 0 ? path : path.slice(0, end);
    families.set(family, (families.get(family) ?? 0) + 1);
  }
  const parts: WeightPart[] = [];
  for (const [path, tokens] of [...families].slice(0, PARTS_LIMIT)) {
    const left = options.without.includes(path);
    const other = await sizesWith(left ? options.without.filter((group) => group !== path) : [...options.without, path]);
    const [more, less] = left ? [other, total] : [total, other];
    const sizes = { raw: more.raw - less.raw, gzip: more.gzip - less.gzip, brotli: more.brotli - less.brotli };
    parts.push({ path, tokens, left, sizes });
  }
  return { total, parts };
}
