import { readColour, type ReadColour } from '../colour/read';
import type { Brand, Swatch, Palette, Token } from './document';

/** What a token comes to in one theme. */
export interface Resolved {
  readonly token: Token;
  /** null when the token, or one it points at, has no value in this theme. */
  readonly colour: ReadColour | null;
  /** The way taken, from this token's path to the last: ends with the swatch's or the authored colour's text. */
  readonly trail: readonly string[];
}

interface Found {
  readonly palette: Palette;
  readonly swatch: Swatch;
}

const themes = new WeakMap<Brand, Map<string, ReadonlyMap<string, Resolved>>>();
const swatches = new WeakMap<Brand, ReadonlyMap<string, Found>>();

/** Every swatch of a brand by id, with its palette. Computed once a document. */
export function swatchesOf(brand: Brand): ReadonlyMap<string, Found> {
  let found = swatches.get(brand);
  if (!found) {
    found = new Map(brand.palettes.flatMap((palette) => palette.swatches.map((swatch) => [swatch.id, { palette, swatch }])));
    swatches.set(brand, found);
  }
  return found;
}

/**
 * All tokens of a brand in one theme, in the brand's order, by token id. Pure, and computed once a document and theme.
 * A missing value or a target that is not there gives `colour: null`; a circle (which `Brand` does not allow) likewise.
 */
export function resolveTheme(brand: Brand, theme: string): ReadonlyMap<string, Resolved> {
  let perTheme = themes.get(brand);
  if (!perTheme) themes.set(brand, (perTheme = new Map()));
  let resolved = perTheme.get(theme);
  if (!resolved) perTheme.set(theme, (resolved = resolveAll(brand, theme)));
  return resolved;
}

function resolveAll(brand: Brand, theme: string): ReadonlyMap<string, Resolved> {
  const tokens = new Map(brand.tokens.map((token) => [token.id, token]));
  const palettes = swatchesOf(brand);
  const done = new Map<string, Resolved>();
  const underWay = new Set<string>();
  const resolve = (token: Token): Resolved => {
    const known = done.get(token.id);
    if (known) return known;
    const result: Resolved = { token, ...follow(token) };
    done.set(token.id, result);
    return result;
  };
  const follow = (token: Token): Omit<Resolved, 'token'> => {
    const value = token.values[theme];
    if (!value || underWay.has(token.id)) return { colour: null, trail: [token.path] };
    if ('colour' in value) return { colour: readColour(value.colour), trail: [token.path, value.colour] };
    if ('swatch' in value) {
      const found = palettes.get(value.swatch);
      if (!found) return { colour: null, trail: [token.path] };
      return {
        colour: readColour(found.swatch.value),
        trail: [token.path, `${found.palette.name} / ${found.swatch.name}`],
      };
    }
    const target = tokens.get(value.token);
    if (!target) return { colour: null, trail: [token.path] };
    underWay.add(token.id);
    const end = resolve(target);
    underWay.delete(token.id);
    return { colour: end.colour, trail: [token.path, ...end.trail] };
  };
  return new Map(brand.tokens.map((token) => [token.id, resolve(token)]));
}

/** Tokens that come to a swatch or token, straight or through other tokens, in any theme; in the order given. */
export function tokensUsing(tokens: readonly Token[], target: { swatch: string } | { token: string }): Token[] {
  const users = new Set<string>();
  let found =
    'swatch' in target
      ? pointingAt(tokens, 'swatch', new Set([target.swatch]))
      : pointingAt(tokens, 'token', new Set([target.token]));
  while (found.length > 0) {
    const fresh = found.filter((token) => !users.has(token.id));
    fresh.forEach((token) => users.add(token.id));
    found = fresh.length > 0 ? pointingAt(tokens, 'token', new Set(fresh.map((token) => token.id))) : [];
  }
  return tokens.filter((token) => users.has(token.id));
}

function pointingAt(tokens: readonly Token[], kind: 'swatch' | 'token', ids: ReadonlySet<string>): Token[] {
  return tokens.filter((token) =>
    Object.values(token.values).some((value) => {
      const to = kind === 'swatch' ? 'swatch' in value && value.swatch : 'token' in value && value.token;
      return to !== false && ids.has(to);
    }),
  );
}
