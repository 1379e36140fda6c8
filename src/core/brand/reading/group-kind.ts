import type { Brand } from '../document/document';
import type { Palette } from '../document/palette-shape';
import type { Token } from '../document/token-shape';
import { resolveTheme } from './resolve';

/**
 * The kind of the palette that all of these tokens take their colours from, in the first theme in which they do: where a theme was
 * derived its values point at no swatch, and a scale is a scale all the same.
 * @param first id of the theme that is asked before the others
 */
export function groupKind(brand: Brand, tokens: readonly Token[], first: string): Palette['kind'] | undefined {
  for (const theme of [first, ...brand.themes.map(({ id }) => id).filter((id) => id !== first)]) {
    const resolved = resolveTheme(brand, theme);
    const kinds = new Set(tokens.map(({ id }) => resolved.get(id)?.kept?.palette.kind));
    const [kind] = kinds;
    if (kinds.size === 1 && kind) return kind;
  }
  return undefined;
}
