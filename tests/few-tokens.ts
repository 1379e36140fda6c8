import { emptyBrand, type Brand } from '@/core/brand/document/document';
import type { Token } from '@/core/brand/document/token-shape';

/** A token's value as a test writes it: a CSS colour, `{path}` of another token, or one of either for each theme in order. */
type Written = string | readonly (string | undefined)[];

export const idOf = (path: string) => path.replaceAll('.', '-');

/** A brand of a few tokens in one theme, Day, or in as many as the longest value has. Ids are the paths with hyphens. */
export function fewTokens(values: Readonly<Record<string, Written>>, roles: Readonly<Record<string, Token['role']>> = {}): Brand {
  const count = Math.max(1, ...Object.values(values).map((value) => (typeof value === 'string' ? 1 : value.length)));
  const themes = ['Day', 'Night', 'Dusk'].slice(0, count).map((name) => ({ id: name.toLowerCase(), name }));
  const tokens = Object.entries(values).map(([path, written]): Token => {
    const each = typeof written === 'string' ? themes.map(() => written) : written;
    const own = each.flatMap((text, at) => {
      if (text === undefined) return [];
      return [[themes[at]!.id, text.startsWith('{') ? { token: idOf(text.slice(1, -1)) } : { colour: text }] as const];
    });
    return { id: idOf(path), path, role: roles[path] ?? 'other', description: '', on: [], values: Object.fromEntries(own) };
  });
  return { ...emptyBrand('b', 'Few'), themes, tokens };
}

/** The brand with one token, named by its path, changed. */
export function changedToken(brand: Brand, path: string, change: Partial<Token>): Brand {
  return { ...brand, tokens: brand.tokens.map((token) => (token.path === path ? { ...token, ...change } : token)) };
}
