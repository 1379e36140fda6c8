import { unit } from '../../base/clamp';
import { deltaEOk } from '../../colour/difference';
import { contrastRatio, hexLuminance, lightnessAt, nearestOn, type Ground } from '../../colour/contrast';
import { oklchHex, readColour, type ReadColour } from '../../colour/read';
import type { StateRule } from '../document/token-shape';

/** What a state is made from, as it is in one theme. */
export interface StateParts {
  /** The token at rest. */
  readonly of: ReadColour;
  readonly surface: ReadColour;
  readonly text?: ReadColour | undefined;
}

/** WCAG 2.2, 1.4.3 (AA): a text that can be read at rest can be read in every state; one that cannot gets no worse. */
const READABLE = 4.5;

/** ΔE-OK that is just noticeable (CSS Color 4, section 13.2): a state that differs by less cannot be told from rest. */
const JND = 0.02;
/** How finely lightness is looked through where neither step will do. */
const STRIDE = 0.01;

/**
 * The colour of a state: a step of OKLCH lightness from the token at rest, away from the surface or towards it, with its
 * hue and a share of its chroma. Where the step would leave the text on it unreadable, or cannot be seen because white and
 * black leave no room, it goes the other way; where that helps neither, the nearest lightness that does is taken. A ratio
 * with the surface that the rule asks for is reached the same way. A text that can be read comes before a change that can
 * be seen, and what no lightness reaches is missed by as little as can be.
 * @returns `#rrggbb`, with two more digits when the token at rest is translucent
 */
export function stateColour({ of, surface, text }: StateParts, rule: StateRule): ReadColour {
  const [l, c, h] = of.oklch;
  const away = l >= surface.oklch[0] ? 1 : -1;
  const shade = (lightness: number) => readColour(oklchHex([unit(lightness), c * rule.chroma, h]))!;
  const grounds: Ground[] = [{ colour: surface, needed: rule.least }];
  if (text) grounds.push({ colour: text, needed: Math.min(READABLE, contrastRatio(text, of)) });
  /**
   * The greatest of what is missing, as a factor; at most 1 when nothing is. The product would not do: between a text and
   * a surface it is the same for every lightness, and the last bit of a logarithm would decide.
   */
  const missing = (state: ReadColour) => Math.max(...grounds.map(({ colour, needed }) => needed / contrastRatio(state, colour)));
  const change = Math.max(JND, Math.abs(rule.step) / 2);
  const isSeen = (state: ReadColour) => deltaEOk(of.hex, state.hex) >= change - 1e-9;
  const serves = (state: ReadColour) => missing(state) <= 1 && isSeen(state);
  const wanted = l + away * rule.step;
  const other = l - away * rule.step;
  const found =
    [wanted, other].map(shade).find(serves) ??
    nearest(wanted, serves) ??
    [wanted, other].map(shade).find((state) => missing(state) <= 1) ??
    nearestOn({ ...shade(wanted), oklch: [wanted, c * rule.chroma, h] }, grounds) ??
    least();
  return of.alpha < 1 ? readColour(oklchHex(found.oklch, of.alpha))! : found;

  /** The first that serves, going out from a lightness both ways. */
  function nearest(from: number, isWanted: (state: ReadColour) => boolean): ReadColour | null {
    for (let off = STRIDE; off <= 1; off += STRIDE) {
      for (const lightness of [from + away * off, from - away * off]) {
        if (lightness < 0 || lightness > 1) continue;
        const state = shade(lightness);
        if (isWanted(state)) return state;
      }
    }
    return null;
  }

  /** Black, white, or where what is missing to the surface and to the text is the same. */
  function least(): ReadColour {
    const [dark, light = dark] = grounds
      .map(({ colour, needed }) => ({ above: hexLuminance(colour.hex) + 0.05, needed }))
      .sort((one, two) => one.above - two.above);
    const middle = Math.sqrt((dark!.needed / light!.needed) * dark!.above * light!.above) - 0.05;
    const candidates = [0, 1, lightnessAt(middle, c * rule.chroma, h)].map(shade);
    // Engines differ in the last bits of a cube root: what is no better but for those is no better.
    return candidates.reduce((best, next) => (missing(next) < missing(best) - 1e-9 ? next : best));
  }
}

/** Rules to begin with, by common practice: what a person then changes. */
export const STATE_DEFAULTS: Record<StateRule['state'], Pick<StateRule, 'step' | 'chroma' | 'least'>> = {
  hover: { step: 0.06, chroma: 1, least: 1 },
  pressed: { step: 0.12, chroma: 1, least: 1 },
  selected: { step: 0.09, chroma: 1.15, least: 3 },
  // WCAG 2.2, 1.4.11 and 2.4.13: what shows the focus stands out from what is around it by 3 to 1.
  focus: { step: 0.03, chroma: 1.25, least: 3 },
  disabled: { step: -0.18, chroma: 0.3, least: 1 },
};
