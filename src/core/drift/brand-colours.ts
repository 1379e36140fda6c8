import { resolveTheme, swatchesOf } from '../brand/reading/resolve';
import type { Brand } from '../brand/document/document';
import { readColour } from '../colour/read';

/** A colour of a brand and what has it; ids. */
export interface Known {
  readonly hex: string;
  readonly token?: string;
  readonly swatch?: string;
  readonly theme?: string;
}

/** Every colour of a brand with the first token, or else the first swatch, that has it. */
export function coloursOf(brand: Brand): Map<string, Known> {
  const known = new Map<string, Known>();
  const add = (colour: Known) => void (known.has(colour.hex) || known.set(colour.hex, colour));
  for (const theme of brand.themes) {
    for (const { token, colour } of resolveTheme(brand, theme.id).values())
      if (colour) add({ hex: colour.hex, token: token.id, theme: theme.id });
  }
  for (const { swatch } of swatchesOf(brand).values()) add({ hex: readColour(swatch.value)!.hex, swatch: swatch.id });
  return known;
}
