import type { Brand } from '@/core/brand/document/document';
import { resolveTheme, swatchesOf } from '@/core/brand/reading/resolve';
import { readColour } from '@/core/colour/read';

/** The colour of a swatch or a token by its id, in a theme or else in the first; null for what has none of its own. */
export function coloursOf(brand: Brand, theme: string): (id: string) => string | null {
  const swatches = swatchesOf(brand);
  const shown = themeIn(brand, theme);
  const tokens = resolveTheme(brand, shown);
  return (id) => {
    const swatch = swatches.get(id)?.swatch;
    return swatch ? readColour(swatch.value)!.hex : (tokens.get(id)?.colour?.hex ?? null);
  };
}

/** Id of a theme where a brand has it, or else of its first. */
export function themeIn({ themes }: Brand, theme: string): string {
  return themes.some(({ id }) => id === theme) ? theme : themes[0]!.id;
}
