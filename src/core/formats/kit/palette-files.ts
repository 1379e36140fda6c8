import { finding, type Finding } from '../../findings/finding';
import { about } from './options';
import { slug } from '../../base/words';
import { z } from 'zod';
import type { Brand } from '../../brand/document/document';
import type { Palette, Swatch } from '../../brand/document/palette-shape';
import { byte, readColour } from '../../colour/read';
import { textFile, type Written, type WrittenFile } from './format';

/** The options of every format that keeps palettes rather than tokens. */
export const paletteOptions = z.strictObject({
  palette: z
    .string()
    .max(120)
    .default('')
    .meta(about({ title: 'Only one palette', description: 'all palettes' })),
});

/** A swatch as such a file holds it. */
export interface PlainSwatch {
  readonly id: string;
  readonly name: string;
  /** Red, green, blue 0..255. */
  readonly rgb: readonly [number, number, number];
  /** Lower-case `#rrggbb`. */
  readonly hex: string;
}

/** One file a palette, in `folder`, named by it. What the format cannot hold is said. */
export function eachPalette(
  brand: Brand,
  { palette: only }: z.output<typeof paletteOptions>,
  { folder, extension, mediaType }: { folder: string; extension: string; mediaType: string },
  write: (palette: Palette, swatches: readonly PlainSwatch[]) => Uint8Array | string,
): Written {
  const { palettes, findings } = chosenPalettes(brand, only);
  const names = new Map<string, number>();
  const files = palettes.map((palette): WrittenFile => {
    const base = slug(palette.name);
    const count = (names.get(base) ?? 0) + 1;
    names.set(base, count);
    const name = count === 1 ? base : `${base}-${count}`;
    const path = `${folder}/${name}${extension}`;
    const content = write(palette, palette.swatches.map(plainSwatch));
    return typeof content === 'string' ? textFile(path, mediaType, content) : { path, mediaType, bytes: content };
  });
  return { files, findings };
}

/** The palettes to write: all with something in them, or the one named. */
export function chosenPalettes(brand: Brand, only: string): { palettes: Palette[]; findings: Written['findings'] } {
  const named = brand.palettes.filter(({ name }) => only === '' || name === only);
  const palettes = named.filter(({ swatches }) => swatches.length > 0);
  const findings: Finding[] = [];
  if (palettes.length === 0) {
    const message = only === '' ? 'There is no swatch to write yet.' : `There is no swatch in a palette ${only}; name another.`;
    findings.push(finding('nothing-to-write', 'error', message));
  }
  for (const { name, swatches } of palettes) {
    const translucent = swatches.filter(({ value }) => readColour(value)!.alpha < 1).length;
    if (translucent === 0) continue;
    const message = `${name}: swatches that are translucent: ${translucent}. Swatch files hold no opacity, so they are written opaque.`;
    findings.push(finding('opacity', 'warning', message));
  }
  return { palettes, findings };
}

export function plainSwatch({ id, name, value }: Pick<Swatch, 'id' | 'name' | 'value'>): PlainSwatch {
  const colour = readColour(value)!;
  const [r, g, b] = colour.rgb.map(byte) as [number, number, number];
  return { id, name, rgb: [r, g, b], hex: colour.hex };
}
