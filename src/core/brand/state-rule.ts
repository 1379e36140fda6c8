import { contrastRatio } from '../colour/contrast';
import { oklchHex, readColour, type ReadColour } from '../colour/read';
import type { StateRule } from './document';

/** What a state is made from, as it is in one theme. */
export interface StateParts {
  /** The token at rest. */
  readonly of: ReadColour;
  readonly surface: ReadColour;
  readonly text?: ReadColour | undefined;
}

/** WCAG 2.2, 1.4.3 (AA): a text that can be read at rest can be read in every state; one that cannot gets no worse. */
const READABLE = 4.5;
/** Finer than a step of any 8-bit channel. */
const STRIDE = 0.002;

/**
 * The colour of a state: a step of OKLCH lightness from the token at rest, away from the surface or towards it, with its
 * hue and a share of its chroma. Where the step would leave the text on it unreadable, it goes the other way; where that
 * helps neither, the nearest lightness that does is taken. A ratio with the surface that the rule asks for is reached
 * the same way. What no lightness reaches is missed by as little as can be.
 * @returns `#rrggbb`, with two more digits when the token at rest is translucent
 */
export function stateColour({ of, surface, text }: StateParts, rule: StateRule): ReadColour {
  const [l, c, h] = of.oklch;
  const away = l >= surface.oklch[0] ? 1 : -1;
  const at = (lightness: number) => readColour(oklchHex([unit(lightness), c * rule.chroma, h], of.alpha))!;
  const readable = text ? Math.min(READABLE, contrastRatio(text, of)) : 1;
  /** How much is missing, as a factor; 1 when nothing is. */
  const missing = (colour: ReadColour) =>
    Math.max(1, rule.least / contrastRatio(colour, surface)) * (text ? Math.max(1, readable / contrastRatio(text, colour)) : 1);
  const wanted = l + away * rule.step;
  let best = at(wanted);
  let least = missing(best);
  const consider = (lightness: number) => {
    if (lightness < 0 || lightness > 1) return;
    const colour = at(lightness);
    const factor = missing(colour);
    if (factor >= least) return;
    best = colour;
    least = factor;
  };
  if (least > 1) consider(l - away * rule.step);
  for (let distance = STRIDE; least > 1 && distance <= 1; distance += STRIDE) {
    consider(wanted + away * distance);
    if (least > 1) consider(wanted - away * distance);
  }
  return best;
}

function unit(value: number): number {
  return Math.min(1, Math.max(0, value));
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
