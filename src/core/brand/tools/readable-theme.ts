import { contrastRatio, inkOn, nearestOn, type Ground } from '../../colour/contrast';
import { oklchHex, readColour, type ReadColour } from '../../colour/read';
import type { ThemeRecipe } from '../document/theme-shape';
import type { Token } from '../document/token-shape';
import type { Resolved } from '../reading/resolve';
import { keepOrder, raise, type stacked } from './surface-heights';
import { exactColour } from './theme-mapping';

/** A ratio falls short by rounding to eight bits, and not for any other reason, within this factor. */
export const ROUNDING = 0.985;

/** Two tokens that keep the colours of a text and of what it is set on. */
export interface RootPair {
  readonly text: Token;
  readonly ground: Token;
  /** WCAG contrast ratio. */
  readonly needed: number;
}

/** A theme on its way from another. */
interface Derivation {
  /** What tokens have in the theme that it is made from, by token id. */
  readonly source: ReadonlyMap<string, Resolved>;
  /** Where the recipe takes a colour, without regard to others. */
  readonly map: (resolved: Resolved) => ReadColour;
  readonly recipe: ThemeRecipe;
  /** Ids of tokens that stay as they are. */
  readonly fixed: ReadonlySet<string>;
  /** Surfaces by height, those that are to be in order. */
  readonly heights: ReturnType<typeof stacked>;
  readonly pairs: readonly RootPair[];
}

/** Moves mapped colours, by token id, until each text has on each of its grounds what it needs, or as near to that as there is. */
export function makeReadable(derivation: Derivation, mapped: Map<string, ReadColour>): void {
  new Readability(derivation, mapped).run();
}

class Readability {
  /** Ids of grounds. */
  private readonly grounds: ReadonlySet<string>;
  private readonly byText = new Map<Token, RootPair[]>();
  /** Black and white of the recipe, the lightest first: in a flipped theme grounds are dark. */
  private readonly inks: readonly ReadColour[];
  /** Ids of what was taken back to where every ratio holds. */
  private readonly exact = new Set<string>();
  /** Ids of texts whose grounds were moved, and of grounds that were moved to be read themselves: once each, for what is moved may be a ground of others. */
  private readonly cleared = new Set<string>();
  private readonly moved = new Set<string>();

  constructor(
    private readonly derivation: Derivation,
    private readonly mapped: Map<string, ReadColour>,
  ) {
    const { pairs, recipe } = derivation;
    this.grounds = new Set(pairs.map(({ ground }) => ground.id));
    for (const pair of pairs) this.byText.set(pair.text, [...(this.byText.get(pair.text) ?? []), pair]);
    this.inks = [recipe.high, recipe.low].map((lightness) => readColour(oklchHex([lightness, 0, 0]))!);
  }

  run(): void {
    raise(this.derivation.heights, this.mapped);
    for (let again = true; again;) {
      again = false;
      for (const [text, on] of this.byText)
        if (!this.derivation.fixed.has(text.id))
          again = (this.grounds.has(text.id) ? this.fitGround(text, on) : this.fitText(text, on)) || again;
    }
  }

  private colourOf({ id }: Token): ReadColour {
    return this.mapped.get(id)!;
  }

  private neededOn(on: readonly RootPair[]): Ground[] {
    return on.map(({ ground, needed }): Ground => ({ colour: this.colourOf(ground), needed }));
  }

  /**
   * A text that others stand on stays where it is as long as it can be read itself, and is moved once when not.
   * @returns whether anything moved, so that all have to be looked at again
   */
  private fitGround(text: Token, on: readonly RootPair[]): boolean {
    const needed = this.neededOn(on);
    if (share(this.colourOf(text), needed) >= ROUNDING) return false;
    const fitting = this.moved.has(text.id) ? null : this.between(text, needed);
    this.moved.add(text.id);
    if (fitting) this.place(text, fitting);
    return fitting !== null || this.takeAllBack(text, on);
  }

