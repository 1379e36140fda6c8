import type { Brand } from '../../brand/document/document';
import type { ShippedTheme } from './material';

/**
 * The theme for dark surroundings, for consumers that know just two: the one named by its id, else the first whose first
 * surface is darker than half (OKLCH lightness). The first theme of all is never taken unless it is named.
 */
export function darkest(brand: Brand, themes: readonly ShippedTheme[], named: string): ShippedTheme | undefined {
  if (named !== '') return themes.find(({ theme }) => theme.id === named);
  const surface = brand.tokens.find(({ role }) => role === 'surface')?.id;
  return themes.slice(1).find(({ tokens }) => {
    const found = tokens.find(({ token }) => token.id === surface);
    return found !== undefined && found.colour.oklch[0] < 0.5;
  });
}
