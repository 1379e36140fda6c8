import { writeArt } from '../art/write-art';
import { slug } from '../base/words';
import type { Brand } from '../brand/document/document';
import type { Graft } from '../brand/document/graft-shape';
import type { Mark } from '../formats/kit/marks';
import type { WrittenFile } from '../formats/kit/format';
import { boundColour, writeGraft } from '../graft/write-graft';
import { readHost } from '../graft/host';
import type { StoredFiles } from '../release/bundle';
import { FORMATS, tokensWritten, writeDestination } from '../formats/registry';

/** A file that a brand would write today, with where it comes from. */
export interface ExpectedFile extends WrittenFile {
  /** Id of its format, `graft`, or `art`. */
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
 * @param kept what its grafts and its art are made from; those that lack theirs are not expected
 */
export async function expectedFiles(
  brand: Brand,
  kept: StoredFiles = new Map(),
  onProgress?: (share: number) => void,
): Promise<ExpectedFile[]> {
  const shipped = new Set(brand.destinations.map(({ format }) => format));
  const others = FORMATS.filter(({ id }) => !shipped.has(id)).map(({ id }) => ({ name: id, format: id, options: {} }));
  // A package is unpacked before it is compared, and its files are those of other formats.
  const all = [...brand.destinations, ...others].filter(({ format }) => format !== 'npm-package');
  const grafted = brand.grafts.flatMap((graft) => graftedFile(brand, graft, kept.get(graft.host.sha256)));
  const written = all.flatMap((destination, at) => {
    const { files } = writeDestination(brand, destination);
    const tokens = tokensWritten(brand, { id: '', ...destination }).map(({ id }) => id);
    onProgress?.((at + 1) / all.length);
    return files.map((file): ExpectedFile => ({
      ...file,
      format: destination.format,
      shipped: 'id' in destination,
      theme: themeOf(brand, file.path),
      tokens,
    }));
  });
  const art: ExpectedFile[] = [];
  for (const piece of brand.art) {
    const { files } = await writeArt(brand, piece, kept);
    art.push(...files.map((file) => ({ ...file, format: 'art', shipped: true, theme: null, tokens: [] })));
  }
  return [...grafted, ...art, ...written];
}

/** A graft as it would be delivered, with a mark for each of its bound slots: the others are nobody's business. */
function graftedFile(brand: Brand, graft: Graft, host: Uint8Array | undefined): ExpectedFile[] {
  const { bytes } = host ? writeGraft(brand, graft, host) : { bytes: null };
  const read = bytes && readHost(graft.host.name, bytes, graft);
  if (!bytes || !read || typeof read === 'string') return [];
  const taken = new Map(
    read.found.banks.flatMap(({ key, slots }) => {
      const palette = brand.palettes.find(({ id }) => id === graft.banks[key]?.palette);
      return slots.flatMap((at, n) => (palette?.swatches[n] ? [[at, palette.swatches[n].id] as const] : []));
    }),
  );
  const marks = read.found.slots.flatMap(({ key, span, literal }, at): Mark[] => {
    const binding = graft.bindings[key];
    const swatch = taken.get(at);
    if (!binding) return swatch === undefined ? [] : [{ ...span, hex: literal.colour.hex, swatch }];
    if (!boundColour(brand, binding, graft.theme)) return [];
    const { to, theme = graft.theme } = binding;
    return [{ ...span, hex: literal.colour.hex, ...('token' in to ? { token: to.token, theme } : { swatch: to.swatch }) }];
  });
  return [
    { path: graft.path, mediaType: 'text/plain', bytes, marks, format: 'graft', shipped: true, theme: graft.theme, tokens: [] },
  ];
}

function themeOf({ themes }: Brand, path: string): string | null {
  const named = themes.filter(({ name }) => new RegExp(`(?:^|[-_/.])${slug(name)}(?:[-_/.]|$)`).test(path));
  // “Night bridge” is named where “Night” is too: the longest counts.
  return named.sort((one, two) => two.name.length - one.name.length)[0]?.id ?? (themes.length === 1 ? themes[0]!.id : null);
}