  /** @returns whether a ground moved, so that all have to be looked at again */
  private fitText(text: Token, on: readonly RootPair[]): boolean {
    const { source, map } = this.derivation;
    const needed = this.neededOn(on);
    const start = this.exact.has(text.id) ? this.colourOf(text) : map(source.get(text.id)!);
    const fitting = nearestOn(start, needed);
    if (fitting) this.mapped.set(text.id, fitting);
    else if (this.clear(text, on) || this.takeAllBack(text, on)) return true;
    // What it stands on was given by hand or cannot be better: as near to what is needed as there is.
    else if (share(this.colourOf(text), needed) < ROUNDING) this.mapped.set(text.id, bestOn(start, needed));
    return false;
  }

  /** Gives a token a colour. A surface is never darker than the recipe's darkest. */
  private place(token: Token, colour: ReadColour): void {
    const { recipe, heights } = this.derivation;
    const [l, c, h] = colour.oklch;
    const isTooDark = token.role === 'surface' && l < recipe.low;
    this.mapped.set(token.id, isTooDark ? readColour(oklchHex([recipe.low, c, h], colour.alpha))! : colour);
    keepOrder(heights, this.mapped, recipe.low);
  }

  /**
   * Moves grounds, in lightness alone, to where one ink reaches what is needed on all of them: dark ones in a theme that
   * is flipped, else those that move least.
   */
  private clear(text: Token, on: readonly RootPair[]): boolean {
    if (this.cleared.has(text.id)) return false;
    this.cleared.add(text.id);
    const sides = this.inks.flatMap((ink) => {
      const moves = on.map(({ ground, needed }) => {
        const now = this.colourOf(ground);
        const to = this.derivation.fixed.has(ground.id) ? now : nearestOn(now, [{ colour: ink, needed }]);
        return { ground, to, far: to ? Math.abs(to.oklch[0] - now.oklch[0]) : 0 };
      });
      return moves.every(({ to }) => to) ? [{ moves, far: Math.max(...moves.map(({ far }) => far)) }] : [];
    });
    const side = this.derivation.recipe.flip ? sides[0] : sides.sort((one, two) => one.far - two.far)[0];
    if (!side || side.far === 0) return false;
    for (const { ground, to } of side.moves) this.place(ground, to!);
    return true;
  }

  /** Takes a text and its grounds back to colours that keep all ratios. @returns whether any of them was not there yet */
  private takeAllBack(text: Token, on: readonly RootPair[]): boolean {
    const most = Math.max(...on.map(({ needed }) => needed));
    const taken = [this.takeBack(text, most), ...on.map(({ ground, needed }) => this.takeBack(ground, needed))];
    return taken.some(Boolean);
  }

  private takeBack(token: Token, needed: number): boolean {
    const { source, recipe, fixed } = this.derivation;
    if (fixed.has(token.id) || this.exact.has(token.id)) return false;
    this.exact.add(token.id);
    const colour = exactColour(source.get(token.id)!.colour!, recipe);
    // More contrast than in the source takes a ground on which one ink has that much.
    const ink = readColour(inkOn(colour))!;
    const roomy = this.grounds.has(token.id) && recipe.least > 1 ? nearestOn(colour, [{ colour: ink, needed }]) : null;
    this.place(token, roomy ?? colour);
    return true;
  }

  /** The nearest lightness at which a token can be read itself, and leaves room for one ink on it. */
  private between(token: Token, needed: readonly Ground[]): ReadColour | null {
    const most = Math.max(1, ...this.derivation.pairs.filter(({ ground }) => ground === token).map((pair) => pair.needed));
    const now = this.colourOf(token);
    const found = this.inks.flatMap((ink) => nearestOn(now, [...needed, { colour: ink, needed: most }]) ?? []);
    const far = ({ oklch }: ReadColour) => Math.abs(oklch[0] - now.oklch[0]);
    return found.sort((one, two) => far(one) - far(two))[0] ?? null;
  }
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
