import type { Brand, Token } from './document';
import { tokensOf } from './resolve';

const surfacesKnown = new WeakMap<readonly Token[], readonly Token[]>();

/** What a text is set on: the tokens it names, or every surface when it names none. */
export function groundsOf(brand: Brand, text: Token): readonly Token[] {
  if (text.on.length > 0) {
    const tokens = tokensOf(brand);
    return text.on.flatMap((id) => tokens.get(id) ?? []);
  }
  let surfaces = surfacesKnown.get(brand.tokens);
  if (!surfaces) surfacesKnown.set(brand.tokens, (surfaces = brand.tokens.filter((token) => token.role === 'surface')));
  return surfaces;
}
