import { contrastRatio, inkOn, nearestOn, type Ground } from '../../colour/contrast';
import { oklchHex, readColour, type ReadColour } from '../../colour/read';
import type { Brand } from '../document/document';
import type { ThemeRecipe } from '../document/theme-shape';
import type { Token, TokenValue } from '../document/token-shape';
import { isDarkTheme } from '../reading/elevation';
import { groundsOf } from '../reading/grounds';
import { resolveTheme, tokensOf } from '../reading/resolve';
import { keepOrder, raise, stacked } from './surface-heights';
import { exactColour, mapping, roomAbove } from './theme-mapping';

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

/** A ratio falls short by rounding to eight bits, and not for any other reason, within this factor. */
const ROUNDING = 0.985;

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
  const valuesThere = to === null ? null : resolveTheme(brand, to);
  const held = (token: Token) => {
    const value = to === null ? undefined : token.values[to];
    return value && !value.derived ? valuesThere!.get(token.id)! : null;
  };
  const tokens = tokensOf(brand);
  /** The token in which a token's colour is kept, in the theme to be. */
  const rootOf = (token: Token): Token | null => {
    let pointed: Token | undefined = token;
    for (let steps = 0; pointed && steps <= brand.tokens.length; steps++) {
      const value: TokenValue | undefined =
        (to !== null && held(pointed) ? pointed.values[to] : undefined) ?? pointed.values[from];
      if (!value) return null;
      if (!('token' in value)) return pointed;
      pointed = tokens.get(value.token);
    }
    return null;
  };
  const { map, isDarkAfter } = mapping(brand, source, recipe);
  const mapped = new Map<string, ReadColour>();
  const fixed = new Set<string>();
  const values: Record<string, TokenValue> = {};
  const roots: Token[] = [];
  for (const token of brand.tokens) {
    const keeps = held(token);
    const value = token.values[from];
    if (keeps) {
      fixed.add(token.id);
      if (keeps.colour) mapped.set(token.id, keeps.colour);
    } else if (value && 'token' in value) values[token.id] = { token: value.token, derived: true };
    else if (value) {
      roots.push(token);
      mapped.set(token.id, map(source.get(token.id)!));
    }
  }
  /** Surfaces by height, those that are to be in order. */
  const heights = isDarkAfter ? stacked(roots) : [];
  raise(heights, mapped);
  /** A surface is never darker than the recipe's darkest. */
  const place = (token: Token, colour: ReadColour) => {
    const [l, c, h] = colour.oklch;
    const isTooDark = token.role === 'surface' && l < recipe.low;
    mapped.set(token.id, isTooDark ? readColour(oklchHex([recipe.low, c, h], colour.alpha))! : colour);
    keepOrder(heights, mapped, recipe.low);
  };
  const most = isDarkAfter ? Math.min(recipe.most, roomAbove(recipe)) : recipe.most;
  const pairs = rootPairs(brand, source, rootOf, { ...recipe, most }).filter(
    ({ text, ground }) => mapped.has(text.id) && mapped.has(ground.id),
  );
  const grounds = new Set(pairs.map(({ ground }) => ground.id));
  const byText = new Map<Token, RootPair[]>();
  for (const pair of pairs) byText.set(pair.text, [...(byText.get(pair.text) ?? []), pair]);
  /** Grounds taken back to where every ratio holds. */
  const exact = new Set<string>();
  const takeBack = (token: Token, needed: number) => {
    if (fixed.has(token.id) || exact.has(token.id)) return false;
    exact.add(token.id);
    const colour = exactColour(source.get(token.id)!.colour!, recipe);
    // More contrast than in the source takes a ground on which one ink has that much.
    const ink = readColour(inkOn(colour))!;
    const roomy = grounds.has(token.id) && recipe.least > 1 ? nearestOn(colour, [{ colour: ink, needed }]) : null;
    place(token, roomy ?? colour);
    return true;
  };
  // The lightest first: in a flipped theme grounds are dark.
  const inks = [recipe.high, recipe.low].map((lightness) => readColour(oklchHex([lightness, 0, 0]))!);
  const cleared = new Set<string>();
  /**
   * Grounds moved, in lightness alone, to where one ink reaches what is needed on all of them: dark ones in a theme that
   * is flipped, else those that move least. Once a text, for what is moved may be a ground of others.
   */
  const clear = (text: Token, on: readonly RootPair[]): boolean => {
    if (cleared.has(text.id)) return false;
    cleared.add(text.id);
    const sides = inks.flatMap((ink) => {
      const moves = on.map(({ ground, needed }) => {
        const now = mapped.get(ground.id)!;
        const to = fixed.has(ground.id) ? now : nearestOn(now, [{ colour: ink, needed }]);
        return { ground, to, far: to ? Math.abs(to.oklch[0] - now.oklch[0]) : 0 };
      });
      return moves.every(({ to }) => to) ? [{ moves, far: Math.max(...moves.map(({ far }) => far)) }] : [];
    });
    const side = recipe.flip ? sides[0] : sides.sort((one, two) => one.far - two.far)[0];
    if (!side || side.far === 0) return false;
    for (const { ground, to } of side.moves) place(ground, to!);
    return true;
  };
  const takeAllBack = (text: Token, on: readonly RootPair[]) => {
    const most = Math.max(...on.map(({ needed }) => needed));
    const taken = [takeBack(text, most), ...on.map(({ ground, needed }) => takeBack(ground, needed))];
    return taken.some(Boolean);
  };
  /** The nearest lightness at which a token can be read itself, and leaves room for one ink on it. */
  const between = (token: Token, needed: readonly Ground[]): ReadColour | null => {
    const most = Math.max(1, ...pairs.filter(({ ground }) => ground === token).map((pair) => pair.needed));
    const now = mapped.get(token.id)!;
    const found = inks.flatMap((ink) => nearestOn(now, [...needed, { colour: ink, needed: most }]) ?? []);
    const far = ({ oklch }: ReadColour) => Math.abs(oklch[0] - now.oklch[0]);
    return found.sort((one, two) => far(one) - far(two))[0] ?? null;
  };
  const moved = new Set<string>();
  for (let again = true; again;) {
    again = false;
    for (const [text, on] of byText) {
      if (fixed.has(text.id)) continue;
      const needed = on.map(({ ground, needed: ratio }): Ground => ({ colour: mapped.get(ground.id)!, needed: ratio }));
      if (grounds.has(text.id)) {
        // A ground of other texts stays where it is as long as it can be read itself, and is moved once when not.
        if (share(mapped.get(text.id)!, needed) >= ROUNDING) continue;
        const fitting = moved.has(text.id) ? null : between(text, needed);
        moved.add(text.id);
        if (fitting) place(text, fitting);
        again = fitting !== null || takeAllBack(text, on) || again;
        continue;
      }
      const start = exact.has(text.id) ? mapped.get(text.id)! : map(source.get(text.id)!);
      const fitting = nearestOn(start, needed);
      if (fitting) mapped.set(text.id, fitting);
      else if (clear(text, on) || takeAllBack(text, on)) again = true;
      // What it stands on was given by hand or cannot be better: as near to what is needed as there is.
      else if (share(mapped.get(text.id)!, needed) < ROUNDING) mapped.set(text.id, bestOn(start, needed));
    }
  }
  for (const token of roots) {
    const { hex, alpha } = mapped.get(token.id)!;
    values[token.id] = { colour: alpha < 1 ? oklchHex(mapped.get(token.id)!.oklch, alpha) : hex, derived: true };
  }
  return { values, short: shortPairs(brand, pairs, mapped), kept: fixed.size, most };
}

/** The least of the ratios reached, as a share of what is needed. */
function share(text: ReadColour, grounds: readonly Ground[]): number {
  return Math.min(...grounds.map(({ colour, needed }) => contrastRatio(text, colour) / needed));
}

/** The lightness of a colour that comes nearest to what its grounds need. */
function bestOn({ oklch: [, c, h] }: ReadColour, grounds: readonly Ground[]): ReadColour {
  const candidates = Array.from({ length: 51 }, (_, at) => readColour(oklchHex([at / 50, c, h]))!);
  return candidates.reduce((best, candidate) => (share(candidate, grounds) > share(best, grounds) ? candidate : best));
}

interface RootPair {
  readonly text: Token;
  readonly ground: Token;
  readonly needed: number;
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

function shortPairs(brand: Brand, pairs: readonly RootPair[], mapped: ReadonlyMap<string, ReadColour>): ShortPair[] {
  return pairs
    .map(({ text, ground, needed }) => ({
      text,
      surface: ground,
      needed,
      reached: contrastRatio(mapped.get(text.id)!, mapped.get(ground.id)!),
    }))
    .filter(({ needed, reached }) => reached < needed * ROUNDING);
}
