import { contrastRatio } from '../../colour/contrast';
import { oklchHex, type ReadColour } from '../../colour/read';
import type { Brand } from '../document/document';
import type { ThemeRecipe } from '../document/theme-shape';
import type { Token, TokenValue } from '../document/token-shape';
import { isDarkTheme } from '../reading/elevation';
import { groundsOf } from '../reading/grounds';
import { resolveTheme, tokensOf, type Resolved } from '../reading/resolve';
import { makeReadable, ROUNDING, type RootPair } from './readable-theme';
import { stacked } from './surface-heights';
import { mapping, roomAbove } from './theme-mapping';

/** Recipes to begin with; the figures are ours, for a person to change. */
export const RECIPES = {
  dark: { flip: true, low: 0.2, high: 0.97, chroma: 0.2, red: 0, least: 1, most: 21 },
  night: { flip: true, low: 0.13, high: 0.72, chroma: 0.14, red: 0.7, least: 4.5, most: 7 },
  contrast: { flip: false, low: 0, high: 1, chroma: 0.3, red: 0, least: 7, most: 21 },
  soft: { flip: false, low: 0.2, high: 0.93, chroma: 0.16, red: 0, least: 1, most: 21 },
} as const satisfies Record<string, ThemeRecipe>;

/** A recipe for a theme: one that makes dark of light leaves light and dark as they are where the page is dark already. */
export function recipeFor(recipe: ThemeRecipe, brand: Brand, from: string): ThemeRecipe {
  return recipe.flip && isDarkTheme(brand, from) ? { ...recipe, flip: false } : recipe;
}

/** A text that could not be kept as readable as asked for. */
export interface ShortPair {
  readonly text: Token;
  readonly surface: Token;
  /** WCAG contrast ratios. */
  readonly needed: number;
  readonly reached: number;
}

export interface DerivedTheme {
  /** By token id: what each token is to have; those that keep their own value, and states by rule, are left out. */
  readonly values: Readonly<Record<string, TokenValue>>;
  readonly short: readonly ShortPair[];
  /** How many tokens keep the value a person gave them. */
  readonly kept: number;
  /** The most contrast that any text was to keep: the recipe's bound, or what there is room for above its darkest surface. */
  readonly most: number;
}

/**
 * One theme made from another: every colour is mapped by the recipe (OKLCH lightness flipped or compressed, hue kept,
 * chroma limited, red-shifted); aliases stay aliases. What flips is what light and dark belong to: surfaces as light or as dark as the
 * page, the texts on them, borders, and series that run from light to dark; an accent or a category only comes into the range, and a
 * surface of the other kind, such as a dark bar on a light page, stays. In a dark theme surfaces become lighter step by step with their height,
 * and none is darker than the recipe's darkest. Then every text is moved, in lightness alone, to where each of its grounds gives it the contrast it has in the source theme, within the
 * recipe's bounds. Where no lightness does, its grounds are moved to where one does; and where several texts want that of
 * a ground in different ways, they are taken back to colours that keep all ratios: as they are in the source or, flipped,
 * those of the reciprocal luminance (Y + 0.05 becomes 0.0525 / (Y + 0.05), which swaps black with white and leaves every
 * WCAG ratio as it was).
 * @param to the theme whose own values, those not marked as derived, are kept; null for a new one
 */
export function deriveTheme(brand: Brand, from: string, to: string | null, recipe: ThemeRecipe): DerivedTheme {
  const source = resolveTheme(brand, from);
  const own = ownValues(brand, to);
  const { map, isDarkAfter } = mapping(brand, source, recipe);
  const mapped = new Map<string, ReadColour>();
  const values: Record<string, TokenValue> = {};
  const roots: Token[] = [];
  for (const token of brand.tokens) {
    const keeps = own.get(token.id);
    const value = token.values[from];
    if (keeps) {
      if (keeps.colour) mapped.set(token.id, keeps.colour);
    } else if (value && 'token' in value) values[token.id] = { token: value.token, derived: true };
    else if (value) {
      roots.push(token);
      mapped.set(token.id, map(source.get(token.id)!));
    }
  }
  const most = isDarkAfter ? Math.min(recipe.most, roomAbove(recipe)) : recipe.most;
  const rootOf = (token: Token) => rootIn(brand, from, token, (pointed) => (to !== null && own.has(pointed.id) ? to : from));
  const pairs = rootPairs(brand, source, rootOf, { ...recipe, most }).filter(
    ({ text, ground }) => mapped.has(text.id) && mapped.has(ground.id),
  );
  const heights = isDarkAfter ? stacked(roots) : [];
  makeReadable({ source, map, recipe, fixed: new Set(own.keys()), heights, pairs }, mapped);
  for (const token of roots) {
    const { hex, alpha } = mapped.get(token.id)!;
    values[token.id] = { colour: alpha < 1 ? oklchHex(mapped.get(token.id)!.oklch, alpha) : hex, derived: true };
  }
  return { values, short: shortPairs(pairs, mapped), kept: own.size, most };
}

/** What tokens have in a theme by a person's hand, by token id. */
function ownValues(brand: Brand, theme: string | null): ReadonlyMap<string, Resolved> {
  if (theme === null) return new Map();
  const resolved = resolveTheme(brand, theme);
  const own = brand.tokens.filter(({ values }) => values[theme] && !values[theme].derived);
  return new Map(own.map(({ id }) => [id, resolved.get(id)!]));
}

/** The token in which a token's colour is kept, in the theme to be. @param themeOf from which theme a token has its value */
function rootIn(brand: Brand, from: string, token: Token, themeOf: (token: Token) => string): Token | null {
  const tokens = tokensOf(brand);
  let pointed: Token | undefined = token;
  for (let steps = 0; pointed && steps <= brand.tokens.length; steps++) {
    const value: TokenValue | undefined = pointed.values[themeOf(pointed)] ?? pointed.values[from];
    if (!value) return null;
    if (!('token' in value)) return pointed;
    pointed = tokens.get(value.token);
  }
  return null;
}

/** Each two tokens that keep the colours of a text and of what it is set on, with the most that any such pair needs. */
function rootPairs(
  brand: Brand,
  source: ReturnType<typeof resolveTheme>,
  rootOf: (token: Token) => Token | null,
  { least, most }: ThemeRecipe,
): RootPair[] {
  const pairs = new Map<string, RootPair>();
  for (const token of brand.tokens) {
    if (token.role !== 'text') continue;
    const text = rootOf(token);
    const textColour = source.get(token.id)!.colour;
    if (!text || !textColour) continue;
    for (const surface of groundsOf(brand, token)) {
      const ground = rootOf(surface);
      const groundColour = source.get(surface.id)!.colour;
      if (!ground || !groundColour || ground === text) continue;
      const needed = Math.max(least, Math.min(most, contrastRatio(textColour, groundColour)));
      const key = `${text.id} ${ground.id}`;
      const known = pairs.get(key);
      if (!known || known.needed < needed) pairs.set(key, { text, ground, needed });
    }
  }
  return [...pairs.values()];
}

function shortPairs(pairs: readonly RootPair[], mapped: ReadonlyMap<string, ReadColour>): ShortPair[] {
  return pairs
    .map(({ text, ground, needed }) => ({
      text,
      surface: ground,
      needed,
      reached: contrastRatio(mapped.get(text.id)!, mapped.get(ground.id)!),
    }))
    .filter(({ needed, reached }) => reached < needed * ROUNDING);
}
