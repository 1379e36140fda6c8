import { slug } from '../base/words';
import type { Brand } from '../brand/document';
import type { WrittenFile } from '../formats/kit/format';
import { FORMATS, tokensWritten, writeDestination } from '../formats/registry';

/** A file that a brand would write today, with where it comes from. */
export interface ExpectedFile extends WrittenFile {
  /** Id of its format. */
  readonly format: string;
  /** Whether the brand ships it; else it is what the format writes by itself. */
  readonly shipped: boolean;
  /** Id of the theme that its path names; null when it names none, or holds several. */
  readonly theme: string | null;
  /** Ids of the tokens that its format writes, in order. */
  readonly tokens: readonly string[];
}

/**
 * Every file that a brand could have delivered: those of its own destinations, and those of all other formats with the
 * options that they have by themselves. Formats that the brand lacks colours for write none.
 */
export function expectedFiles(brand: Brand, onProgress?: (share: number) => void): ExpectedFile[] {
  const shipped = new Set(brand.destinations.map(({ format }) => format));
  const others = FORMATS.filter(({ id }) => !shipped.has(id)).map(({ id }) => ({ name: id, format: id, options: {} }));
  const all = [...brand.destinations, ...others];
  return all.flatMap((destination, at) => {
    const { files } = writeDestination(brand, destination);
    const tokens = tokensWritten(brand, { id: '', ...destination }).map(({ id }) => id);
    onProgress?.((at + 1) / all.length);
    return files.map((file): ExpectedFile => ({
      ...file,
      format: destination.format,
      shipped: at < brand.destinations.length,
      theme: themeOf(brand, file.path),
      tokens,
    }));
  });
}

function themeOf({ themes }: Brand, path: string): string | null {
  const named = themes.filter(({ name }) => new RegExp(`(?:^|[-_/.])${slug(name)}(?:[-_/.]|$)`).test(path));
  // “Night bridge” is named where “Night” is too: the longest counts.
  return named.sort((one, two) => two.name.length - one.name.length)[0]?.id ?? (themes.length === 1 ? themes[0]!.id : null);
}
